import { aliasCost } from '../cost.ts';
import { labelIn, off, remove, type AliasGround, type AliasRule } from '../finding.ts';
import { thoseThat } from '../those-that.ts';

/** An alias may be kept for those who do not know the shortcut; it is worth a note when it takes twice as long. */
const slow = thoseThat<AliasGround['shortcutCosts']>(({ alias, command }, shortcutCosts) => {
	const other = shortcutCosts.get(command);
	return other !== undefined && aliasCost(alias) >= 2 * other;
});

/** An alias that is not faster than the command's shortcut. */
export const pays: AliasRule = {
	id: 'pays',
	title: 'Slower than the shortcut',
	find({ table, catalogue, shortcutCosts }, report) {
		for (const entry of slow([...table.inForce.values()], shortcutCosts))
			report('note', entry, () => ({
				sentence: `Typing ${entry.alias} takes ${aliasCost(entry.alias).toFixed(2)} s; the shortcut of ${labelIn(catalogue, entry.command)} takes ${shortcutCosts.get(entry.command)!.toFixed(2)} s.`,
				facts: [shortcutCosts.get(entry.command)!.toFixed(2)],
				fixes: [off(entry), remove(entry)]
			}));
	}
};
