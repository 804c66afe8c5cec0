/** A line as offsets: its text without the line end, and where the next line begins. */
export interface LineSpan {
	readonly line: number;
	readonly start: number;
	readonly end: number;
	readonly next: number;
}

/** The lines of a text, whatever ends them (CRLF, LF or CR, also mixed). A byte order mark belongs to no line. */
export function* linesOf(text: string): Generator<LineSpan> {
	let start = text.charCodeAt(0) === 0xfeff ? 1 : 0;
	let line = 1;
	let cr = text.indexOf('\r', start);
	while (start < text.length) {
		const lf = text.indexOf('\n', start);
		if (cr !== -1 && cr < start) cr = text.indexOf('\r', start);
		let end = lf === -1 ? text.length : lf;
		let next = lf === -1 ? text.length : lf + 1;
		if (cr !== -1 && cr < end) {
			end = cr;
			next = text.charCodeAt(cr + 1) === 10 ? cr + 2 : cr + 1;
		}
		yield { line: line++, start, end, next };
		start = next;
	}
}

/** The line end that the text uses most, LF when it has none. */
export function lineEndOf(text: string): string {
	const crlf = text.split('\r\n').length - 1;
	const lf = text.split('\n').length - 1 - crlf;
	const cr = text.split('\r').length - 1 - crlf;
	return crlf >= lf && crlf >= cr && crlf > 0 ? '\r\n' : cr > lf ? '\r' : '\n';
}

/** Lines for offsets that only grow. */
export function growingLines(text: string): (offset: number) => number {
	let at = 0;
	let line = 1;
	return (offset) => {
		for (let next = text.indexOf('\n', at); next !== -1 && next < offset; next = text.indexOf('\n', at)) {
			line++;
			at = next + 1;
		}
		return line;
	};
}

/** The column of an offset, counted from 1. */
export function columnOf(text: string, offset: number): number {
	return offset - Math.max(text.lastIndexOf('\n', offset - 1), text.lastIndexOf('\r', offset - 1));
}
