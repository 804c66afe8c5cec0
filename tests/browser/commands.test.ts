import { expect } from 'chai';
import { deaf, desk, eventually, laidOut } from './office.ts';

describe('Commands, by keyboard', () => {
	const at = desk();
	const options = () => at.page.locator('[role="option"]');
	const card = () => at.page.getByRole('complementary', { name: 'Command' });
	const search = () => at.page.getByRole('combobox', { name: 'Search commands' });
	const draft = async () => (await at.page.locator('footer').last().innerText()).match(/Draft:\s+(\d+)/)![1];
	const find = async (text: string) => {
		await search().fill(text);
		await laidOut(at.page);
	};

	beforeEach(() => at.open('commands'));

	it('has the search under the fingers and finds as one types', async () => {
		await at.page.keyboard.type('fillet ed');
		expect(await options().first().innerText())
			.to.include('Fillet edges')
			.and.include('solid.fillet');
		await find('ctrl e');
		expect(await options().first().innerText()).to.include('Export geometry');
		await find('chamfr');
		expect(await options().first().innerText()).to.include('Chamfer');
		await find('qqqzzz');
		expect(await at.page.getByText('No results for').innerText()).to.include('qqqzzz');
	});

	it('narrows by facets and tells same-named commands apart', async () => {
		await find('mirror');
		const rows = await options().allInnerTexts();
		expect(rows.filter((r) => r.startsWith('Mirror'))).to.have.length(3);
		await at.page.getByRole('combobox', { name: 'Category', exact: true }).selectOption('Sketch');
		expect(await options().first().innerText()).to.include('sketch.mirror');
		await find('');
		await at.page.getByRole('combobox', { name: 'Category', exact: true }).selectOption('');
		await at.page.getByRole('button', { name: /^Findings/ }).click();
		expect(await options().count()).to.be.within(12, 26);
	});

	it('records a free key, assigns it, and keeps it over a reload', async () => {
		const before = Number(await draft());
		await find('fillet with varying');
		await search().press('Enter');
		await at.page.keyboard.press('Control+Alt+r');
		expect(await card().getByRole('status').first().innerText()).to.include('Ctrl+Alt+R is free everywhere');
		await at.page.keyboard.press('Enter');
		await card().getByLabel('Remove Ctrl+Alt+R').waitFor();
		expect(Number(await draft())).to.equal(before + 1);
		await at.page.reload();
		await find('fillet with varying');
		await card().getByLabel('Remove Ctrl+Alt+R').waitFor();
	});

	it('says who has a key and where they meet, and takes it over with its consequences shown', async () => {
		await find('solid.fillet-face');
		await search().press('Enter');
		await at.page.keyboard.press('e');
		const verdict = await card().locator('.verdict').innerText();
		expect(verdict).to.include('E is taken by').and.include('Extrude').and.include('as in').and.include('a chooser would open');
		await card().getByText('Extrude → Face fillet').first().waitFor();
		await card().getByRole('button', { name: 'Take E over' }).click();
		await card().getByLabel('Remove E', { exact: true }).waitFor();
		await at.page.keyboard.press('Control+z');
		await card().getByLabel('Remove E', { exact: true }).waitFor({ state: 'detached' });
		await at.page.keyboard.press('Control+Shift+z');
		await card().getByLabel('Remove E', { exact: true }).waitFor();
		await at.page.keyboard.press('Control+z');
		await card().getByLabel('Remove E', { exact: true }).waitFor({ state: 'detached' });
	});

	it('takes keys only while it listens: after one is given, undo is undo at once', async () => {
		await find('solid.fillet-face');
		await search().press('Enter');
		await at.page.keyboard.press('Alt+Shift+j');
		await at.page.keyboard.press('Enter');
		const given = card().getByLabel('Remove Alt+Shift+J', { exact: true });
		await given.waitFor();
		const field = card().locator('.field').first();
		await eventually(async () => expect(await field.evaluate((e) => e === document.activeElement)).to.equal(true));
		await at.page.keyboard.press('Control+z');
		await given.waitFor({ state: 'detached' });
		// the field has the focus and records nothing before it is asked to, by one key
		await field.focus();
		await at.page.keyboard.press('Alt+Shift+j');
		expect(await card().locator('.verdict').count()).to.equal(0);
		await at.page.keyboard.press('Enter');
		await at.page.keyboard.press('Alt+Shift+j');
		await card().locator('.verdict').waitFor();
		await at.page.keyboard.press('Escape');
		await at.page.keyboard.press('Escape');
		await search().fill('');
		await at.page.keyboard.press('Control+Shift+z');
		await find('solid.fillet-face');
		await given.waitFor();
		await search().fill('');
		await at.page.keyboard.press('Control+z');
		await given.waitFor({ state: 'detached' });
	});

	it('suggests limiting a new shortcut to where its command exists', async () => {
		await find('solid.fillet-face');
		await search().press('Enter');
		const where = card().getByText('Limit to the contexts of the command');
		await where.waitFor();
		const scope = card().getByRole('group', { name: 'Limited to' }).last();
		const before = await scope.innerText();
		await where.locator('..').getByRole('button').first().press('Enter');
		await where.waitFor({ state: 'detached' });
		expect(await scope.innerText()).to.not.equal(before);
	});

	it('offers swap and move, and moves the other command to keys that are pressed', async () => {
		await find('solid.loft');
		await search().press('Enter');
		await at.page.keyboard.press('w');
		expect(await card().locator('.verdict').innerText()).to.include('Swap: Profile along path gets L');
		await card().getByText('Move Profile along path').click();
		await card().locator('.inner .field').press('Alt+w');
		await card().getByRole('button', { name: 'Move Profile along path to Alt+W' }).click();
		await card().getByLabel('Remove W', { exact: true }).waitFor();
		await find('solid.sweep');
		await card().getByLabel('Remove Alt+W').waitFor();
		await at.page.locator('body').press('Control+z');
		await card().getByLabel('Remove W', { exact: true }).waitFor();
	});

	it('explains Caps Lock, refuses a modifier alone, leaves by Escape and records Escape when asked', async () => {
		await find('solid.fillet-whole');
		await search().press('Enter');
		const field = card().locator('.field').first();
		await field.evaluate((element) => {
			const event = new KeyboardEvent('keydown', {
				key: 'J',
				code: 'KeyJ',
				bubbles: true,
				cancelable: true,
				modifierCapsLock: true
			});
			element.dispatchEvent(event);
		});
		expect(await card().locator('.heard').first().innerText())
			.to.include('Caps Lock on')
			.and.include('without Shift');
		await at.page.keyboard.press('Escape');
		await at.page.keyboard.press('Control');
		expect(await card().locator('.heard').first().innerText()).to.include('A modifier alone is not a shortcut');
		await card().getByText('Record Esc, Tab or Enter').click();
		await at.page.keyboard.press('Escape');
		expect(await card().locator('.verdict').innerText()).to.include('Escape is taken by Cancel');
		await at.page.keyboard.press('Escape');
		await at.page.keyboard.press('Escape');
		expect(await search().evaluate((element) => element === document.activeElement)).to.equal(true);
	});

	it('takes strokes that the browser keeps by typing, and sequences by pressing', async () => {
		await find('file.recent');
		await search().press('Enter');
		await card().getByLabel('Type the keys').fill('ctrl w');
		expect(await card().getByRole('status').first().innerText()).to.include('Ctrl+W is free everywhere');
		await card().getByText('Sequence', { exact: true }).click();
		await card().locator('.field').first().click();
		await card().locator('.field').first().press('Alt+j');
		await card().locator('.field').first().press('r');
		expect(await card().getByRole('status').first().innerText()).to.include('Alt+J R is free everywhere');
	});

	it('removes, limits, restores and goes back to factory', async () => {
		await find('view.isolate');
		await card().getByLabel('Limit X to a scope').click();
		await card()
			.getByRole('button', { name: /Document:/ })
			.first()
			.click();
		await at.page.getByLabel('Drawing', { exact: true }).first().check();
		await at.page.keyboard.press('Escape');
		await card()
			.getByRole('button', { name: /^Limit to/ })
			.click();
		await card().getByText('removed in Personal').waitFor();
		await card().getByRole('button', { name: 'Reset to default' }).click();
		await card().getByText('removed in Personal').waitFor({ state: 'detached' });
		await card().getByLabel('Remove X', { exact: true }).click();
		await card().getByLabel('Restore X').click();
		await card().getByLabel('Remove X', { exact: true }).waitFor();
	});

	it('lists the draft and takes one change back', async () => {
		const before = Number(await draft());
		await at.page.getByRole('button', { name: 'Review' }).click();
		const dialog = at.page.getByRole('dialog', { name: 'Draft' });
		await dialog.getByRole('button', { name: 'Reset: Alt+W for Wireframe' }).click();
		await at.page.getByText('Reset: Alt+W for Wireframe').first().waitFor();
		await dialog.getByRole('button', { name: 'Done' }).click();
		expect(Number(await draft())).to.equal(before - 1);
	});

	it('does something to several commands at once: limits, removes and brings back, told before what stays', async () => {
		const before = await draft();
		await find('fillet');
		const rows = await options().count();
		expect(rows).to.be.greaterThan(3);
		await search().press('Shift+ArrowDown');
		await search().press('Shift+ArrowDown');
		await card().getByRole('heading', { name: '3 commands' }).waitFor();
		await search().press('ArrowDown');
		await search().press('Control+Space');
		await card()
			.getByRole('heading', { name: '2 commands' })
			.or(card().getByRole('heading', { name: '4 commands' }))
			.waitFor();
		await search().press('Escape');
		await find('save');
		await options().first().click();
		await options()
			.nth(2)
			.click({ modifiers: ['Shift'] });
		await card().getByRole('heading', { name: '3 commands' }).waitFor();
		await card()
			.getByRole('button', { name: /^Remove \d+ shortcut/ })
			.click();
		await card().getByText('They have 1 shortcut.').waitFor();
		const removed = Number(await draft()) - Number(before);
		expect(removed).to.be.greaterThan(0);
		await card().getByRole('button', { name: 'Reset to default' }).click();
		await eventually(async () => expect(await draft()).to.equal(before));
		await card().getByText('1 stays: Office has locked Ctrl+S').first().waitFor();
		// what is open closes when the card is drawn anew by what was just brought back
		await eventually(async () => {
			const first = at.page.getByRole('checkbox').first();
			if (!(await first.isVisible()))
				await card()
					.getByRole('button', { name: /^Document:/ })
					.click();
			await first.check({ timeout: 3_000 });
		});
		await at.page.keyboard.press('Escape');
		await card()
			.getByRole('button', { name: /^Limit to/ })
			.click();
		await eventually(async () => expect(await draft()).not.to.equal(before));
		for (let i = 0; i < 3; i++) await at.page.getByRole('button', { name: 'Undo' }).click();
		await eventually(async () => expect(await draft()).to.equal(before));
	});

	it('restores a stratum as it was at a point of its history, as one edit that undo takes back', async () => {
		const before = await draft();
		await find('file.templates');
		await search().press('Enter');
		for (const keys of ['Alt+k', 'Alt+l']) {
			await card().locator('.field').first().click();
			await card().locator('.field').first().press(keys);
			await at.page.keyboard.press('Enter');
			await at.page.getByLabel(`Remove ${keys.replace(/.$/, (key) => key.toUpperCase())}`).waitFor();
		}
		const changed = await draft();
		await at.page.getByRole('button', { name: 'Review' }).click();
		const dialog = at.page.getByRole('dialog', { name: 'Draft' });
		await dialog.getByRole('button', { name: 'History' }).click();
		const restores = dialog.getByRole('button', { name: /^Restore Personal to revision/ });
		await restores.nth(2).click();
		await at.page.getByText('Restore Personal to revision').first().waitFor();
		await dialog.getByRole('button', { name: 'Done' }).click();
		expect(await draft()).to.equal(before);
		await at.page.getByRole('button', { name: 'Undo' }).click();
		await eventually(async () => expect(await draft()).to.equal(changed));
		for (let i = 0; i < 2; i++) await at.page.getByRole('button', { name: 'Undo' }).click();
		await eventually(async () => expect(await draft()).to.equal(before));
	});

	it('asks what to do when another window wrote first, and overwrites nothing', async () => {
		const hear = await deaf(at.page);
		await at.open('commands');
		const other = await at.window();
		await other.goto(`${at.server.address}/gneiss-solid-5/commands?command=file.templates`);
		await find('file.links');
		await search().press('Enter');
		await other.locator('.field').first().click();
		await other.locator('.field').first().press('Alt+k');
		await other.keyboard.press('Enter');
		await other.getByLabel('Remove Alt+K').waitFor();
		await card().locator('.field').first().click();
		await card().locator('.field').first().press('Alt+l');
		await at.page.keyboard.press('Enter');
		const dialog = at.page.getByRole('dialog', { name: 'The profile has changed' });
		expect(await dialog.innerText())
			.to.include('Alt+K for Templates')
			.and.include('They change other items');
		await dialog.getByRole('button', { name: 'Keep mine' }).click();
		await card().getByLabel('Remove Alt+L').waitFor();
		await find('file.templates');
		await find('file.templates');
		await card().getByLabel('Remove Alt+K').waitFor();
		await other.close();
		await hear();
	});

	it('follows what another window writes at once', async () => {
		await at.open('commands');
		const other = await at.window();
		await other.goto(`${at.server.address}/gneiss-solid-5/commands?command=file.links`);
		await find('file.links');
		await search().press('Enter');
		await other.locator('.field').first().click();
		await other.locator('.field').first().press('Alt+Shift+l');
		await other.keyboard.press('Enter');
		await card().getByLabel('Remove Alt+Shift+L').waitFor();
		await other.close();
	});

	it('keeps what is written while the server cannot be reached, shows it, and stores it when it is back', async () => {
		await at.open('commands');
		await find('file.templates');
		await search().press('Enter');
		await at.page.route('**/api/**', (route) => route.abort());
		await card().locator('.field').first().click();
		await card().locator('.field').first().press('Alt+Shift+k');
		await at.page.keyboard.press('Enter');
		await card().getByLabel('Remove Alt+Shift+K').waitFor();
		await at.page.getByText('change waits for the server').waitFor();
		await at.page.unroute('**/api/**');
		await at.page.getByText('change waits for the server').waitFor({ state: 'detached' });
		await at.open('commands');
		await find('file.templates');
		await search().press('Enter');
		await card().getByLabel('Remove Alt+Shift+K').waitFor();
	});
});
