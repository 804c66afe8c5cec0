import type { Binding } from '../../../../shortcut/effective.ts';
import type { Keys } from '../../../../stroke/stroke.ts';
import { count, hasBit } from '../../../../context/bits.ts';
import { NOTHING } from '../../../../context/kernel.ts';
import type { Circumstances } from '../../../../check/circumstances.ts';
import { labelOf, type CheckRule } from '../finding.ts';
import { listedBriefly } from '../../../../text/listed.ts';
import { go, limits, moves } from '../proposals.ts';

/** Some reachable situation leaves the winner undecided, or opens a chooser. */
export const clash: CheckRule = {
	id: 'clash',
	title: 'Several commands on one input',
	onContest(contest, _, report) {
		if (contest.tied === NOTHING) return;
		for (const { bindings, situations } of contest.ties()) report('error', bindings, contest.shelf.first(situations));
	},
	tell({ bindings, witness: { keys, situation } }, c, contest) {
		const here = aliveIn(c, keys!, bindings, situation);
		const result = c.index.rules.ambiguity === 'chooser' ? 'a chooser opens' : 'no command wins';
		return {
			sentence: `${keys} means ${listedBriefly([...new Set(here.map((b) => labelOf(c, b)))], (label) => label)}. In ${c.index.space.labelOf(situation)} ${result}.`,
			count() {
				const { shelf } = contest();
				const ties = contest()
					.ties()
					.map((tie) => shelf.bits(tie.situations));
				const tie = ties.find((bits) => hasBit(bits, situation));
				return tie ? count(tie) : 0;
			},
			causes: []
		};
	},
	proposals({ bindings, witness: { keys } }, c, _, pen) {
		if (bindings.length === 2)
			return bindings.flatMap((binding, i) => {
				const other = bindings[1 - i]!;
				return [
					...moves(c, pen, binding),
					...limits(c, pen, binding, [other]),
					go(c, pen, [binding], `Keep ${keys} for ${labelOf(c, other)} only`)
				];
			});
		return bindings.slice(0, 6).map((kept) =>
			go(
				c,
				pen,
				bindings.filter((b) => b.command !== kept.command),
				`Keep ${keys} for ${labelOf(c, kept)} only`
			)
		);
	}
};

/** Those of the bindings that are alive in the situation; bindings and contenders of an input stand in one order. */
function aliveIn({ index }: Circumstances, keys: Keys, bindings: readonly Binding[], situation: number): readonly Binding[] {
	const alive: Binding[] = [];
	let next = 0;
	for (const { binding, reach } of index.at(keys).contenders) {
		if (next === bindings.length) break;
		if (binding.key !== bindings[next]!.key) continue;
		next++;
		if (hasBit(reach, situation)) alive.push(binding);
	}
	// the finding may be of a state that is gone
	return next === bindings.length ? alive : bindings.filter((b) => hasBit(index.reach(b), situation));
}
