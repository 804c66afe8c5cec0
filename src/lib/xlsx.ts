import { Unzip, UnzipInflate } from 'fflate';
import { stringify } from 'csv-stringify/browser/esm/sync';
import { FileRefusedError } from '../../core/format/problem.ts';

/** A sheet may unfold to so many bytes; more is taken for an archive that was made to fill the memory. */
const MOST_UNFOLDED = 100_000_000;

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

/** The first sheet of a workbook (Office Open XML, ISO/IEC 29500) as CSV. Throws `FileRefusedError`. */
export async function csvOfXlsx(file: string, bytes: Uint8Array): Promise<string> {
	try {
		refuseBombs(file, bytes);
		const { default: Excel } = await import('exceljs');
		const book = new Excel.Workbook();
		await book.xlsx.load(bytes.slice().buffer as ArrayBuffer);
		const [sheet] = book.worksheets;
		if (!sheet) throw refused(file, 'the workbook has no sheet');
		const rows: string[][] = [];
		sheet.eachRow({ includeEmpty: true }, (row) => {
			const cells = Array.from({ length: Math.min(sheet.columnCount, 60) }, (_, i) => row.getCell(i + 1).text ?? '');
			rows.push(cells.map(String));
		});
		return stringify(rows, { record_delimiter: '\r\n' });
	} catch (error) {
		if (error instanceof FileRefusedError) throw error;
		throw refused(file, `this is not a workbook that can be read: ${(error as Error).message}`);
	}
}

/** Rows as a workbook of one sheet, the first row as its head. */
export async function xlsxOf(name: string, rows: readonly (readonly string[])[]): Promise<Uint8Array> {
	const { default: Excel } = await import('exceljs');
	const book = new Excel.Workbook();
	const sheet = book.addWorksheet(name.replaceAll(/[\\/*?:[\]]/g, ' ').slice(0, 31), { views: [{ state: 'frozen', ySplit: 1 }] });
	for (const row of rows) sheet.addRow([...row]);
	sheet.getRow(1).font = { bold: true };
	sheet.columns.forEach(
		(column, i) => (column.width = Math.min(48, 4 + Math.max(...rows.slice(0, 500).map((r) => r[i]?.length ?? 0))))
	);
	return new Uint8Array(await book.xlsx.writeBuffer());
}
