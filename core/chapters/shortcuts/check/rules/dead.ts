import { count } from '../../../../context/bits.ts';
import { NOTHING } from '../../../../context/kernel.ts';
import { labelOf, saying, type CheckRule } from '../finding.ts';
import { listedBriefly } from '../../../../text/listed.ts';
import { go, goes, moves } from '../proposals.ts';

/**
 * A binding can win in no reachable situation, nor be one of several left to choose from, although its command exists there and the keys are heard; where it does not
 * exist it is an orphan, and where the keys are text everywhere it is typing.
 */
export const dead: CheckRule = {
	id: 'dead',
	title: 'Can never run',
	onContest({ contenders, heard, wins, parties, shelf }, _, report) {
		for (let place = 0; place < contenders.length; place++) {
			const row = heard[place]!;
			if (wins[place] !== NOTHING || row === NOTHING) continue;
			if ((parties[place] ?? NOTHING) !== NOTHING) continue;
			report('attention', contenders[place]!.binding, shelf.first(row));
		}
	},
	tell({ bindings: [binding], witness: { keys } }, c, contest) {
		const place = contest().placeOf(binding!);
		const causes = contest().maskers(place);
		const why =
			causes.length > 0
				? `${listedBriefly(causes, saying(c))} always comes first`
				: 'the application has loaded another on these keys and refuses it';
		return {
			sentence: `${keys} for ${labelOf(c, binding!)} can never run: ${why}.`,
			count() {
				const { shelf, heard } = contest();
				return count(shelf.bits(heard[place]!));
			},
			causes
		};
	},
	proposals({ bindings: [binding] }, c, contest, pen) {
		const place = contest.placeOf(binding!);
		const causes = contest.maskers(place);
		return [
			...moves(c, pen, binding!),
			goes(c, pen, binding!),
			...(causes.length > 0 && causes.length <= 4
				? [go(c, pen, causes, `Take away ${listedBriefly(causes, saying(c))}, so that it runs`)]
				: [])
		];
	}
};
