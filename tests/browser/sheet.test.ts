import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { desk } from './office.ts';

/** Points of 1/72 inch: the sides of A4 and A3 as ISO 216 has them in millimetres. */
const A4 = [595, 842];
const A3 = [842, 1191];

describe('Sheets', () => {
	const at = desk();
	let folder: string;
	before(() => void (folder = mkdtempSync(join(tmpdir(), 'skarn-sheet-'))));
	after(() => rmSync(folder, { recursive: true }));

	/** The page as it would be printed, read back by poppler's tools. */
	async function printed(): Promise<{ text: string; size: number[]; pages: number }> {
		const file = join(folder, 'sheet.pdf');
		writeFileSync(file, await at.page.pdf({ preferCSSPageSize: true, printBackground: true }));
		const facts = execFileSync('pdfinfo', [file], { encoding: 'utf8' });
		const [, width, height] = /Page size:\s+([\d.]+) x ([\d.]+)/.exec(facts)!;
		return {
			text: execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' }),
			size: [Math.round(Number(width)), Math.round(Number(height))],
			pages: Number(/Pages:\s+(\d+)/.exec(facts)![1])
		};
	}

	it('come out of the printer on A4 with all their rows, and without what surrounds them on the screen', async () => {
		await at.open('sheet');
		for (const order of ['By context', 'By category', 'By key', 'Keyboard layout']) {
			await at.page.getByRole('button', { name: order }).click();
			const section = await at.page.locator('article h2').first().innerText();
			const rows = await at.page.locator('article tbody tr').count();
			const { text, size, pages } = await printed();
			expect(
				[...size].sort((a, b) => a - b),
				order
			).to.deep.equal(A4);
			expect(pages, order).to.be.greaterThan(1);
			for (const said of ['Gneiss Solid 5', 'release', section]) expect(text, order).to.include(said);
			for (const around of ['Publish', 'Import, export', 'Review']) expect(text, order).to.not.include(around);
			expect(text.split('\n').filter((line) => line.trim() !== '').length, order).to.be.greaterThan(rows / 3);
		}
	});

	it('come on A3, for two systems side by side, of the office alone', async () => {
		await at.open('sheet');
		await at.page.getByRole('button', { name: 'A3' }).click();
		await at.page.getByRole('button', { name: 'macOS' }).click();
		await at.page.getByRole('button', { name: 'Office only' }).click();
		const { text, size } = await printed();
		expect([...size].sort((a, b) => a - b)).to.deep.equal(A3);
		expect(text).to.include('Command+').and.include('Ctrl+').and.include('the office’s setup');
	});

	it('are files as well, in HTML and Markdown', async () => {
		await at.open('sheet');
		await at.page.getByRole('button', { name: 'By key' }).click();
		const [download] = await Promise.all([
			at.page.waitForEvent('download'),
			at.page.getByRole('button', { name: 'Markdown' }).click()
		]);
		const chunks: Buffer[] = [];
		for await (const chunk of await download.createReadStream()) chunks.push(chunk as Buffer);
		expect(Buffer.concat(chunks).toString())
			.to.match(/^# Gneiss Solid 5/)
			.and.include('| Keys | Command | Where |');
	});
});
