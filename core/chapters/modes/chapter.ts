import type { z } from 'zod';
import { keyedChapter, type KeyedChapter } from '../../chapter/keyed.ts';
import { MEETING, MODES, modesInForce, ModesEntry, ModesInFile, profileSpace, switchCommand, switchCommandId } from './mode.ts';

export const modes: KeyedChapter<ModesEntry> = keyedChapter<ModesEntry>(
	{
		id: MODES,
		words: { one: 'word on modes', many: 'modes', view: 'bars' },
		entry: ModesEntry as z.ZodType<ModesEntry>,
		inFile: ModesInFile,
		...MEETING,
		as: ({ kind, axis, id, rank }, op) => ({ op, kind, axis, id, rank }) as ModesEntry,
		caption(entry, names) {
			const detail = `${entry.kind === 'mode' ? 'mode' : 'favourite mode'}${entry.op === 'set' ? '' : `, ${entry.op}`}`;
			const label = entry.op === 'set' && entry.kind === 'mode' ? entry.label : names.scope({ [entry.axis]: [entry.id] });
			return { label, detail };
		},
		concerns: (entry) => ({
			category: 'Modes',
			...(entry.kind === 'mode' && { command: switchCommandId(entry.id) })
		})
	},
	{
		commands: (profile) => modesInForce(profile).map(({ entry }) => switchCommand(entry)),
		adds: { contexts: profileSpace }
	}
);
