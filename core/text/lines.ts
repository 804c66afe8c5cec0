/** A line as offsets: its text without the line end, and where the next line begins. */
export interface LineSpan {
	readonly line: number;
	readonly start: number;
	readonly end: number;
	readonly next: number;
}

/** Whole lines of a text: from the beginning of one, which has this number, to the beginning of another or the end of the text. */
export interface TextPart {
	readonly from: number;
	readonly to: number;
	readonly line: number;
}

/** Where two texts differ, in whole lines of each. What stands before is the same in both, and so is what stands after. */
export interface LinesBetween {
	readonly from: number;
	/** The number of the line that begins there, the same in both. */
	readonly line: number;
	readonly before: { readonly to: number; readonly line: number };
	readonly after: { readonly to: number; readonly line: number };
}

/** Strings of this length are compared at once, which is quicker than sign by sign. */
const CHUNK = 1024;

/** How many code units both texts begin with and how many they end with; the two parts do not overlap in either. */
export function shared(before: string, after: string): { readonly beginning: number; readonly ending: number } {
	const most = Math.min(before.length, after.length);
	let beginning = 0;
	while (beginning + CHUNK <= most && before.slice(beginning, beginning + CHUNK) === after.slice(beginning, beginning + CHUNK))
		beginning += CHUNK;
	while (beginning < most && before.charCodeAt(beginning) === after.charCodeAt(beginning)) beginning++;
	const chunk = (text: string, from: number) => text.slice(text.length - from - CHUNK, text.length - from);
	let ending = 0;
	while (ending + CHUNK <= most - beginning && chunk(before, ending) === chunk(after, ending)) ending += CHUNK;
	while (
		ending < most - beginning &&
		before.charCodeAt(before.length - 1 - ending) === after.charCodeAt(after.length - 1 - ending)
	)
		ending++;
	return { beginning, ending };
}

export function linesBetween(before: string, after: string): LinesBetween {
	const { beginning, ending } = shared(before, after);
	// behind a line feed a line begins in either text, which cannot be said of a carriage return
	const from = beginning === 0 ? 0 : after.lastIndexOf('\n', beginning - 1) + 1;
	const feed = after.indexOf('\n', after.length - ending);
	const to = feed === -1 ? after.length : feed + 1;
	const line = 1 + lineCount(after, 0, from);
	const end = (text: string, at: number) => ({ to: at, line: line + lineCount(text, from, at) });
	return { from, line, before: end(before, to + before.length - after.length), after: end(after, to) };
}

/** How many lines there are between two offsets, the first of which begins one; the last line of a text may be open. */
function lineCount(text: string, from: number, to: number): number {
	let lines = 0;
	for (let at = from; at < to; at++) {
		const c = text.charCodeAt(at);
		if (c === 10 || (c === 13 && text.charCodeAt(at + 1) !== 10) || at === text.length - 1) lines++;
	}
	return lines;
}

/** The lines of a text or of a part of it, whatever ends them (CRLF, LF or CR, also mixed). A byte order mark belongs to no line. */
export function* linesOf(text: string, part: TextPart = { from: 0, to: text.length, line: 1 }): Generator<LineSpan> {
	let { from: start, line } = part;
	if (start === 0 && text.charCodeAt(0) === 0xfeff) start = 1;
	let cr = text.indexOf('\r', start);
	while (start < part.to) {
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
