import { off, remove, type AliasRule } from '../finding.ts';

/** The same alias for the same command once more, in this file or in one below. */
export const duplicate: AliasRule = {
	id: 'duplicate',
	title: 'Said twice',
	find({ table }, report) {
		const first = new Map<string, (typeof table.entries)[number]>();
		for (const entry of table.entries) {
			const said = `${entry.key}\n${entry.command}`;
			const earlier = first.get(said);
			if (!earlier) first.set(said, entry);
			else
				report({
					severity: 'note',
					entry,
					typed: entry.alias,
					sentence: `${earlier.stratum.name}, line ${earlier.record.line}, says ${entry.alias} for ${entry.command} already.`,
					fixes: [remove(entry), off(entry)]
				});
		}
	}
};
