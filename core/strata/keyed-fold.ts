import { canonicalText } from '../format/canonical.ts';
import { entryOfChange, FactoryWriteError, StaleChangeError, type ChangeTools, type KeyedChange } from './change.ts';
import { entryKeyFor, keyedInOrder, type AnyEntry, type Entries } from './entry.ts';
import { headOf, holding, stratumById, type Profile, type Stratum, type StratumHead, type StratumId } from './stratum.ts';

/** How the strata's entries of one kind combine. */
export interface Combining<E extends AnyEntry> {
	/** What the entry is about: under one text a stratum says one thing. */
	thing(entry: E): string;
	/** adds: the key says all, an upper set repeats (shortcuts). overrides: an upper set stands in place (all others). */
	readonly meeting: 'adds' | 'overrides';
}

export const toolsOf = <E extends AnyEntry>({ thing }: Pick<Combining<E>, 'thing'>): ChangeTools<E> => ({
	keyOf: (entry) => entryKeyFor(entry.op, thing(entry)),
	saysSame: (a, b) => canonicalText({ ...a, rank: 0 }) === canonicalText({ ...b, rank: 0 })
});

/**
 * The profile after the changes of one chapter; the given one is untouched. Throws `StaleChangeError` if an entry is not as
 * `before` says, `FactoryWriteError`, or `RangeError` for an unknown stratum.
 */
export function applyKeyed<E extends AnyEntry>(
	chapter: string,
	entriesIn: (stratum: Stratum) => Entries<E>,
	tools: ChangeTools<E>,
	profile: Profile,
	changes: readonly KeyedChange<E>[],
	told: (entry: E) => string
): Profile {
	const byStratum = new Map<StratumId, KeyedChange<E>[]>();
	for (const change of changes) {
		const list = byStratum.get(change.stratum);
		if (list) list.push(change);
		else byStratum.set(change.stratum, [change]);
	}
	for (const id of byStratum.keys()) if (stratumById(profile, id).kind === 'factory') throw new FactoryWriteError();
	return profile.map((stratum) => {
		const own = byStratum.get(stratum.id);
		return own ? holding(stratum, chapter, applied(entriesIn(stratum), tools, own, told)) : stratum;
	});
}

/** The entries after the changes. Throws `StaleChangeError`. */
export function applied<E extends AnyEntry>(
	entries: Entries<E>,
	{ keyOf, saysSame }: ChangeTools<E>,
	changes: readonly KeyedChange<E>[],
	told: (entry: E) => string
): Entries<E> {
	const written = new Map(entries);
	for (const change of changes) {
		const { before, after } = change;
		const entry = entryOfChange(change);
		const key = keyOf(entry);
		const found = written.get(key);
		const isThere = before ? found?.op === before.op && found.rank === before.rank && saysSame(found, before) : !found;
		if (!isThere) {
			const how = (e: E | null | undefined) => (e ? `${e.op} at ${e.rank}` : 'none');
			throw new StaleChangeError(`${told(entry)} in ${change.stratum}: expected ${how(before)}, found ${how(found)}`);
		}
		if (after) written.set(key, after);
		else written.delete(key);
	}
	return written;
}

/** What holds of one thing, with where it comes from. */
export interface InForce<E extends AnyEntry> {
	readonly entry: E;
	readonly stratum: StratumHead;
	/** The lower stratum whose word this one stands in place of. */
	readonly over: StratumHead | undefined;
	/** Strata above that say the same once more. */
	readonly repeatedIn: readonly StratumHead[];
	readonly lockedBy: StratumHead | undefined;
}

/** An entry without effect, and why. */
export interface Idle<E extends AnyEntry> {
	readonly entry: E;
	readonly stratum: StratumHead;
	readonly reason: 'covered' | 'locked' | 'nothing-to-remove' | 'nothing-to-lock';
	/** The stratum whose word holds instead. */
	readonly by: StratumHead | undefined;
}

export interface KeyedFold<E extends AnyEntry> {
	/** By the thing. */
	readonly inForce: ReadonlyMap<string, InForce<E>>;
	readonly removed: ReadonlyMap<string, { readonly entry: E; readonly by: StratumHead }>;
	readonly idle: readonly Idle<E>[];
	/** The lowest stratum that locks a thing, or that it is gone. */
	readonly locks: ReadonlyMap<string, StratumHead>;
}

/** Whether a lock of some thing holds an entry about another one. */
type Holds<E> = (lock: E, isRemoved: boolean, entry: E) => boolean;

/**
 * Folds the strata from the lowest up. A lock is for the strata above its own: they can neither change nor remove what is in
 * force, nor say again what the locking stratum has removed.
 */
export function keyedFold<E extends AnyEntry>(
	profile: Profile,
	entriesIn: (stratum: Stratum) => Entries<E>,
	{ meeting, thing, holds }: Combining<E> & { holds?: Holds<E> }
): KeyedFold<E> {
	const inForce = new Map<string, InForce<E>>();
	const removed = new Map<string, { entry: E; by: StratumHead }>();
	const idle: Idle<E>[] = [];
	const locks = new Map<string, StratumHead>();
	const held: { readonly lock: E; readonly isRemoved: boolean; readonly by: StratumHead }[] = [];
	for (const layer of profile) {
		const stratum = headOf(layer);
		const locking: E[] = [];
		for (const [, entry] of keyedInOrder(entriesIn(layer))) {
			const key = thing(entry);
			const below = inForce.get(key);
			const lock = locks.get(key);
			if (entry.op === 'lock') locking.push(entry);
			else if (entry.op === 'remove') {
				if (!below) idle.push({ entry, stratum, reason: 'nothing-to-remove', by: undefined });
				else if (lock) idle.push({ entry, stratum, reason: 'locked', by: lock });
				else {
					if (meeting === 'overrides') idle.push({ entry: below.entry, stratum: below.stratum, reason: 'covered', by: stratum });
					inForce.delete(key);
					removed.set(key, { entry: below.entry, by: stratum });
				}
			} else if (meeting === 'adds' && below) inForce.set(key, { ...below, repeatedIn: [...below.repeatedIn, stratum] });
			else {
				const by = meeting === 'overrides' ? lock : held.find((h) => holds?.(h.lock, h.isRemoved, entry))?.by;
				if (by) {
					idle.push({ entry, stratum, reason: 'locked', by });
					continue;
				}
				if (below) idle.push({ entry: below.entry, stratum: below.stratum, reason: 'covered', by: stratum });
				inForce.set(key, { entry, stratum, over: below?.stratum, repeatedIn: [], lockedBy: undefined });
				removed.delete(key);
			}
		}
		for (const entry of locking) {
			const key = thing(entry);
			const mine = inForce.get(key);
			if (!mine && removed.get(key)?.by.id !== stratum.id) {
				idle.push({ entry, stratum, reason: 'nothing-to-lock', by: undefined });
				continue;
			}
			if (mine && !mine.lockedBy) inForce.set(key, { ...mine, lockedBy: stratum });
			if (!locks.has(key)) locks.set(key, stratum);
			held.push({ lock: entry, isRemoved: !mine, by: stratum });
		}
	}
	return { inForce, removed, idle, locks };
}
