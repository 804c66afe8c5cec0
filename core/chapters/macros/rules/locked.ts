import type { MacroRule } from '../finding.ts';

/** A stratum changes or takes away a macro that one below has locked. */
export const locked: MacroRule = {
	id: 'locked',
	title: 'Changes what is locked',
	findWhole({ ground: { macros } }, report) {
		for (const { entry, stratum, reason, by } of macros.idle)
			if (reason === 'locked')
				report({
					macro: entry.id,
					stratum: stratum.id,
					severity: 'error',
					step: undefined,
					sentence: `${stratum.name} ${entry.op === 'remove' ? 'takes away' : 'changes'} ${macros.inForce.get(entry.id)?.macro.label ?? entry.id}, which ${by!.name} has locked; it stays as ${by!.name} has it.`,
					facts: [entry.op, by!.id],
					fixes: []
				});
	}
};
