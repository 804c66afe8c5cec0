import { resetItems } from '../writing.ts';
import { stratumById } from '../../../strata/stratum.ts';
import type { BarRule } from '../finding.ts';
import type { IdleItem } from '../tree.ts';

/** A stratum says something of bars that has no effect: its parent is gone, or it stands where it cannot. */
export const lost: BarRule = {
	id: 'lost',
	title: 'Has lost its position',
	find: ({ tree }, report) =>
		told(
			tree.idle.filter(({ lockedBy }) => !lockedBy),
			report
		)
};

/** A stratum speaks of something that one below it has locked. */
export const locked: BarRule = {
	id: 'locked',
	title: 'Stopped by a lock',
	find: ({ tree }, report) =>
		told(
			tree.idle.filter(({ lockedBy }) => lockedBy),
			report
		)
};

function told(idle: readonly IdleItem[], report: Parameters<BarRule['find']>[1]): void {
	for (const { entry, stratum, why } of idle)
		report({
			severity: 'attention',
			item: entry.id,
			stratum: stratum.id,
			command: undefined,
			situation: 0,
			sentence: `${stratum.name} changes ${entry.id} in the toolbars without effect: ${why}.`,
			facts: [why],
			fixes:
				stratum.kind === 'factory'
					? []
					: [
							{
								kind: 'drop',
								label: `Remove the change of ${entry.id} from ${stratum.name}`,
								changes: (profile, target) => (target === stratum.id ? resetItems(stratumById(profile, target), [entry.id]) : [])
							}
						]
		});
}
