import { count } from '../../../../context/bits.ts';
import { NOTHING, type Row } from '../../../../context/kernel.ts';
import type { Contest } from '../contest.ts';
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
	onContest(contest, _, report) {
		const { contenders, heard, wins, parties, shelf } = contest;
		for (let place = 0; place < contenders.length; place++) {
			if (wins[place] !== NOTHING || heard[place] === NOTHING) continue;
			if ((parties[place] ?? NOTHING) !== NOTHING) continue;
			const row = unshared(contest, place);
			// where another binding of its command runs wherever it is heard, nobody misses it
			if (row !== NOTHING) report('attention', contenders[place]!.binding, shelf.first(row));
		}
	},
	tell({ bindings: [binding], witness: { keys } }, c, contest) {
		const place = contest().placeOf(binding!);
		const causes = contest().maskers(place);
		const why =
			causes.length > 0
				? `${listedBriefly(causes, saying(c))} always comes first`
				: 'the program loads only the first shortcut with these keys';
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
				? [go(c, pen, causes, `Remove ${listedBriefly(causes, saying(c))} so that it runs`)]
				: [])
		];
	}
};

/** Where a binding is heard and no other binding of its command runs or is offered. */
function unshared({ contenders, heard, wins, shelf }: Contest, place: number): Row {
	let row = heard[place]!;
	const { command } = contenders[place]!;
	for (let other = 0; other < contenders.length && row !== NOTHING; other++)
		if (other !== place && contenders[other]!.command === command && wins[other] !== NOTHING)
			row = shelf.without(row, wins[other]!);
	return row;
}
