import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { textWidth } from '../../core/surface/text-width.ts';
import { desk, eventually, laidOut, standIn } from './office.ts';

describe('Toolbars', () => {
	const at = desk();
	/** The whole window in sight, for what is carried by mouse. */
	const fit = () => at.page.getByRole('button', { name: 'Fit', exact: true }).click();
	const openFit = async () => {
		await at.open('bars');
		await fit();
	};
	const bars = () => at.page.getByRole('listbox', { name: 'Toolbars of the window' });
	const place = (name: string) => bars().getByRole('option', { name, exact: true });
	const aside = () => at.page.getByRole('complementary', { name: 'Selection' });
	const undo = () => at.page.getByRole('button', { name: 'Undo' }).click();
	const share = async () => Number(/([\d.]+) %/.exec(await bars().locator('.canvas').innerText())![1]);
	/** The names of the places of the window, from left to right as they are drawn. */
	const order = (names: readonly string[]) =>
		bars()
			.locator('.place')
			.evaluateAll((all, wanted) => {
				const found = all.map((one) => one.textContent.trim()).filter((text) => wanted.includes(text));
				return found;
			}, names);
	const add = async (words: string) => {
		await at.page.getByRole('combobox', { name: 'Add a command to the toolbars' }).fill(words);
		await at.page.keyboard.press('Enter');
	};

	beforeEach(openFit);

	it('shows the window of the chosen screen, and what each screen loses', async () => {
		await place('Extrude').waitFor();
		expect(await share()).to.be.within(40, 90);
		const screens = at.page.getByRole('group', { name: 'Space on each screen' });
		await screens.getByRole('button', { name: /^C-01: 1920/ }).click();
		await eventually(async () => expect(await share()).to.be.greaterThan(75));
	});

	it('opens in true size where names would be too small, zooms by keys and by the wheel, and shows the part in sight', async () => {
		await at.open('bars');
		const scale = () => bars().evaluate((one) => new DOMMatrix(getComputedStyle(one).transform).a);
		expect(await scale()).to.equal(1);
		const overview = at.page.locator('.holder > svg');
		await overview.waitFor();
		await bars().focus();
		await at.page.keyboard.press('0');
		await overview.waitFor({ state: 'detached' });
		const fitted = await scale();
		expect(fitted).to.be.lessThan(0.83);
		await at.page.keyboard.press('+');
		await eventually(async () => expect(await scale()).to.be.greaterThan(fitted));
		await bars().hover({ position: { x: 60, y: 60 } });
		await at.page.keyboard.down('Control');
		for (let i = 0; i < 4; i++) await at.page.mouse.wheel(0, -100);
		await at.page.keyboard.up('Control');
		await eventually(async () => expect(await scale()).to.be.greaterThan(0.9));
		await overview.waitFor();
		// what keys select comes into sight
		await place('Save').click();
		for (let i = 0; i < 25; i++) await at.page.keyboard.press('ArrowRight');
		await eventually(async () => {
			const [chosen, room] = [
				await bars().locator('[aria-selected="true"]').first().boundingBox(),
				await at.page.locator('.room').boundingBox()
			];
			expect(chosen!.x + chosen!.width).to.be.lessThan(room!.x + room!.width + 2);
		});
	});

	it('measures texts as Chromium does', async () => {
		const texts = ['Extrude', 'Profile along path', 'Türfüllung außen', 'WAVE 0123', 'Fillet with varying radius'];
		const measured = await at.page.evaluate((list) => {
			const context = document.createElement('canvas').getContext('2d')!;
			context.font = '400 12px "Archivo Variable"';
			context.fontKerning = 'none';
			return list.map((text) => context.measureText(text).width);
		}, texts);
		texts.forEach((text, i) => expect(textWidth(text, 12), text).to.be.closeTo(measured[i]!, 0.01 * measured[i]! + 0.2));
	});

	it('takes a place by mouse: drawn over another it stands before that, let go outside it goes', async () => {
		await place('Loft').dragTo(place('Shell'));
		await at.page.getByText('Toolbars: Loft moved').first().waitFor();
		expect(await order(['Loft', 'Shell'])).to.deep.equal(['Loft', 'Shell']);
		await undo();
		await eventually(async () => expect(await order(['Loft', 'Shell'])).to.deep.equal(['Shell', 'Loft']));
		await place('Loft').click();
		await aside().getByRole('button', { name: 'Remove', exact: true }).click();
		await place('Loft').waitFor({ state: 'detached' });
		await undo();
		await place('Loft').waitFor();
	});

	it('makes a toolbar from nothing and fills it, and the canvas tells what it costs', async () => {
		const before = await share();
		await at.page.getByRole('button', { name: 'New toolbar' }).click();
		await at.page.keyboard.type('My five');
		await at.page.keyboard.press('Enter');
		await bars().getByRole('option', { name: 'My five', exact: true }).waitFor();
		for (const words of ['mass properties', 'interference', 'wall thickness']) await add(words);
		for (const name of ['Mass properties', 'Check wall thickness']) await place(name).waitFor();
		await eventually(async () => expect(await share()).to.be.lessThan(before));
		await bars().focus();
		await bars().press('PageUp');
		await aside().getByRole('heading', { name: 'My five' }).waitFor();
		await aside().getByRole('combobox', { name: 'Names' }).selectOption('beside');
		await at.page.getByText('Toolbars: names beside').first().waitFor();
		await aside().getByText('Hidden', { exact: true }).click();
		await eventually(async () => expect(await share()).to.equal(before));
		for (let i = 0; i < 6; i++) await undo();
		await eventually(async () => expect(await place('Mass properties').count()).to.equal(0));
	});

	it('is shaped by keys alone: through the places, moved, renamed, taken away, with undo', async () => {
		await place('Extrude').click();
		await bars().press('ArrowRight');
		await aside().getByRole('heading', { name: 'Revolve' }).waitFor();
		await bars().press('Control+ArrowLeft');
		await eventually(async () => expect(await order(['Extrude', 'Revolve'])).to.deep.equal(['Revolve', 'Extrude']));
		await bars().press('Enter');
		await at.page.keyboard.press('Control+a');
		await at.page.keyboard.type('Turn it');
		await at.page.keyboard.press('Tab');
		await place('Turn it').waitFor();
		await aside()
			.getByText(/has the label Turn it in the toolbars/)
			.first()
			.waitFor();
		await bars().focus();
		await bars().press('Delete');
		await place('Turn it').waitFor({ state: 'detached' });
		for (let i = 0; i < 3; i++) await undo();
		await eventually(async () => expect(await order(['Extrude', 'Revolve'])).to.deep.equal(['Extrude', 'Revolve']));
	});

	it('takes names where they stand: by a double click, by F2 from place to tab, and leaves them by Escape', async () => {
		const field = () => bars().getByRole('textbox', { name: 'New name' });
		await bars().getByRole('option', { name: 'Sheet metal', exact: true }).dblclick();
		expect(await field().inputValue()).to.equal('Sheet metal');
		const [over, tab] = [
			await field().boundingBox(),
			await bars().getByRole('option', { name: 'Sheet metal', exact: true }).boundingBox()
		];
		expect(Math.abs(over!.x - tab!.x), 'where the name stands').to.be.lessThan(4);
		await at.page.keyboard.type('Thin sheet');
		await at.page.keyboard.press('Enter');
		await bars().getByRole('option', { name: 'Thin sheet', exact: true }).waitFor();
		expect(await at.page.evaluate(() => document.activeElement?.getAttribute('aria-label'))).to.equal('Toolbars of the window');
		await at.page.keyboard.press('F2');
		await at.page.keyboard.type('No');
		await at.page.keyboard.press('Escape');
		await field().waitFor({ state: 'detached' });
		await undo();
		await bars().getByRole('option', { name: 'Sheet metal', exact: true }).waitFor();
		await at.page.getByRole('button', { name: 'New group' }).click();
		await at.page.keyboard.press('Escape');
	});

	it('makes a tab with two groups, resets what one’s own stratum says, and shows the untouched bars', async () => {
		await at.page.getByRole('button', { name: 'New tab' }).click();
		await at.page.keyboard.type('Windows');
		await at.page.keyboard.press('Enter');
		await bars().getByRole('option', { name: 'Windows', exact: true }).waitFor();
		for (const name of ['Frames', 'Glass']) {
			await at.page.getByRole('button', { name: 'New group' }).click();
			await at.page.keyboard.type(name);
			await at.page.keyboard.press('Enter');
			await bars().getByRole('option', { name, exact: true }).waitFor();
		}
		await add('sketch line');
		await at.page.getByText('Toolbars: Line into Glass').first().waitFor();
		await at.page.keyboard.press('Escape');
		await bars().focus();
		await at.page.keyboard.press('u');
		await bars().getByRole('option', { name: 'Windows', exact: true }).waitFor({ state: 'detached' });
		await at.page.keyboard.press('u');
		await bars().getByRole('option', { name: 'Windows', exact: true }).waitFor();
		await aside()
			.getByText(/^All toolbars/)
			.click();
		await aside()
			.getByRole('button', { name: /^Reset all/ })
			.click();
		await bars().getByRole('option', { name: 'Windows', exact: true }).waitFor({ state: 'detached' });
		for (let i = 0; i < 5; i++) await undo();
	});

	it('takes the fit that costs least, and gives it back', async () => {
		const fit = at.page.getByText(/A better layout of Body\s+saves/);
		await fit.waitFor();
		await at.page.getByRole('button', { name: 'Apply this layout' }).click();
		await fit.waitFor({ state: 'detached' });
		await undo();
		await fit.waitFor();
	});

	it('refuses what a lock holds, and says who has locked', async () => {
		await place('Save').click();
		await aside().getByText('Office has locked it').waitFor();
		await aside().getByRole('button', { name: 'Remove', exact: true }).click();
		await at.page
			.getByText(/Office has locked/)
			.last()
			.waitFor();
		await place('Save').waitFor();
	});

	it('takes a command from the search by mouse, into a group and into a menu that opens under it', async () => {
		const carry = async (words: string, over: () => ReturnType<typeof place>, then?: () => ReturnType<typeof place>) => {
			await at.page.getByRole('combobox', { name: 'Add a command to the toolbars' }).fill(words);
			await aside().getByRole('listbox', { name: 'Commands' }).getByRole('option').first().hover();
			await at.page.mouse.down();
			for (const target of [over, then]) {
				if (!target) continue;
				const { x, y, width, height } = (await target().boundingBox())!;
				await at.page.mouse.move(x + width / 2 - 1, y + height / 2, { steps: 4 });
				await at.page.mouse.move(x + width / 2, y + height / 2);
				if (then && target === over) await then().waitFor();
			}
			await at.page.mouse.up();
		};
		await carry('interference', () => place('Extrude'));
		await at.page
			.getByText(/Toolbars: .* into Grow/)
			.first()
			.waitFor();
		await undo();
		await at.page.goto(`${at.server.address}/varve-draft-7/bars`);
		await fit();
		await carry(
			'calculator',
			() => place('Edit'),
			() => place('Paste in place')
		);
		await at.page
			.getByText(/Toolbars: .* into Edit/)
			.first()
			.waitFor();
		await undo();
	});

	it('puts commands on a cursor bar for one selection, which its key opens on the bench at the pointer', async () => {
		// a menu: the arrow keys walk through it, and nothing is made before Enter
		await at.page.getByRole('button', { name: 'New …' }).press('Enter');
		for (let i = 0; i < 3; i++) await at.page.keyboard.press('ArrowDown');
		expect(await at.page.locator(':focus').innerText()).to.equal('cursor bar');
		await at.page.keyboard.press('Enter');
		await at.page.keyboard.type('Round the edge');
		await at.page.keyboard.press('Enter');
		await aside().getByRole('heading', { name: 'Round the edge' }).waitFor();
		for (const words of ['fillet edges', 'measure']) await add(words);
		await place('Measure').waitFor();
		await at.page.keyboard.press('Escape');
		await bars().focus();
		await bars().press('PageUp');
		await aside().getByText('No key or mouse button opens the cursor bar').first().waitFor();
		await aside()
			.getByRole('button', { name: /^Keys that open/ })
			.press('Enter');
		await at.page.keyboard.press('Control+Alt+7');
		await at.page.keyboard.press('Enter');
		await at.page.getByText('Toolbars: open it by Ctrl+Alt+7').first().waitFor();
		await aside()
			.getByRole('button', { name: /^Selection/ })
			.click();
		await at.page.getByRole('checkbox', { name: 'Edge' }).check();
		await at.page.keyboard.press('Escape');
		await at.page.getByText('Toolbars: where it shows').first().waitFor();
		await at.open('bench');
		const frame = at.page.getByRole('application', { name: /stand-in/ });
		await standIn(at.page, 'Selection', 'edge');
		await frame.locator('.pane.active svg').hover({ position: { x: 90, y: 60 } });
		await frame.focus();
		await at.page.keyboard.press('Control+Alt+7');
		const bar = at.page.getByRole('toolbar', { name: 'Cursor bar' });
		// the arrow key goes on from what has the focus, and so waits for it
		await bar.locator('button:focus').waitFor();
		expect(await bar.getByRole('button').count()).to.equal(2);
		await at.page.keyboard.press('ArrowRight');
		await eventually(async () => expect(await bar.locator(':focus').getAttribute('title')).to.equal('Measure'));
		await at.page.keyboard.press('Enter');
		await at.page.getByText('Measure runs').first().waitFor();
		await bar.waitFor({ state: 'detached' });
		await standIn(at.page, 'Selection', 'face');
		await frame.focus();
		await at.page.keyboard.press('Control+Alt+7');
		expect(await bar.count()).to.equal(0);
		await openFit();
		for (let i = 0; i < 5; i++) await undo();
	});

	it('turns a ribbon into toolbars and back, with a look at it before, and loses nothing', async () => {
		const before = await share();
		await at.page.getByRole('button', { name: 'Switch to toolbars …' }).click();
		const dialog = at.page.getByRole('dialog', { name: 'Switch style' });
		const shares = await dialog.locator('figcaption').allInnerTexts();
		expect(shares[0]).to.include(`${before.toFixed(1)} % canvas`);
		await dialog.getByRole('button', { name: 'Switch to toolbars' }).click();
		await dialog.waitFor({ state: 'detached' });
		await bars().getByRole('option', { name: 'Sheet metal', exact: true }).waitFor();
		expect(shares[1]).to.include(`${(await share()).toFixed(1)} % canvas`);
		expect(await place('Line').count()).to.equal(1);
		await at.page.getByRole('button', { name: 'Switch to a ribbon …' }).click();
		await at.page.keyboard.press('Enter');
		await eventually(async () => expect(await share()).to.equal(before));
		await undo();
		await undo();
	});

	it('marks what differs from the factory, the office and the release, and takes it back one by one', async () => {
		const list = () => aside().getByRole('list', { name: 'Differences' }).getByRole('listitem');
		const against = (base: string) => aside().getByRole('combobox', { name: 'Changed since' }).selectOption(base);
		await against('office');
		// of the demo, Shell was moved and two views were taken away
		await eventually(async () => expect(await list().allInnerTexts()).to.have.length(3));
		expect((await list().allInnerTexts()).join()).to.match(/Shell\s*moved/);
		await against('factory');
		await eventually(async () => expect((await list().allInnerTexts()).join()).to.match(/Cabin doors\s*new/));
		await against('office');
		await aside().getByRole('button', { name: 'Reset Shell' }).click();
		await eventually(async () => expect(await list().allInnerTexts()).to.have.length(2));
		await undo();
		await eventually(async () => expect(await list().allInnerTexts()).to.have.length(3));
		await against('release');
		await eventually(async () => expect((await list().allInnerTexts()).join()).to.match(/Shell/));
		await against('nothing');
	});

	it('docks a bar by mouse at an edge of the drawing, and tears it off in the middle; the bench shows it floating', async () => {
		const canvas = () => bars().locator('.canvas');
		const bar = () => bars().getByRole('option', { name: 'Look', exact: true });
		const carry = async (fx: number, fy: number) => {
			const from = (await bar().boundingBox())!;
			const to = (await canvas().boundingBox())!;
			await at.page.mouse.move(from.x + 4, from.y + 2);
			await at.page.mouse.down();
			await at.page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 4 });
			await at.page.mouse.move(to.x + to.width * fx, to.y + to.height * fy, { steps: 4 });
			await at.page.mouse.up();
		};
		const before = await share();
		await carry(0.02, 0.5);
		await at.page.getByText('Toolbars: Look at left').first().waitFor();
		expect((await bar().boundingBox())!.x).to.be.lessThan((await canvas().boundingBox())!.x);
		await carry(0.5, 0.5);
		await at.page.getByText('Toolbars: Look floating').first().waitFor();
		await eventually(async () => expect(await share()).to.be.greaterThan(before));
		await at.open('bench');
		await at.page.getByRole('toolbar', { name: 'Toolbars, floating' }).getByRole('button', { name: 'Fit all' }).click();
		await at.page.getByText('Fit all runs').first().waitFor();
		await openFit();
		await undo();
		await undo();
		await eventually(async () => expect(await share()).to.equal(before));
	});

	it('shows in Findings the window with what a finding is about', async () => {
		await at.open('findings');
		const heading = at.page.getByRole('heading', { name: /px away from its position in the last release/ });
		for (let i = 0; i < 40 && (await heading.count()) === 0; i++) {
			await at.page.keyboard.press('n');
			await laidOut(at.page);
		}
		const proof = at.page.getByRole('region', { name: 'Proof' });
		await proof.getByRole('img', { name: /^The window on C-02/ }).waitFor();
		expect(await proof.locator('.frame').count()).to.equal(1);
	});

	it('is shaped from the palette as well, by the names of what can be done', async () => {
		await place('Fit all').click();
		await bars().press('PageUp');
		for (const [words, told] of [
			['dock look left', 'Toolbars: Look at left'],
			['reset look', 'Toolbars: reset Look in Personal']
		] as const) {
			await at.page.keyboard.press('Control+k');
			await at.page.getByRole('dialog', { name: /^Go to/ }).waitFor();
			await at.page.keyboard.type(words);
			await at.page.keyboard.press('Enter');
			await at.page.getByText(told).first().waitFor();
		}
		await undo();
		await undo();
	});

	it('gives a picture of a bar for a handbook', async () => {
		await place('Fit all').click();
		await bars().focus();
		await bars().press('PageUp');
		const [svg] = await Promise.all([
			at.page.waitForEvent('download'),
			aside().getByRole('button', { name: 'Picture, SVG' }).click()
		]);
		expect(svg.suggestedFilename()).to.equal('look.svg');
		const [png] = await Promise.all([
			at.page.waitForEvent('download'),
			aside().getByRole('button', { name: 'PNG', exact: true }).click()
		]);
		expect(png.suggestedFilename()).to.equal('look.png');
		const bytes = readFileSync(await png.path());
		// the signature of PNG (ISO/IEC 15948, 5.2)
		expect([...bytes.subarray(0, 8)]).to.deep.equal([137, 80, 78, 71, 13, 10, 26, 10]);
		expect(readFileSync(await svg.path(), 'utf8')).to.match(/^<svg[^]*<path[^]*<\/svg>$/);
	});

	it('opens the context menu of what is selected on the bench, by the right button and by keys', async () => {
		await at.open('bench');
		const frame = at.page.getByRole('application');
		await standIn(at.page, 'Selection', 'face');
		await frame.locator('.pane.active svg').click({ button: 'right', position: { x: 20, y: 20 } });
		const menu = at.page.getByRole('menu', { name: 'Context menu' });
		expect(await menu.getByRole('menuitem').first().innerText()).to.include('sketch');
		await at.page.keyboard.press('ArrowDown');
		await at.page.keyboard.press('Enter');
		await at.page
			.getByText(/ runs$/)
			.first()
			.waitFor();
		await menu.waitFor({ state: 'detached' });
	});

	it('is what the bench shows: its places run, flyouts open, and Alt leads to the card', async () => {
		await at.open('bench');
		const top = at.page.getByRole('toolbar', { name: 'Toolbars, top' });
		await top.getByRole('button', { name: 'Extrude', exact: true }).click();
		await at.page.getByText('Extrude runs').first().waitFor();
		await at.page.keyboard.press('Escape');
		await top.getByRole('button', { name: /^Send/ }).click();
		await top.getByRole('button', { name: 'Export mesh' }).click();
		await at.page.getByText('Export mesh').first().waitFor();
		await top.getByRole('button', { name: 'Check', exact: true }).click();
		await top
			.getByRole('button', { name: 'Mass properties' })
			.first()
			.click({ modifiers: ['Alt'] });
		await at.page.waitForURL(/commands\?command=inspect\.mass/);
	});
});
