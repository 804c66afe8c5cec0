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
						{ label: `Take step ${step + 1} out`, to: without(macro, step) },
						{ label: 'Let it not be for use inside', to: { ...macro, inside: false } }
					]
				});
	}
};
