import { z } from 'zod';
import { FileRefusedError, type FileProblem } from '../../format/problem.ts';
import { ENCODINGS } from '../../format/bytes.ts';
import { readAgain, readWith } from '../../recipe/reading.ts';
import type { FileRecord, Reading } from '../../recipe/record.ts';
import { Recipe } from '../../recipe/recipe.ts';
import { ARROW_RECIPE } from '../../recipe/shipped.ts';
import { contentOf } from '../../strata/stratum.ts';
import { sharedEnds } from './shared-ends.ts';

/** The alias file of one stratum: its text byte for byte, and the recipe by which it is read and written. */
export const AliasFile = z.strictObject({
	recipe: Recipe,
	text: z.string().max(10_000_000),
	/** What the file was called where it came from. */
	name: z.string().min(1).max(200).optional(),
	encoding: z.enum(ENCODINGS).default('utf-8').meta({ description: 'how the bytes of the file spell its text' })
});
export type AliasFile = z.infer<typeof AliasFile>;

export const ALIASES = 'aliases';

/** The alias file of a stratum; null without one. */
export const aliasFileIn = contentOf<AliasFile | null>(ALIASES, null);

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

interface ReadLines extends AliasLines {
	/** Undefined where there is nothing, or nothing that can be read. */
	readonly reading: Reading | undefined;
}

const known = new WeakMap<AliasFile, ReadLines>();

/**
 * What an alias file says, commented-out records among it. A file that its recipe cannot read at all is one problem. A former
 * state of the file saves reading again what has not changed; what was read of it is used up (see `readAgain`).
 */
export function aliasLines(file: AliasFile, before?: AliasFile): AliasLines {
	let lines = known.get(file);
	if (!lines) known.set(file, (lines = read(file, before)));
	return lines;
}

function read(file: AliasFile, before: AliasFile | undefined): ReadLines {
	const { recipe, text } = file;
	if (text.trim() === '') return { lines: [], unknown: [], reading: undefined };
	const former = before && JSON.stringify(before.recipe) === JSON.stringify(recipe) ? known.get(before) : undefined;
	try {
		const reading = former?.reading
			? readAgain(recipe, 'aliases', text, { text: before!.text, reading: former.reading })
			: readWith(recipe, 'aliases', text);
		if (former) known.delete(before!);
		return { lines: linesOf(reading.records, former?.lines ?? []), unknown: reading.unknown, reading };
	} catch (error) {
		if (!(error instanceof FileRefusedError)) throw error;
		return { lines: [], unknown: error.problems, reading: undefined };
	}
}

/** The lines of the records; those of records that were there before are the same ones. */
function linesOf(records: readonly FileRecord[], before: readonly AliasLine[]): AliasLine[] {
	const { above, below } = sharedEnds(before, records, (line, record) => line.record === record);
	return before
		.slice(0, above)
		.concat(records.slice(above, records.length - below).map(lineOf), before.slice(before.length - below));
}

function lineOf(record: FileRecord): AliasLine {
	const { alias, command, note, lock } = record.fields;
	return { alias: alias!.value, command: command!.value, note: note?.value ?? '', locks: lock !== undefined, record };
}

export const emptyAliasFile: AliasFile = { recipe: ARROW_RECIPE, text: '', encoding: 'utf-8' };
