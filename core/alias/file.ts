import { z } from 'zod';
import { FileRefusedError, type FileProblem } from '../format/problem.ts';
import { ENCODINGS } from '../recipe/bytes.ts';
import { readWith } from '../recipe/reading.ts';
import type { FileRecord } from '../recipe/record.ts';
import { Recipe } from '../recipe/recipe.ts';

/** The alias file of one stratum: its text byte for byte, and the recipe by which it is read and written. */
export const AliasFile = z.strictObject({
	recipe: Recipe,
	text: z.string().max(10_000_000),
	encoding: z.enum(ENCODINGS).default('utf-8').meta({ description: 'how the bytes of the file spell its text' })
});
export type AliasFile = z.infer<typeof AliasFile>;

/** A command of this name in a line takes the alias away that a lower stratum gives. */
export const TAKES_AWAY = '-';

/** One record of an alias file. */
export interface AliasLine {
	readonly alias: string;
	readonly command: string;
	readonly note: string;
	/** Strata above may not change it. */
	readonly locks: boolean;
	readonly record: FileRecord;
}

export interface AliasLines {
	readonly lines: readonly AliasLine[];
	/** Lines that the recipe does not read. */
	readonly unknown: readonly FileProblem[];
}

const known = new WeakMap<AliasFile, AliasLines>();

/** What an alias file says, commented-out records among it. A file that its recipe cannot read at all is one problem. */
export function aliasLines(file: AliasFile): AliasLines {
	let lines = known.get(file);
	if (!lines) known.set(file, (lines = read(file)));
	return lines;
}

function read({ recipe, text }: AliasFile): AliasLines {
	if (text.trim() === '') return { lines: [], unknown: [] };
	try {
		const { records, unknown } = readWith(recipe, 'aliases', text);
		return {
			lines: records.map((record) => ({
				alias: record.fields.alias!.value,
				command: record.fields.command!.value,
				note: record.fields.note?.value ?? '',
				locks: record.fields.lock !== undefined,
				record
			})),
			unknown
		};
	} catch (error) {
		if (!(error instanceof FileRefusedError)) throw error;
		return { lines: [], unknown: error.problems };
	}
}

/** The plain shape in which Skarn writes aliases where nothing else is wanted: `ln -> draw.segment # straight line`. */
export const ARROW_RECIPE: Recipe = Recipe.parse({
	format: 'skarn-recipe',
	version: 1,
	name: 'Arrow lines',
	holds: 'aliases',
	record: { shape: 'line', template: '{alias} -> {command}[ {lock:!}][ # {note}]', comment: '#' }
});

export const emptyAliasFile: AliasFile = { recipe: ARROW_RECIPE, text: '', encoding: 'utf-8' };
