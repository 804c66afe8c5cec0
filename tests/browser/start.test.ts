import { expect } from 'chai';
import { desk } from './office.ts';

describe('Start', () => {
	const at = desk();
	const open = () => at.page.goto(`${at.server.address}/`);

	it('is where Skarn opens and where the mark leads, with each job one step away', async () => {
		await open();
		await at.page.waitForURL(/gneiss-solid-5\/start/);
		const jobs = at.page.getByRole('region', { name: 'Jobs' }).getByRole('listitem').getByRole('link');
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
		const stands = at.page.getByRole('complementary', { name: 'What stands' });
		await stands
			.getByText('Alt+Shift+Y for solid.box')
			.or(stands.getByText(/Alt\+Shift\+Y for/))
			.first()
			.waitFor();
		await stands.getByRole('link', { name: /^Commands: / }).waitFor();
		expect(await stands.innerText())
			.to.match(/\d+ errors?/)
			.and.match(/against factory/);
		await stands.getByRole('link', { name: 'Findings' }).click();
		await at.page.getByRole('link', { name: 'Skarn' }).click();
		await stands.getByText('Nothing has changed.').waitFor();
	});

	it('has a walk of seven steps over the real controls, by keys, that can be left at any time', async () => {
		await open();
		const walk = at.page.getByRole('dialog', { name: 'A walk in seven steps' });
		const begin = at.page.getByRole('button', { name: /^Take the walk/ });
		await begin.press('Enter');
		await walk.getByText('The program', { exact: true }).waitFor();
		for (const title of ['Who says what', 'Where you stand', 'What would it do?', 'Find and shape', 'Prove', 'Your draft']) {
			await at.page.keyboard.press('ArrowRight');
			await walk.getByText(title, { exact: true }).waitFor();
		}
		await at.page.keyboard.press('Escape');
		await walk.waitFor({ state: 'detached' });
		expect(await begin.evaluate((element) => element === document.activeElement)).to.equal(true);
	});

	it('opens the help of the view one stands in by a question mark', async () => {
		for (const [view, said] of [
			['rollout', 'the seats that follow them'],
			['recipes', 'formats of their own'],
			['start', 'in the order in which they come']
		] as const) {
			await at.page.goto(`${at.server.address}/gneiss-solid-5/${view}`);
			await at.page.waitForSelector('main section');
			await at.page.locator('main').press('?');
			await at.page.getByRole('dialog', { name: 'What can be pressed here' }).getByText(said).waitFor();
			await at.page.keyboard.press('Escape');
		}
	});
});
