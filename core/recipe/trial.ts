import { changeRecord, readWith, spliced } from './reading.ts';
import type { Recipe } from './recipe.ts';
import { NotWritableError, type FileRecord } from './record.ts';

/** What happens to a file when Skarn writes a record of it: whether only that record's line changes, and reads back as meant. */
export interface Trial {
	readonly tried: number;
	/** The first record that does not come back as it was written; undefined when all do. */
	readonly failed: { readonly line: number; readonly reason: string } | undefined;
}

const MOST = 300;

/** Writes each of the first records with another command and back again, and compares every byte. */
export function tryRecipe(recipe: Recipe, text: string, records: readonly FileRecord[]): Trial {
	const chosen = records.slice(0, MOST);
	for (const [i, record] of chosen.entries()) {
		const was = record.fields.command?.value;
		if (was === undefined) continue;
		const fail = (reason: string): Trial => ({ tried: i, failed: { line: record.line, reason } });
		try {
			const changed = spliced(text, changeRecord(recipe, text, record, { command: `${was}x` }));
			const after = readWith(recipe, 'file', changed).records[i];
			if (after?.fields.command?.value !== `${was}x`) return fail('the written record reads differently');
			const back = spliced(changed, changeRecord(recipe, changed, after, { command: was }));
			if (back !== text) return fail('the line changes when it is written back');
		} catch (error) {
			if (!(error instanceof NotWritableError)) throw error;
			return fail(error.message);
		}
	}
	return { tried: chosen.length, failed: undefined };
}
