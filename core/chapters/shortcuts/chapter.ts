import { z } from 'zod';
import { changeProblems } from '../../answer/validate.ts';
import type { Difference } from '../../chapter/chapter.ts';
import { EntryOp } from '../../strata/entry.ts';
import { keyedChapter, type KeyedChapter } from '../../chapter/keyed.ts';
import { AxisId, NodeId } from '../../context/axis.ts';
import { CommandId } from '../../application/command.ts';
import { caption } from './caption.ts';
import { withOwnRanks } from '../../shortcut/change.ts';
import { shortcutDifferences, type ShortcutDifference } from './diff.ts';
import { Entry, shortcutKey, shortcutsIn, SHORTCUTS } from '../../shortcut/entry.ts';
import { bringShortcuts, compareShortcuts } from './import.ts';
import { entryReader } from './reader.ts';
import { takeBack } from './reset.ts';
import { followRenames } from '../../shortcut/renamed.ts';

/** A shortcut as it stands in a file. */
const FileEntry = z.strictObject({
	op: EntryOp.meta({
		description: 'set adds, remove hides an entry of a lower level, lock prevents changes in higher levels'
	}),
	command: CommandId,
	keys: z.string().min(1).max(200).meta({ description: 'one to four keys joined by spaces, as in "Ctrl+Shift+F" or "G F"' }),
	scope: z
		.record(AxisId, z.array(NodeId).min(1).max(50))
		.default({})
		.meta({ description: 'for some axes, the contexts it is limited to; left out or {} is everywhere' })
});

export const shortcuts: KeyedChapter<Entry> = keyedChapter<Entry>(
	{
		id: SHORTCUTS,
		words: { one: 'shortcut', many: 'shortcuts', view: 'commands' },
		entry: Entry,
		inFile: FileEntry,
		thing: shortcutKey,
		as: (entry, op) => ({ ...entry, op }),
		meeting: 'adds',
		caption,
		concerns: ({ command, scope }) => ({ command, scope })
	},
	{
		toFile: ({ op, command, keys, scope }) => ({ op, command, keys, scope: sorted(scope) }),
		fromFile: entryReader(FileEntry),
		placed: withOwnRanks,
		inScope: (entry, scope) => ({ ...entry, scope }),
		differences: (before, now, names) =>
			shortcutDifferences(before, now, names).map((said): Difference => {
				const { kind, binding, by } = said;
				return {
					chapter: SHORTCUTS,
					id: `${SHORTCUTS}\n${kind}\n${binding.key}`,
					kind,
					by,
					caption: caption(binding, names),
					command: binding.command,
					said
				};
			}),
		takeBack: ({ said }, { index, profile }, { target }) => takeBack(index, profile, target, said as ShortcutDifference),
		followRenames,
		commandsIn: (stratum) => Array.from(shortcutsIn(stratum).values(), ({ command }) => command),
		compare: compareShortcuts,
		bring: bringShortcuts,
		problems: (changes, { index, profile }) => changeProblems(index, profile, changes)
	}
);

function sorted(scope: Entry['scope']): Entry['scope'] {
	const axes = Object.keys(scope).sort() as (keyof Entry['scope'])[];
	return Object.fromEntries(axes.map((axis) => [axis, scope[axis]!])) as Entry['scope'];
}
