import type { KeyedChange } from '../../strata/change.ts';
import { entryKeyFor, nextRank, type EntryOp } from '../../strata/entry.ts';
import type { Stratum } from '../../strata/stratum.ts';
import type { OptionPath, OptionValue } from '../../application/option.ts';
import { OPTIONS, optionsIn, type OptionEntry } from './option.ts';

type Part = KeyedChange<OptionEntry> & { readonly chapter: typeof OPTIONS };

function change(stratum: Stratum, op: EntryOp, path: OptionPath, make: (rank: number) => OptionEntry | null): Part[] {
	const content = optionsIn(stratum);
	const before = content.get(entryKeyFor(op, path)) ?? null;
	const after = make(before?.rank ?? nextRank(content));
	return before || after ? [{ chapter: OPTIONS, stratum: stratum.id, before, after }] : [];
}

/** The parts of an edit by which the stratum sets the option. */
export const setOption = (stratum: Stratum, path: OptionPath, value: OptionValue): Part[] =>
	change(stratum, 'set', path, (rank) => ({ op: 'set', path, value, rank }));

/** By which it says nothing of it any more, so that what is below counts. */
export const resetOption = (stratum: Stratum, path: OptionPath): Part[] => change(stratum, 'set', path, () => null);

/** By which what a lower stratum says does not count, and the application's own value does. */
export const removeOption = (stratum: Stratum, path: OptionPath): Part[] =>
	change(stratum, 'remove', path, (rank) => ({ op: 'remove', path, rank }));

/** By which strata above may not change it, or may again. */
export const lockOption = (stratum: Stratum, path: OptionPath, isLocked: boolean): Part[] =>
	change(stratum, 'lock', path, (rank) => (isLocked ? { op: 'lock', path, rank } : null));
