import { absorb, count, intersection, meets, noBits, type Bits } from '../../context/bits.ts';
import type { Binding } from '../../profile/effective.ts';
import type { Contest } from '../contest.ts';
import type { Circumstances } from '../circumstances.ts';
import { labelOf, listedBriefly, type CheckRule } from '../finding.ts';
import { go, moves } from '../proposals.ts';

/** The longer inputs that are alive together with the binding. */
function longerThan({ index }: Circumstances, binding: Binding, heard: Bits): Binding[] {
	return index.longerContenders(binding.keys).flatMap((longer) => (meets(longer.reach, heard) ? [longer.binding] : []));
}

const heardOf = (binding: Binding, contest: Contest): Bits => contest.shelf.bits(contest.heard[contest.placeOf(binding)]!);

/** A stroke is complete and also begins a longer sequence: the longer is cut short, or the shorter has to wait. */
export const prefix: CheckRule = {
	id: 'prefix',
	title: 'Begins a longer sequence',
	onContest(contest, { index }, report) {
		const { contenders, heard, shelf } = contest;
		if (index.longer(contest.keys).length === 0) return;
		const beyond = contest.longerReach();
		for (let place = 0; place < contenders.length; place++) {
			const situation = shelf.firstOfBoth(heard[place]!, beyond);
			if (situation >= 0) report('attention', contenders[place]!.binding, situation);
		}
	},
	tell({ bindings: [binding], witness: { keys, situation } }, c, contest) {
		const heard = heardOf(binding!, contest());
		const found = longerThan(c, binding!, heard);
		const names = listedBriefly(found.map((longer) => `${longer.keys} for ${labelOf(c, longer)}`));
		const where = c.index.space.labelOf(situation);
		return {
			sentence:
				c.index.rules.sequences === 'at-once'
					? `${keys} runs ${labelOf(c, binding!)} at once in ${where}, so ${names} cannot be typed there.`
					: `${keys} for ${labelOf(c, binding!)} waits in ${where}, since it also begins ${names}.`,
			get count() {
				const all = noBits(c.index.space.situations.length);
				for (const longer of found) absorb(all, c.index.reach(longer));
				return count(intersection(all, heard));
			},
			causes: found
		};
	},
	proposals({ bindings: [binding] }, c, contest, pen) {
		const heard = heardOf(binding!, contest);
		const longer = longerThan(c, binding!, heard);
		return [
			...moves(c, pen, binding!),
			...(longer.length === 1 ? moves(c, pen, longer[0]!) : []),
			go(c, pen, longer, `Take away ${listedBriefly(longer.map((l) => `${l.keys} for ${labelOf(c, l)}`))}`),
			go(c, pen, [binding!], `Take ${binding!.keys} away from ${labelOf(c, binding!)}`)
		];
	}
};
