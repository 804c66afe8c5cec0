import { labelIn, off, remove, type AliasRule } from '../finding.ts';

/** One file says the same alias twice and means two commands: one of the lines has no effect. */
export const clash: AliasRule = {
	id: 'clash',
	title: 'One alias, two commands',
	find({ table, catalogue }, report) {
		for (const [entry, other] of table.holders) {
			if (other.command === entry.command) continue;
			report('error', entry, () => ({
				sentence: `${entry.alias} is ${labelIn(catalogue, entry.command)} here and ${labelIn(catalogue, other.command)} in line ${other.record.line}. The ${table.input.twice} line holds, and this line has no effect.`,
				facts: [other.command],
				fixes: [off(entry), remove(entry), off(other), remove(other)]
			}));
		}
	}
};
