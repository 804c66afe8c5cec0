import { z } from 'zod';

/** set says something, remove takes away what a level below says, lock forbids strata above to change it. */
export const EntryOp = z.enum(['set', 'remove', 'lock']);
export type EntryOp = z.infer<typeof EntryOp>;

/** A place in the list of a stratum. The database counts up to 2^31 - 1, and entries that come later need places behind it. */
export const Rank = z.number().int().min(0).max(1_000_000_000);

/** What all entries have, whatever they say besides. `rank` orders those of one chapter in one stratum, the lower first. */
export interface AnyEntry {
	readonly op: EntryOp;
	readonly rank: number;
}

/** Identifies an entry among those of its chapter in its stratum: a thing is either set or removed there, and may be locked besides. */
export type EntryKey = string & { readonly EntryKey: unique symbol };

/** The entries of one chapter in one stratum. */
export type Entries<E extends AnyEntry> = ReadonlyMap<EntryKey, E>;

const LOCK = 'lock\n';

/** The key of an entry about the thing of this key. */
export const entryKeyFor = (op: EntryOp, thing: string): EntryKey => (op === 'lock' ? LOCK + thing : thing) as EntryKey;

/** The key of the thing that an entry is about; of one that sets or removes it, the very same text. */
export const thingOf = (key: EntryKey): string => (key.startsWith(LOCK) ? key.slice(LOCK.length) : key);

export const isLockKey = (key: EntryKey): boolean => key.startsWith(LOCK);

const before = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** The entries in their order, with their keys: by rank, and by key should two ever share one, so that the order is always the same. */
export function keyedInOrder<E extends AnyEntry>(entries: Entries<E>): Iterable<[EntryKey, E]> {
	let [lastRank, lastKey] = [-Infinity, ''];
	for (const [key, { rank }] of entries) {
		if (rank < lastRank || (rank === lastRank && key < lastKey))
			return [...entries].sort(([a, x], [b, y]) => x.rank - y.rank || before(a, b));
		[lastRank, lastKey] = [rank, key];
	}
	// most strata are read in their order
	return entries;
}

/** The entries in their order. */
export const inOrder = <E extends AnyEntry>(entries: Entries<E>): E[] => Array.from(keyedInOrder(entries), ([, entry]) => entry);

/** A rank after that of every entry. */
export function nextRank(entries: Entries<AnyEntry>): number {
	let highest = -1;
	for (const { rank } of entries.values()) if (rank > highest) highest = rank;
	return highest + 1;
}
