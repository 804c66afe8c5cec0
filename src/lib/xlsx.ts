import { Unzip, UnzipInflate } from 'fflate';
import { stringify } from 'csv-stringify/browser/esm/sync';
import { inert } from '../../core/format/inert.ts';
import { FileRefusedError } from '../../core/format/problem.ts';

/** A sheet may unfold to so many bytes; more is taken for an archive that was made to fill the memory. */
const MOST_UNFOLDED = 100_000_000;
/** So many columns of a sheet are looked at. */
const MOST_COLUMNS = 60;

const refused = (file: string, message: string) => new FileRefusedError(file, [{ line: 1, column: 1, message }]);

/** Throws `FileRefusedError` if the archive unfolds to more than a sheet has, whatever sizes it claims. */
function refuseBombs(file: string, bytes: Uint8Array): void {
	let unfolded = 0;
	const unzip = new Unzip((entry) => {
		entry.ondata = (error, chunk) => {
			if (error) throw refused(file, `the archive of the sheet is broken: ${error.message}`);
			unfolded += chunk.length;
			if (unfolded > MOST_UNFOLDED)
				throw refused(file, `the sheet unfolds to more than ${MOST_UNFOLDED / 1e6} MB; it is not taken`);
		};
		entry.start();
	});
	unzip.register(UnzipInflate);
	// in parts, so that counting can stop in the middle of one that unfolds to very much
	for (let at = 0; at < bytes.length; at += 16_384) unzip.push(bytes.subarray(at, at + 16_384), at + 16_384 >= bytes.length);
}

const cellText = (value: unknown): string =>
	value === null || value === undefined ? '' : value instanceof Date ? value.toISOString() : String(value);

/** The first sheet of a workbook (Office Open XML, ISO/IEC 29500) as CSV. Throws `FileRefusedError`. */
export async function csvOfXlsx(file: string, bytes: Uint8Array): Promise<string> {
	try {
		refuseBombs(file, bytes);
		const { readSheet } = await import('read-excel-file/universal');
		const rows = await readSheet(new Blob([bytes as BlobPart]), { trim: false });
		return stringify(
			rows.map((row) => row.slice(0, MOST_COLUMNS).map((value) => inert(cellText(value)))),
			{ record_delimiter: '\r\n', quoted_match: /[\r\n]/ }
		);
	} catch (error) {
		if (error instanceof FileRefusedError) throw error;
		throw refused(file, `this is not a workbook that can be read: ${(error as Error).message}`);
	}
}

/** Rows as a workbook of one sheet, the first row as its head. Cells are texts, so that none of them acts as a formula. */
export async function xlsxOf(name: string, rows: readonly (readonly string[])[]): Promise<Uint8Array> {
	const { default: writeSheet } = await import('write-excel-file/universal');
	const [head = []] = rows;
	const widest = (i: number) => Math.max(...rows.slice(0, 500).map((row) => row[i]?.length ?? 0));
	const book = await writeSheet(
		rows.map((row, r) => row.map((value) => ({ value, type: String, ...(r === 0 && { fontWeight: 'bold' as const }) }))),
		{
			sheet: name.replaceAll(/[\\/*?:[\]]/g, ' ').slice(0, 31),
			columns: head.map((_, i) => ({ width: Math.min(48, 4 + widest(i)) })),
			stickyRowsCount: 1
		}
	).toBlob();
	return new Uint8Array(await book.arrayBuffer());
}
