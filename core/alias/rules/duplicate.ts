import { off, remove, type AliasRule } from '../finding.ts';
import type { AliasEntry } from '../table.ts';

/** The same alias for the same command once more, in this file or in one below. */
export const duplicate: AliasRule = {
	id: 'duplicate',
	title: 'Said twice',
	find({ table }, report) {
		const first = new Map<string, AliasEntry>();
		/** Commands of an alias beyond its first, which few have. */
		const more = new Map<string, AliasEntry[]>();
		for (const entry of table.entries) {
			const known = first.get(entry.key);
			if (!known) {
				first.set(entry.key, entry);
				continue;
			}
			const others = more.get(entry.key) ?? [];
			const earlier = known.command === entry.command ? known : others.find((e) => e.command === entry.command);
			if (earlier)
				report({
					severity: 'note',
					entry,
					typed: entry.alias,
					sentence: `${earlier.stratum.name}, line ${earlier.record.line}, says ${entry.alias} for ${entry.command} already.`,
					fixes: [remove(entry), off(entry)]
				});
			else more.set(entry.key, [...others, entry]);
		}
	}
};
