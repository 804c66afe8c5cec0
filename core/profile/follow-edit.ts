import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import type { CommandId } from '../application/command.ts';
import type { Change } from '../shortcut/change.ts';
import { SHORTCUTS, shortcutKey, type Entry } from '../shortcut/entry.ts';
import type { StratumId } from '../strata/stratum.ts';
import type { KeyedChange } from '../strata/change.ts';
import type { AnyChange } from '../chapter/chapter.ts';
import { byChapter, type AnyChapter } from './chapters.ts';
import type { Checks } from '../chapters/shortcuts/check/check.ts';
import type { Circumstances } from '../check/circumstances.ts';

/** Lets a check of keys follow an edit: `circumstances` are those after it. */
export function followEdit(checks: Checks, circumstances: Circumstances, edit: readonly AnyChange[]): void {
	const sides = [checks.circumstances.index, circumstances.index] as const;
	const shortcuts: Change[] = impliedChanges(...sides);
	const commands = new Set<CommandId>();
	for (const { chapter, changes } of byChapter(edit)) {
		for (const index of sides) for (const command of chapter.adds?.decidesOn?.(index) ?? []) commands.add(command);
		for (const change of changes) {
			const command = commandIn(chapter, change);
			if (command !== undefined) commands.add(command);
		}
		if (chapter.id === SHORTCUTS) shortcuts.push(...(changes as unknown as Change[]));
	}
	checks.update(circumstances, shortcuts, commands);
}

const commandIn = (chapter: AnyChapter, change: AnyChange): CommandId | undefined => {
	const { before, after } = change as unknown as KeyedChange;
	return chapter.addsCommand?.(before ?? after);
};

/** What other chapters imply of shortcuts on one side and not on the other. */
function impliedChanges(before: ShortcutIndex, after: ShortcutIndex): Change[] {
	if (before.implied === after.implied) return [];
	const saidIn = ({ implied = new Map() }: ShortcutIndex) =>
		new Map(
			[...(implied as ReadonlyMap<StratumId, readonly Entry[]>)].flatMap(([stratum, entries]) =>
				entries.map((entry) => [`${stratum}\n${shortcutKey(entry)}`, { stratum, entry }] as const)
			)
		);
	const [was, is] = [saidIn(before), saidIn(after)];
	return [
		...[...was].flatMap(([key, { stratum, entry }]) => (is.has(key) ? [] : [{ stratum, before: entry, after: null }])),
		...[...is].flatMap(([key, { stratum, entry }]) => (was.has(key) ? [] : [{ stratum, before: null, after: entry }]))
	];
}
