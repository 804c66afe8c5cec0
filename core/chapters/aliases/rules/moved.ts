import { labelIn, type AliasRule } from '../finding.ts';

/** Against the last release, the alias runs something else: old habits misfire. */
export const moved: AliasRule = {
	id: 'moved',
	title: 'Changed since the last release',
	find({ table, catalogue, released }, report) {
		for (const [key, before] of released ?? []) {
			const entry = table.inForce.get(key);
			if (!entry || entry.command === before || entry.stratum.kind === 'personal') continue;
			report('attention', entry, () => ({
				sentence: `${entry.alias} runs ${labelIn(catalogue, entry.command)}; in the last release it ran ${labelIn(catalogue, before)}.`,
				facts: [before],
				fixes: [
					{ kind: 'set', label: `Return ${entry.alias} to ${labelIn(catalogue, before)}`, entry, values: { command: before } }
				]
			}));
		}
	}
};
