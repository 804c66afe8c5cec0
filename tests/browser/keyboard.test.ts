import { expect } from 'chai';
import { desk, eventually } from './office.ts';

describe('Keyboard', () => {
	const at = desk();
	const board = () => at.page.getByRole('application', { name: /Press a key to select it/ });
	const here = () => at.page.locator('.panels section').first();
	/** The key with that legend; what is read out of it follows the picture a frame later. */
	const key = (legend: string) => board().getByRole('button', { name: new RegExp(`^${legend}[ ,]`) });
	const says = (legend: string, what: string | RegExp) =>
		key(legend)
			.and(at.page.getByRole('button', { name: what }))
			.waitFor();
	/** The colour in the middle of a key's picture. */
	const tint = (legend: string) =>
		key(legend).evaluate((button) => {
			const canvas = button.parentElement!.querySelector('canvas')!;
			const [whole, part] = [canvas.getBoundingClientRect(), button.getBoundingClientRect()];
			const x = part.x - whole.x + 8;
			const y = part.y - whole.y + part.height / 2 - 3;
			return [...canvas.getContext('2d')!.getImageData(x, y, 1, 1).data].join(' ');
		});

	beforeEach(async () => {
		await at.open('keyboard');
		await board().focus();
	});

	const undo = async () => {
		await at.page.keyboard.press('Control+z');
		await at.page
			.getByText(/Undo: /)
			.first()
			.waitFor();
	};

	it('selects the key that is pressed, and turns to the plane of the modifiers that are held', async () => {
		await at.page.keyboard.press('e');
		await here().getByText('Extrude').first().waitFor();
		await at.page.keyboard.down('Shift');
		expect(await at.page.getByRole('button', { name: 'Shift', exact: true }).first().getAttribute('aria-pressed')).to.equal(
			'true'
		);
		await says('E', /Extruded/);
		await at.page.keyboard.up('Shift');
		expect(await at.page.getByRole('button', { name: 'Shift', exact: true }).first().getAttribute('aria-pressed')).to.equal(
			'false'
		);
		await at.page.keyboard.press('Shift+e');
		await here().locator('.current').getByText('Extruded cut').waitFor();
	});

	it('draws the layout and board of the chosen desk', async () => {
		expect(await key('Z').count()).to.equal(1);
		const z = () => key('Z').boundingBox();
		const swiss = await z();
		await at.page.getByRole('button', { name: 'Change', exact: true }).click();
		await at.page.getByLabel('Layout', { exact: true }).selectOption('us');
		const us = await z();
		expect(us!.y).to.be.greaterThan(swiss!.y + 20);
		await at.page.getByLabel('Keyboard model', { exact: true }).selectOption('tenkeyless');
		expect(await key('Num').count()).to.equal(0);
	});

	it('moves a shortcut by pressing, with the verdict before', async () => {
		await at.page.keyboard.press('k');
		await here().getByRole('button', { name: 'Move…' }).click();
		const dialog = at.page.getByRole('dialog', { name: 'Assign' });
		await dialog.locator('.field').first().click();
		await dialog.locator('.field').first().press('Alt+k');
		expect(await dialog.innerText())
			.to.include('Alt+K is free everywhere')
			.and.include('Shell');
		await dialog.getByRole('button', { name: 'Move to Alt+K' }).click();
		await dialog.waitFor({ state: 'detached' });
		await undo();
	});

	it('swaps two shortcuts by dragging one onto the other', async () => {
		await key('K').dragTo(key('D'));
		const dialog = at.page.getByRole('dialog', { name: 'Assign' });
		expect(await dialog.innerText()).to.include('D is taken by Hole');
		await dialog.getByText('Swap: Hole gets K').click();
		await dialog.getByRole('button', { name: 'Swap: Hole gets K' }).click();
		await dialog.waitFor({ state: 'detached' });
		await says('K', /Hole/);
		await says('D', /Shell/);
		await undo();
	});

	it('shows two boards where there is room, and carries a shortcut from one to the other', async () => {
		await at.page.setViewportSize({ width: 1920, height: 1080 });
		try {
			const boards = at.page.getByRole('application', { name: /Press a key to select it/ });
			await eventually(async () => expect(await boards.count()).to.equal(2));
			const on = (i: number, legend: string) => boards.nth(i).getByRole('button', { name: new RegExp(`^${legend}[ ,]`) });
			await at.page.getByLabel('Compare with', { exact: true }).selectOption({ label: 'Ctrl+Alt' });
			await eventually(async () => expect(await on(1, 'K').getAttribute('aria-label')).to.match(/Ctrl\+Alt\+K/));
			await on(0, 'K').dragTo(on(1, 'K'));
			const dialog = at.page.getByRole('dialog', { name: 'Assign' });
			expect(await dialog.innerText()).to.include('Move Shell from K');
			await dialog.getByRole('button', { name: 'Move to Ctrl+Alt+K' }).waitFor();
			await at.page.keyboard.press('Escape');
			await dialog.waitFor({ state: 'detached' });
			await on(1, 'E').click();
			await here()
				.locator('.current')
				.getByText(/free here|Ctrl/)
				.first()
				.waitFor();
			expect(
				await at.page.getByRole('group', { name: 'Modifiers' }).getByRole('button', { pressed: true }).allInnerTexts()
			).to.deep.equal(['Ctrl', 'Alt']);
		} finally {
			await at.page.setViewportSize({ width: 1280, height: 800 });
		}
	});

	it('assigns a command that is found by name', async () => {
		await at.page.keyboard.press('j');
		await here().getByRole('combobox').fill('draft');
		await here().getByRole('combobox').press('Enter');
		const dialog = at.page.getByRole('dialog', { name: 'Assign' });
		await dialog.getByRole('button', { name: 'Assign J' }).click();
		await dialog.waitFor({ state: 'detached' });
		await says('J', /Draft/);
	});

	it('suggests free strokes with their reasons, and shows reach and rows', async () => {
		const suggest = at.page.getByLabel('Suggestions');
		await suggest.getByRole('combobox').fill('flange');
		await suggest.getByRole('combobox').press('Enter');
		expect(await suggest.innerText())
			.to.match(/mm, \d\.\d s/)
			.and.include('letter');
		await suggest.locator('li button').first().click();
		await at.page.getByRole('dialog', { name: 'Assign' }).getByText('is free', { exact: false }).first().waitFor();
		await at.page.keyboard.press('Escape');
		await at.page.getByRole('button', { name: 'Reach', exact: true }).click();
		await says('F', /0 mm/);
		await at.page.getByRole('button', { name: 'Rows', exact: true }).click();
		expect(await at.page.getByRole('table').innerText())
			.to.include('Upper letter row')
			.and.include('Free with every modifier');
	});

	it('dims what a filter leaves out', async () => {
		const [taken, free] = [await tint('E'), await tint('I')];
		await at.page.getByLabel('Show', { exact: true }).selectOption('free-here');
		await eventually(async () => expect(await tint('E')).to.not.equal(taken));
		expect(await tint('I')).to.equal(free);
	});

	it('draws in the colours of the page, also when they change', async () => {
		const light = await tint('E');
		await at.page.evaluate(() => (document.documentElement.dataset['theme'] = 'dark'));
		await eventually(async () => expect(await tint('E')).to.not.equal(light));
	});
});
