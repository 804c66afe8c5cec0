import type { FileProblem } from '../format/problem.ts';
import type { Field } from './field.ts';
import type { Fields } from './template.ts';

/** One record of a file: what it says and where. Offsets are in UTF-16 code units of the whole text. */
export interface FileRecord {
	readonly line: number;
	/** The whole record, without its line end. */
	readonly start: number;
	readonly end: number;
	readonly fields: Fields;
	/** Commented out: it is kept, and says nothing. */
	readonly off: boolean;
}

/** What a recipe finds in a file. Every line that says nothing to it is kept where it is; `unknown` lists those that seem to. */
export interface Reading {
	readonly records: readonly FileRecord[];
	readonly unknown: readonly FileProblem[];
}

/** A part of a text to be replaced; several of one text go by the offsets before any of them. */
export interface Splice {
	readonly start: number;
	readonly end: number;
	readonly insert: string;
}

export type Values = Partial<Record<Field, string>>;

/** A shape of file that cannot be written in this way. The message says what to do instead. */
export class NotWritableError extends Error {
	override name = 'NotWritableError';
}
