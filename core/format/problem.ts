import './own-words.ts';

/** One thing in a file that could not be taken: where it stands and what was expected there. */
export interface FileProblem {
	/** Both count from 1; a JSON value also has its pointer (RFC 6901). */
	readonly line: number;
	readonly column: number;
	readonly pointer?: string;
	readonly message: string;
}

/** A file that could not be read at all; nothing of it was used. */
export class FileRefusedError extends Error {
	override name = 'FileRefusedError';
	readonly problems: readonly FileProblem[];
	constructor(file: string, problems: readonly FileProblem[]) {
		const [first] = problems;
		super(first ? `${file}, line ${first.line}, column ${first.column}: ${first.message}` : `${file} could not be read`);
		this.problems = problems;
	}
}

export const LARGEST_FILE = 50_000_000;

/** Refuses a file by its size alone, before it is read. Throws `FileRefusedError`. */
export function refuseBySize(file: string, bytes: number): void {
	if (bytes > LARGEST_FILE)
		throw new FileRefusedError(file, [
			{
				line: 1,
				column: 1,
				message: `the file has ${(bytes / 1e6).toFixed(0)} MB; the maximum is ${LARGEST_FILE / 1e6} MB. Export less, or split the file`
			}
		]);
}

/** Line and column, counted from 1, of an offset in a text. */
export function placeOf(text: string, offset: number): { line: number; column: number } {
	const before = text.slice(0, offset);
	const lineStart = before.lastIndexOf('\n') + 1;
	let line = 1;
	for (let at = before.indexOf('\n'); at !== -1; at = before.indexOf('\n', at + 1)) line++;
	return { line, column: offset - lineStart + 1 };
}

/** The text of a file's bytes: UTF-8, or UTF-16 with its byte order mark. Throws `FileRefusedError` for other bytes. */
export function textOf(file: string, bytes: Uint8Array): string {
	const encoding =
		bytes[0] === 0xff && bytes[1] === 0xfe ? 'utf-16le' : bytes[0] === 0xfe && bytes[1] === 0xff ? 'utf-16be' : 'utf-8';
	try {
		const text = new TextDecoder(encoding, { fatal: true }).decode(bytes);
		if (!text.includes('\0')) return text;
	} catch {
		// falls through to the refusal below, which says the same for both causes
	}
	throw new FileRefusedError(file, [{ line: 1, column: 1, message: 'this is not a text file in UTF-8 or UTF-16' }]);
}
