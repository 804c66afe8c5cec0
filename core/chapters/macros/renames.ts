import type { CommandId } from '../../application/command.ts';
import type { KeyedChange } from '../../strata/change.ts';
import { inOrder } from '../../strata/entry.ts';
import type { Stratum } from '../../strata/stratum.ts';
import { macrosIn, type MacroEntry } from './macro.ts';

/** The commands that the macros of a stratum run, one for each step. */
export const commandsOfMacros = (stratum: Stratum): CommandId[] =>
	[...macrosIn(stratum).values()].flatMap((entry) =>
		entry.op === 'set' ? entry.steps.flatMap((step) => (step.do === 'run' ? [step.command] : [])) : []
	);

/** The macros that run renamed commands, with their new ids. */
export function macrosFollowing(stratum: Stratum, renamed: ReadonlyMap<CommandId, CommandId>): KeyedChange<MacroEntry>[] {
	return inOrder(macrosIn(stratum)).flatMap((before) => {
		if (before.op !== 'set') return [];
		const steps = before.steps.map((step) => {
			const to = step.do === 'run' ? renamed.get(step.command) : undefined;
			return to === undefined ? step : { do: 'run' as const, command: to };
		});
		const isSame = steps.every((step, i) => step === before.steps[i]);
		return isSame ? [] : [{ stratum: stratum.id, before, after: { ...before, steps } }];
	});
}
