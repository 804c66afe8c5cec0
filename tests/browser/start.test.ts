import { expect } from 'chai';
import type { Browser } from 'playwright-core';
import { violationsOn } from './axe.ts';
import { launch } from './chromium.ts';
import { desk, PATIENCE } from './office.ts';
import { startServer, type RunningServer } from './server.ts';

describe('Start', () => {
	const at = desk();
	const open = () => at.page.goto(`${at.server.address}/`);

	it('is where Skarn opens and where the mark leads, with each job one step away', async () => {
		await open();
		await at.page.waitForURL(/gneiss-solid-5\/start/);
		const jobs = at.page.getByRole('region', { name: 'Tasks' }).getByRole('listitem').getByRole('link');
		expect(await jobs.count()).to.be.greaterThan(7);
		const places = await jobs.evaluateAll((links) => links.map((link) => (link as HTMLAnchorElement).href));
		expect(new Set(places).size).to.equal(places.length);
		for (const place of places) {
			expect((await at.page.goto(place))!.status(), place).to.equal(200);
			await at.page.waitForSelector('main h1, main section');
		}
		await at.page.goto(`${at.server.address}/gneiss-solid-5/rollout`);
		await at.page.getByRole('link', { name: 'Skarn' }).click();
		await at.page.waitForURL(/gneiss-solid-5\/start/);
	});

	it('tells what stands, what changed since one was here, and the last places', async () => {
		await at.page.goto(`${at.server.address}/gneiss-solid-5/commands?command=solid.box`);
		await at.page.locator('.field').first().click();
		await at.page.locator('.field').first().press('Alt+Shift+y');
		await at.page.keyboard.press('Enter');
		await at.page.getByLabel('Remove Alt+Shift+Y').waitFor();
		await at.page.getByRole('link', { name: 'Skarn' }).click();
		const stands = at.page.getByRole('complementary', { name: 'Status' });
		await stands
			.getByText('Alt+Shift+Y for solid.box')
			.or(stands.getByText(/Alt\+Shift\+Y for/))
			.first()
			.waitFor();
		await stands.getByRole('link', { name: /^Commands: / }).waitFor();
		expect(await stands.innerText())
			.to.match(/\d+ errors?/)
			.and.match(/from default/);
		await stands.getByRole('link', { name: 'Findings' }).click();
		await at.page.getByRole('link', { name: 'Skarn' }).click();
		await stands.getByText('No changes.').waitFor();
	});

	it('has a tour that gives a taken key, tries it and undoes it, by keys, and leaves nothing behind', async () => {
		await open();
		const { keyboard } = at.page;
		const state = async () => {
			const { strata } = (await (await fetch(`${at.server.address}/api/applications/gneiss-solid-5`)).json()) as {
				strata: unknown;
			};
			return strata;
		};
		const before = await state();
		const situation = await at.page.getByRole('button', { name: /^Situation:/ }).innerText();
		const card = at.page.getByRole('dialog', { name: 'Tour: Give a command a key' });
		const step = (title: string | RegExp) => card.getByRole('heading', { name: title }).waitFor();
		await at.page.getByRole('button', { name: 'Give a command a key' }).press('Enter');
		await step('Find Extrude');
		await card.getByRole('button', { name: 'Open the view' }).press('Enter');
		await at.page.waitForURL(/commands/);
		await at.page.locator('main input[type="search"]:focus').waitFor();
		await keyboard.type('Extrude');
		await step(/^Press [A-Z]$/);
		const key = /[A-Z]$/.exec(await card.getByRole('heading').innerText())![0];
		await card.getByRole('button', { name: 'Go to the control' }).press('Enter');
		await keyboard.press('Enter');
		await keyboard.press(key.toLowerCase());
		await step('Resolve the conflict');
		await at.page.getByRole('radio', { name: `Take ${key} over`, exact: true }).check();
		await at.page.getByRole('button', { name: `Take ${key} over`, exact: true }).press('Enter');
		await step('Try it');
		await card.getByRole('button', { name: 'Open the view' }).press('Enter');
		await at.page.waitForURL(/bench/);
		await at.page.getByRole('application').focus();
		await keyboard.press(key.toLowerCase());
		await step('Undo it');
		await card.getByRole('button', { name: 'Go to the control' }).press('Enter');
		await keyboard.press('Enter');
		await step('Done');
		await card.getByRole('button', { name: 'Close the tour' }).press('Enter');
		await card.waitFor({ state: 'detached' });
		await at.page.waitForURL(/start/);
		expect(await state()).to.deep.equal(before);
		expect(await at.page.getByRole('button', { name: /^Situation:/ }).innerText()).to.equal(situation);
	});

	it('undoes what a tour changed when it is ended early', async () => {
		const state = async () =>
			((await (await fetch(`${at.server.address}/api/applications/gneiss-solid-5`)).json()) as { strata: unknown }).strata;
		const before = await state();
		await open();
		await at.page.getByRole('button', { name: 'Gestures and toolbars' }).click();
		const card = at.page.getByRole('dialog', { name: 'Tour: Gestures and toolbars' });
		await card.getByRole('button', { name: 'Open the view' }).click();
		await at.page.waitForURL(/gestures/);
		await at.page.getByRole('option', { name: /^↑: / }).first().click();
		await card.getByRole('heading', { name: 'Give it a command' }).waitFor();
		await card.getByRole('button', { name: 'Go to the control' }).click();
		await at.page.keyboard.type('measure');
		await at.page.keyboard.press('Enter');
		await card.getByRole('heading', { name: 'Undo it' }).waitFor();
		await card.getByRole('button', { name: 'End the tour' }).click();
		await at.page.waitForURL(/start/);
		expect(await state()).to.deep.equal(before);
	});

	it('opens the help of the view one stands in by a question mark', async () => {
		for (const [view, said] of [
			['rollout', 'the seats that install them'],
			['recipes', 'describe the file format of a program'],
			['start', 'Your tasks in order']
		] as const) {
			await at.page.goto(`${at.server.address}/gneiss-solid-5/${view}`);
			await at.page.waitForSelector('main section');
			await at.page.locator('main').press('?');
			await at.page.getByRole('dialog', { name: 'Keyboard shortcuts' }).getByText(said).waitFor();
			await at.page.keyboard.press('Escape');
		}
	});
});

