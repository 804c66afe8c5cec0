import { expect } from 'chai';
import { zipSync } from 'fflate';
import { FileRefusedError } from '../../../core/format/problem.ts';
import { csvOfXlsx, xlsxOf } from '../../../src/lib/xlsx.ts';

describe('sheets', () => {
	it('give back the rows that were written, quotes, commas and signs of other scripts among them', async () => {
		const rows = [
			['keys', 'command', 'label'],
			['Ctrl+,', 'a.b', 'one, "two"'],
			['Alt+ß', 'c.d', 'größer → 1'],
			['=1+1', 'e.f', '']
		];
		const csv = await csvOfXlsx('x.xlsx', await xlsxOf('Shortcuts / all', rows));
		expect(csv).to.equal(`keys,command,label\r\n"Ctrl+,",a.b,"one, ""two"""\r\nAlt+ß,c.d,größer → 1\r\n'=1+1,e.f,\r\n`);
	});

	it('are refused when they are none, broken, or made to fill the memory', async () => {
		const refusal = async (bytes: Uint8Array) => {
			try {
				await csvOfXlsx('x.xlsx', bytes);
			} catch (error) {
				if (error instanceof FileRefusedError) return error.message;
				throw error;
			}
			throw new Error('was read');
		};
		expect(await refusal(new TextEncoder().encode('keys,command'))).to.match(/not a workbook|no sheet/);
		const sound = await xlsxOf('S', [['a']]);
		expect(await refusal(sound.slice(0, sound.length / 2))).to.match(/not a workbook|broken/);
		const bomb = zipSync({ 'xl/worksheets/sheet1.xml': new Uint8Array(130_000_000) }, { level: 9 });
		expect(bomb.length).to.be.lessThan(400_000);
		expect(await refusal(bomb)).to.match(/unfolds to more than 100 MB/);
	}).timeout(180_000);
});
