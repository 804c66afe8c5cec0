import { expect } from 'chai';
import { desk, eventually } from './office.ts';

describe('Options', () => {
	const at = desk();
	const open = async (view: string) => {
		await at.page.goto(`${at.server.address}/varve-draft-7/${view}`);
		await at.page.waitForSelector('main section');
	};
	const row = (name: string) => at.page.getByRole('listitem', { name, exact: true });
	const stored = async (path: string, stratum = 'personal') => {
		const document = (await (await fetch(`${at.server.address}/api/applications/varve-draft-7`)).json()) as {
			strata: { id: string; contents: { options?: { op: string; path: string; value?: unknown }[] } }[];
		};
		const said = document.strata.find((s) => s.id === stratum)!.contents.options ?? [];
		return said.find((o) => o.path === path && o.op === 'set')?.value;
	};

	it('are found by the words of people, set, and brought back, with undo', async () => {
		await open('options');
		await at.page.getByRole('searchbox', { name: 'Search options' }).fill('autosav');
		await row('Autosave interval').waitFor();
		expect(await at.page.getByRole('main').getByRole('listitem').count()).to.equal(1);
		const field = row('Autosave interval').getByRole('textbox');
		const before = await field.inputValue();
		await field.fill('200');
		await field.press('Enter');
		await at.page.getByText('Autosave interval was not changed: expected 1 to 120 min, found 200').waitFor();
		expect(await stored('save.every')).to.equal(undefined);
		expect([await field.inputValue(), await field.getAttribute('aria-invalid')], 'it goes back, and is marked').to.deep.equal([
			before,
			'true'
		]);
		await row('Autosave interval').getByRole('alert').getByText('200 was not set').waitFor();
		await field.fill('25');
		await field.press('Enter');
		await eventually(async () => expect(await stored('save.every')).to.equal(25));
		await row('Autosave interval')
			.getByRole('button', { name: /^Back to .+: Autosave interval$/ })
			.click();
		await eventually(async () => expect(await stored('save.every')).to.equal(undefined));
		await at.page.getByRole('button', { name: /^Undo/ }).click();
		await eventually(async () => expect(await stored('save.every')).to.equal(25));
	});

	it('are locked by the office for what stands above it, and say so', async () => {
		await open('options');
		expect(await row('Decimal places').getByRole('textbox').isDisabled()).to.equal(true);
		await row('Decimal places').getByText('Office has locked it.').waitFor();
		await at.page.getByRole('radio', { name: /Office/ }).click();
		await row('Paper size').getByRole('button', { name: /^Lock/ }).click();
		await row('Paper size')
			.getByRole('button', { name: /^Unlock/ })
			.waitFor();
		await at.page.getByRole('radio', { name: /Personal/ }).click();
		await row('Paper size').getByText('Office has locked it.').waitFor();
	});

	it('are filtered by who says them, and reset all at once', async () => {
		await open('options');
		await at.page.getByRole('button', { name: /^My changes/ }).click();
		await row('Snap distance').waitFor();
		expect(await row('Draw edges').count()).to.equal(0);
		await at.page.getByRole('button', { name: /^Reset all/ }).click();
		await at.page.getByText('No results').waitFor();
		await at.page.getByRole('button', { name: /^Undo/ }).click();
		await row('Snap distance').waitFor();
	});

	it('tell what is wrong with them, and are mended there with undo', async () => {
		await open('options');
		await at.page.getByRole('button', { name: /^Findings \d+$/ }).click();
		const findings = at.page.getByRole('region', { name: 'Findings of options' });
		const count = async () => findings.getByRole('listitem').count();
		const before = await count();
		await findings
			.getByRole('button')
			.filter({ hasText: /^(Remove|Set|Reset)/ })
			.first()
			.click();
		await eventually(async () => expect(await count()).to.be.lessThan(before));
		await at.page.getByRole('button', { name: /^Undo/ }).click();
		await eventually(async () => expect(await count()).to.equal(before));
	});

	it('work on the bench: what is shown, with so many places, and how near a corner catches', async () => {
		await open('bench');
		const drawing = at.page.getByRole('group', { name: 'Plan of the cabin; click a part to select it' });
		const box = (await drawing.boundingBox())!;
		const point = async () => {
			await at.page.mouse.move(box.x + box.width * 0.3, box.y + box.height * 0.4);
			await at.page.mouse.move(box.x + box.width * 0.31, box.y + box.height * 0.41);
		};
		await point();
		// the office wants one place after the point
		await at.page.getByText(/^x \d+\.\d {1,2}y \d+\.\d mm/).waitFor();
		await open('options');
		await row('Show coordinates').getByRole('checkbox').uncheck({ force: true });
		await eventually(async () => expect(await stored('canvas.readout')).to.equal(false));
		await row('Show frame numbers').getByRole('checkbox').check({ force: true });
		await eventually(async () => expect(await stored('canvas.frame-numbers')).to.equal(true));
		await open('bench');
		await at.page.getByText('F1', { exact: true }).first().waitFor();
		await point();
		expect(await at.page.getByText(/^x \d/).count()).to.equal(0);
	});
});

