/**
 * Tells one drawn stroke from others. A stroke is resampled to 64 points that lie equally far apart along it (Wobbrock, Wilson and Li,
 * Gestures without libraries, toolkits or training, UIST 2007), moved to its middle and scaled to one size; how far two are apart is
 * the angle between them as vectors, after the turn that brings them nearest, found in closed form (Li, Protractor: a fast and
 * accurate gesture recognizer, CHI 2010). Strokes keep their proportions, and unless a shape may be turned, only a little of the turn
 * is made good: a mark that points up is another one than a mark that points down.
 */

import { deg, rad } from './circular.ts';

/** Points in px, y downwards, one after another: `x0, y0, x1, y1, …`. */
export type Path = readonly number[];

/** So many points a stroke is looked at by. */
export const POINTS = 64;

/** So much of a turn is made good where a shape counts as it was drawn, in degrees: half of an eighth. */
export const LEVELLED = 22.5;

/** A stroke farther from every sample than this is none of the shapes, in degrees: docs/decisions/0023, measured. */
export const UNLIKE = 35;

/** A stroke whose ends lie at least this share of its length apart is straight: a flick or a drag. */
export const STRAIGHT = 0.9;

/** What is wrong with a stroke; undefined for one that can be looked at. */
export function pathProblem(path: Path): string | undefined {
	if (path.length % 2 !== 0) return 'has an x without a y';
	if (path.some((value) => !Number.isFinite(value))) return 'has a coordinate that is no number';
	if (path.length < 4) return 'has fewer than two points';
	for (let i = 2; i < path.length; i += 2) if (path[i] !== path[0] || path[i + 1] !== path[1]) return undefined;
	return 'has no size: all of its points lie in one place';
}

/** How long a stroke is along itself, in px. */
export function lengthOf(path: Path): number {
	let length = 0;
	for (let i = 2; i < path.length; i += 2) length += Math.hypot(path[i]! - path[i - 2]!, path[i + 1]! - path[i - 1]!);
	return length;
}

/** How far the ends lie apart, as a share of the length: 1 for a straight stroke, 0 for a closed one. */
export function straightness(path: Path): number {
	const end = path.length - 2;
	return Math.hypot(path[end]! - path[0]!, path[end + 1]! - path[1]!) / lengthOf(path);
}

/** The stroke as so many points equally far apart along it, the ends among them. Throws `RangeError` for what cannot be looked at. */
export function resampled(path: Path, points = POINTS): number[] {
	const problem = pathProblem(path);
	if (problem) throw new RangeError(`the stroke ${problem}`);
	const step = lengthOf(path) / (points - 1);
	const made: number[] = [path[0]!, path[1]!];
	let gone = 0;
	for (let i = 2; i < path.length && made.length < 2 * points; i += 2) {
		const [x, y] = [path[i - 2]!, path[i - 1]!];
		const [dx, dy] = [path[i]! - x, path[i + 1]! - y];
		const here = Math.hypot(dx, dy);
		// the points that fall on this piece, each told from where the piece begins, so that errors do not add up
		for (let next = (made.length / 2) * step; next <= gone + here && made.length < 2 * points - 2; next += step) {
			const share = here === 0 ? 0 : (next - gone) / here;
			made.push(x + dx * share, y + dy * share);
		}
		gone += here;
	}
	while (made.length < 2 * points) made.push(path.at(-2)!, path.at(-1)!);
	return made;
}

/** A stroke as it is compared: 64 points about their middle, scaled so that the squares of all coordinates add up to 1. */
export type Vector = Float64Array;

export function vectorOf(path: Path): Vector {
	const vector = Float64Array.from(resampled(path));
	let [x, y] = [0, 0];
	for (let i = 0; i < vector.length; i += 2) {
		x += vector[i]!;
		y += vector[i + 1]!;
	}
	[x, y] = [x / POINTS, y / POINTS];
	let size = 0;
	for (let i = 0; i < vector.length; i += 2) {
		vector[i]! -= x;
		vector[i + 1]! -= y;
		size += vector[i]! ** 2 + vector[i + 1]! ** 2;
	}
	const scale = 1 / Math.sqrt(size);
	return vector.map((value) => value * scale);
}

/** The same stroke drawn from its end to its beginning. */
export function backwards(vector: Vector): Vector {
	const made = new Float64Array(vector.length);
	for (let i = 0; i < vector.length; i += 2) {
		made[i] = vector[vector.length - 2 - i]!;
		made[i + 1] = vector[vector.length - 1 - i]!;
	}
	return made;
}

/**
 * How far two strokes are apart, in degrees from 0 to 180, after the turn that brings the first nearest to the second; of the turn
 * at most `most` degrees are made.
 */
export function distance(one: Vector, other: Vector, most = LEVELLED): number {
	let [dot, cross] = [0, 0];
	for (let i = 0; i < one.length; i += 2) {
		dot += one[i]! * other[i]! + one[i + 1]! * other[i + 1]!;
		cross += one[i]! * other[i + 1]! - one[i + 1]! * other[i]!;
	}
	const turn = Math.max(-rad(most), Math.min(rad(most), Math.atan2(cross, dot)));
	return deg(Math.acos(Math.max(-1, Math.min(1, dot * Math.cos(turn) + cross * Math.sin(turn)))));
}

/** A shape to be recognised: its samples as they are compared, and how much of a turn is made good, in degrees. */
export interface Template {
	readonly shape: string;
	readonly vectors: readonly Vector[];
	readonly most: number;
}

/** `isEitherWay`: it may also be drawn from its end; `isTurned`: it may be rotated. */
export function templateOf(shape: string, samples: readonly Path[], { isEitherWay = false, isTurned = false } = {}): Template {
	const vectors = samples.map(vectorOf);
	return { shape, vectors: isEitherWay ? [...vectors, ...vectors.map(backwards)] : vectors, most: isTurned ? 180 : LEVELLED };
}

/** How far a stroke is from the nearest sample of a shape, in degrees. Samples for which `skips` is true are left out. */
export function distanceTo(vector: Vector, { vectors, most }: Template, skips?: (index: number) => boolean): number {
	let nearest = 180;
	for (let i = 0; i < vectors.length; i++) if (!skips?.(i)) nearest = Math.min(nearest, distance(vector, vectors[i]!, most));
	return nearest;
}

/** One shape with how far a stroke is from it, in degrees. */
export interface Likeness {
	readonly shape: string;
	readonly distance: number;
}

/** The shapes by how near the stroke is to them, the nearest first; the first of equally near ones stays first. Throws `RangeError`. */
export function recognise(path: Path, templates: readonly Template[]): Likeness[] {
	const vector = vectorOf(path);
	return templates
		.map((template) => ({ shape: template.shape, distance: distanceTo(vector, template) }))
		.sort((a, b) => a.distance - b.distance);
}
