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
		const keys = [...table.inForce.keys()].sort();
		keys.forEach((key, i) => {
			const longer: string[] = [];
			for (let next = i + 1; next < keys.length && keys[next]!.startsWith(key); next++) longer.push(keys[next]!);
			const entry = table.inForce.get(key)!;
			const others = longer.map((k) => table.inForce.get(k)!).filter((e) => e.command !== entry.command);
			if (others.length === 0) return;
			const names = others.slice(0, 3).map((e) => `${e.alias} (${labelIn(catalogue, e.command)})`);
			report('note', entry, () => ({
				sentence: `${entry.alias} also begins ${names.join(', ')}${others.length > 3 ? ` and ${others.length - 3} more` : ''}; accepted early, it runs ${labelIn(catalogue, entry.command)}.`,
				fixes: []
			}));
		});
	}
};
