import { sharedEnds } from './shared-ends.ts';
import type { AliasEntry } from './table.ts';

/**
 * Finds the entries of which a test holds. Who types in a file changes one line of thousands: where a list begins and ends with
 * the same entries as the last one that was asked about, the answers of then serve again. `by` is all that the test goes by
 * besides the entry; the same object must mean the same answers.
 */
export function thoseThat<By extends object>(
	test: (entry: AliasEntry, by: By) => boolean
): (entries: readonly AliasEntry[], by: By) => AliasEntry[] {
	let last: Known<By> = NOTHING;
	return (entries, by) => {
		const known = last.by === by ? last : NOTHING;
		const { above, below } = sharedEnds(known.entries, entries, (a, b) => a === b);
		const end = entries.length - below;
		const longer = entries.length - known.entries.length;
		const found = known.found.filter((at) => at < above);
		for (let at = above; at < end; at++) if (test(entries[at]!, by)) found.push(at);
		for (const at of known.found) if (at + longer >= end) found.push(at + longer);
		last = { by, entries, found };
		return found.map((at) => entries[at]!);
	};
}

/** A list that was asked about, and the places at which the test holds. */
interface Known<By> {
	readonly by: By | undefined;
	readonly entries: readonly AliasEntry[];
	readonly found: readonly number[];
}

const NOTHING = { by: undefined, entries: [], found: [] };
