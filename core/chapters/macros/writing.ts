import type { CommandId } from '../../application/command.ts';
import type { KeyedChange } from '../../strata/change.ts';
import { entryKeyFor, nextRank, type EntryOp } from '../../strata/entry.ts';
import type { Stratum } from '../../strata/stratum.ts';
import { MACROS, macrosIn, type Macro, type MacroEntry } from './macro.ts';

type Change = KeyedChange<MacroEntry>;

function change(stratum: Stratum, op: EntryOp, id: CommandId, make: (rank: number) => MacroEntry | null): Change[] {
	const content = macrosIn(stratum);
	const before = content.get(entryKeyFor(op, id)) ?? null;
	const after = make(before?.rank ?? nextRank(content));
	return before || after ? [{ stratum: stratum.id, before, after }] : [];
}

const asEdit = (changes: readonly Change[]) => changes.map((one) => ({ ...one, chapter: MACROS }));

/** The parts of an edit by which the stratum says the macro. */
export const setMacro = (stratum: Stratum, macro: Macro) =>
	asEdit(change(stratum, 'set', macro.id, (rank) => ({ op: 'set', ...macro, rank })));

/** By which it says nothing of it any more. */
export const dropMacro = (stratum: Stratum, id: CommandId) =>
	asEdit([...change(stratum, 'set', id, () => null), ...change(stratum, 'lock', id, () => null)]);

/** By which it says that a lower stratum's is not there. */
export const removeMacro = (stratum: Stratum, id: CommandId) =>
	asEdit(change(stratum, 'remove', id, (rank) => ({ op: 'remove', id, rank })));

/** By which strata above may not change it, or may again. */
export const lockMacro = (stratum: Stratum, id: CommandId, isLocked: boolean) =>
	asEdit(change(stratum, 'lock', id, (rank) => (isLocked ? { op: 'lock', id, rank } : null)));
