import { absorb, count, intersection, noBits } from '../../../../context/bits.ts';
import { labelOf, saying, type CheckRule } from '../finding.ts';
import { listedBriefly } from '../../../../text/listed.ts';
import { go, moves } from '../proposals.ts';

/** A stroke is complete and also begins a longer sequence: the longer is cut short, or the shorter has to wait. */
export const prefix: CheckRule = {
	id: 'prefix',
	title: 'Begins a longer sequence',
	onContest(contest, _, report) {
		const { input, contenders, heard, shelf } = contest;
		if (input.longer.length === 0) return;
		const beyond = contest.longerReach();
		for (let place = 0; place < contenders.length; place++) {
			if (!contest.isLoaded(place)) continue;
			const situation = shelf.firstOfBoth(heard[place]!, beyond);
			if (situation >= 0) report('attention', contenders[place]!.binding, situation);
		}
	},
	tell({ bindings: [binding], witness: { keys, situation } }, c, contest) {
		const place = contest().placeOf(binding!);
		const found = contest().longerThan(place);
		const names = listedBriefly(found, saying(c));
		const where = c.index.space.labelOf(situation);
		return {
			sentence:
				c.index.rules.sequences === 'at-once'
					? `${keys} runs ${labelOf(c, binding!)} immediately in ${where}, so ${names} cannot be typed there.`
					: `${keys} for ${labelOf(c, binding!)} waits in ${where}, because it also begins ${names}.`,
			count() {
				const all = noBits(c.index.space.situations.length);
				for (const longer of found) absorb(all, c.index.reach(longer));
				const { shelf, heard } = contest();
				return count(intersection(all, shelf.bits(heard[place]!)));
			},
			causes: found
		};
	},
	proposals({ bindings: [binding] }, c, contest, pen) {
		const longer = contest.longerThan(contest.placeOf(binding!));
		return [
			...moves(c, pen, binding!),
			...(longer.length === 1 ? moves(c, pen, longer[0]!) : []),
			go(c, pen, longer, `Remove ${listedBriefly(longer, saying(c))}`),
			go(c, pen, [binding!], `Remove ${binding!.keys} from ${labelOf(c, binding!)}`)
		];
	}
};
