import { expect } from 'chai';
import type { Locator } from 'playwright-core';
import { desk, eventually } from './office.ts';

describe('The keyboard never loses its place', () => {
	const at = desk();

	/** What has the focus, in words. */
	const focused = () =>
		at.page.evaluate(() => {
			const element = document.activeElement;
			return !element || element === document.body
				? 'nothing'
				: `${element.tagName.toLowerCase()} ${element.getAttribute('aria-label') ?? element.textContent?.trim().slice(0, 60) ?? ''}`;
		});

	/** Presses a control by keys, waits for what it brings, and looks where the focus is then. */
	async function press(control: Locator, done: Locator, state: 'visible' | 'detached' | 'hidden' = 'visible', key = 'Enter') {
		await control.focus();
		await at.page.keyboard.press(key);
		await done.first().waitFor({ state });
		await eventually(async () => expect(await focused()).to.not.equal('nothing'), 4_000);
	}

	/** A button by its whole name, or by a part that is matched. */
	const button = (name: string | RegExp, within: Pick<Locator, 'getByRole'> = at.page) =>
		within.getByRole('button', { name, exact: name === 'Remove' || name === 'Add seat' });

	it('has a link that skips to the view', async () => {
		await at.open('rollout');
		await at.page.keyboard.press('Tab');
		expect(await focused()).to.equal('a Skip to the view');
		await at.page.keyboard.press('Enter');
		await eventually(async () => expect(await focused()).to.match(/^main/));
	});

	it('when a shortcut is removed, restored and brought back to factory', async () => {
		await at.page.goto(`${at.server.address}/gneiss-solid-5/commands?command=view.isolate`);
		const card = at.page.getByRole('complementary', { name: 'Command' });
		const remove = card.getByLabel('Remove X', { exact: true });
		await remove.waitFor();
		const name = (await remove.getAttribute('aria-label'))!;
		await press(remove, card.getByLabel(name, { exact: true }), 'detached');
		const factory = button(/factory/i, card);
		if ((await factory.count()) > 0) await press(factory.first(), card.getByLabel(name, { exact: true }));
		// on the row, not on what acts: the next key was meant for something else
		expect(await focused()).to.match(/^(div X|section)/);
	});

	it('when the draft is closed', async () => {
		await at.open('commands');
		const open = button('Review');
		await press(open, at.page.getByRole('dialog'));
		await at.page.keyboard.press('Escape');
		await at.page.getByRole('dialog').waitFor({ state: 'hidden' });
		await eventually(async () => expect(await focused()).to.match(/Review/));
	});

	it('when a finding is accepted, or mended by a figure', async () => {
		await at.open('findings');
		const detail = at.page.getByRole('region', { name: 'The finding' });
		await at.page.getByLabel('Reason').fill('Our people like it so');
		await press(button(/^Accept as/, detail), at.page.getByText(/Accepted 1/));
		await at.page.getByRole('listbox', { name: 'Findings' }).focus();
		await at.page.keyboard.press('1');
		await eventually(async () => expect(await focused()).to.match(/Findings/));
	});

	it('when the probe is left: one is where one was', async () => {
		await at.open('findings');
		await at.page.getByRole('listbox', { name: 'Findings' }).focus();
		await at.page.keyboard.press('Alt+q');
		await at.page.getByRole('dialog', { name: 'Probe' }).waitFor();
		await at.page.keyboard.press('Escape');
		expect(await focused()).to.match(/Findings/);
	});

	it('when a macro is duplicated and taken away', async () => {
		await at.page.goto(`${at.server.address}/varve-draft-7/macros?macro=macro:there`);
		const label = at.page.getByRole('textbox', { name: 'Label' });
		await label.waitFor();
		await press(button('Duplicate'), at.page.getByText('macro:there-and-back-copy').first());
		await eventually(async () => expect(await focused()).to.equal('input Label'));
		await press(button('Delete'), at.page.getByRole('option', { name: /There and back, copy/ }), 'detached');
		// the next item of the list, which is chosen and no more
		await eventually(async () => expect(await at.page.locator(':focus').getAttribute('role')).to.equal('option'));
	});

	it('when an alias is added', async () => {
		await at.page.goto(`${at.server.address}/varve-draft-7/aliases`);
		await at.page.getByRole('combobox', { name: /Add an alias/ }).fill('ellipse');
		await at.page.keyboard.press('Enter');
		await at.page.getByRole('textbox', { name: 'New alias' }).fill('ellx');
		await press(button('Add'), at.page.getByText('ellx').first());
	});

	it('when a seat is added and removed', async () => {
		await at.open('rollout');
		await at.page.getByLabel('Id of the new seat').fill('Z-09');
		const seat = at.page.locator('.seats li', { hasText: 'Z-09' });
		await press(button('Add seat'), seat);
		await button('Remove Z-09').press('Enter');
		await press(button('Remove Z-09', at.page.getByRole('dialog')), seat, 'detached');
	});

	it('when a file is imported', async () => {
		await at.open('hand-over');
		await at.page
			.locator('input[type="file"]')
			.setInputFiles({ name: 'k.csv', mimeType: 'text/plain', buffer: Buffer.from('keys,command\r\nAlt+Shift+J,file.quit\r\n') });
		await press(button('Import 1 entry'), at.page.getByText('Import from k.csv').first());
	});

	it('when a list of contexts is left with Escape', async () => {
		await at.page.goto(`${at.server.address}/gneiss-solid-5/hand-over`);
		await at.page.getByText('Contents', { exact: true }).click();
		const scope = at.page.getByRole('group', { name: 'Limited to' }).first().getByRole('button').first();
		await scope.focus();
		await at.page.keyboard.press('Enter');
		await at.page.keyboard.press('Escape');
		await eventually(async () => expect(await focused()).to.not.equal('nothing'));
	});
});
