import type { CommandId } from '../../../application/command.ts';
import { without, type MacroRule } from '../finding.ts';

/** Macros that call each other in a circle; told once for each circle, at the macro in it that comes first. */
export const loop: MacroRule = {
	id: 'loop',
	title: 'Never ends',
	findWhole({ ground: { macros, catalogue } }, report) {
		const state = new Map<CommandId, 'open' | 'done'>();
		const label = (id: CommandId) => catalogue.get(id)?.label ?? id;
		const visit = (id: CommandId, path: readonly CommandId[]) => {
			const placed = macros.inForce.get(id);
			if (!placed || state.get(id) === 'done') return;
			state.set(id, 'open');
			const here = [...path, id];
			for (const [step, said] of placed.macro.steps.entries()) {
				if (said.do !== 'run') continue;
				if (state.get(said.command) === 'open') {
					const round = [...here.slice(here.indexOf(said.command)), said.command].map(label);
					report({
						macro: id,
						stratum: placed.stratum.id,
						severity: 'error',
						step,
						sentence:
							round.length === 2
								? `${round[0]} calls itself in step ${step + 1}: it would never end.`
								: `${round.join(' calls ')}: it would never end.`,
						facts: [...here.slice(here.indexOf(said.command)), said.command],
						fixes: [{ label: `Remove step ${step + 1} of ${placed.macro.label}`, to: without(placed.macro, step) }]
					});
				} else visit(said.command, here);
			}
			state.set(id, 'done');
		};
		for (const id of macros.inForce.keys()) visit(id, []);
	}
};
