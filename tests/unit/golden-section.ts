/**
 * The recogniser of Wobbrock, Wilson and Li (UIST 2007) as its pseudocode has it: 64 points, turned so that the first lies level with the
 * middle, scaled to a square of 250, moved to the origin, and compared by the mean distance of points at the best turn within
 * 45 degrees either way, found by golden section search down to 2 degrees. It is here to be measured against.
 */

const N = 64;
const SIZE = 250;
const PHI = 0.5 * (-1 + Math.sqrt(5));
const [RANGE, CLOSE] = [Math.PI / 4, Math.PI / 90];

type Point = readonly [x: number, y: number];

const between = ([ax, ay]: Point, [bx, by]: Point): number => Math.hypot(bx - ax, by - ay);

function resample(points: readonly Point[]): Point[] {
	const all = [...points];
	let length = 0;
	for (let i = 1; i < all.length; i++) length += between(all[i - 1]!, all[i]!);
	const step = length / (N - 1);
	let gone = 0;
	const made: Point[] = [all[0]!];
	for (let i = 1; i < all.length; i++) {
		const [before, point] = [all[i - 1]!, all[i]!];
		const d = between(before, point);
		if (gone + d >= step && d > 0) {
			const share = (step - gone) / d;
			const q: Point = [before[0] + share * (point[0] - before[0]), before[1] + share * (point[1] - before[1])];
			made.push(q);
			all.splice(i, 0, q);
			gone = 0;
		} else gone += d;
	}
	while (made.length < N) made.push(all.at(-1)!);
	return made.slice(0, N);
}

const middle = (points: readonly Point[]): Point => [
	points.reduce((sum, [x]) => sum + x, 0) / points.length,
	points.reduce((sum, [, y]) => sum + y, 0) / points.length
];

function turnedBy(points: readonly Point[], angle: number): Point[] {
	const [cx, cy] = middle(points);
	const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
	return points.map(([x, y]) => [(x - cx) * cos - (y - cy) * sin + cx, (x - cx) * sin + (y - cy) * cos + cy]);
}

/** A stroke made ready; `levels` turns it so that its first point lies level with its middle. */
export function prepared(path: readonly number[], levels = true): Point[] {
	let points = resample(Array.from({ length: path.length / 2 }, (_, i): Point => [path[2 * i]!, path[2 * i + 1]!]));
	const [cx, cy] = middle(points);
	if (levels) points = turnedBy(points, -Math.atan2(cy - points[0]![1], cx - points[0]![0]));
	const xs = points.map(([x]) => x);
	const ys = points.map(([, y]) => y);
	const [wide, high] = [Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)];
	points = points.map(([x, y]) => [(x * SIZE) / (wide || 1), (y * SIZE) / (high || 1)]);
	const [mx, my] = middle(points);
	return points.map(([x, y]) => [x - mx, y - my]);
}

const apart = (a: readonly Point[], b: readonly Point[]): number =>
	a.reduce((sum, point, i) => sum + between(point, b[i]!), 0) / a.length;

/** The mean distance of points at the best turn. */
export function farFrom(points: readonly Point[], template: readonly Point[], range = RANGE): number {
	let [from, to] = [-range, range];
	const at = (angle: number) => apart(turnedBy(points, angle), template);
	let x1 = PHI * from + (1 - PHI) * to;
	let f1 = at(x1);
	let x2 = (1 - PHI) * from + PHI * to;
	let f2 = at(x2);
	while (Math.abs(to - from) > CLOSE) {
		if (f1 < f2) {
			[to, x2, f2] = [x2, x1, f1];
			x1 = PHI * from + (1 - PHI) * to;
			f1 = at(x1);
		} else {
			[from, x1, f1] = [x1, x2, f2];
			x2 = (1 - PHI) * from + PHI * to;
			f2 = at(x2);
		}
	}
	return Math.min(f1, f2);
}
