import type { z } from 'zod';
import { keyedChapter, type KeyedChapter } from '../../chapter/keyed.ts';
import { gestureChecker } from './checker.ts';
import { GestureEntry, GestureInFile, GESTURES, MEETING, triggerText } from './gesture.ts';

export const gestures: KeyedChapter<GestureEntry> = keyedChapter<GestureEntry>(
	{
		id: GESTURES,
		words: { one: 'rose', many: 'gestures', view: 'gestures' },
		entry: GestureEntry as z.ZodType<GestureEntry>,
		inFile: GestureInFile,
		...MEETING,
		as: ({ kind, button, modifiers, scope, rank }, op) => ({ op, kind, button, modifiers, scope, rank }),
		caption: (entry, names) => ({
			typed: triggerText(entry),
			label: entry.op === 'set' ? `${entry.directions} directions` : `rose, ${entry.op}`,
			detail: names.scope(entry.scope)
		}),
		concerns: ({ scope }) => ({ category: 'Gestures', scope })
	},
	{ checker: gestureChecker }
);
