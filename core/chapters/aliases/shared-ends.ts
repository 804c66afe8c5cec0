/** How many members of two lists are the same at their beginnings, and how many at their ends; the two parts do not overlap in either. */
export function sharedEnds<A, B>(
	before: readonly A[],
	after: readonly B[],
	isSame: (before: A, after: B) => boolean
): { readonly above: number; readonly below: number } {
	const most = Math.min(before.length, after.length);
	let above = 0;
	while (above < most && isSame(before[above]!, after[above]!)) above++;
	let below = 0;
	while (below < most - above && isSame(before[before.length - 1 - below]!, after[after.length - 1 - below]!)) below++;
	return { above, below };
}