describe('Keys of the page', () => {
	const at = desk();
	const open = async (view: string) => {
		await at.page.goto(`${at.server.address}/varve-draft-7/${view}`);
		await at.page.waitForSelector('main section');
	};
	const selected = () =>
		at.page.getByRole('listbox', { name: 'Findings' }).getByRole('option', { selected: true }).first().innerText();
	const palette = () => at.page.getByRole('dialog', { name: 'Go to a view, a command or an action' });

	it('open a palette over views, commands and actions', async () => {
		await open('findings');
		await at.page.keyboard.press('Control+k');
		await palette().getByRole('combobox').fill('opti');
		await at.page.keyboard.press('Enter');
		await at.page.waitForURL(/\/options$/);
		await at.page.keyboard.press('Control+k');
		await palette().getByRole('combobox').fill('edit office');
		await at.page.keyboard.press('Enter');
		await at.page.getByTitle('Editing: Office').waitFor();
		await at.page.keyboard.press('Control+k');
		await palette().getByRole('combobox').fill('tenfold');
		await at.page.keyboard.press('Escape');
		await palette().waitFor({ state: 'detached' });
	});

	it('are told of the control that has the focus, with what it does and its key', async () => {
		await open('findings');
		const help = at.page.getByRole('dialog', { name: 'Keyboard shortcuts' });
		for (const [control, does, key] of [
			[at.page.getByRole('link', { name: /^Macros/ }), 'Commands made of several steps.', 'Alt+0'],
			[at.page.getByRole('button', { name: /^Undo/ }), 'Enter runs it.', 'Ctrl+Z']
		] as const) {
			if (await control.isDisabled()) continue;
			await control.focus();
			await at.page.keyboard.press('?');
			const about = help.getByRole('region', { name: 'This control' });
			expect(await about.innerText())
				.to.include(does)
				.and.include(key);
			await at.page.keyboard.press('Escape');
			await help.waitFor({ state: 'detached' });
		}
	});

	it('are told by a question mark, and letters can be switched off', async () => {
		await open('findings');
		const first = await selected();
		await at.page.keyboard.press('n');
		const second = await selected();
		expect(second).to.not.equal(first);
		await at.page.keyboard.press('?');
		const help = at.page.getByRole('dialog', { name: 'Keyboard shortcuts' });
		await help.getByText('next finding', { exact: true }).waitFor();
		await help.getByText('go to a view, a command or an action').waitFor();
		await help.getByRole('checkbox').press(' ');
		await help.getByRole('button', { name: 'Done' }).click();
		await help.waitFor({ state: 'detached' });
		await at.page.keyboard.press('n');
		await at.page.keyboard.press('?');
		expect(await selected()).to.equal(second);
		expect(await help.count()).to.equal(0);
		await at.page.evaluate(() => localStorage.removeItem('skarn-letters'));
	});
});
