import { z } from 'zod';
import { keyedChapter, type KeyedChapter } from '../../chapter/keyed.ts';
import { OptionPath, OptionValue, valueProblem } from '../../application/option.ts';
import { definitionsOf, MEETING, OptionEntry, OPTIONS } from './option.ts';

/** An option as it stands in a file. */
const InFile = z.discriminatedUnion('op', [
	z.strictObject({ op: z.literal('set'), path: OptionPath, value: OptionValue }),
	z.strictObject({ op: z.enum(['remove', 'lock']), path: OptionPath })
]);

export const options: KeyedChapter<OptionEntry> = keyedChapter<OptionEntry>({
	id: OPTIONS,
	words: { one: 'option', many: 'options', view: 'options' },
	entry: OptionEntry as z.ZodType<OptionEntry>,
	inFile: InFile,
	...MEETING,
	as: ({ path, rank }, op) => ({ op, path, rank }),
	caption: (entry, names) => ({
		label: names.option(entry.path),
		detail: entry.op === 'set' ? String(entry.value) : `option, ${entry.op}`
	}),
	concerns: () => ({ category: 'Options' }),
	isOfMachine: ({ path }, rules) => definitionsOf(rules ?? {}).get(path)?.machine ?? false,
	problem(entry, { index }) {
		const definition = definitionsOf(index.rules).get(entry.path);
		if (!definition) return `there is no option ${entry.path} in this application`;
		const problem = entry.op === 'set' ? valueProblem(definition, entry.value) : undefined;
		return problem && `${definition.label}: ${problem}`;
	}
});
