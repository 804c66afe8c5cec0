import { parse, CsvError } from 'csv-parse/browser/esm/sync';
import { FileRefusedError } from './problem.ts';
import { plain } from './inert.ts';
import type { TableRecord } from './table/tree.ts';

const REASONS: Readonly<Record<string, string>> = {
	CSV_QUOTE_NOT_CLOSED: 'a quote is opened and never closed',
	CSV_INVALID_CLOSING_QUOTE: 'there is text after a closing quote',
	CSV_MAX_RECORD_SIZE: 'a record is too long'
};

/**
 * Reads RFC 4180 records; also takes LF line ends, a byte order mark and empty lines between records.
 * The first record must be a header. Cells that were made inert come back as they were (see `inert`). Throws `FileRefusedError` with the line for quotes that
 * do not close; a quote inside an unquoted field is taken as it is.
 */
export function readCsv(file: string, text: string, delimiter = ','): { header: readonly string[]; records: TableRecord[] } {
	let raw: { record: string[]; info: { lines: number } }[];
	try {
		raw = parse(text, {
			bom: true,
			delimiter,
			info: true,
			relax_column_count: true,
			relax_quotes: true,
			skip_empty_lines: true,
			record_delimiter: ['\r\n', '\n', '\r']
		}) as unknown as typeof raw;
	} catch (error) {
		const { lines, column, code } = error as CsvError & { lines?: number; column?: number | string };
		throw new FileRefusedError(file, [
			{
				line: lines ?? 1,
				column: typeof column === 'number' ? column + 1 : 1,
				message: `not CSV: ${REASONS[code] ?? 'the fields cannot be told apart'}`
			}
		]);
	}
	const [header, ...rest] = raw;
	if (!header) throw new FileRefusedError(file, [{ line: 1, column: 1, message: 'the file is empty; expected a header line' }]);
	// the parser counts CRLF inside a quoted field as two line ends
	let surplus = 0;
	const records = rest.map(({ record, info }): TableRecord => {
		const inside = record.join('');
		const counted = inside.match(/[\r\n]/g)?.length ?? 0;
		const line = info.lines - counted - surplus;
		surplus += counted - (inside.match(/\r\n|\r|\n/g)?.length ?? 0);
		return { line, fields: record.map(plain) };
	});
	return { header: header.record.map((name) => name.trim()), records };
}

/** One record as an object by the header's names; missing fields are empty. */
export function byHeader(header: readonly string[], record: TableRecord): Record<string, string> {
	return Object.fromEntries(header.map((name, i) => [name.toLowerCase(), record.fields[i] ?? '']));
}

/** The sign that stands most often in the first line, outside of quotes: comma, semicolon or tab. */
export function delimiterOf(text: string): string {
	const [header = ''] = text.replace(/^\uFEFF?\s*/, '').split(/[\r\n]/, 1);
	const bare = header.replaceAll(/"[^"]*"/g, '');
	return [',', ';', '\t'].reduce((best, sign) => (bare.split(sign).length > bare.split(best).length ? sign : best));
}
