import { stratumById } from '../../../strata/stratum.ts';
import type { GestureRule } from '../finding.ts';
import { gesturesFold, MEETING, triggerText } from '../gesture.ts';
import { dropThing } from '../writing.ts';

/** A stratum speaks of a rose or a shape, without effect: one below has locked it, or says nothing of it. */
export const idle: GestureRule = {
	id: 'idle',
	title: 'Speaks of a gesture without effect',
	find({ profile, index: { space } }, report) {
		for (const { entry, stratum, reason, by } of gesturesFold(profile).idle) {
			if (reason === 'covered') continue;
			const what =
				entry.kind === 'rose' ? `the rose of ${triggerText(entry)} in ${space.scopeLabel(entry.scope)}` : `the shape ${entry.id}`;
			const why = reason === 'locked' ? `${by!.name} has locked it` : 'no stratum below says anything of it';
			report({
				severity: 'attention',
				thing: MEETING.thing(entry),
				stratum: stratum.id,
				command: undefined,
				keys: undefined,
				situation: entry.kind === 'rose' ? Math.max(0, space.setOf(entry.scope).first) : 0,
				sentence: `${stratum.name} speaks of ${what}, without effect: ${why}.`,
				facts: [why],
				fixes: [
					{
						kind: 'drop',
						label: `Drop what ${stratum.name} says of it`,
						changes: (p, target) => (target === stratum.id ? dropThing(stratumById(p, target), MEETING.thing(entry)) : [])
					}
				]
			});
		}
	}
};
