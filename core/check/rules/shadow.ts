import { count, first, hasBit, isEmpty } from '../../context/bits.ts';
import { labelOf, type CheckRule } from '../finding.ts';

/** A binding is masked in a part of its scope by others, and still wins elsewhere. May be intended. */
export const shadow: CheckRule = {
	id: 'shadow',
	find: ({ keys, wins, masked }, index) =>
		[...masked]
			.filter(([binding]) => !isEmpty(wins.get(binding)!))
			.map(([binding, { situations, by: maskers }]) => {
				const situation = first(situations);
				const here = maskers.filter((m) => hasBit(index.reach(m), situation));
				return {
					id: ['shadow', binding.key].join('\n'),
					rule: 'shadow',
					severity: 'attention',
					bindings: [binding, ...maskers],
					count: count(situations),
					witness: { keys, situation },
					sentence: `${keys} for ${labelOf(index, binding)} is not heard in ${index.space.labelOf(situation)}: ${here.map((m) => `${m.keys} runs ${labelOf(index, m)}`).join(', ')}.`
				};
			})
};
