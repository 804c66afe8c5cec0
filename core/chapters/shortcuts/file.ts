import { CommandId } from '../../application/command.ts';
import { scopeText, type Scope } from '../../context/scope.ts';
import type { FileProblem } from '../../format/problem.ts';
import type { FileRow } from '../../chapter/chapter.ts';
import { SHORTCUTS, type Entry } from '../../shortcut/entry.ts';
import { readWith } from '../../recipe/reading.ts';
import type { Recipe } from '../../recipe/recipe.ts';
import type { Values } from '../../recipe/record.ts';
import { readKeys, writeKeys } from '../../recipe/spelling.ts';

/** The shortcuts of a file by its recipe. Throws `FileRefusedError` for a file that is not of that shape at all. */
export function readShortcuts(recipe: Recipe, file: string, text: string): { rows: FileRow<Entry>[]; refused: FileProblem[] } {
	const { records, unknown } = readWith(recipe, file, text);
	const rows: FileRow<Entry>[] = [];
	const refused: FileProblem[] = [...unknown];
	for (const { fields, line, start, off } of records) {
		if (off) continue;
		const problem = (at: number | undefined, message: string) =>
			refused.push({ line, column: (at ?? start) - start + 1, message });
		try {
			const keys = readKeys(fields.keys!.value, recipe.keys);
			const command = CommandId.safeParse(fields.command!.value);
			const context = fields.context?.value;
			const scope: Scope | undefined = context === undefined || context === '' ? {} : recipe.contexts[context];
			if (!command.success) problem(fields.command!.start, command.error.issues[0]!.message);
			else if (!scope)
				problem(fields.context!.start, `"${context}" is not a context of the recipe; add its meaning to the recipe`);
			else
				rows.push({
					chapter: SHORTCUTS,
					line,
					stratum: undefined,
					said: { op: 'set', keys, command: command.data, scope, rank: 0 }
				});
		} catch (error) {
			problem(fields.keys!.start, (error as Error).message);
		}
	}
	return { rows, refused: refused.sort((a, b) => a.line - b.line) };
}

/** Shortcuts as records. What has a scope that the recipe has no name for is left out and listed. */
export function shortcutRecords(
	recipe: Recipe,
	entries: readonly Pick<Entry, 'op' | 'keys' | 'command' | 'scope'>[]
): { rows: Values[]; left: string[] } {
	const names = new Map(Object.entries(recipe.contexts).map(([name, scope]) => [scopeText(scope), name]));
	const rows: Values[] = [];
	const left: string[] = [];
	for (const { op, keys, command, scope } of entries) {
		if (op !== 'set') continue;
		const text = scopeText(scope);
		const context = text === '' ? '' : names.get(text);
		if (context === undefined) left.push(`${keys} for ${command}: the recipe has no name for the context ${text}`);
		else rows.push({ keys: writeKeys(keys, recipe.keys), command, ...(context && { context }) });
	}
	return { rows, left };
}
