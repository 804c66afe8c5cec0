import { labelIn, off, remove, type AliasRule } from '../finding.ts';

/** A line about an alias that a lower stratum has locked; it has no effect. */
export const locked: AliasRule = {
	id: 'locked',
	title: 'Stopped by a lock',
	find({ table, catalogue }, report) {
		for (const [entry, why] of table.idle)
			if (why === 'locked')
				report('attention', entry, () => ({
					sentence: `${entry.lockedBy!.name} has locked ${entry.alias}; it still runs ${labelIn(catalogue, table.inForce.get(entry.key)?.command ?? '')}.`,
					facts: [entry.lockedBy!.id, table.inForce.get(entry.key)?.command ?? ''],
					fixes: [off(entry), remove(entry)]
				}));
	}
};
