import type { FileProblem } from '../../format/problem.ts';
import { NotWritableError, type FileRecord, type Values } from '../record.ts';
import { neededOf, type Field } from '../field.ts';
import type { ShapeOf } from '../recipe.ts';
import type { Fields, Span } from '../template.ts';
import { afterLine } from './by-line.ts';
import type { Shape } from './shape.ts';

type Delimited = ShapeOf<'delimited'>;

/** A field as it stands: `start` and `end` are around the quotes. */
interface Cell extends Span {
	readonly isOpen: boolean;
	readonly isQuoted: boolean;
}

/**
 * The records as cells. RFC 4180, section 2: a quoted field may hold delimiters, line ends and doubled quotes; besides, LF and
 * CR are taken as line ends, and a quote within a field that is not quoted stands for itself.
 */
function* cellsOf(
	{ delimiter, quote }: Delimited,
	text: string
): Generator<{ line: number; start: number; end: number; cells: Cell[] }> {
	let at = text.charCodeAt(0) === 0xfeff ? 1 : 0;
	let line = 1;
	const isEnd = (c: string | undefined) => c === '\n' || c === '\r' || c === undefined;
	while (at < text.length) {
		const start = at;
		const first = line;
		const cells: Cell[] = [];
		for (;;) {
			const from = at;
			let isOpen = false;
			let value: string;
			const isQuoted = quote !== '' && text[at] === quote;
			if (isQuoted) {
				let close = text.indexOf(quote, at + 1);
				while (close !== -1 && text[close + 1] === quote) close = text.indexOf(quote, close + 2);
				isOpen = close === -1;
				const inside = text.slice(at + 1, isOpen ? text.length : close);
				value = inside.includes(quote) ? inside.replaceAll(quote + quote, quote) : inside;
				for (let n = inside.indexOf('\n'); n !== -1; n = inside.indexOf('\n', n + 1)) line++;
				at = isOpen ? text.length : close + 1;
				const rest = at;
				while (!isEnd(text[at]) && text[at] !== delimiter) at++;
				value += text.slice(rest, at);
			} else {
				while (!isEnd(text[at]) && text[at] !== delimiter) at++;
				value = text.slice(from, at);
			}
			cells.push({ value, start: from, end: at, isOpen, isQuoted });
			if (text[at] !== delimiter) break;
			at++;
		}
		const end = at;
		if (text.startsWith('\r\n', at)) at += 2;
		else if (at < text.length) at++;
		line++;
		yield { line: first, start, end, cells };
	}
}

/**
 * A value as a cell, in quotes where it needs them or where the cell in whose place it comes has them. A quote within a value needs
 * none in a file that uses none: there it stands for itself.
 */
const written = ({ delimiter, quote }: Delimited, value: string, wasQuoted = false, usesQuotes = true): string => {
	const isNeeded =
		value.includes(delimiter) ||
		/[\r\n]/.test(value) ||
		value !== value.trim() ||
		(usesQuotes ? value.includes(quote) : value.startsWith(quote));
	return quote && (wasQuoted || isNeeded) ? quote + value.replaceAll(quote, quote + quote) + quote : value;
};

/** Whether any cell of the file stands in quotes. */
function usesQuotes(record: Delimited, text: string): boolean {
	if (!record.quote || !text.includes(record.quote)) return false;
	for (const { cells } of cellsOf(record, text)) if (cells.some(({ isQuoted }) => isQuoted)) return true;
	return false;
}

const rowText = (record: Delimited, values: Values, isQuoting = true): string =>
	record.columns.map((field) => written(record, values[field] ?? '', false, isQuoting)).join(record.delimiter);

export const delimited: Shape<Delimited> = {
	read(record, _, text) {
		const records: FileRecord[] = [];
		const unknown: FileProblem[] = [];
		const needed = neededOf(Object.fromEntries(record.columns.map((column) => [column, true])));
		let isHead = record.header;
		for (const { line, start, end, cells } of cellsOf(record, text)) {
			if (start === end) continue;
			let off = false;
			let own = cells;
			if (record.comment && text.startsWith(record.comment, start)) {
				off = true;
				const [head, ...rest] = cells as [Cell, ...Cell[]];
				const inside = text.slice(head.start + record.comment.length, head.end);
				const lead = record.comment.length + (inside.length - inside.trimStart().length);
				own = [{ ...head, value: inside.trim(), start: head.start + lead, isQuoted: false }, ...rest];
				if (own.length < Math.min(2, record.columns.length)) continue;
			}
			// what is commented out before the heading is not the heading
			if (isHead) {
				isHead = off;
				continue;
			}
			const open = own.find((c) => c.isOpen);
			const fields: Fields = {};
			own.forEach((cell, i) => {
				const field = record.columns[i];
				// blanks around a field are part of it where somebody has quoted them (RFC 4180, 2.4)
				const value = cell.isQuoted ? cell.value : cell.value.trim();
				if (field && field !== 'skip' && value.trim() !== '') fields[field] = { value, start: cell.start, end: cell.end };
			});
			const missing = needed.find((f) => !fields[f]);
			const problem = open
				? { at: open.start, message: 'a quote is opened here and never closed' }
				: missing
					? {
							at: own[record.columns.indexOf(missing)]?.start ?? end,
							message: `expected the ${missing} in column ${record.columns.indexOf(missing) + 1}`
						}
					: undefined;
			if (!problem) records.push({ line, start, end, fields, off });
			else if (!off) unknown.push({ line, column: problem.at - start + 1, message: problem.message });
		}
		return { records, unknown };
	},

	change(record, text, { start, end, fields }, values) {
		const names = Object.keys(values) as Field[];
		const isQuoting = usesQuotes(record, text);
		if (names.every((f) => fields[f]))
			return names.map((f) => {
				const { start: from, end: to } = fields[f]!;
				return { start: from, end: to, insert: written(record, values[f]!, text[from] === record.quote, isQuoting) };
			});
		const [row] = [...cellsOf(record, text.slice(start, end))];
		const cells = record.columns.map((field, i) =>
			field !== 'skip' && values[field] !== undefined
				? written(record, values[field], false, isQuoting)
				: text.slice(start, end).slice(row!.cells[i]?.start ?? 0, row!.cells[i]?.end ?? 0)
		);
		return [{ start, end, insert: cells.join(record.delimiter) }];
	},

	insert: (record, text, after, values) => [
		afterLine(text, after?.end, rowText(record, values, text === '' || usesQuotes(record, text)))
	],

	remove(_, text, { start, end }) {
		const next = text.startsWith('\r\n', end) ? end + 2 : Math.min(text.length, end + 1);
		return [{ start, end: next, insert: '' }];
	},

	toggle({ comment }, text, { start }, off) {
		if (comment === undefined)
			throw new NotWritableError('the recipe defines no comment sign; define one, or remove the record instead');
		if (off) return [{ start, end: start, insert: comment }];
		return [{ start, end: start + comment.length + (text[start + comment.length] === ' ' ? 1 : 0), insert: '' }];
	},

	write(record, rows, lineEnd) {
		const head = record.header ? [record.columns.join(record.delimiter)] : [];
		return [...head, ...rows.map((row) => rowText(record, row))].map((l) => l + lineEnd).join('');
	}
};
