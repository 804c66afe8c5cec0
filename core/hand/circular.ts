/**
 * Statistics of directions. Angles are in degrees clockwise from up, as on a compass; spread is that of the von Mises distribution.
 * Formulas: Mardia and Jupp, Directional Statistics, Wiley 2000.
 */

const RAD = Math.PI / 180;

export const rad = (degrees: number): number => degrees * RAD;
export const deg = (radians: number): number => radians / RAD;

/** The same angle from 0 up to 360. */
export const turned = (degrees: number): number => ((degrees % 360) + 360) % 360;

/** The shorter way from one direction to another, over -180 up to 180 degrees; clockwise is positive. */
export function between(from: number, to: number): number {
	const way = turned(to - from);
	return way > 180 ? way - 360 : way;
}

/** The direction of a move on a screen, where y grows downwards. A move of no length points up. */
export const directionOf = (dx: number, dy: number): number => turned(Math.atan2(dx, -dy) / RAD);

export interface Spread {
	/** How many directions it is of. */
	readonly n: number;
	/** The mean direction, in degrees; of no use where `length` is 0. */
	readonly mean: number;
	/** The mean resultant length, from 0 (any direction) to 1 (always the same). */
	readonly length: number;
	/** The concentration; `Infinity` where all directions are the same. */
	readonly kappa: number;
}

/**
 * A(k) = I1(k) / I0(k), the mean resultant length of the von Mises distribution, by the continued fraction of the ratio of the
 * Bessel functions (Abramowitz and Stegun 9.1.73, for imaginary arguments), which does not overflow.
 */
export function resultantOf(kappa: number): number {
	if (kappa === Infinity) return 1;
	if (kappa <= 0) return 0;
	let ratio = 0;
	const terms = 20 + Math.ceil(kappa / 2) + Math.ceil(10 * Math.sqrt(kappa));
	for (let n = Math.min(terms, 100_000); n >= 1; n--) ratio = 1 / ((2 * n) / kappa + ratio);
	return ratio;
}

/** The concentration whose mean resultant length this is: the inverse of A, by halving; the estimate of greatest likelihood. */
export function concentrationOf(length: number): number {
	if (length <= 0) return 0;
	if (length >= 1) return Infinity;
	let [low, high] = [0, 1];
	while (resultantOf(high) < length) {
		[low, high] = [high, high * 2];
		if (high > 1e9) return Infinity;
	}
	for (let i = 0; i < 60; i++) {
		const middle = (low + high) / 2;
		if (resultantOf(middle) < length) low = middle;
		else high = middle;
	}
	return (low + high) / 2;
}

/** Mean direction and spread. Throws `RangeError` for none. */
export function spreadOf(degrees: readonly number[]): Spread {
	if (degrees.length === 0) throw new RangeError('there is no direction to take the mean of');
	let [x, y] = [0, 0];
	for (const angle of degrees) {
		x += Math.sin(angle * RAD);
		y += Math.cos(angle * RAD);
	}
	const n = degrees.length;
	const length = Math.min(1, Math.hypot(x, y) / n);
	return { n, mean: turned(Math.atan2(x, y) / RAD), length, kappa: concentrationOf(length) };
}

/** The quantile of the chi-squared distribution by the cube root (Wilson and Hilferty 1931), z being that of the normal one. */
const chiSquared = (freedom: number, z: number): number => {
	const c = 2 / (9 * freedom);
	return freedom * (1 - c + z * Math.sqrt(c)) ** 3;
};

/** Below this concentration `kappaBounds` hold less than they say. */
export const LEAST_KAPPA = 2;

/**
 * Between which values the concentration lies with 95 % confidence: 2 gamma n (1 - length) is distributed as chi-squared with n - 1 degrees
 * of freedom, where 1 / gamma = 1 / kappa + 3 / (8 kappa^2); good from kappa 2 on (Mardia and Jupp, 4.8.3 and 5.3.3, from memory; held
 * against simulated hands in the tests). Undefined for fewer than two directions.
 */
export function kappaBounds({ n, length }: Spread, z = 1.96): readonly [low: number, high: number] | undefined {
	if (n < 2) return undefined;
	const waste = 2 * n * (1 - length);
	if (waste <= 0) return [Infinity, Infinity];
	// the positive root of 3/8 x^2 + x = 1 / gamma for x = 1 / kappa
	const kappaOf = (gamma: number) => 3 / (4 * (Math.sqrt(1 + 3 / (2 * gamma)) - 1));
	return [kappaOf(chiSquared(n - 1, -z) / waste), kappaOf(chiSquared(n - 1, z) / waste)];
}

/** The spread in degrees as people think of it: the standard deviation of a narrow distribution of this concentration. */
export const deviationOf = (kappa: number): number => (kappa === Infinity ? 0 : kappa <= 0 ? 180 : 1 / Math.sqrt(kappa) / RAD);

const STEPS = 240;

/**
 * The chance that a direction of this concentration, whose mean lies `bias` degrees off the middle of a sector, falls outside of the
 * sector of this half width in degrees. By Simpson's rule over the density, scaled so that it does not overflow.
 */
export function missOf(kappa: number, bias: number, half: number): number {
	if (half >= 180) return 0;
	if (kappa === Infinity) return Math.abs(between(0, bias)) > half ? 1 : 0;
	// most of a narrow density lies near its mean: it is looked at there only
	const reach = Math.min(Math.PI, 12 / Math.sqrt(Math.max(kappa, 1e-9)));
	const density = (t: number) => (Math.abs(t) > reach ? 0 : Math.exp(kappa * (Math.cos(t) - 1)));
	const area = (from: number, to: number): number => {
		if (to <= from) return 0;
		const h = (to - from) / STEPS;
		let sum = density(from) + density(to);
		for (let i = 1; i < STEPS; i++) sum += density(from + i * h) * (i % 2 === 1 ? 4 : 2);
		return (sum * h) / 3;
	};
	const off = between(0, bias) * RAD;
	const inside = (from: number, to: number) => area(Math.max(from, -reach), Math.min(to, reach));
	let within = 0;
	// the sector as seen from the mean, once round in either direction
	for (const round of [-2 * Math.PI, 0, 2 * Math.PI]) within += inside(-half * RAD - off + round, half * RAD - off + round);
	return Math.min(1, Math.max(0, 1 - within / area(-reach, reach)));
}
