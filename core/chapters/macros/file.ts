import type { FileProblem } from '../../format/problem.ts';
import { readWith } from '../../recipe/reading.ts';
import type { Recipe } from '../../recipe/recipe.ts';
import type { Values } from '../../recipe/record.ts';
import { Macro, type MacroEntry } from './macro.ts';
import { parseSteps, StepsError, stepsText } from './steps.ts';

/** The macros of a file by its recipe; an id without `macro:` gets it. Throws `FileRefusedError` for a file of another shape. */
export function readMacros(recipe: Recipe, file: string, text: string): { entries: MacroEntry[]; refused: FileProblem[] } {
	const { records, unknown } = readWith(recipe, file, text);
	const entries: MacroEntry[] = [];
	const known = new Set<string>();
	const refused: FileProblem[] = [...unknown];
	for (const { fields, line, start, off } of records) {
		if (off) continue;
		const refuse = (at: number, message: string) => refused.push({ line, column: at - start + 1, message });
		const [named, said] = [fields.macro!, fields.steps!];
		const id = named.value.startsWith('macro:') ? named.value : `macro:${named.value}`;
		try {
			const made = Macro.safeParse({
				id,
				label: fields.label?.value ?? named.value.replace('macro:', ''),
				description: fields.note?.value ?? '',
				steps: parseSteps(said.value)
			});
			if (!made.success) refuse(named.start, made.error.issues[0]!.message);
			else if (known.has(made.data.id)) refuse(named.start, `${id} is already in this file`);
			else {
				known.add(made.data.id);
				entries.push({ op: 'set', ...made.data, rank: line });
				if (fields.lock !== undefined) entries.push({ op: 'lock', id: made.data.id, rank: line });
			}
		} catch (error) {
			if (!(error instanceof StepsError)) throw error;
			refuse(said.start + error.column - 1, error.message);
		}
	}
	return { entries, refused: refused.sort((a, b) => a.line - b.line) };
}

/** Macros as records of a recipe. Icons, and whether a macro is for use inside a command, are only in Skarn's own format. */
export function macroRecords(entries: Iterable<MacroEntry>): Values[] {
	const all = [...entries];
	const locked = new Set(all.flatMap((entry) => (entry.op === 'lock' ? [entry.id] : [])));
	return all.flatMap((macro): Values[] =>
		macro.op !== 'set'
			? []
			: [
					{
						macro: macro.id.replace('macro:', ''),
						label: macro.label,
						steps: stepsText(macro.steps),
						...(macro.description !== '' && { note: macro.description }),
						...(locked.has(macro.id) && { lock: 'true' })
					}
				]
	);
}
