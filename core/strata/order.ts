import { generateKeyBetween } from 'fractional-indexing';

/**
 * An order key for a place among others, counted from 0, by theirs in their order. Neighbours that have one key in common are stepped
 * over: there is no key between them.
 */
export function orderAmong(others: readonly string[], at: number): string {
	const place = Math.max(0, Math.min(at, others.length));
	const before = others[place - 1] ?? null;
	const after = others.slice(place).find((order) => before === null || order > before) ?? null;
	return generateKeyBetween(before, after);
}
