import { count, first, isEmpty } from '../../context/bits.ts';
import { labelOf, type CheckRule } from '../finding.ts';

/** A binding can win in no reachable situation. A command that is not in the catalogue is not dead but an orphan. */
export const dead: CheckRule = {
	id: 'dead',
	find: ({ keys, bindings, wins, masked, ties }, index) =>
		bindings
			.filter((b) => index.catalogue.has(b.command) && isEmpty(wins.get(b)!) && !ties.some((tie) => tie.bindings.includes(b)))
			.map((binding) => {
				const scope = index.scopeBits(binding);
				const reach = index.reach(binding);
				const maskers = masked.get(binding)?.by ?? [];
				const label = labelOf(index, binding);
				const why = isEmpty(reach)
					? `${label} does not exist in ${index.space.scopeLabel(binding.scope)}`
					: maskers.length > 0
						? `${maskers.map((m) => `${m.keys} for ${labelOf(index, m)}`).join(', ')} always comes first`
						: index.rules.ambiguity === 'refuse' && index.on(keys).length > 1
							? 'the application has loaded another on these keys and refuses it'
							: 'bare keys are text wherever it could run';
				return {
					id: ['dead', binding.key].join('\n'),
					rule: 'dead',
					severity: 'attention',
					bindings: [binding, ...maskers],
					count: count(scope),
					witness: { keys, situation: Math.max(0, first(isEmpty(reach) ? scope : reach)) },
					sentence: `${keys} for ${label} can never run: ${why}.`
				};
			})
};
