import { expect } from 'chai';
import { WRITING_CODES } from '../../core/stroke/codes.ts';
import { desk } from './office.ts';

describe('the probe and the bench', () => {
	const at = desk();
	const probe = () => at.page.getByRole('dialog', { name: 'Probe' });

	it('answers from any view what a key does here and elsewhere, with the trace, and changes nothing', async () => {
		await at.open('rollout');
		await at.page.keyboard.press('Alt+q');
		await at.page.keyboard.press('f');
		const told = await probe().innerText();
		expect(told)
			.to.include('Fit all runs')
			.and.include('Fillet edges applies only here')
			.and.include('Chooser: Fillet edges and Fit all');
		await at.page.keyboard.press('Escape');
		await at.page.keyboard.press('Escape');
		await probe().waitFor({ state: 'detached' });
		const edits = (await (await fetch(`${at.server.address}/api/applications/gneiss-solid-5/edits?since=7`)).json()) as {
			edits: unknown[];
		};
		expect(edits.edits).to.deep.equal([]);
	});

	it('hears every writing key at the position that the W3C table names, in Chromium', async () => {
		await at.open('commands');
		await at.page.keyboard.press('Alt+q');
		for (const [code, legend] of WRITING_CODES) {
			if (code.startsWith('Intl')) continue;
			await at.page.keyboard.press(code);
			const heard = await probe().locator('.heard').first().innerText();
			expect(heard).to.include(`position ${code}, character ${legend}`);
		}
		await at.page.keyboard.press('Escape');
	});

	it('fires, asks and types on the bench as the effective profile says', async () => {
		await at.open('bench');
		const window = at.page.locator('.window');
		const status = () => at.page.locator('.status').innerText();
		await at.page.locator('.edge').nth(4).click();
		await window.focus();
		await at.page.keyboard.press('e');
		expect(await status()).to.include('Extrude runs');
		await at.page.keyboard.press('f');
		expect(await at.page.getByRole('listbox', { name: 'Chooser' }).innerText())
			.to.include('Fillet edges')
			.and.include('Fit all');
		await at.page.keyboard.press('ArrowDown');
		await at.page.keyboard.press('Enter');
		expect(await status()).to.include('Fit all runs');
		await at.page.keyboard.press('Alt+g');
		expect(await status()).to.include('waits for the next key');
		await at.page.keyboard.press('t');
		expect(await status()).to.include('Go to tree runs');
		await at.page.getByRole('button', { name: '> ' }).click();
		await window.focus();
		await at.page.keyboard.press('h');
		expect(await at.page.locator('.console').innerText()).to.include('> h');
		expect(await status()).to.include('Text');
	});

	it('replays a finding with its trace', async () => {
		await at.open('bench');
		await at.page.getByRole('button', { name: /shadow: Print preview/ }).click();
		expect(await at.page.locator('.status').innerText()).to.match(/(Reference plane|Project edges) runs/);
		await at.page.getByRole('button', { name: /orphan: Detail view/ }).click();
		expect(await at.page.locator('aside').innerText()).to.include('Detail view does not exist in this situation');
	});

	it('jumps from a control to its card with Alt', async () => {
		await at.open('bench');
		await at.page
			.getByRole('toolbar', { name: 'Toolbars, top' })
			.getByRole('button', { name: 'Extrude', exact: true })
			.click({ modifiers: ['Alt'] });
		await at.page.waitForURL(/commands\?command=/);
		await at.page.getByRole('complementary', { name: 'Command' }).waitFor();
	});
});
