import { z } from 'zod';
import { between, concentrationOf, deg, directionOf, kappaBounds, missOf, spreadOf, turned, type Spread } from './circular.ts';

/** One flick of the hand test: where it was to go, in degrees clockwise from up, where it went, in px, and how long it took, in ms. */
export const Flick = z.strictObject({
	wanted: z.number().min(0).max(360),
	dx: z.number().min(-10_000).max(10_000),
	dy: z.number().min(-10_000).max(10_000),
	ms: z.number().min(0).max(60_000)
});
export type Flick = z.infer<typeof Flick>;

/** With fewer flicks in a direction nothing is said of it alone. */
const FEWEST = 3;

export const FEWEST_DIRECTIONS = 2;
export const MOST_DIRECTIONS = 12;

/** What a hand does when it is to go in one direction. */
export interface DirectionOfHand {
	readonly wanted: number;
	readonly n: number;
	/** How many degrees the mean direction lies clockwise of the wanted one. */
	readonly bias: number;
	/** The bias to expect of the next flicks, in degrees: what was measured, shrunk for the chance in so few flicks (see `shrunk`). */
	readonly expectedBias: number;
	readonly spread: Spread;
	/** The mean length in px and time in ms. */
	readonly length: number;
	readonly ms: number;
}

/** What a hand test tells. */
export interface HandSummary {
	/** The flicks that count: one of no length has no direction. */
	readonly n: number;
	readonly directions: readonly DirectionOfHand[];
	/** The spread about the mean of each direction, all directions together. */
	readonly spread: Spread;
	/** Between which values its concentration lies with 95 % confidence. */
	readonly kappa: readonly [low: number, high: number] | undefined;
}

const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;

/** What the flicks tell of a hand; undefined if none has a length. */
export function handSummary(flicks: readonly Flick[]): HandSummary | undefined {
	const counted = flicks.filter(({ dx, dy }) => Math.hypot(dx, dy) > 0);
	if (counted.length === 0) return undefined;
	const byWanted = new Map<number, Flick[]>();
	for (const flick of counted) {
		const wanted = turned(flick.wanted);
		byWanted.set(wanted, [...(byWanted.get(wanted) ?? []), flick]);
	}
	const off: number[] = [];
	const directions = [...byWanted]
		.sort(([a], [b]) => a - b)
		.map(([wanted, own]): Omit<DirectionOfHand, 'expectedBias'> => {
			const angles = own.map(({ dx, dy }) => directionOf(dx, dy));
			const spread = spreadOf(angles);
			for (const angle of angles) off.push(between(spread.mean, angle));
			return {
				wanted,
				n: own.length,
				bias: between(wanted, spread.mean),
				spread,
				length: mean(own.map(({ dx, dy }) => Math.hypot(dx, dy))),
				ms: mean(own.map(({ ms }) => ms))
			};
		});
	const pooled = spreadOf(off);
	// each direction has taken its own mean out, and so a degree of freedom
	const free = Math.max(1, counted.length - directions.length);
	const length = Math.max(0, 1 - ((1 - pooled.length) * counted.length) / free);
	const spread: Spread = { n: free + 1, mean: pooled.mean, length, kappa: concentrationOf(length) };
	const expected = shrunk(directions, spread.kappa);
	return {
		n: counted.length,
		directions: directions.map((one, i) => ({ ...one, expectedBias: expected[i]! })),
		spread,
		kappa: kappaBounds(spread)
	};
}

/**
 * The biases to expect, in degrees. The mean of a few flicks is off by chance as well, with variance 1 / (kappa n); taken as it is, it makes
 * every hand look worse than it is. Each bias is drawn towards the mean of all by the positive-part rule of James and Stein
 * in the form for an unknown mean: by (k - 3) variances over the sum of squares about it (Efron and Morris, JASA 68, 1973; from memory).
 * Fewer than four directions stay as they were measured.
 */
function shrunk(directions: readonly Pick<DirectionOfHand, 'bias' | 'n'>[], kappa: number): number[] {
	const k = directions.length;
	if (k < 4 || kappa === Infinity || kappa <= 0) return directions.map(({ bias }) => bias);
	const middle = mean(directions.map(({ bias }) => bias));
	const squares = directions.reduce((sum, { bias }) => sum + (bias - middle) ** 2, 0);
	if (squares === 0) return directions.map(() => middle);
	return directions.map(({ bias, n }) => {
		const variance = deg(1) ** 2 / (kappa * n);
		return middle + Math.max(0, 1 - ((k - 3) * variance) / squares) * (bias - middle);
	});
}

/** How a hand goes in any direction: between those that were tested what lies on either side, by how near it is. */
export function handAt({ directions, spread }: HandSummary, wanted: number): { bias: number; kappa: number } {
	const enough = directions.filter(({ n }) => n >= FEWEST);
	if (enough.length === 0) return { bias: 0, kappa: spread.kappa };
	const after = enough.reduce((best, one) => (turned(one.wanted - wanted) < turned(best.wanted - wanted) ? one : best));
	const before = enough.reduce((best, one) => (turned(wanted - one.wanted) < turned(wanted - best.wanted) ? one : best));
	const gap = turned(after.wanted - before.wanted);
	const share = gap === 0 ? 0 : turned(wanted - before.wanted) / gap;
	return { bias: before.expectedBias + (after.expectedBias - before.expectedBias) * share, kappa: spread.kappa };
}

