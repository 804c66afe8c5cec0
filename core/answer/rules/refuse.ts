import { meets } from '../../context/bits.ts';
import { NOTHING } from '../../context/kernel.ts';
import type { Live, Rule } from './rule.ts';

/** Which bindings the application loads: in list order, each unless it meets one already loaded for another command. */
export function loaded(all: readonly Live[]): Live[] {
	const kept: Live[] = [];
	for (const candidate of all)
		if (!kept.some((k) => k.binding.command !== candidate.binding.command && meets(k.scope.bits, candidate.scope.bits)))
			kept.push(candidate);
	return kept;
}

/** The application does not load a second binding whose scope meets that of the first. */
export const refuse: Rule = {
	label: 'The second is not loaded',
	decide(live, others) {
		const kept = new Set(loaded(others).map((l) => l.binding));
		const winner = live.find((l) => kept.has(l.binding));
		const masked = live.map((l) => l.binding).filter((b) => b.command !== winner?.binding.command);
		return winner
			? { winner: winner.binding, masked, why: 'it was loaded first; the others meet it and were refused' }
			: { masked, why: 'all of these were refused when the application loaded its list' };
	},
	spread({ all, alive, others }) {
		const kept = new Set(loaded(others));
		return { wins: all.map((live, i) => (kept.has(live) ? alive[i]! : NOTHING)), tied: NOTHING };
	}
};
