import { labelIn, type AliasRule } from '../finding.ts';

/**
 * One alias begins another in an application that completes: people who type the beginning of the longer one and accept get
 * the shorter.
 */
export const prefix: AliasRule = {
	id: 'prefix',
	title: 'Begins another alias',
	find({ table, catalogue }, report) {
		if (!table.input.completes) return;
		for (const { key, longer } of beginnings(table.inForce)) {
			const entry = table.inForce.get(key)!;
			if (!longer.some((k) => table.inForce.get(k)!.command !== entry.command)) continue;
			report('note', entry, () => {
				const others = longer.map((k) => table.inForce.get(k)!).filter((e) => e.command !== entry.command);
				const names = others.slice(0, 3).map((e) => `${e.alias} (${labelIn(catalogue, e.command)})`);
				return {
					sentence: `${entry.alias} also begins ${names.join(', ')}${others.length > 3 ? ` and ${others.length - 3} more` : ''}; accepted early, it runs ${labelIn(catalogue, entry.command)}.`,
					facts: others.map((e) => `${e.key} ${e.command}`),
					fixes: []
				};
			});
		}
	}
};

/** A key that others begin with, and these in order. */
interface Beginning {
	readonly key: string;
	readonly longer: readonly string[];
}

let last: { readonly keys: readonly string[]; readonly beginnings: readonly Beginning[] } = { keys: [], beginnings: [] };

/** Who types in a line of a long file leaves the aliases as they were at most keys: what is known of them serves the next check. */
function beginnings(inForce: ReadonlyMap<string, unknown>): readonly Beginning[] {
	if (hasKeys(inForce, last.keys)) return last.beginnings;
	const keys = [...inForce.keys()];
	const found: Beginning[] = [];
	const sorted = keys.toSorted();
	sorted.forEach((key, i) => {
		let end = i + 1;
		while (end < sorted.length && sorted[end]!.startsWith(key)) end++;
		if (end > i + 1) found.push({ key, longer: sorted.slice(i + 1, end) });
	});
	last = { keys, beginnings: found };
	return found;
}

function hasKeys(map: ReadonlyMap<string, unknown>, keys: readonly string[]): boolean {
	if (map.size !== keys.length) return false;
	let at = 0;
	for (const key of map.keys()) if (key !== keys[at++]) return false;
	return true;
}
