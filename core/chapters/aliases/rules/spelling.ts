import { aliasProblem, type AliasInput } from '../../../application/command-line.ts';
import { off, remove, type AliasRule } from '../finding.ts';
import { thoseThat } from '../those-that.ts';

const misspelt = thoseThat<AliasInput>(({ alias }, input) => aliasProblem(alias, input) !== undefined);

/** A name that the command line does not take. */
export const spelling: AliasRule = {
	id: 'spelling',
	title: 'Cannot be typed',
	find({ table }, report) {
		for (const entry of misspelt(table.entries, table.input))
			report('error', entry, () => ({
				sentence: `${aliasProblem(entry.alias, table.input)}.`,
				facts: [table.input.signs, String(table.input.longest)],
				fixes: [off(entry), remove(entry)]
			}));
	}
};
