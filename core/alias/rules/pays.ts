import { aliasCost } from '../cost.ts';
import { labelIn, off, remove, type AliasRule } from '../finding.ts';

/** An alias that is not faster than the command's shortcut. */
export const pays: AliasRule = {
	id: 'pays',
	title: 'Too long to pay',
	find({ table, catalogue, shortcutCost }, report) {
		for (const entry of table.inForce.values()) {
			const other = shortcutCost(entry.command);
			const own = aliasCost(entry.alias);
			// an alias may be kept for those who do not know the shortcut; it is worth a note when it takes twice as long
			if (other === undefined || own < 2 * other) continue;
			report('note', entry, () => ({
				sentence: `Typing ${entry.alias} takes ${own.toFixed(2)} s; the shortcut of ${labelIn(catalogue, entry.command)} takes ${other.toFixed(2)} s.`,
				fixes: [off(entry), remove(entry)]
			}));
		}
	}
};
