import { isSubset } from '../../context/bits.ts';
import type { Rule } from './rule.ts';

/** The binding with the narrowest scope wins; if none is narrower than all the others, it stays undecided. */
export const narrowest: Rule = {
	label: 'The narrowest scope wins',
	decide(live) {
		const winner = live.find((a) =>
			live.every((b) => a.binding.command === b.binding.command || (isSubset(a.scope, b.scope) && !isSubset(b.scope, a.scope)))
		);
		return winner
			? {
					winner: winner.binding,
					masked: live.filter((l) => l.binding.command !== winner.binding.command).map((l) => l.binding),
					why: 'its scope is narrower than every other'
				}
			: { masked: [], why: 'no scope is narrower than all the others' };
	}
};
