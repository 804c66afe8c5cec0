import { count, first, hasBit, isEmpty } from '../../context/bits.ts';
import { labelOf, listed, type CheckRule } from '../finding.ts';

/** A binding is masked in a part of its scope by others, and still wins elsewhere. May be intended. */
export const shadow: CheckRule = {
	id: 'shadow',
	find(contest, _, report) {
		contest.bindings.forEach((binding, place) => {
			if (isEmpty(contest.wins[place]!)) return;
			const masked = contest.masked(place);
			if (masked)
				report({
					rule: 'shadow',
					severity: 'attention',
					bindings: [binding],
					witness: { keys: contest.keys, situation: first(masked) }
				});
		});
	},
	tell({ bindings: [binding], witness: { keys, situation } }, contest, c) {
		const place = contest.bindings.indexOf(binding!);
		const masked = contest.masked(place)!;
		const causes = contest.maskers(place, masked);
		const here = causes.filter((m) => hasBit(c.index.reach(m), situation));
		return {
			sentence: `${keys} for ${labelOf(c, binding!)} is not heard in ${c.index.space.labelOf(situation)}: ${listed(here.map((m) => `${m.keys} runs ${labelOf(c, m)}`))}.`,
			count: count(masked),
			causes
		};
	}
};
