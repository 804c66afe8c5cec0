import type { ModeRule } from '../finding.ts';
import { modesFold, type ModesEntry } from '../mode.ts';
import { dropWord } from '../writing.ts';
import type { InForce } from '../../../strata/keyed-fold.ts';
import { stratumById, type Profile, type StratumId } from '../../../strata/stratum.ts';

/** A stratum speaks of a mode, without effect: one below has locked it, or there is nothing of the kind. */
export const idle: ModeRule = {
	id: 'idle',
	title: 'Mode change without effect',
	find({ profile, space }, report) {
		const fold = modesFold(profile);
		const nameOf = ({ axis, id }: Pick<ModesEntry, 'axis' | 'id'>) => space.scopeLabel({ [axis]: [id] });
		for (const { entry, stratum, reason, by } of fold.idle) {
			if (reason === 'covered') continue;
			const why = reason === 'locked' ? `${by!.name} has locked it` : 'no level below contains it';
			report(told(entry, stratum, `${stratum.name} changes ${nameOf(entry)} without effect: ${why}.`, why));
		}
		const isThere = ({ axis, id }: ModesEntry) => space.axes.some((a) => a.id === axis && a.nodes.some((n) => n.id === id));
		for (const { entry, stratum } of fold.inForce.values())
			if (entry.kind === 'favourite' && !isThere(entry))
				report(
					told(
						entry,
						stratum,
						`${stratum.name} has ${nameOf(entry)} among the favourite modes, but it does not exist.`,
						'not there'
					)
				);
	}
};

const told = (entry: ModesEntry, stratum: InForce<ModesEntry>['stratum'], sentence: string, why: string) => ({
	severity: 'attention' as const,
	about: entry,
	stratum: stratum.id,
	sentence,
	facts: [why],
	fixes: [
		{
			kind: 'drop',
			label: `Remove it from ${stratum.name}`,
			changes: (profile: Profile, target: StratumId) =>
				target === stratum.id ? dropWord(stratumById(profile, target), entry) : []
		}
	]
});