/** A rose of so many equal sectors, the middle of the first `turn` degrees clockwise from up. */
export interface Rose {
	readonly directions: number;
	readonly turn: number;
}

/** The middles of the sectors, in degrees clockwise from up. */
export const middlesOf = ({ directions, turn }: Rose): number[] =>
	Array.from({ length: directions }, (_, i) => turned(turn + (i * 360) / directions));

/** In which sector a direction falls, counted from 0; on the border between two the one clockwise of it. */
export const sectorOf = ({ directions, turn }: Rose, angle: number): number =>
	Math.floor(turned(angle - turn + 180 / directions) / (360 / directions)) % directions;

/** The chance that a flick meant for this direction lands in another sector of a rose of so many directions, as it comes. */
export function missesIn(hand: HandSummary, wanted: number, directions: number): number {
	const { bias, kappa } = handAt(hand, wanted);
	return missOf(kappa, bias, 180 / directions);
}

/**
 * The chance that a flick lands in another sector than it was meant for, over all directions alike. Who flicks has the compass in
 * mind, up and every so many degrees from there; a turned rose stands elsewhere, and so meets a hand that goes off.
 */
export function missesOf(hand: HandSummary, { directions, turn }: Rose): number {
	return mean(
		middlesOf({ directions, turn: 0 }).map((wanted) => {
			const { bias, kappa } = handAt(hand, wanted);
			return missOf(kappa, bias - turn, 180 / directions);
		})
	);
}

/**
 * Between which values `missesOf` lies, by the bounds of the concentration, with 95 % confidence for z = 1.96; the same twice if there
 * are none.
 */
export function missBounds(hand: HandSummary, rose: Rose, z = 1.96): readonly [low: number, high: number] {
	const [low, high] = kappaBounds(hand.spread, z) ?? [hand.spread.kappa, hand.spread.kappa];
	const at = (kappa: number) => missesOf({ ...hand, spread: { ...hand.spread, kappa } }, rose);
	return [at(high), at(low)];
}

/** The turn, in whole degrees either way, with which a rose of so many directions is missed least by this hand; the least of equal ones. */
export function bestTurn(hand: HandSummary, directions: number): Rose & { readonly misses: number } {
	let best = { directions, turn: 0, misses: missesOf(hand, { directions, turn: 0 }) };
	const turns = Array.from({ length: Math.floor(180 / directions) }, (_, i) => [i + 1, -i - 1]).flat();
	for (const turn of turns) {
		const misses = missesOf(hand, { directions, turn });
		if (misses < best.misses - 1e-9) best = { directions, turn, misses };
	}
	return best;
}

/** What a hand can bear: for 2 to 12 directions the chance to miss as the rose comes, and with the turn that suits the hand best. */
export function bearable(hand: HandSummary, limit = 0.05) {
	const roses = Array.from({ length: MOST_DIRECTIONS - FEWEST_DIRECTIONS + 1 }, (_, i) => {
		const directions = FEWEST_DIRECTIONS + i;
		const best = bestTurn(hand, directions);
		return { directions, misses: missesOf(hand, { directions, turn: 0 }), turn: best.turn, least: best.misses };
	});
	/** The largest number of directions whose misses stay under the limit; undefined if none does. */
	const most = roses.findLast(({ least }) => least <= limit)?.directions;
	return { roses, most };
}

/** What all hands of an office can bear together, with one turn for all of them. */
export interface BearableByAll {
	/** For 2 to 12 directions the chance to miss of the hand that misses most, as the rose comes, and with the best turn for that. */
	readonly roses: readonly {
		readonly directions: number;
		readonly misses: number;
		readonly turn: number;
		readonly least: number;
	}[];
	/** The largest number of directions with which every hand stays under the limit; undefined if none does. */
	readonly most: number | undefined;
}

export function bearableByAll(hands: readonly HandSummary[], limit = 0.05): BearableByAll {
	const worst = (rose: Rose) => Math.max(...hands.map((hand) => missesOf(hand, rose)));
	const roses = Array.from({ length: MOST_DIRECTIONS - FEWEST_DIRECTIONS + 1 }, (_, i) => {
		const directions = FEWEST_DIRECTIONS + i;
		const misses = worst({ directions, turn: 0 });
		let [turn, least] = [0, misses];
		for (let by = 1; by <= 90 / directions; by++)
			for (const one of [by, -by]) {
				const missed = worst({ directions, turn: one });
				if (missed < least - 1e-9) [turn, least] = [one, missed];
			}
		return { directions, misses, turn, least };
	});
	return { roses, most: hands.length > 0 ? roses.findLast(({ least }) => least <= limit)?.directions : undefined };
}
