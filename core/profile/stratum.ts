import { z } from 'zod';
import type { AliasFile } from '../chapters/aliases/file.ts';
import type { CommandId } from '../application/command.ts';
import type { MacroEntry } from '../chapters/macros/macro.ts';
import { entryKey, type Entry, type EntryKey } from '../chapters/shortcuts/entry.ts';

export const StratumId = z
	.string()
	.regex(/^[a-z0-9][a-z0-9-]{0,59}$/, 'a stratum id: lower-case letters, digits and hyphens')
	.brand<'StratumId'>();
export type StratumId = z.infer<typeof StratumId>;

export const StratumKind = z.enum(['factory', 'office', 'discipline', 'project', 'personal']);
export type StratumKind = z.infer<typeof StratumKind>;

export const StratumHead = z.strictObject({ id: StratumId, kind: StratumKind, name: z.string().min(1).max(60) });
export type StratumHead = z.infer<typeof StratumHead>;

/** One layer of a profile. */
export interface Stratum extends StratumHead {
	readonly entries: ReadonlyMap<EntryKey, Entry>;
	/** Its alias file, if it has one. */
	readonly aliases?: AliasFile;
	/** Its macros by id, if it has any. */
	readonly macros?: ReadonlyMap<CommandId, MacroEntry>;
}

/** All layers of one application's setup, the lowest (factory) first. */
export type Profile = readonly Stratum[];

export function stratumOf(
	head: StratumHead,
	entries: Iterable<Entry>,
	aliases?: AliasFile | null,
	macros?: readonly MacroEntry[] | null
): Stratum {
	const byKey = new Map<EntryKey, Entry>();
	for (const entry of entries) byKey.set(entryKey(entry), entry);
	return {
		...head,
		entries: byKey,
		...(aliases && { aliases }),
		...(macros && macros.length > 0 && { macros: new Map(macros.map((macro) => [macro.id, macro])) })
	};
}

/** The entries in their order: by rank, and by key should two ever share one, so that the order is always the same. */
export function inOrder(stratum: Stratum): Entry[] {
	return Array.from(keyedInOrder(stratum), ([, entry]) => entry);
}

const before = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** The entries in their order, with the keys under which the stratum keeps them. */
export function keyedInOrder({ entries }: Stratum): Iterable<[EntryKey, Entry]> {
	let [lastRank, lastKey] = [-Infinity, ''];
	for (const [key, { rank }] of entries) {
		if (rank < lastRank || (rank === lastRank && key < lastKey))
			return [...entries].sort(([a, x], [b, y]) => x.rank - y.rank || before(a, b));
		[lastRank, lastKey] = [rank, key];
	}
	// most strata are read in their order
	return entries;
}

/** A rank after every entry of the stratum. */
export function nextRank(stratum: Stratum): number {
	let highest = -1;
	for (const { rank } of stratum.entries.values()) if (rank > highest) highest = rank;
	return highest + 1;
}

/** Throws `RangeError` when the profile has no such stratum. */
export function stratumById(profile: Profile, id: StratumId): Stratum {
	const stratum = profile.find((s) => s.id === id);
	if (!stratum) throw new RangeError(`there is no stratum "${id}"; this profile has ${profile.map((s) => s.id).join(', ')}`);
	return stratum;
}
