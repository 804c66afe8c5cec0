import type { CommandId } from '../../application/command.ts';
import type { Stratum } from '../../strata/stratum.ts';
import { writingOf } from '../../strata/writing.ts';
import { MACROS, macrosIn, type Macro, type MacroEntry } from './macro.ts';

const { write, drop } = writingOf<MacroEntry, typeof MACROS>(MACROS, macrosIn);

/** The parts of an edit by which the stratum says the macro. */
export const setMacro = (stratum: Stratum, macro: Macro) =>
	write(stratum, 'set', macro.id, (rank) => ({ op: 'set', ...macro, rank }));

/** By which it says nothing of it any more. */
export const dropMacro = (stratum: Stratum, id: CommandId) => drop(stratum, id);

/** By which it says that a lower stratum's is not there. */
export const removeMacro = (stratum: Stratum, id: CommandId) =>
	write(stratum, 'remove', id, (rank) => ({ op: 'remove', id, rank }));

/** By which strata above may not change it, or may again. */
export const lockMacro = (stratum: Stratum, id: CommandId, isLocked: boolean) =>
	write(stratum, 'lock', id, (rank) => (isLocked ? { op: 'lock', id, rank } : null));
