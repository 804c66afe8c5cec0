import { count, first, isEmpty, meets } from '../../context/bits.ts';
import { labelOf, listed, type CheckRule } from '../finding.ts';

/** A binding can win in no reachable situation. A command that is not in the catalogue is not dead but an orphan. */
export const dead: CheckRule = {
	id: 'dead',
	find({ keys, bindings, reach, wins, tied }, { index }, report) {
		bindings.forEach((binding, place) => {
			if (!isEmpty(wins[place]!) || meets(reach[place]!, tied) || !index.catalogue.has(binding.command)) return;
			const where = isEmpty(reach[place]!) ? index.scopeSet(binding).bits : reach[place]!;
			const situation = Math.max(0, first(where));
			report({ rule: 'dead', severity: 'attention', bindings: [binding], witness: { keys, situation } });
		});
	},
	tell({ bindings: [binding], witness: { keys } }, contest, c) {
		const place = contest.bindings.indexOf(binding!);
		const masked = contest.masked(place);
		const causes = masked ? contest.maskers(place, masked) : [];
		const why = isEmpty(contest.reach[place]!)
			? `${labelOf(c, binding!)} does not exist in ${c.index.space.scopeLabel(binding!.scope)}`
			: causes.length > 0
				? `${listed(causes.map((m) => `${m.keys} for ${labelOf(c, m)}`))} always comes first`
				: c.index.rules.ambiguity === 'refuse' && contest.bindings.length > 1
					? 'the application has loaded another on these keys and refuses it'
					: 'bare keys are text wherever it could run';
		return {
			sentence: `${keys} for ${labelOf(c, binding!)} can never run: ${why}.`,
			count: count(c.index.scopeSet(binding!).bits),
			causes
		};
	}
};
