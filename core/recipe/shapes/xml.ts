import { FileRefusedError, type FileProblem } from '../../format/problem.ts';
import { xmlParser } from '../../format/xml.ts';
import { columnOf, growingLines, lineEndOf } from '../../text/lines.ts';
import { NotWritableError, type FileRecord, type Values } from '../record.ts';
import { neededOf, type Field } from '../field.ts';
import type { ShapeOf } from '../recipe.ts';
import type { Fields } from '../template.ts';
import { lineAround, shifted } from './by-line.ts';
import type { Shape } from './shape.ts';

type Xml = ShapeOf<'xml'>;

/**
 * For an attribute in either kind of quotes and for text. Line ends, tabs and blanks at either end would not come back as they
 * are (XML 1.0, 2.11 and 3.3.3), and so are written as references.
 */
const escaped = (value: string): string =>
	value
		.replaceAll('&', '&amp;')
		.replaceAll('<', '&lt;')
		.replaceAll('>', '&gt;')
		.replaceAll('"', '&quot;')
		.replaceAll("'", '&apos;')
		.replace(/[\t\r\n]|^ | $/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** XML 1.0 (fifth edition), 2.5. */
const NO_DASHES = 'a comment in XML cannot contain two dashes (--); remove the record instead';

/** The element that is all that the comment at the offset holds, as a record that is switched off; any other is a remark. */
function commentedOut(record: Xml, file: string, text: string, start: number): Omit<FileRecord, 'line'> | undefined {
	const end = text.indexOf('-->', start) + 3;
	const inside = text.slice(start + 4, end - 3);
	if (!inside.trimStart().startsWith(`<${record.element}`)) return undefined;
	try {
		const { records } = xml.read(record, file, inside);
		const [found] = records;
		if (records.length !== 1 || inside.trim() !== inside.slice(found!.start, found!.end)) return undefined;
		return { start, end, fields: shifted(found!.fields, start + 4), off: true };
	} catch (error) {
		if (!(error instanceof FileRefusedError)) throw error;
		return undefined;
	}
}

/** Elements of one name, wherever they are; one that is all of a comment is switched off. */
export const xml: Shape<Xml> = {
	read(record, file, text) {
		const { parser, parse } = xmlParser(file, text);
		const records: FileRecord[] = [];
		const unknown: FileProblem[] = [];
		const needed = neededOf(record.fields);
		const open: { start: number; line: number; fields: Fields; textStart: number; isOurs: boolean }[] = [];
		const lineOf = growingLines(text);
		let tagStart = 0;
		parser.on('opentagstart', () => {
			// the parser stands right after the name
			tagStart = text.lastIndexOf('<', parser.position - 1);
		});
		parser.on('opentag', ({ name }) => {
			const end = parser.position;
			const isOurs = name === record.element;
			const fields: Fields = {};
			if (isOurs)
				for (const [field, place] of Object.entries(record.fields) as [Field, string][]) {
					if (!place.startsWith('@')) continue;
					const found = attributeIn(text, tagStart, end, place.slice(1));
					if (found && found.value !== '') fields[field] = found;
				}
			open.push({ start: tagStart, line: lineOf(tagStart), fields, textStart: end, isOurs });
		});
		parser.on('closetag', ({ isSelfClosing }) => {
			const { start, line, fields, textStart, isOurs } = open.pop()!;
			if (!isOurs) return;
			const textField = (Object.entries(record.fields) as [Field, string][]).find(([, place]) => place === '.')?.[0];
			if (textField && !isSelfClosing) {
				const close = text.lastIndexOf('</', parser.position - 1);
				const inside = text.slice(textStart, close);
				const value = textOf(inside.trim());
				if (value !== undefined && value !== '') {
					const lead = inside.length - inside.trimStart().length;
					fields[textField] = { value, start: textStart + lead, end: textStart + inside.trimEnd().length };
				}
			}
			const missing = needed.find((f) => !fields[f]);
			if (missing)
				unknown.push({
					line,
					column: columnOf(text, start),
					message: `expected the ${missing} at ${record.fields[missing]}`
				});
			else records.push({ line, start, end: parser.position, fields, off: false });
		});
		parser.on('comment', () => {
			const off = commentedOut(record, file, text, text.lastIndexOf('<!--', parser.position - 1));
			if (off) records.push({ ...off, line: lineOf(off.start) });
		});
		parse();
		return { records, unknown };
	},

	change(record, text, { start: begin, end: last, fields, off }, values) {
		if (off && Object.values(values).some((value) => value.includes('--'))) throw new NotWritableError(NO_DASHES);
		const start = off ? text.indexOf('<', begin + 1) : begin;
		const end = off ? text.lastIndexOf('>', last - 4) + 1 : last;
		return (Object.keys(values) as Field[]).map((f) => {
			const span = fields[f];
			const place = record.fields[f];
			if (span) return { start: span.start, end: span.end, insert: escaped(values[f]!) };
			if (place === undefined) throw new NotWritableError(`the recipe has no place for the ${f}`);
			if (place.startsWith('@')) {
				const at = start + 1 + record.element.length;
				const tag = /<[^>"']*(?:"[^"]*"[^>"']*|'[^']*'[^>"']*)*>/y;
				tag.lastIndex = start;
				const empty = attributeIn(text, start, start + (tag.exec(text)?.[0].length ?? 0), place.slice(1));
				if (empty) return { start: empty.start, end: empty.end, insert: escaped(values[f]!) };
				return { start: at, end: at, insert: ` ${place.slice(1)}="${escaped(values[f]!)}"` };
			}
			const whole = text.slice(start, end);
			const close = /<\/[^<>]*>\s*$/.exec(whole)?.index ?? -1;
			return close === -1
				? { start: start + whole.lastIndexOf('/>'), end, insert: `>${escaped(values[f]!)}</${record.element}>` }
				: { start: start + close, end: start + close, insert: escaped(values[f]!) };
		});
	},

	insert(record, text, after, values) {
		const lineEnd = lineEndOf(text);
		if (!after) {
			const close = text.lastIndexOf('</');
			if (close === -1) throw new NotWritableError('the file has no element that could contain another; write it again');
			return [
				{
					start: close,
					end: close,
					insert: `${/[\r\n]$/.test(text.slice(0, close)) ? '' : lineEnd}\t${element(record, values)}${lineEnd}`
				}
			];
		}
		const lineStart = Math.max(text.lastIndexOf('\n', after.start - 1), text.lastIndexOf('\r', after.start - 1)) + 1;
		const indent = text.slice(lineStart, after.start).match(/^[ \t]*$/)?.[0];
		return [
			{ start: after.end, end: after.end, insert: (indent === undefined ? '' : lineEnd + indent) + element(record, values) }
		];
	},

	remove(_, text, { start, end }) {
		const lineStart = Math.max(text.lastIndexOf('\n', start - 1), text.lastIndexOf('\r', start - 1)) + 1;
		const line = lineAround(text, end);
		const isAlone = text.slice(lineStart, start).trim() === '' && text.slice(end, line.end).trim() === '';
		return [{ start: isAlone ? lineStart : start, end: isAlone ? line.end : end, insert: '' }];
	},

	toggle(_, text, { start, end }, off) {
		if (!off) {
			const [before, behind] = [text[start + 4] === ' ' ? 5 : 4, text[end - 4] === ' ' ? 4 : 3];
			return [
				{ start, end: start + before, insert: '' },
				{ start: end - behind, end, insert: '' }
			];
		}
		if (text.slice(start, end).includes('--')) throw new NotWritableError(NO_DASHES);
		return [
			{ start, end: start, insert: '<!-- ' },
			{ start: end, end, insert: ' -->' }
		];
	},

	write(record, rows, lineEnd) {
		return [
			'<?xml version="1.0" encoding="UTF-8"?>',
			'<list>',
			...rows.map((row) => `\t${element(record, row)}`),
			'</list>',
			''
		].join(lineEnd);
	}
};

function element({ element: name, fields }: Xml, values: Values): string {
	const entries = Object.entries(fields) as [Field, string][];
	const attributes = entries
		.filter(([f, place]) => place.startsWith('@') && values[f])
		.map(([f, place]) => ` ${place.slice(1)}="${escaped(values[f]!)}"`)
		.join('');
	const inside = entries.find(([, place]) => place === '.');
	return inside && values[inside[0]]
		? `<${name}${attributes}>${escaped(values[inside[0]]!)}</${name}>`
		: `<${name}${attributes}/>`;
}

const CDATA = /<!\[CDATA\[([\s\S]*?)\]\]>/g;

/** What stands in an element, with the sections that are taken as they are; undefined if there are other elements in it. */
function textOf(inside: string): string | undefined {
	let value = '';
	let at = 0;
	for (const section of inside.matchAll(CDATA)) {
		value += plain(inside.slice(at, section.index)) + section[1];
		at = section.index + section[0].length;
	}
	const rest = inside.replace(CDATA, '');
	return rest.includes('<') ? undefined : value + plain(inside.slice(at));
}

const ENTITIES: Readonly<Record<string, string>> = { amp: '&', lt: '<', gt: '>', quot: '"', apos: "'" };

/** Text without the five entities of XML and character references (XML 1.0, 4.1 and 4.6). */
function plain(value: string): string {
	return value.replace(
		/&(?:#x([0-9a-fA-F]{1,6})|#(\d{1,7})|(amp|lt|gt|quot|apos));/g,
		(whole, hex: string, decimal: string, name: string) => {
			if (name) return ENTITIES[name]!;
			const code = hex ? parseInt(hex, 16) : Number(decimal);
			return code <= 0x10ffff ? String.fromCodePoint(code) : whole;
		}
	);
}

/** An attribute of the start tag between two offsets, which the parser has found to be sound. */
function attributeIn(
	text: string,
	start: number,
	end: number,
	name: string
): { value: string; start: number; end: number } | undefined {
	let at = start;
	while (at < end) {
		const equals = text.indexOf('=', at);
		if (equals === -1 || equals >= end) return undefined;
		let quote = equals + 1;
		while (quote < end && text[quote] !== '"' && text[quote] !== "'") quote++;
		const close = text.indexOf(text[quote]!, quote + 1);
		if (close === -1 || close >= end) return undefined;
		const words = text.slice(at, equals).trim().split(/\s+/);
		if (words.at(-1) === name) return { value: plain(text.slice(quote + 1, close)), start: quote + 1, end: close };
		at = close + 1;
	}
	return undefined;
}
