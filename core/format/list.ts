import { delimiterOf, readCsv } from './csv.ts';

/** A row of a list, by its columns; a cell that is missing is empty. */
export interface ListRow<Column extends string> {
	/** The first is 1. */
	readonly line: number;
	cell(column: Column): string;
}

/**
 * A list as a table (RFC 4180, also with semicolons or tabs, as spreadsheets paste it). `names` has, column by column, what a head may call it, in
 * small letters. Where no head names the column `first`, there is none, and the columns stand in the order of `names`. Empty rows are passed
 * over. Throws what `readCsv` throws.
 */
export function readList<Column extends string>(
	text: string,
	names: Readonly<Record<Column, readonly string[]>>,
	first: NoInfer<Column>
): ListRow<Column>[] {
	const { header, records } = readCsv('the list', text, delimiterOf(text));
	const columns = Object.keys(names) as Column[];
	const named = new Map(
		columns.map((column) => [column, header.findIndex((cell) => names[column].includes(cell.trim().toLowerCase()))])
	);
	const hasHead = named.get(first)! >= 0;
	const places = hasHead ? named : new Map(columns.map((column, i) => [column, i]));
	return (hasHead ? records : [{ line: 1, fields: header }, ...records])
		.filter(({ fields }) => fields.some((cell) => cell.trim() !== ''))
		.map(({ line, fields }) => ({ line, cell: (column) => (fields[places.get(column)!] ?? '').trim() }));
}
