import { count, hasBit, isEmpty } from '../../context/bits.ts';
import { labelOf, listedBriefly, type CheckRule } from '../finding.ts';
import { go, goes, limits, moves } from '../proposals.ts';

/** A binding is masked in a part of its scope by others, and still wins elsewhere. May be intended. */
export const shadow: CheckRule = {
	id: 'shadow',
	title: 'Masked in a part of its scope',
	onInput(contest, _, report) {
		for (let place = 0; place < contest.contenders.length; place++) {
			if (isEmpty(contest.wins[place]!)) continue;
			const situation = contest.maskedAt(place);
			if (situation < 0) continue;
			const { binding } = contest.contenders[place]!;
			report({
				rule: 'shadow',
				severity: 'attention',
				command: binding.command,
				bindings: [binding],
				witness: { keys: contest.keys, situation }
			});
		}
	},
	tell({ bindings: [binding], witness: { keys, situation } }, c, contest) {
		const place = contest.placeOf(binding!);
		const masked = contest.masked(place);
		const causes = contest.maskers(place, masked);
		const here = causes.filter((m) => hasBit(c.index.reach(m), situation));
		return {
			sentence: `${keys} for ${labelOf(c, binding!)} is not heard in ${c.index.space.labelOf(situation)}: ${listedBriefly(here.map((m) => `${m.keys} runs ${labelOf(c, m)}`))}.`,
			count: count(masked),
			causes
		};
	},
	proposals({ bindings: [binding] }, c, contest, pen) {
		const place = contest.placeOf(binding!);
		const causes = contest.maskers(place, contest.masked(place));
		return [
			...limits(c, pen, binding!, causes),
			...moves(c, pen, binding!),
			goes(c, pen, binding!),
			...(causes.length <= 4 ? causes.flatMap((m) => moves(c, pen, m)) : []),
			...(causes.length > 0 && causes.length <= 4
				? [go(c, pen, causes, `Take away ${listedBriefly(causes.map((m) => `${m.keys} for ${labelOf(c, m)}`))}`)]
				: [])
		];
	}
};
