import type { KeyedChange } from './change.ts';
import { entryKeyFor, nextRank, type AnyEntry, type Entries, type EntryOp } from './entry.ts';
import { stratumById, type Profile, type Stratum, type StratumId } from './stratum.ts';

/** How strata come to say things of one keyed chapter, as parts of an edit. */
export function writingOf<E extends AnyEntry, C extends string>(chapter: C, entriesIn: (stratum: Stratum) => Entries<E>) {
	type Part = KeyedChange<E> & { readonly chapter: C };

	/**
	 * What the stratum says of the thing becomes what `make` gives; null for nothing any more. It keeps its rank, or comes last;
	 * `offset` spaces the ranks of several in one edit.
	 */
	const write = (stratum: Stratum, op: EntryOp, thing: string, make: (rank: number) => E | null, offset = 0): Part[] => {
		const content = entriesIn(stratum);
		const before = content.get(entryKeyFor(op, thing)) ?? null;
		const after = make(before?.rank ?? nextRank(content) + offset);
		return before || after ? [{ chapter, stratum: stratum.id, before, after }] : [];
	};

	return {
		write,
		/** The stratum says nothing of the thing any more. */
		drop: (stratum: Stratum, thing: string): Part[] =>
			(['set', 'lock'] as const).flatMap((op) => write(stratum, op, thing, () => null)),
		/** The thing is gone: what the stratum says itself goes, what a lower one says is hidden by what `remove` gives. */
		hide(profile: Profile, target: StratumId, thing: string, remove: (rank: number) => E, offset = 0): Part[] {
			const stratum = stratumById(profile, target);
			const isBelow = profile
				.slice(0, profile.indexOf(stratum))
				.some((lower) => entriesIn(lower).get(entryKeyFor('set', thing))?.op === 'set');
			return write(stratum, 'set', thing, (rank) => (isBelow ? remove(rank) : null), offset);
		}
	};
}
