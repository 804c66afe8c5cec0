/** Strokes by formula, to be recognised: made here, for tests and measurements alone. */

const along = (of: (t: number) => readonly [number, number], points = 40): number[] =>
	Array.from({ length: points }, (_, i) => of(i / (points - 1))).flat();

/** The corners, joined by straight pieces of about ten px. */
const corners = (...at: readonly (readonly [number, number])[]): number[] => {
	const made: number[] = [...at[0]!];
	for (let i = 1; i < at.length; i++) {
		const [[ax, ay], [bx, by]] = [at[i - 1]!, at[i]!];
		const pieces = Math.max(1, Math.round(Math.hypot(bx - ax, by - ay) / 10));
		for (let p = 1; p <= pieces; p++) made.push(ax + ((bx - ax) * p) / pieces, ay + ((by - ay) * p) / pieces);
	}
	return made;
};

const arc = (from: number, to: number, rx = 60, ry = rx) =>
	along((t) => {
		const a = ((from + (to - from) * t) * Math.PI) / 180;
		return [rx * Math.sin(a), -ry * Math.cos(a)];
	});

/** Sixteen marks that people draw, no two alike. */
export const MARKS: Readonly<Record<string, readonly number[]>> = {
	caret: corners([0, 80], [40, 0], [80, 80]),
	vee: corners([0, 0], [40, 80], [80, 0]),
	circle: arc(0, 350),
	ell: corners([0, 0], [0, 90], [60, 90]),
	zed: corners([0, 0], [80, 0], [0, 80], [80, 80]),
	en: corners([0, 80], [0, 0], [70, 80], [70, 0]),
	hook: corners([0, 0], [70, 0], [70, 70]),
	tick: corners([0, 40], [30, 80], [90, 0]),
	box: corners([0, 0], [0, 80], [80, 80], [80, 0], [0, 0]),
	wedge: corners([40, 0], [0, 80], [80, 80], [40, 0]),
	ess: along((t) => [60 * Math.cos(Math.PI * (0.2 + 1.6 * t)) * (t < 0.5 ? 1 : -1), 100 * t]),
	spiral: along((t) => [(15 + 55 * t) * Math.sin(13 * t), -(15 + 55 * t) * Math.cos(13 * t)], 80),
	bow: arc(-90, 90),
	cup: arc(270, 90),
	loop: along((t) => [120 * t + 40 * Math.sin(2 * Math.PI * t), -50 * (1 - Math.cos(2 * Math.PI * t))]),
	wave: along((t) => [140 * t, 28 * Math.sin(4 * Math.PI * t)])
};
