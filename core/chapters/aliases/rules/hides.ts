import { labelIn, off, remove, type AliasGround, type AliasRule } from '../finding.ts';
import { thoseThat } from '../those-that.ts';

const hiding = thoseThat<AliasGround['names']>(({ key, command }, names) => (names.get(key) ?? command) !== command);

/** An alias that is another command's own name: who types the name gets the alias. */
export const hides: AliasRule = {
	id: 'hides',
	title: "Hides a command's own name",
	find({ table, catalogue, names }, report) {
		for (const entry of hiding([...table.inForce.values()], names)) {
			const own = names.get(entry.key)!;
			report('attention', entry, () => ({
				sentence: `${entry.alias} is the name of the command ${labelIn(catalogue, own)}; who types it gets ${labelIn(catalogue, entry.command)}.`,
				facts: [own],
				fixes: [off(entry), remove(entry)]
			}));
		}
	}
};