describe('A first start', () => {
	let server: RunningServer;
	let browser: Browser;
	before(async () => {
		[server, browser] = await Promise.all([startServer(), launch()]);
	});
	after(async () => {
		await browser?.close();
		await server?.stop();
	});

	it('asks for whom and with which program, and leads to the first job', async () => {
		const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
		page.setDefaultTimeout(PATIENCE);
		await page.goto(server.address);
		await page.getByRole('heading', { name: 'Who will use Skarn?' }).waitFor();
		expect(await violationsOn(page)).to.deep.equal([]);
		await page.getByRole('button', { name: /^Just me/ }).press('Enter');
		await page.getByRole('heading', { name: /^Which program/ }).waitFor();
		await page.getByRole('link', { name: /^My program/ }).waitFor();
		await page.getByRole('button', { name: 'Back' }).press('Enter');
		await page.getByRole('button', { name: /^An office/ }).press('Enter');
		await page.getByLabel(/^Name/).fill('Frame desk');
		await page.getByLabel(/^Password/).fill('four posts and a beam');
		await page.keyboard.press('Enter');
		await page.getByRole('button', { name: /^Varve Draft 7/ }).press('Enter');
		await page.waitForURL(/varve-draft-7\/start/);
		await page.getByRole('link', { name: /^Give a command a key/ }).waitFor();
		await page.goto(`${server.address}/welcome`);
		await page.waitForURL(/varve-draft-7\/start/);
	});
});
