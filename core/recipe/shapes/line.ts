import type { FileProblem } from '../../format/problem.ts';
import { growingLines, linesBetween, linesOf, type TextPart } from '../../text/lines.ts';
import { NotWritableError, type FileRecord, type Reading, type Splice, type Values } from '../record.ts';
import type { Field } from '../field.ts';
import type { ShapeOf } from '../recipe.ts';
import { isMismatch, matchTemplate, parseTemplate, writeTemplate, type Fields, type Span, type Template } from '../template.ts';
import type { Shape } from './shape.ts';
import { afterLine, lineAround, looksMeant } from './by-line.ts';

type Line = ShapeOf<'line'>;

const isBlank = (c: string | undefined) => c === ' ' || c === '\t';

/** Lines that are records, comments, section heads or empty. */
export const line: Shape<Line> = {
	read: (record, _, text) => readPart(record, text, { from: 0, to: text.length, line: 1 }),

	readAgain(record, text, before) {
		// a line that goes on takes others with it
		if (record.continues) return undefined;
		// a section's head says something of all lines below it
		if (record.sections === 'context') return readPart(record, text, { from: 0, to: text.length, line: 1 });
		const { from, line, before: old, after } = linesBetween(before.text, text);
		const between = readPart(record, text, { from, to: after.to, line });
		const [by, lines] = [after.to - old.to, after.line - old.line];
		const { records, unknown } = before.reading;
		const below = <T extends { readonly line: number }>(all: readonly T[], at: number) => {
			const next = all.findIndex((each) => each.line >= at);
			return next === -1 ? all.length : next;
		};
		return {
			records: records
				.slice(0, below(records, line))
				.concat(between.records, moved(records.slice(below(records, old.line)), by, lines)),
			unknown: unknown.slice(0, below(unknown, line)).concat(
				between.unknown,
				unknown.slice(below(unknown, old.line)).map((each) => ({ ...each, line: each.line + lines }))
			)
		};
	},

	change(record, text, { start, end, fields }, values) {
		const template = parseTemplate(record.template);
		const wanted = { ...valuesOf(fields), ...values };
		const isInPlace = (Object.keys(values) as Field[]).every((f) => fields[f] && values[f]);
		if (!isInPlace) {
			return [{ start, end, insert: likeLine(record, text, start, fields, template, wanted) }];
		}
		return (Object.keys(values) as Field[]).flatMap((field) => kept(text, fields[field]!, values[field]!, end));
	},

	insert(record, text, after, values) {
		const template = parseTemplate(record.template);
		const line =
			after && !after.off
				? likeLine(record, text, after.start, after.fields, template, values)
				: writeTemplate(template, values, record.gap === 'wide');
		return [afterLine(text, after?.end, line)];
	},

	remove: (record, text, { start }) => [{ ...lineAround(joined(record, text), start), insert: '' }],

	toggle({ comment }, text, { start, end }, off) {
		if (/[\r\n]/.test(text.slice(start, end)))
			throw new NotWritableError('a record of several lines cannot be disabled here; do it in a text editor');
		if (comment === undefined)
			throw new NotWritableError('the recipe defines no comment sign; define one, or remove the record instead');
		if (off) return [{ start, end: start, insert: `${comment} ` }];
		const at = text.indexOf(comment, start);
		const blank = isBlank(text[at + comment.length]) ? 1 : 0;
		return [{ start: at, end: at + comment.length + blank, insert: '' }];
	},

	write({ template: source, sections, gap }, rows, lineEnd) {
		const template = parseTemplate(source);
		let section: string | undefined;
		const lines = rows.flatMap((row) => {
			const own = writeTemplate(template, row, gap === 'wide');
			if (sections !== 'context' || row.context === section) return [own];
			const isFirst = section === undefined;
			section = row.context ?? '';
			return [...(isFirst ? [] : ['']), `[${section}]`, own];
		});
		return lines.map((l) => l + lineEnd).join('');
	}
};

/** The text with blanks in place of line ends at which a record goes on, so that all else stands where it stood. */
function joined({ continues }: Pick<Line, 'continues'>, text: string): string {
	if (!continues || !text.includes(continues)) return text;
	const sign = continues.replaceAll(/[^\p{L}\p{N}]/gu, '\\$&');
	const end = new RegExp(`${sign}[ \\t]*(?:\\r\\n|\\n|\\r)`, 'g');
	return text.replace(end, (found) => ' '.repeat(found.length));
}

