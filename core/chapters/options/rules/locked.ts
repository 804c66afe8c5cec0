import type { OptionRule } from '../finding.ts';

/** A stratum sets an option that one below has locked; it has no effect. */
export const locked: OptionRule = {
	id: 'locked',
	title: 'Stopped by a lock',
	find({ options, fold }, report) {
		for (const { entry, stratum, reason, by } of fold.idle)
			if (reason === 'locked')
				report({
					severity: 'attention',
					path: entry.path,
					stratum: stratum.id,
					sentence: `${by!.name} has locked ${options.get(entry.path)?.label ?? entry.path}; the value of ${stratum.name} has no effect.`,
					facts: [entry.op, by!.id],
					fixes: [{ label: `Remove the value of ${stratum.name}`, to: null }]
				});
	}
};
