import { expect } from 'chai';
import { readFileSync, readdirSync } from 'node:fs';
import { readCsv } from '../../../../core/format/csv.ts';
import { FileRefusedError } from '../../../../core/format/problem.ts';

// csv-spectrum 2: cases for RFC 4180 with their expected records as JSON
// its location_coordinates.csv is left out: the JSON beside it names another telephone number than the CSV
const spectrum = new URL('../../../../node_modules/csv-spectrum/', import.meta.url);

describe('reading CSV', () => {
	for (const file of readdirSync(new URL('csvs/', spectrum)).filter((name) => name !== 'location_coordinates.csv'))
		it(`reads csv-spectrum's ${file}`, () => {
			const { header, records } = readCsv(file, readFileSync(new URL(`csvs/${file}`, spectrum), 'utf8'));
			const objects = records.map((r) => Object.fromEntries(header.map((name, i) => [name, r.fields[i]])));
			const expected = [
				JSON.parse(readFileSync(new URL(`json/${file.replace('.csv', '.json')}`, spectrum), 'utf8')) as unknown
			].flat();
			// csv-spectrum keeps the CRLF inside a quoted field as it is in the file
			expect(objects).to.deep.equal(expected);
		});

	it('tells the line on which a record begins, over fields with line breaks and empty lines', () => {
		const { records } = readCsv('x.csv', 'a,b\r\n1,"two\r\nlines"\r\n\r\n3,4\r\n5,6');
		expect(records.map((r) => [r.fields[0], r.line])).to.deep.equal([
			['1', 2],
			['3', 5],
			['5', 6]
		]);
	});

	it('takes a byte order mark and bare line feeds', () => {
		const { header, records } = readCsv('x.csv', '\uFEFFkeys,command\nA,b\n');
		expect(header).to.deep.equal(['keys', 'command']);
		expect(records).to.deep.equal([{ line: 2, fields: ['A', 'b'] }]);
	});

	it('refuses quotes that do not close, and an empty file, with the line', () => {
		expect(() => readCsv('x.csv', 'a,b\n1,"open\n2,3\n')).to.throw(FileRefusedError, /x\.csv, line \d+/);
		expect(() => readCsv('x.csv', '')).to.throw(FileRefusedError, 'the file is empty');
	});
});