/** The parts of a value that stood on several lines, with a blank between them. */
const inOneLine = (fields: Fields): Fields =>
	Object.fromEntries(
		Object.entries(fields).map(([name, span]) => [name, { ...span, value: span.value.replaceAll(/\s{2,}/g, ' ') }])
	);

function readPart(record: Line, whole: string, part: TextPart): Reading {
	const { comment, sections, continues } = record;
	const template = parseTemplate(record.template);
	const isWide = record.gap === 'wide';
	const text = joined(record, whole);
	const lineOf = continues ? growingLines(whole) : undefined;
	const records: FileRecord[] = [];
	const unknown: FileProblem[] = [];
	let section: Fields['context'];
	for (const { line: counted, start, end } of linesOf(text, part)) {
		const line = lineOf?.(start) ?? counted;
		let at = start;
		while (at < end && isBlank(text[at])) at++;
		if (at === end) continue;
		if (sections !== 'none' && text[at] === '[') {
			const close = text.lastIndexOf(']', end - 1);
			if (close > at) {
				section = { value: text.slice(at + 1, close).trim(), start: at + 1, end: close };
				continue;
			}
		}
		const isComment = comment !== undefined && text.startsWith(comment, at) && at + comment.length <= end;
		if (isComment) {
			at += comment.length;
			// a comment that is a record without its sign was commented out; any other is a remark
			const found = matchTemplate(template, text, at, end, isWide);
			if (!isMismatch(found) && looksMeant(found)) records.push({ line, start, end, fields: withSection(found), off: true });
			continue;
		}
		const found = matchTemplate(template, text, at, end, isWide);
		if (isMismatch(found)) unknown.push({ line, column: found.at - start + 1, message: found.expected });
		else records.push({ line, start, end, fields: withSection(found), off: false });
	}
	return { records, unknown };

	function withSection(fields: Fields): Fields {
		const own = continues ? inOneLine(fields) : fields;
		return sections === 'context' && section ? { ...own, context: section } : own;
	}
}

type Movable<T> = { -readonly [K in keyof T]: T[K] };

/** The records, so many code units and lines further on: a long text has thousands, which are not made anew at every key. */
function moved(records: readonly Movable<FileRecord>[], by: number, lines: number): readonly FileRecord[] {
	if (by === 0 && lines === 0) return records;
	for (const record of records) {
		record.line += lines;
		record.start += by;
		record.end += by;
		for (const name in record.fields) {
			const span: Movable<Span> = record.fields[name as Field]!;
			span.start += by;
			span.end += by;
		}
	}
	return records;
}

const valuesOf = (fields: Fields): Values => Object.fromEntries(Object.entries(fields).map(([name, span]) => [name, span.value]));

/** A field's new value; what stands in columns after it stays in its column as far as there is room. */
function kept(text: string, { start, end }: { start: number; end: number }, value: string, lineEnd: number): Splice[] {
	let blanks = 0;
	while (end + blanks < lineEnd && text[end + blanks] === ' ') blanks++;
	const isLast = end + blanks >= lineEnd;
	if (blanks < 2 || isLast) return [{ start, end, insert: value }];
	return [{ start, end: end + blanks, insert: value + ' '.repeat(Math.max(1, end - start + blanks - value.length)) }];
}

/** A record written as another one is, its parts in the same columns. */
function likeLine({ gap }: Line, text: string, lineStart: number, model: Fields, template: Template, values: Values): string {
	const plain = writeTemplate(template, values, gap === 'wide');
	const found = matchTemplate(template, plain, 0, plain.length, gap === 'wide');
	if (isMismatch(found)) return plain;
	const spans = (Object.entries(found) as [Field, Span][]).sort(([, a], [, b]) => a.start - b.start);
	const first = Math.min(...Object.values(model).map((span) => (span.start < lineStart ? Infinity : span.start)));
	const indent = text.slice(lineStart, first).match(/^[ \t]*/)![0];
	let line = '';
	let at = 0;
	for (const [field, { start, end }] of spans) {
		const gap = plain.slice(at, start);
		const column = model[field] && model[field].start >= lineStart ? model[field].start - first : 0;
		// blanks go before the sign between two fields, so that the signs stand under each other as well
		line += ' '.repeat(Math.max(0, column - line.length - gap.length)) + gap + plain.slice(start, end);
		at = end;
	}
	return indent + line + plain.slice(at);
}
