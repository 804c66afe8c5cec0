import { resetItems } from '../writing.ts';
import { stratumById } from '../../../strata/stratum.ts';
import type { BarRule } from '../finding.ts';
import type { IdleItem } from '../tree.ts';

/** A stratum says something of bars that has no effect: what it stood in is gone, or it stands where it cannot. */
export const lost: BarRule = {
	id: 'lost',
	title: 'Has no place any more',
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
			sentence: `${stratum.name} speaks of ${entry.id} in the bars, without effect: ${why}.`,
			facts: [why],
			fixes:
				stratum.kind === 'factory'
					? []
					: [
							{
								kind: 'drop',
								label: `Drop what ${stratum.name} says of ${entry.id}`,
								changes: (profile, target) => (target === stratum.id ? resetItems(stratumById(profile, target), [entry.id]) : [])
							}
						]
		});
}
