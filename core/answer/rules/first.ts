import { NOTHING } from '../../context/kernel.ts';
import type { Rule } from './rule.ts';

/** The first in the application's list wins: upper strata stand before lower ones. */
export const first: Rule = {
	label: 'The first in the list wins',
	decide([winner, ...rest]) {
		return {
			winner: winner!.binding,
			masked: rest.map((l) => l.binding).filter((b) => b.command !== winner!.binding.command),
			why: 'it stands first in the list'
		};
	},
	spread({ alive }, _, shelf) {
		const taken = shelf.empty();
		return { wins: alive.map((reach) => shelf.claim(reach, taken)), tied: NOTHING, parties: alive.map(() => NOTHING) };
	}
};
