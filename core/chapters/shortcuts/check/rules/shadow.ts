import { count, hasBit } from '../../../../context/bits.ts';
import { NOTHING } from '../../../../context/kernel.ts';
import { labelOf, saying, type CheckRule } from '../finding.ts';
import { listedBriefly } from '../../../../text/listed.ts';
import { go, goes, limits, moves } from '../proposals.ts';

/** A binding is masked in a part of its scope by others, and still wins elsewhere. May be intended. */
export const shadow: CheckRule = {
	id: 'shadow',
	title: 'Masked in part of its scope',
	onContest(contest, _, report) {
		for (let place = 0; place < contest.contenders.length; place++) {
			if (contest.wins[place] === NOTHING) continue;
			const masked = contest.masked(place);
			if (masked !== NOTHING) report('attention', contest.contenders[place]!.binding, contest.shelf.first(masked));
		}
	},
	tell({ bindings: [binding], witness: { keys, situation } }, c, contest) {
		const place = contest().placeOf(binding!);
		const causes = contest().maskers(place);
		const here = causes.filter((m) => hasBit(c.index.reach(m), situation));
		return {
			sentence: `${keys} for ${labelOf(c, binding!)} does not run in ${c.index.space.labelOf(situation)}: ${listedBriefly(here, (m) => `${m.keys} runs ${labelOf(c, m)}`)}.`,
			count() {
				return count(contest().shelf.bits(contest().masked(place)));
			},
			causes
		};
	},
	proposals({ bindings: [binding] }, c, contest, pen) {
		const place = contest.placeOf(binding!);
		const causes = contest.maskers(place);
		return [
			...limits(c, pen, binding!, causes),
			...moves(c, pen, binding!),
			goes(c, pen, binding!),
			...(causes.length <= 4 ? causes.flatMap((m) => moves(c, pen, m)) : []),
			...(causes.length > 0 && causes.length <= 4 ? [go(c, pen, causes, `Take away ${listedBriefly(causes, saying(c))}`)] : [])
		];
	}
};
