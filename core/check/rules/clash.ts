import { count, first, hasBit, intersection } from '../../context/bits.ts';
import { labelOf, listed, type CheckRule } from '../finding.ts';

/** Some reachable situation leaves the winner undecided, or opens a chooser. */
export const clash: CheckRule = {
	id: 'clash',
	find(contest, _, report) {
		for (const { bindings, situations } of contest.ties())
			report({ rule: 'clash', severity: 'error', bindings, witness: { keys: contest.keys, situation: first(situations) } });
	},
	tell({ bindings, witness: { keys, situation } }, contest, c) {
		const here = bindings.filter((b) => hasBit(c.index.reach(b), situation));
		const result = c.index.rules.ambiguity === 'chooser' ? 'a chooser opens' : 'no command wins';
		const tie = contest.ties().find((t) => hasBit(t.situations, situation));
		return {
			sentence: `${keys} means ${listed([...new Set(here.map((b) => labelOf(c, b)))])}. In ${c.index.space.labelOf(situation)} ${result}.`,
			count: tie ? count(intersection(tie.situations, contest.tied)) : 0,
			causes: []
		};
	}
};
