import { z } from 'zod';
import { keyedChapter, type KeyedChapter } from '../../chapter/keyed.ts';
import { Macro, MacroEntry, MacroId, MACROS } from './macro.ts';
import { commandsOfMacros, macrosFollowing } from './renames.ts';
import { commandOfMacro, macroTable } from './table.ts';

/** What a macro of a file may say; the ops are those of all entries. */
const InFile = z.discriminatedUnion('op', [
	z.strictObject({ op: z.literal('set'), ...Macro.shape }),
	z.strictObject({ op: z.enum(['remove', 'lock']), id: MacroId })
]);

const launches = (entry: MacroEntry): boolean => entry.op === 'set' && entry.steps.some((step) => step.do === 'launch');

export const macros: KeyedChapter<MacroEntry> = keyedChapter<MacroEntry>(
	{
		id: MACROS,
		words: { one: 'macro', many: 'macros', view: 'macros' },
		entry: MacroEntry as z.ZodType<MacroEntry>,
		inFile: InFile,
		thing: ({ id }) => id,
		as: ({ id, rank }, op) => ({ op, id, rank }),
		meeting: 'overrides',
		caption: (entry, names) => ({
			label: entry.op === 'set' ? entry.label : names.command(entry.id),
			detail: entry.op === 'set' ? 'macro' : `macro, ${entry.op}`
		}),
		concerns: ({ id }) => ({ command: id, category: 'Macros' }),
		isOfMachine: launches
	},
	{
		commands: (profile) => Array.from(macroTable(profile).inForce.values(), ({ macro }) => commandOfMacro(macro)),
		followRenames: macrosFollowing,
		commandsIn: commandsOfMacros
	}
);
