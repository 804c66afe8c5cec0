import { stratumById } from '../../../strata/stratum.ts';
import type { GestureRule } from '../finding.ts';
import { gesturesFold, roseThing, triggerText } from '../gesture.ts';
import { dropRose } from '../writing.ts';

/** A stratum speaks of a rose, without effect: one below has locked it, or says nothing of it. */
export const idle: GestureRule = {
	id: 'idle',
	title: 'Speaks of a rose without effect',
	find({ profile, index: { space } }, report) {
		for (const { entry, stratum, reason, by } of gesturesFold(profile).idle) {
			if (reason === 'covered') continue;
			const why = reason === 'locked' ? `${by!.name} has locked it` : 'no stratum below says anything of it';
			report({
				severity: 'attention',
				thing: roseThing(entry),
				stratum: stratum.id,
				command: undefined,
				keys: undefined,
				situation: Math.max(0, space.setOf(entry.scope).first),
				sentence: `${stratum.name} speaks of the rose of ${triggerText(entry)} in ${space.scopeLabel(entry.scope)}, without effect: ${why}.`,
				facts: [why],
				fixes: [
					{
						kind: 'drop',
						label: `Drop what ${stratum.name} says of it`,
						changes: (p, target) => (target === stratum.id ? dropRose(stratumById(p, target), entry) : [])
					}
				]
			});
		}
	}
};
