import { labelIn, off, remove, type AliasRule } from '../finding.ts';

/** An alias that is another command's own name: who types the name gets the alias. */
export const hides: AliasRule = {
	id: 'hides',
	title: "Hides a command's own name",
	find({ table, catalogue, names }, report) {
		for (const entry of table.inForce.values()) {
			const own = names.get(entry.key);
			if (own === undefined || own === entry.command) continue;
			report('attention', entry, () => ({
				sentence: `${entry.alias} is the name of the command ${labelIn(catalogue, own)}; who types it gets ${labelIn(catalogue, entry.command)}.`,
				fixes: [off(entry), remove(entry)]
			}));
		}
	}
};
