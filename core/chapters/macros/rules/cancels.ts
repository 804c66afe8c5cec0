import { without, type MacroRule } from '../finding.ts';

/** A macro for use inside a running command cancels, and so ends the very command that it is used in. */
export const cancels: MacroRule = {
	id: 'cancels',
	title: 'Ends the command it is for',
	find({ macro }, _, report) {
		if (!macro.inside) return;
		for (const [step, said] of macro.steps.entries())
			if (said.do === 'cancel')
				report({
					severity: 'attention',
					step,
					sentence: `${macro.label} is for use inside a running command, and step ${step + 1} cancels that command.`,
					fixes: [
						{ label: `Remove step ${step + 1}`, to: without(macro, step) },
						{ label: 'Do not allow it inside other commands', to: { ...macro, inside: false } }
					]
				});
	}
};
