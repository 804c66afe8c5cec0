import { keyOfChange, type Change } from '../../profile/edit.ts';
import { nextRank, type Profile, type Stratum } from '../../profile/stratum.ts';

/**
 * The changes with ranks that no other entry of their stratum has. Where one is taken, all entries that are new in that stratum
 * or that move come last, in the order in which they would have stood.
 */
export function withOwnRanks(profile: Profile, changes: readonly Change[]): Change[] {
	const ranks = new Map<Change, number>();
	for (const stratum of profile) {
		const own = changes.filter((change) => change.stratum === stratum.id);
		const coming = own.filter(({ after }) => after !== null);
		if (coming.length === 0 || !sharesRank(stratum, own)) continue;
		let next = nextRank(stratum);
		const moving = coming.filter(({ before, after }) => before?.rank !== after!.rank);
		for (const change of moving.sort((a, b) => a.after!.rank - b.after!.rank)) ranks.set(change, next++);
	}
	if (ranks.size === 0) return [...changes];
	return changes.map((change) => {
		const rank = ranks.get(change);
		return rank === undefined ? change : { ...change, after: { ...change.after!, rank } };
	});
}

/** Whether two entries of the stratum would have one rank after the changes. */
function sharesRank(stratum: Stratum, changes: readonly Change[]): boolean {
	const touched = new Set(changes.map(keyOfChange));
	const taken = new Set<number>();
	for (const [key, { rank }] of stratum.entries) if (!touched.has(key)) taken.add(rank);
	return changes.some(({ after }) => after !== null && (taken.has(after.rank) || !taken.add(after.rank)));
}
