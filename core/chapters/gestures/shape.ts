import { z } from 'zod';
import type { Tried } from '../../hand/confusions.ts';
import { pathProblem, POINTS, resampled, type Path } from '../../hand/unistroke.ts';

/** As it stands in an input such as `RightShape-hook`. */
export const ShapeId = z
	.string()
	.max(60)
	.regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'expected small letters and digits, parted by "-"');

/** One drawing: points in px, y downwards, as `x0, y0, x1, y1, …`. */
export const Sample = z
	.array(z.number().min(-100_000).max(100_000))
	.max(2 * POINTS, `has more than ${POINTS} points; bring a finer drawing as InkML`)
	.check(({ value, issues }) => {
		const message = pathProblem(value);
		if (message) issues.push({ code: 'custom', input: value, message });
	});

export const MOST_SAMPLES = 12;

export const SHAPE = { kind: z.literal('shape'), id: ShapeId };

export const SET_SHAPE = {
	...SHAPE,
	label: z.string().trim().min(1, 'is empty').max(60),
	samples: z.array(Sample).min(1, 'has no sample').max(MOST_SAMPLES),
	isEitherWay: z.boolean().default(false).meta({ description: 'it may also be drawn backwards' }),
	isTurned: z.boolean().default(false).meta({ description: 'it may be rotated' })
};

/** What holds of a shape. */
export type Shape = Tried & { readonly label: string };

const tenth = (value: number): number => Math.round(value * 10) / 10;

/**
 * A drawing as it is kept: from its upper left corner, in tenths of px, with no more points than are looked at. One that is kept already
 * stays as it is. Throws `RangeError` for what cannot be looked at.
 */
export function sampleOf(path: Path): number[] {
	const points = path.length > 2 * POINTS ? resampled(path) : checked(path);
	const even = points.filter((_, i) => i % 2 === 0);
	const odd = points.filter((_, i) => i % 2 === 1);
	const [left, top] = [Math.min(...even), Math.min(...odd)];
	return points.map((value, i) => tenth(value - (i % 2 === 0 ? left : top)));
}

function checked(path: Path): Path {
	const problem = pathProblem(path);
	if (problem) throw new RangeError(`the stroke ${problem}`);
	return path;
}
