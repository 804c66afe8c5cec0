import type { Catalogue } from '../../application/application.ts';
import type { Command } from '../../application/command.ts';
import { aliasKey } from '../../application/command-line.ts';
import type { Solve } from '../../suggest/solve.ts';
import { suggestAliases, type AliasSuggestion } from './suggest.ts';
import type { AliasTable } from './table.ts';

export interface AliasSet {
	readonly chosen: readonly { readonly command: Command; readonly suggestion: AliasSuggestion }[];
	/** Commands for which no free name. */
	readonly without: readonly Command[];
	/** Whether the solver has proved that no other choice is better. */
	readonly proved: boolean;
	/** Seconds a day that the choice costs, by the runs of the commands. */
	readonly seconds: number;
}

/** A command whose use is not known counts as run once a day. */
const runsOf = (command: Command): number => command.use ?? 1;

/** What a command without an alias costs more than with the worst one, so that as many as possible get one. */
const WITHOUT = 1_000;

/**
 * An alias for each command at once: the sum of runs times seconds is least, no name stands twice, and where the application
 * completes, none begins another. An integer programme: x(c, n) is 1 when command c gets the name n.
 */
export function suggestAliasSet(table: AliasTable, catalogue: Catalogue, commands: readonly Command[], solve: Solve): AliasSet {
	const offers = commands.map((command) => ({ command, names: suggestAliases(table, catalogue, command).slice(0, 14) }));
	const byName = new Map<string, string[]>();
	const cost: string[] = [];
	const rows: string[] = [];
	const variables: string[] = [];
	offers.forEach(({ command, names }, c) => {
		const own = names.map((suggestion, n) => {
			const variable = `x${c}_${n}`;
			const key = aliasKey(suggestion.alias, table.input);
			byName.set(key, [...(byName.get(key) ?? []), variable]);
			cost.push(`${(suggestion.score * runsOf(command)).toFixed(4)} ${variable}`);
			return variable;
		});
		cost.push(`${WITHOUT * runsOf(command)} s${c}`);
		rows.push(`c${c}: ${[...own, `s${c}`].join(' + ')} = 1`);
		variables.push(...own, `s${c}`);
	});
	let n = 0;
	const atMostOne = (list: readonly string[]) => {
		if (list.length > 1) rows.push(`n${n++}: ${list.join(' + ')} <= 1`);
	};
	for (const list of byName.values()) atMostOne(list);
	if (table.input.completes) {
		const names = [...byName.keys()].sort();
		names.forEach((name, i) => {
			for (let o = i + 1; o < names.length && names[o]!.startsWith(name); o++)
				atMostOne([...byName.get(name)!, ...byName.get(names[o]!)!]);
		});
	}
	if (variables.length === 0) return { chosen: [], without: [], proved: true, seconds: 0 };
	const lines = (parts: readonly string[], joint: string) =>
		parts.map((part, i) => (i === 0 ? ` ${part}` : `${joint}${part}`)).join('\n');
	const model = `Minimize\n obj:${lines(cost, ' + ')}\nSubject To\n${rows.map((r) => ` ${r}`).join('\n')}\nBinary\n${variables.map((v) => ` ${v}`).join('\n')}\nEnd\n`;
	const { status, values } = solve(model);
	const chosen = offers.flatMap(({ command, names }, c) => {
		const at = names.findIndex((_, i) => (values[`x${c}_${i}`] ?? 0) > 0.5);
		return at < 0 ? [] : [{ command, suggestion: names[at]! }];
	});
	return {
		chosen,
		without: offers.filter(({ command }) => !chosen.some((x) => x.command === command)).map((o) => o.command),
		proved: status === 'Optimal',
		seconds: chosen.reduce((sum, { command, suggestion }) => sum + runsOf(command) * suggestion.seconds, 0)
	};
}
