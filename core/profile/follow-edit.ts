import { flicksOf } from '../chapters/gestures/flicks.ts';
import { GESTURES } from '../chapters/gestures/gesture.ts';
import type { CommandId } from '../application/command.ts';
import type { Change } from '../shortcut/change.ts';
import { SHORTCUTS } from '../shortcut/entry.ts';
import type { KeyedChange } from '../strata/change.ts';
import type { AnyChange } from '../chapter/chapter.ts';
import { byChapter, type AnyChapter } from './chapters.ts';
import type { Checks } from '../chapters/shortcuts/check/check.ts';
import type { Circumstances } from '../check/circumstances.ts';

/** Lets a check of keys follow an edit: `circumstances` are those after it. */
export function followEdit(checks: Checks, circumstances: Circumstances, edit: readonly AnyChange[]): void {
	const shortcuts: Change[] = [];
	const commands = new Set<CommandId>();
	for (const { chapter, changes } of byChapter(edit))
		// a rose changes where flicks are heard
		if (chapter.id === GESTURES)
			for (const { index } of [checks.circumstances, circumstances])
				for (const { binding } of flicksOf(index)) commands.add(binding.command);
		else if (chapter.commands)
			for (const change of changes) {
				const command = commandIn(chapter, change);
				if (command !== undefined) commands.add(command);
			}
		else if (chapter.id === SHORTCUTS) shortcuts.push(...(changes as unknown as Change[]));
	checks.update(circumstances, shortcuts, commands);
}

const commandIn = (chapter: AnyChapter, change: AnyChange): CommandId | undefined => {
	const { before, after } = change as unknown as KeyedChange;
	return chapter.commandOf?.(before ?? after);
};
