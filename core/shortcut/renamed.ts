import type { CommandId } from '../application/command.ts';
import { inOrder } from '../strata/entry.ts';
import type { Stratum } from '../strata/stratum.ts';
import type { Change } from './change.ts';
import { entryKey, shortcutsIn } from './entry.ts';

/** What the stratum says of commands that were renamed, said of their new ids; what it says of those already stays once. */
export function followRenames(stratum: Stratum, renamed: ReadonlyMap<CommandId, CommandId>): Change[] {
	const there = shortcutsIn(stratum);
	return inOrder(there).flatMap((before): Change[] => {
		const to = renamed.get(before.command);
		if (to === undefined) return [];
		const after = { ...before, command: to };
		const goes: Change = { stratum: stratum.id, before, after: null };
		return there.has(entryKey(after)) ? [goes] : [goes, { stratum: stratum.id, before: null, after }];
	});
}
