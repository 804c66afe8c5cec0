import { without, type MacroRule } from '../finding.ts';

/** A macro for use inside a running command runs one that may not run inside another, which ends the command it is used in. */
export const ends: MacroRule = {
	id: 'ends',
	title: 'Runs a command that cannot run inside another',
	find({ macro }, { ground: { catalogue } }, report) {
		if (!macro.inside) return;
		for (const [step, said] of macro.steps.entries()) {
			// what is cancelled is not there any more to be ended
			if (said.do === 'cancel') return;
			const command = said.do === 'run' ? catalogue.get(said.command) : undefined;
			if (!command || command.nested) continue;
			report({
				severity: 'attention',
				step,
				sentence: `${macro.label} is for use inside a running command, and ${command.label} (step ${step + 1}) may not run inside another: it ends that command.`,
				fixes: [
					{ label: 'Do not allow it inside other commands', to: { ...macro, inside: false } },
					{ label: `Remove step ${step + 1}`, to: without(macro, step) }
				]
			});
		}
	}
};
