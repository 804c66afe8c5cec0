import { lineEndOf } from '../../text/lines.ts';
import type { Splice } from '../record.ts';
import type { Fields } from '../template.ts';

/** The whole line with its line end that begins at the offset. */
export function lineAround(text: string, start: number): { start: number; end: number } {
	const lf = text.indexOf('\n', start);
	const cr = text.indexOf('\r', start);
	const end = lf === -1 ? cr : cr === -1 ? lf : Math.min(lf, cr);
	if (end === -1) return { start, end: text.length };
	return { start, end: text.startsWith('\r\n', end) ? end + 2 : end + 1 };
}

/** The fields of a part of a text that begins at the offset, with their places in the whole. */
export function shifted(fields: Fields, by: number): Fields {
	return Object.fromEntries(
		Object.entries(fields).map(([name, { value, start, end }]) => [name, { value, start: start + by, end: end + by }])
	);
}

/** A new line after the one that ends at the offset, or after the last. */
export function afterLine(text: string, end: number | undefined, line: string): Splice {
	const lineEnd = lineEndOf(text);
	const at = end ?? text.length;
	if (end !== undefined) return { start: at, end: at, insert: lineEnd + line };
	const isOpen = text.length > 0 && !/[\r\n]$/.test(text);
	return { start: at, end: at, insert: (isOpen ? lineEnd : '') + line + lineEnd };
}

/** A remark such as "see - below" can look like a record: one that is meant has a name without blanks. */
export function looksMeant(fields: Fields): boolean {
	const isOneWord = (text: string | undefined) => text !== undefined && !/[ \t]/.test(text);
	// a bar may be called by several words, and a command never is
	if (fields.bar) return isOneWord(fields.command?.value);
	const name = fields.alias ?? fields.keys ?? fields.macro;
	return isOneWord(name?.value) && (fields.command === undefined || isOneWord(fields.command.value));
}
