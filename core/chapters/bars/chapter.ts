import type { z } from 'zod';
import type { CommandId } from '../../application/command.ts';
import { keyedChapter, type KeyedChapter } from '../../chapter/keyed.ts';
import { inOrder } from '../../strata/entry.ts';
import { BarEntry, BarInFile, BARS, barsIn, MEETING } from './bar.ts';
import { barChecker } from './checker.ts';

const commandIn = (entry: BarEntry): CommandId | undefined =>
	entry.op === 'set' && entry.item.kind === 'place' ? entry.item.command : undefined;

export const bars: KeyedChapter<BarEntry> = keyedChapter<BarEntry>(
	{
		id: BARS,
		words: { one: 'piece of a bar', many: 'bars', view: 'bars' },
		entry: BarEntry as z.ZodType<BarEntry>,
		inFile: BarInFile,
		...MEETING,
		as: ({ id, rank }, op) => ({ op, id, rank }),
		caption(entry, names) {
			if (entry.op !== 'set') return { label: entry.id, detail: `bars, ${entry.op}` };
			const { item, parent } = entry;
			const command = commandIn(entry);
			const label =
				item.kind !== 'place' ? item.name : (item.title ?? (command ? names.command(command) : (item.flyout ?? 'separator')));
			return { label, detail: `${item.kind}${parent ? ` in ${parent}` : ''}` };
		},
		concerns: (entry) => {
			const command = commandIn(entry);
			const scope = entry.op === 'set' && entry.item.kind === 'bar' ? entry.item.scope : undefined;
			return { category: 'Bars', ...(command && { command }), ...(scope && { scope }) };
		}
	},
	{
		checker: barChecker,
		followRenames: (stratum, renamed) =>
			inOrder(barsIn(stratum)).flatMap((before) => {
				const from = commandIn(before);
				const to = from && renamed.get(from);
				if (!to || before.op !== 'set' || before.item.kind !== 'place') return [];
				return [{ stratum: stratum.id, before, after: { ...before, item: { ...before.item, command: to } } }];
			})
	}
);
