import type { AliasEntry } from './table.ts';

/**
 * Finds the entries of which a test holds. Who types in a file changes one line of thousands: where a list begins and ends with
 * the same entries as the last one that was asked about, the answers of then serve again. `by` is all that the test goes by
 * besides the entry; the same object must mean the same answers.
 */
export function thoseThat<By extends object>(
	test: (entry: AliasEntry, by: By) => boolean
): (entries: readonly AliasEntry[], by: By) => AliasEntry[] {
	let last: { readonly by: By | undefined; readonly entries: readonly AliasEntry[]; readonly found: readonly number[] } = {
		by: undefined,
		entries: [],
		found: []
	};
	return (entries, by) => {
		const before = last.by === by ? last.entries : [];
		const most = Math.min(entries.length, before.length);
		let above = 0;
		while (above < most && entries[above] === before[above]) above++;
		const longer = entries.length - before.length;
		let below = entries.length;
		while (below > above && below - longer > above && entries[below - 1] === before[below - 1 - longer]) below--;
		const found = before === last.entries ? last.found.filter((at) => at < above) : [];
		for (let at = above; at < below; at++) if (test(entries[at]!, by)) found.push(at);
		if (before === last.entries) for (const at of last.found) if (at >= below - longer) found.push(at + longer);
		last = { by, entries, found };
		return found.map((at) => entries[at]!);
	};
}
