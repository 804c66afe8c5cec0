import { counted } from '../../text/counted.ts';
import type { z } from 'zod';
import { keyedChapter, type KeyedChapter } from '../../chapter/keyed.ts';
import { drawnOf, flicksOf } from './flicks.ts';
import { GestureEntry, GestureInFile, GESTURES, MEETING, triggerText, type SetRose } from './gesture.ts';
import { hearingOf, roseLockedBy } from './hearing.ts';

export const gestures: KeyedChapter<GestureEntry> = keyedChapter<GestureEntry>(
	{
		id: GESTURES,
		words: { one: 'gesture', many: 'gestures', view: 'gestures' },
		entry: GestureEntry as z.ZodType<GestureEntry>,
		inFile: GestureInFile,
		...MEETING,
		as: ({ rank, ...entry }, op) =>
			entry.kind === 'rose'
				? { op, kind: entry.kind, button: entry.button, modifiers: entry.modifiers, scope: entry.scope, rank }
				: { op, kind: entry.kind, id: entry.id, rank },
		caption(entry, names) {
			if (entry.kind === 'rose')
				return {
					typed: triggerText(entry),
					label: entry.op === 'set' ? `${entry.directions} directions` : `rose, ${entry.op}`,
					detail: names.scope(entry.scope)
				};
			if (entry.op !== 'set') return { label: `shape ${entry.id}`, detail: entry.op };
			return {
				label: `shape ${entry.label}`,
				detail: `${counted(entry.samples.length, 'drawing')}`
			};
		},
		problem(entry, { profile, index: { space } }, target) {
			const by = entry.kind === 'rose' && entry.op === 'set' ? roseLockedBy(profile, space, entry, target) : undefined;
			return by && `${by.name} has locked a rose of ${triggerText(entry as SetRose)} that this one meets`;
		},
		concerns: (entry) => ({ category: 'Gestures', ...(entry.kind === 'rose' && { scope: entry.scope }) })
	},
	{
		adds: {
			heard: hearingOf,
			// a rose decides where flicks are heard, a shape where it is
			decidesOn: (index) => [...flicksOf(index), ...drawnOf(index)].map(({ binding }) => binding.command)
		}
	}
);
