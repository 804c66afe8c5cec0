import { off, remove, type AliasRule } from '../finding.ts';
import type { AliasEntry } from '../table.ts';

/** The same alias for the same command once more, in this file or in one below. */
export const duplicate: AliasRule = {
	id: 'duplicate',
	title: 'Duplicate',
	find({ table }, report) {
		// of two lines about one alias at least one has no effect
		const said = new Set(Array.from(table.idle.keys(), (entry) => entry.key));
		if (said.size === 0) return;
		const first = new Map<string, AliasEntry>();
		/** Commands of an alias beyond its first, which few have. */
		const more = new Map<string, AliasEntry[]>();
		for (const entry of table.entries) {
			if (!said.has(entry.key)) continue;
			const known = first.get(entry.key);
			if (!known) {
				first.set(entry.key, entry);
				continue;
			}
			const others = more.get(entry.key) ?? [];
			const earlier = known.command === entry.command ? known : others.find((e) => e.command === entry.command);
			if (earlier)
				report('note', entry, () => ({
					sentence: `${earlier.stratum.name}, line ${earlier.record.line}, says ${entry.alias} for ${entry.command} already.`,
					facts: [earlier.stratum.id],
					fixes: [remove(entry), off(entry)]
				}));
			else more.set(entry.key, [...others, entry]);
		}
	}
};
