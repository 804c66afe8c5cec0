import { stratumById, type StratumHead } from '../../../strata/stratum.ts';
import type { GestureFinding, GestureRule } from '../finding.ts';
import { gesturesFold, MEETING, rosesOf, triggerText, type GestureEntry } from '../gesture.ts';
import { roseLockedBy } from '../hearing.ts';
import { dropThing } from '../writing.ts';

/** A stratum speaks of a rose or a shape, without effect: one below has locked it, or says nothing of it. */
export const idle: GestureRule = {
	id: 'idle',
	title: 'Gesture change without effect',
	find({ profile, index: { space } }, report) {
		for (const { entry, stratum } of rosesOf(profile)) {
			const by = roseLockedBy(profile, space, entry, stratum.id);
			if (by)
				report(
					withoutEffect(
						stratum,
						entry,
						`the rose of ${triggerText(entry)} in ${space.scopeLabel(entry.scope)}`,
						`${by.name} has locked a rose of the same button that meets it`,
						Math.max(0, space.setOf(entry.scope).first)
					)
				);
		}
		for (const { entry, stratum, reason, by } of gesturesFold(profile).idle) {
			if (reason === 'covered') continue;
			const what =
				entry.kind === 'rose' ? `the rose of ${triggerText(entry)} in ${space.scopeLabel(entry.scope)}` : `the shape ${entry.id}`;
			const why = reason === 'locked' ? `${by!.name} has locked it` : 'no level below contains it';
			report(withoutEffect(stratum, entry, what, why, entry.kind === 'rose' ? Math.max(0, space.setOf(entry.scope).first) : 0));
		}
	}
};

const withoutEffect = (
	stratum: StratumHead,
	entry: GestureEntry,
	what: string,
	why: string,
	situation: number
): GestureFinding => ({
	severity: 'attention',
	thing: MEETING.thing(entry),
	stratum: stratum.id,
	command: undefined,
	keys: undefined,
	situation,
	sentence: `${stratum.name} changes ${what} without effect: ${why}.`,
	facts: [why],
	fixes: [
		{
			kind: 'drop',
			label: `Remove it from ${stratum.name}`,
			changes: (p, target) => (target === stratum.id ? dropThing(stratumById(p, target), MEETING.thing(entry)) : [])
		}
	]
});
