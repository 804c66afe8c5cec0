import type { MacroRule } from '../finding.ts';

/** A macro without a step. */
export const empty: MacroRule = {
	id: 'empty',
	title: 'Does nothing',
	find({ macro }, _, report) {
		if (macro.steps.length === 0)
			report({ severity: 'note', step: undefined, sentence: `${macro.label} has no step yet.`, fixes: [] });
	}
};
