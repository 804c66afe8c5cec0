import { count, first, isEmpty, meets } from '../../context/bits.ts';
import { labelOf, listedBriefly, type CheckRule } from '../finding.ts';
import { go, goes, moves } from '../proposals.ts';

/**
 * A binding can win in no reachable situation although its command exists there and the keys are heard; where it does not
 * exist it is an orphan, and where the keys are text everywhere it is typing.
 */
export const dead: CheckRule = {
	id: 'dead',
	title: 'Can never run',
	onInput({ keys, contenders, heard, wins, tied }, { index }, report) {
		for (let place = 0; place < contenders.length; place++) {
			const { binding, reach } = contenders[place]!;
			if (!isEmpty(wins[place]!) || isEmpty(heard[place]!)) continue;
			if (tied !== index.space.nowhere && meets(reach, tied)) continue;
			const situation = first(heard[place]!);
			report({
				rule: 'dead',
				severity: 'attention',
				command: binding.command,
				bindings: [binding],
				witness: { keys, situation }
			});
		}
	},
	tell({ bindings: [binding], witness: { keys } }, c, contest) {
		const place = contest.placeOf(binding!);
		const masked = contest.masked(place);
		const causes = contest.maskers(place, masked);
		const why =
			causes.length > 0
				? `${listedBriefly(causes.map((m) => `${m.keys} for ${labelOf(c, m)}`))} always comes first`
				: 'the application has loaded another on these keys and refuses it';
		return {
			sentence: `${keys} for ${labelOf(c, binding!)} can never run: ${why}.`,
			count: count(contest.heard[place]!),
			causes
		};
	},
	proposals({ bindings: [binding] }, c, contest, pen) {
		const place = contest.placeOf(binding!);
		const causes = contest.maskers(place, contest.masked(place));
		return [
			...moves(c, pen, binding!),
			goes(c, pen, binding!),
			...(causes.length > 0 && causes.length <= 4
				? [go(c, pen, causes, `Take away ${listedBriefly(causes.map((m) => `${m.keys} for ${labelOf(c, m)}`))}, so that it runs`)]
				: [])
		];
	}
};
