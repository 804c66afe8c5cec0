import type { OwnInput } from '../application/catalogue-table.ts';
import type { CommandId } from '../application/command.ts';
import type { AnyChange } from '../chapter/chapter.ts';
import { textChange } from '../chapter/text.ts';
import { aliases } from '../chapters/aliases/chapter.ts';
import { aliasFileIn, aliasLines, emptyAliasFile, type AliasFile } from '../chapters/aliases/file.ts';
import { shortcuts } from '../chapters/shortcuts/chapter.ts';
import { tagged } from '../profile/edit.ts';
import { insertRecord, spliced } from '../recipe/reading.ts';
import { NotWritableError } from '../recipe/record.ts';
import { ARROW_RECIPE } from '../recipe/shipped.ts';
import type { Change } from '../shortcut/change.ts';
import { entryKey, shortcutKey, shortcutsIn, type Shortcut } from '../shortcut/entry.ts';
import { nextRank } from '../strata/entry.ts';
import type { Stratum } from '../strata/stratum.ts';

/** What a program brings itself, chapter by chapter as in a profile file: the shortcuts and typed names of its command list. */
export function factoryOf(inputs: readonly OwnInput[]): Record<string, unknown> {
	const keyed = new Map<string, Shortcut>();
	const typed = new Map<string, CommandId>();
	for (const { command, keys, alias } of inputs) {
		const shortcut = keys && { command, keys, scope: {} };
		if (shortcut) keyed.set(shortcutKey(shortcut), shortcut);
		if (alias !== undefined && !typed.has(alias)) typed.set(alias, command);
	}
	const text = Array.from(typed, ([alias, command]) => `${alias} -> ${command}\n`).join('');
	return {
		...(keyed.size > 0 && {
			[shortcuts.id]: Array.from(keyed.values(), (shortcut) => shortcuts.toFile({ op: 'set', ...shortcut, rank: 0 }))
		}),
		...(text !== '' && { [aliases.id]: aliases.toFile({ recipe: ARROW_RECIPE, text, encoding: 'utf-8' }) })
	};
}

/**
 * The changes by which the factory also says what the program brings for commands that are new in it, behind all it said before;
 * `left` are typed names that the format of its alias file cannot say.
 */
export function addedToFactory(
	factory: Stratum,
	inputs: readonly OwnInput[]
): { readonly changes: readonly AnyChange[]; readonly left: readonly OwnInput[] } {
	const there = shortcutsIn(factory);
	const added = new Map<string, Change>();
	for (const { command, keys } of inputs) {
		if (!keys) continue;
		const entry = { op: 'set', command, keys, scope: {}, rank: nextRank(there) + added.size } as const;
		const key = entryKey(entry);
		if (!there.has(key) && !added.has(key)) added.set(key, { stratum: factory.id, before: null, after: entry });
	}
	const before = aliasFileIn(factory);
	let file = before ?? emptyAliasFile;
	let former: AliasFile | undefined;
	const left: OwnInput[] = [];
	for (const input of inputs) {
		const { command, alias } = input;
		if (alias === undefined) continue;
		try {
			const after = aliasLines(file, former).lines.at(-1)?.record;
			const text = spliced(file.text, insertRecord(file.recipe, file.text, after, { alias, command }));
			former = file;
			file = { ...file, text };
		} catch (error) {
			if (!(error instanceof NotWritableError)) throw error;
			left.push(input);
		}
	}
	const change = textChange(factory.id, before, emptyAliasFile, file.text);
	return { changes: [...tagged(shortcuts, [...added.values()]), ...tagged(aliases, change ? [change] : [])], left };
}
