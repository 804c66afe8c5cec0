import type { ShortcutIndex } from '$core/answer/shortcut-index';
import type { Command, CommandId } from '$core/application/command';
import type { Binding } from '$core/shortcut/effective';
import type { CommandSearch } from '$core/search/search';

export type Facet = 'all' | 'keyed' | 'keyless' | 'changed' | 'findings';

export interface Question {
	readonly text: string;
	readonly facet: Facet;
	readonly category: string;
	/** `axis/node`, or empty for any context. */
	readonly context: string;
	readonly sort: 'match' | 'label' | 'keys';
}

export const ANYTHING: Question = { text: '', facet: 'all', category: '', context: '', sort: 'match' };

export interface Row {
	readonly command: Command;
	readonly bindings: readonly Binding[];
	/** The label is shared with other commands, so the path has to tell them apart. */
	readonly isShared: boolean;
	/** The synonym by which the search found it. */
	readonly synonym: string | undefined;
}

export interface Marks {
	readonly changed: ReadonlySet<CommandId>;
	readonly findings: ReadonlyMap<CommandId, unknown>;
}

/** Letters before digits before other keys, bare strokes before those with modifiers, as people look for them. */
export function compareKeys(a: string, b: string): number {
	const last = (keys: string) => keys.split('+').at(-1) ?? keys;
	const group = (key: string) => (/^[A-Z]$/.test(key) ? 0 : /^\d$/.test(key) ? 1 : /^F\d+$/.test(key) ? 2 : 3);
	const first = (keys: string) => last(keys.split(' ')[0]!);
	return (
		group(first(a)) - group(first(b)) ||
		first(a).localeCompare(first(b), 'en', { numeric: true }) ||
		a.split('+').length - b.split('+').length ||
		a.localeCompare(b)
	);
}

/** Which commands have a label in common. */
export function sharedLabels(commands: Iterable<Command>): ReadonlySet<string> {
	const seen = new Set<string>();
	const shared = new Set<string>();
	for (const { label } of commands) (seen.has(label) ? shared : seen).add(label);
	return shared;
}

function passesFacet(facet: Facet, id: CommandId, index: ShortcutIndex, marks: Marks): boolean {
	switch (facet) {
		case 'all':
			return true;
		case 'keyed':
			return index.of(id).length > 0;
		case 'keyless':
			return index.of(id).length === 0;
		case 'changed':
			return marks.changed.has(id);
		case 'findings':
			return marks.findings.has(id);
	}
}

/** The rows for a question, and how many each facet would give with everything else the same. */
export function listing(
	question: Question,
	search: CommandSearch,
	index: ShortcutIndex,
	marks: Marks,
	shared: ReadonlySet<string>
) {
	const [axis, node] = question.context.split('/');
	const within = axis && node ? index.space.bitsOf({ [axis]: [node] } as never) : undefined;
	const found = search
		.find(question.text, index)
		.filter(({ command: c }) => question.category === '' || c.category[0] === question.category)
		.filter(({ command: c }) => !within || index.space.bitsOfAny(c.contexts).some((word, i) => (word & within[i]!) !== 0));
	const counts = { all: 0, keyed: 0, keyless: 0, changed: 0, findings: 0 } satisfies Record<Facet, number>;
	for (const { command } of found)
		for (const facet of Object.keys(counts) as Facet[]) if (passesFacet(facet, command.id, index, marks)) counts[facet]++;
	const commands = found
		.filter(({ command }) => passesFacet(question.facet, command.id, index, marks))
		.map(({ command, synonym }): Row => ({
			command,
			synonym,
			bindings: index.of(command.id),
			isShared: shared.has(command.label)
		}));
	// by keys, each key has a row of its own
	const rows =
		question.sort === 'keys'
			? commands.flatMap((row) => (row.bindings.length > 1 ? row.bindings.map((one) => ({ ...row, bindings: [one] })) : [row]))
			: commands;
	if (question.sort === 'label') rows.sort((a, b) => a.command.label.localeCompare(b.command.label, 'en'));
	if (question.sort === 'keys')
		rows.sort((a, b) => {
			const [ka, kb] = [a, b].map((row) => row.bindings[0]?.keys as string | undefined);
			return ka === undefined || kb === undefined ? Number(ka === undefined) - Number(kb === undefined) : compareKeys(ka, kb);
		});
	return { rows, counts };
}
