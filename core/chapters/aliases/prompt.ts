import type { Catalogue } from '../../application/application.ts';
import type { CommandId } from '../../application/command.ts';
import { aliasKey } from '../../application/command-line.ts';
import { commandNames } from './names.ts';
import type { AliasEntry, AliasTable } from './table.ts';

/** What a command line does with what was typed and accepted. */
export type Answer =
	| { readonly kind: 'runs'; readonly command: string; readonly by?: AliasEntry }
	| { readonly kind: 'unknown' }
	| { readonly kind: 'several'; readonly among: readonly string[] };

export interface Prompted {
	readonly answer: Answer;
	/** The reasoning, one sentence after the other. */
	readonly trace: readonly string[];
}

/** The aliases and commands that go on from what was typed, the shortest first. */
export function completions(
	table: AliasTable,
	catalogue: Catalogue,
	typed: string,
	most: number
): { text: string; command: string }[] {
	const key = aliasKey(typed, table.input);
	if (key === '') return [];
	const found: { text: string; command: string }[] = [];
	for (const entry of table.inForce.values())
		if (entry.key.startsWith(key)) found.push({ text: entry.alias, command: entry.command });
	for (const [name, id] of commandNames(catalogue, table.input))
		if (name.startsWith(key)) found.push({ text: name, command: id });
	return found.sort((a, b) => a.text.length - b.text.length || (a.text < b.text ? -1 : 1)).slice(0, most);
}

/**
 * What the command line does: an alias of this name runs; else the command that is called so; else, where the application
 * completes, what begins so, if it is one alone.
 */
export function answerTo(table: AliasTable, catalogue: Catalogue, typed: string): Prompted {
	const { input, inForce, entries, idle } = table;
	const key = aliasKey(typed, input);
	const label = (id: string) => catalogue.get(id as CommandId)?.label ?? id;
	const trace: string[] = [
		`"${typed}" was typed; ${input.case === 'ignored' ? 'upper and lower case are the same' : 'upper and lower case differ'}.`
	];
	const said = entries.filter((e) => e.key === key);
	for (const entry of said) {
		const why = idle.get(entry);
		const where = `${entry.stratum.name}, line ${entry.record.line}`;
		if (why === 'twice')
			trace.push(`${where}: ${label(entry.command)}, but the ${input.twice} line with ${entry.alias} in that file is used.`);
		else if (why === 'covered') trace.push(`${where}: ${label(entry.command)}, but a file above replaces it.`);
		else if (why === 'locked')
			trace.push(`${where}: ${label(entry.command)}, but ${entry.lockedBy?.name} has locked ${entry.alias}.`);
		else if (why === 'nothing') trace.push(`${where}: removes an alias that no file below contains.`);
		else trace.push(`${where}: ${label(entry.command)}. This line is used.`);
	}
	const entry = inForce.get(key);
	if (entry) {
		if (catalogue.has(entry.command as CommandId))
			return done({ kind: 'runs', command: entry.command, by: entry }, `${label(entry.command)} runs.`);
		return done({ kind: 'unknown' }, `There is no command ${entry.command} in this version; nothing runs.`);
	}
	const own = commandNames(catalogue, input).get(key);
	if (own) return done({ kind: 'runs', command: own }, `${typed} is a command name; ${label(own)} runs.`);
	if (input.completes && key !== '') {
		const begin = [...inForce.values()].filter((e) => e.key.startsWith(key));
		const among = [...new Set(begin.map((e) => e.command))];
		if (among.length === 1)
			return done(
				{ kind: 'runs', command: among[0]!, by: begin[0]! },
				`There is no such alias. The program completes it to ${begin.map((e) => e.alias).join(' or ')}; ${label(among[0]!)} runs.`
			);
		if (among.length > 1)
			return done(
				{ kind: 'several', among },
				`There is no such alias, but ${begin.length} begin so: ${begin
					.map((e) => e.alias)
					.slice(0, 6)
					.join(', ')}. Nothing runs.`
			);
	}
	return done({ kind: 'unknown' }, 'There is no such alias or command; nothing runs.');

	function done(answer: Answer, last: string): Prompted {
		return { answer, trace: [...trace, last] };
	}
}
