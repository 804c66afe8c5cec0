import { isGone, type MacroEntry } from './macro.ts';
import { stepsText } from './steps.ts';

/** All that a stratum says of a macro in one text; a database may have given its fields another order. */
function textOf(entry: MacroEntry): string {
	if (isGone(entry)) return JSON.stringify([entry.id]);
	const { id, label, description, icon, inside, locks, steps } = entry;
	return JSON.stringify([id, label, description, icon, inside, locks, stepsText(steps)]);
}

/** Whether two strata, or one at two times, say the same of a macro; nothing is the same as nothing. */
export function saysSame(a: MacroEntry | null | undefined, b: MacroEntry | null | undefined): boolean {
	return a && b ? textOf(a) === textOf(b) : !a && !b;
}
