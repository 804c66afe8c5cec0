import { IDLE, perform, type Activity } from '../machine.ts';
import type { MacroRule } from '../finding.ts';
import { without } from '../finding.ts';
import type { Macro } from '../macro.ts';

/** Text that is typed and never accepted, or typed where nothing waits for text; found by performing the steps. */
export const accept: MacroRule = {
	id: 'accept',
	title: 'Text without accept',
	find({ macro }, { ground }, report) {
		// a macro for use inside finds a command that takes its text; which one it is does not matter here
		let activity: Activity = macro.inside ? { running: [macro.id], text: '' } : IDLE;
		let typed: number | undefined;
		for (const [step, said] of macro.steps.entries()) {
			const done = perform(activity, said, ground);
			activity = done.activity;
			if (done.fault === 'unheard' && said.do === 'type')
				report({
					severity: 'attention',
					step,
					sentence: `Step ${step + 1} of ${macro.label} types "${said.text}" where no command runs and there is no command line; nobody takes it.`,
					fixes: [{ label: `Remove step ${step + 1}`, to: without(macro, step) }]
				});
			if (done.fault === 'lost' && typed !== undefined) report(unaccepted(macro, typed));
			if (said.do === 'type' && done.fault !== 'unheard') typed = step;
			if (activity.text === '') typed = undefined;
		}
		if (typed !== undefined) report(unaccepted(macro, typed));
	}
};

function unaccepted(macro: Macro, step: number) {
	const said = macro.steps[step]!;
	return {
		severity: 'attention' as const,
		step,
		sentence: `Step ${step + 1} of ${macro.label} types "${said.do === 'type' ? said.text : ''}", and no accept comes after it: the text is left in the field.`,
		fixes: [
			{
				label: `Add an accept after step ${step + 1}`,
				to: { ...macro, steps: macro.steps.toSpliced(step + 1, 0, { do: 'accept' }) } satisfies Macro
			}
		]
	};
}
