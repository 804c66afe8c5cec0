import type { MacroRule } from '../finding.ts';

/** A stratum changes or takes away a macro that one below has locked. */
export const locked: MacroRule = {
	id: 'locked',
	title: 'Changes a locked macro',
	findWhole({ ground: { macros } }, report) {
		for (const { entry, stratum, reason, by } of macros.idle)
			if (reason === 'locked')
				report({
					macro: entry.id,
					stratum: stratum.id,
					severity: 'error',
					step: undefined,
					sentence: `${stratum.name} ${entry.op === 'remove' ? 'removes' : 'changes'} ${macros.inForce.get(entry.id)?.macro.label ?? entry.id}, which ${by!.name} has locked; the version of ${by!.name} is used.`,
					facts: [entry.op, by!.id],
					fixes: []
				});
	}
};
