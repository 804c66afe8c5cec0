import { meets } from '../../context/bits.ts';
import { NOTHING } from '../../context/kernel.ts';
import type { Rule } from './rule.ts';

/**
 * The application does not load a second binding whose scope meets that of the first. What it has loaded on one input for
 * several commands therefore never meets, and there is nothing left to decide.
 */
export const refuse: Rule = {
	label: 'The second is not loaded',
	loads(all) {
		const kept: (typeof all)[number][] = [];
		for (const candidate of all)
			if (!kept.some((k) => k.command !== candidate.command && meets(k.scope.bits, candidate.scope.bits))) kept.push(candidate);
		return kept;
	},
	decide([winner]) {
		return { winner: winner!.binding, masked: [], why: 'it is the only one that was loaded' };
	},
	spread({ alive }) {
		return { wins: alive, tied: NOTHING, parties: alive.map(() => NOTHING) };
	}
};
