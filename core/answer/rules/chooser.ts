import type { Rule } from './rule.ts';

/** All are offered in the order of the list; the user pays for choosing with arrow keys and Enter. */
export const chooser: Rule = {
	label: 'A chooser opens',
	decide(live) {
		const offered = [...new Map(live.map((l) => [l.binding.command, l.binding])).values()];
		return { offered, masked: [], why: 'several commands wait on this input, so the application asks' };
	}
};
