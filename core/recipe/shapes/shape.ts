import type { FileRecord, Reading, Splice, Values } from '../record.ts';
import type { RecordShape } from '../recipe.ts';

/** One shape of file, read and written by the same description. All offsets are those of the text given. */
export interface Shape<R extends RecordShape> {
	/** May throw `FileRefusedError`. */
	read(record: R, file: string, text: string): Reading;
	/**
	 * Reads a text that differs in places from one that was read; gives what `read` would, with the very records of lines that
	 * are where they were. A shape has it whose lines can be read one by one; undefined where this
	 * recipe's cannot.
	 */
	readAgain?(record: R, text: string, before: { readonly text: string; readonly reading: Reading }): Reading | undefined;
	/** These may throw `NotWritableError`. */
	change(record: R, text: string, at: FileRecord, values: Values): Splice[];
	insert(record: R, text: string, after: FileRecord | undefined, values: Values): Splice[];
	remove(record: R, text: string, at: FileRecord): Splice[];
	toggle(record: R, text: string, at: FileRecord, off: boolean): Splice[];
	write(record: R, rows: readonly Values[], lineEnd: string): string;
}
