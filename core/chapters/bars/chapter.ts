import type { z } from 'zod';
import type { CommandId } from '../../application/command.ts';
import { keyedChapter, type KeyedChapter } from '../../chapter/keyed.ts';
import { inOrder } from '../../strata/entry.ts';
import { BarEntry, BarInFile, BARS, barsIn, isPositionLock, MEETING, type Item } from './bar.ts';
import { meets } from '../../context/bits.ts';
import { whereShown } from './boxes.ts';
import { barShows, cursorBarsOf, cursorKeys, openCommand, openCommandId } from './cursor-keys.ts';
import { placedCommands } from './placed.ts';
import { barsOf } from './whole.ts';
import { barTree, keptReason } from './tree.ts';

const commandIn = (entry: BarEntry): CommandId | undefined =>
	entry.op === 'set' && entry.item.kind === 'place' ? entry.item.command : undefined;

const nameOfItem = (item: Item): string =>
	item.kind === 'place' ? (item.title ?? item.command ?? item.flyout ?? 'a separator') : item.name;

export const bars: KeyedChapter<BarEntry> = keyedChapter<BarEntry>(
	{
		id: BARS,
		words: { one: 'piece of a bar', many: 'bars', view: 'bars' },
		entry: BarEntry as z.ZodType<BarEntry>,
		inFile: BarInFile,
		...MEETING,
		as: ({ id, rank }, op) => ({ op, id, rank }),
		caption(entry, names) {
			if (entry.op !== 'set')
				return { label: entry.id, detail: `bars, ${entry.op}${isPositionLock(entry) ? ' of its position' : ''}` };
			const { item, parent } = entry;
			const command = commandIn(entry);
			const label =
				item.kind !== 'place' ? item.name : (item.title ?? (command ? names.command(command) : (item.flyout ?? 'separator')));
			return { label, detail: `${item.kind}${parent ? ` in ${parent}` : ''}` };
		},
		concerns: (entry) => {
			const command = commandIn(entry);
			const scope = entry.op === 'set' && entry.item.kind === 'bar' ? entry.item.scope : undefined;
			return { category: 'Toolbars', ...(command && { command }), ...(scope && { scope }) };
		},
		losses: (profile) =>
			new Map(
				barTree(profile).idle.flatMap(({ entry, stratum, why, lockedBy }) =>
					entry.op === 'set' && !lockedBy
						? [[`${stratum.id} ${entry.id}`, `${nameOfItem(entry.item)} in the toolbars: ${why}`] as const]
						: []
				)
			),
		problem: (entry, { profile }, target) => (entry.op === 'set' ? keptReason(profile, target, entry) : undefined)
	},
	{
		// a bar goes whole or not at all: what is in it follows it
		selector({ sections, contexts, categories, bars: wanted = [] }, { index: { space }, all }) {
			const isOut = !sections.includes(BARS) || (categories.length > 0 && !categories.includes('Toolbars'));
			const barOf = barsOf(all);
			const here = Object.keys(contexts).length > 0 ? space.bitsOf(contexts) : undefined;
			return (entry) => {
				if (isOut) return undefined;
				const bar = barOf(entry.id);
				if (wanted.length > 0 && (!bar || !wanted.includes(bar.id))) return undefined;
				return here && bar && !meets(whereShown(space, bar.item), here) ? undefined : entry;
			};
		},
		inScope: (entry, scope) =>
			entry.op === 'set' && entry.item.kind === 'bar' ? { ...entry, item: { ...entry.item, scope } } : entry,
		adds: {
			shortcuts: cursorKeys,
			heard(profile, space) {
				const shows = barShows(profile, space);
				return (_, command) => shows(command);
			},
			places: placedCommands
		},
		addsCommand: (entry) =>
			entry.op === 'set' && entry.item.kind === 'bar' && entry.item.form === 'cursor' ? openCommandId(entry.id) : undefined,
		commands: (profile) => cursorBarsOf(profile).map(openCommand),
		commandsIn: (stratum) => [...barsIn(stratum).values()].flatMap((entry) => commandIn(entry) ?? []),
		followRenames: (stratum, renamed) =>
			inOrder(barsIn(stratum)).flatMap((before) => {
				const from = commandIn(before);
				const to = from && renamed.get(from);
				if (!to || before.op !== 'set' || before.item.kind !== 'place') return [];
				return [{ stratum: stratum.id, before, after: { ...before, item: { ...before.item, command: to } } }];
			})
	}
);
