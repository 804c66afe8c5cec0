import { aliasProblem } from '../input.ts';
import { off, remove, type AliasRule } from '../finding.ts';

/** A name that the command line does not take. */
export const spelling: AliasRule = {
	id: 'spelling',
	title: 'Cannot be typed',
	find({ table }, report) {
		for (const entry of table.entries) {
			const problem = aliasProblem(entry.alias, table.input);
			if (problem) report('error', entry, () => ({ sentence: `${problem}.`, fixes: [off(entry), remove(entry)] }));
		}
	}
};
