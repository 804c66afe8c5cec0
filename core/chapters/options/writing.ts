import type { Stratum } from '../../strata/stratum.ts';
import { writingOf } from '../../strata/writing.ts';
import type { OptionPath, OptionValue } from '../../application/option.ts';
import { OPTIONS, optionsIn, type OptionEntry } from './option.ts';

const { write } = writingOf<OptionEntry, typeof OPTIONS>(OPTIONS, optionsIn);

/** The parts of an edit by which the stratum sets the option. */
export const setOption = (stratum: Stratum, path: OptionPath, value: OptionValue) =>
	write(stratum, 'set', path, (rank) => ({ op: 'set', path, value, rank }));

/** By which it says nothing of it any more, so that what is below counts. */
export const resetOption = (stratum: Stratum, path: OptionPath) => write(stratum, 'set', path, () => null);

/** By which what a lower stratum says does not count, and the application's own value does. */
export const removeOption = (stratum: Stratum, path: OptionPath) =>
	write(stratum, 'remove', path, (rank) => ({ op: 'remove', path, rank }));

/** By which strata above may not change it, or may again. */
export const lockOption = (stratum: Stratum, path: OptionPath, isLocked: boolean) =>
	write(stratum, 'lock', path, (rank) => (isLocked ? { op: 'lock', path, rank } : null));
