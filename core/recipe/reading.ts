import type { Recipe } from './recipe.ts';
import type { FileRecord, Reading, Splice, Values } from './record.ts';
import { refuseLost, refuseLostRows } from './read-back.ts';
import { shapeOf } from './shapes/shapes.ts';

/** Reads a file by a recipe. Throws `FileRefusedError` only where the file has no such structure at all. */
export function readWith(recipe: Recipe, file: string, text: string): Reading {
	return shapeOf(recipe.record.shape).read(recipe.record as never, file, text);
}

/**
 * As `readWith` for a text of which another state was read by the same recipe, in less time where the shape allows it. The
 * former reading is used up: records that have only moved are the same ones, with their new places.
 */
export function readAgain(recipe: Recipe, file: string, text: string, before: { text: string; reading: Reading }): Reading {
	return shapeOf(recipe.record.shape).readAgain?.(recipe.record as never, text, before) ?? readWith(recipe, file, text);
}

/**
 * The text with these fields of a record changed and all else byte for byte as it was. Throws `NotWritableError` if the format
 * cannot say them: what is written is read back first.
 */
export function changeRecord(recipe: Recipe, text: string, record: FileRecord, values: Values): Splice[] {
	const splices = shapeOf(recipe.record.shape).change(recipe.record as never, text, record, values);
	refuseLost(recipe, text, splices, values, { changes: record });
	return splices;
}

/**
 * A new record after the given one, at the end without it. An empty file becomes a whole one, with all that its shape needs.
 * Throws `NotWritableError` as `changeRecord`.
 */
export function insertRecord(recipe: Recipe, text: string, after: FileRecord | undefined, values: Values): Splice[] {
	if (text.trim() === '') return [{ start: 0, end: text.length, insert: writeWith(recipe, [values]) }];
	const splices = shapeOf(recipe.record.shape).insert(recipe.record as never, text, after, values);
	refuseLost(recipe, text, splices, values, { after });
	return splices;
}

export function removeRecord(recipe: Recipe, text: string, record: FileRecord): Splice[] {
	return shapeOf(recipe.record.shape).remove(recipe.record as never, text, record);
}

/** Comments a record out, or in again. */
export function switchRecord(recipe: Recipe, text: string, record: FileRecord, off: boolean): Splice[] {
	return record.off === off ? [] : shapeOf(recipe.record.shape).toggle(recipe.record as never, text, record, off);
}

/** Puts splices into a text. They must not overlap. */
export function spliced(text: string, splices: readonly Splice[]): string {
	let result = '';
	let at = 0;
	for (const { start, end, insert } of [...splices].sort((a, b) => a.start - b.start || a.end - b.end)) {
		if (start < at) throw new RangeError(`two changes of a text overlap at ${start}`);
		result += text.slice(at, start) + insert;
		at = end;
	}
	return result + text.slice(at);
}

/** A whole file of these records. Throws `NotWritableError` that names the first one that the format cannot say. */
export function writeWith(recipe: Recipe, rows: readonly Values[], lineEnd = '\n'): string {
	const text = shapeOf(recipe.record.shape).write(recipe.record as never, rows, lineEnd);
	refuseLostRows(recipe, rows, text);
	return text;
}
