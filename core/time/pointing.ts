/*
 * How long it takes to point and to choose. Every time is a sum of named terms with the constants of a published model.
 */

export interface TimeTerm {
	readonly name: string;
	readonly seconds: number;
	/** How it comes about, as in "0.223 s × 3.17 bit". */
	readonly how: string;
}

/** The way to a target and its width along it, in px. Index of difficulty in bits: Fitts's law in the Shannon form (MacKenzie, 1992). */
export const difficulty = (distance: number, width: number): number => Math.log2(distance / width + 1);

/** Mouse, pointing, with effective widths: MacKenzie, Sellen, Buxton, Proc. CHI 1991 (figures from memory). */
const POINTING = { intercept: -0.107, perBit: 0.223 } as const;
/** Below this nobody moves and clicks. */
const LEAST = 0.1;
/** Choosing: Hick 1952 and Hyman 1953; 0.15 s a bit is common practice. */
const PER_CHOICE_BIT = 0.15;
/** A hand to the mouse or back: Card, Moran, Newell, Communications of the ACM 23(7), 1980 (from memory). */
export const HOMING = 0.4;

const fixed = (n: number) => n.toFixed(2);

/** Pointing at a target and clicking it. `distance` and `width` in px. */
export function pointing(distance: number, width: number): TimeTerm {
	const bits = difficulty(distance, width);
	const seconds = Math.max(LEAST, POINTING.intercept + POINTING.perBit * bits);
	return { name: 'pointing', seconds, how: `${POINTING.intercept} s + ${POINTING.perBit} s × ${fixed(bits)} bit` };
}

/** Choosing among so many alternatives that are not known by heart: T = b log2(n + 1). */
export function choosing(alternatives: number): TimeTerm {
	const bits = Math.log2(alternatives + 1);
	return { name: 'choosing', seconds: PER_CHOICE_BIT * bits, how: `${PER_CHOICE_BIT} s × log2(${alternatives} + 1)` };
}

export const homing = (): TimeTerm => ({ name: 'hand to the mouse', seconds: HOMING, how: `${HOMING} s` });

export const total = (terms: readonly TimeTerm[]): number => terms.reduce((sum, { seconds }) => sum + seconds, 0);
