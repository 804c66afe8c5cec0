import { counted } from '../../../text/counted.ts';
import { count, difference, first } from '../../../context/bits.ts';
import { without, type MacroRule } from '../finding.ts';

/** A step runs a command that this version does not have, or that does not exist where a shortcut of the macro works. */
export const orphan: MacroRule = {
	id: 'orphan',
	title: 'Runs a missing command',
	find({ macro }, { ground: { catalogue }, index }, report) {
		for (const [step, said] of macro.steps.entries()) {
			if (said.do !== 'run') continue;
			const command = catalogue.get(said.command);
			if (!command) {
				report({
					severity: 'error',
					step,
					sentence: `Step ${step + 1} of ${macro.label} runs ${said.command}, which this version does not have.`,
					fixes: [{ label: `Remove step ${step + 1}`, to: without(macro, step) }]
				});
				continue;
			}
			const exists = index.reach({ command: said.command, scope: {}, scopeText: '' });
			for (const binding of index.of(macro.id)) {
				const astray = difference(index.reach(binding), exists);
				const situation = first(astray);
				if (situation < 0) continue;
				const n = count(astray);
				report({
					severity: 'attention',
					step,
					witness: { keys: binding.keys, situation },
					sentence: `${binding.keys} runs ${macro.label} also where ${command.label} (step ${step + 1}) does not exist: in ${counted(n, 'situation')}, such as ${index.space.labelOf(situation)}. Limit the shortcut to where the command exists.`,
					facts: [binding.key, String(n)],
					fixes: []
				});
				break;
			}
		}
	}
};
