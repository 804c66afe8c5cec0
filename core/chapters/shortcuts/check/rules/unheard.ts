import { count } from '../../../../context/bits.ts';
import { labelOf, type CheckRule } from '../finding.ts';
import { goes, moves, respellings } from '../proposals.ts';

/** The application can never hear this spelling of an input: a character where it matches positions, or the reverse. */
export const unheard: CheckRule = {
	id: 'unheard',
	title: 'Can never work in this spelling',
	onContest({ input, contenders }, _, report) {
		if (!input.isHeard) report.each('error', contenders);
	},
	tell({ bindings: [binding], witness: { keys } }, c) {
		const { match } = c.index.rules;
		const why =
			match === 'position'
				? 'the program uses key positions, and this names a character'
				: /\b(Key|Digit)|[a-z][A-Z]/.test(keys!)
					? 'the program uses characters, and this names a key position'
					: 'the program uses characters, and Shift changes this one to another';
		return {
			sentence: `${keys} for ${labelOf(c, binding!)} can never work: ${why}.`,
			count() {
				return count(c.index.reach(binding!));
			},
			causes: []
		};
	},
	proposals({ bindings: [binding], witness: { keys } }, c, _, pen) {
		return [...respellings(c, pen, binding!, keys!), ...moves(c, pen, binding!), goes(c, pen, binding!)];
	}
};
