import type { OwnInput } from '../application/catalogue-table.ts';
import { aliases } from '../chapters/aliases/chapter.ts';
import { shortcuts } from '../chapters/shortcuts/chapter.ts';
import { ARROW_RECIPE } from '../recipe/shipped.ts';
import type { CommandId } from '../application/command.ts';
import { shortcutKey, type Shortcut } from '../shortcut/entry.ts';

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
