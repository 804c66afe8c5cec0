import { count, first, hasBit } from '../../context/bits.ts';
import { labelOf, type CheckRule } from '../finding.ts';

/** Some reachable situation leaves the winner undecided, or opens a chooser. */
export const clash: CheckRule = {
	id: 'clash',
	find: ({ keys, ties }, index) =>
		ties.map(({ bindings, situations }) => {
			const situation = first(situations);
			const here = bindings.filter((b) => hasBit(index.reach(b), situation));
			const names = [...new Set(here.map((b) => labelOf(index, b)))];
			const result = index.rules.ambiguity === 'chooser' ? 'a chooser opens' : 'no command wins';
			return {
				id: ['clash', ...bindings.map((b) => b.key)].join('\n'),
				rule: 'clash',
				severity: 'error',
				bindings,
				count: count(situations),
				witness: { keys, situation },
				sentence: `${keys} means ${names.slice(0, -1).join(', ')} and ${names.at(-1)}. In ${index.space.labelOf(situation)} ${result}.`
			};
		})
};
