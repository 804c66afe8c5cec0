import { expect } from 'chai';
import { violationsOn } from './axe.ts';
import { desk, eventually, laidOut } from './office.ts';

describe('access for everybody', () => {
	const at = desk();
	const views = [
		'gneiss-solid-5/commands?command=solid.fillet',
		'gneiss-solid-5/start',
		'gneiss-solid-5/sheet',
		'gneiss-solid-5/keyboard',
		'varve-draft-7/keyboard',
		'gneiss-solid-5/findings',
		'tuff-mesh-3/findings',
		'varve-draft-7/bench',
		'gneiss-solid-5/bench',
		'gneiss-solid-5/bars?item=work.body.grow.0',
		'varve-draft-7/bars',
		'gneiss-solid-5/hand-over',
		'gneiss-solid-5/rollout',
		'varve-draft-7/aliases',
		'varve-draft-7/macros',
		'varve-draft-7/options',
		'varve-draft-7/recipes',
		'varve-draft-7/folders',
		'programs',
		'programs/new'
	];

	const violations = () => violationsOn(at.page);

	for (const theme of ['light', 'dark'])
		for (const view of views)
			it(`axe finds nothing serious on ${view}, ${theme}`, async () => {
				await at.page.emulateMedia({ colorScheme: theme as 'light' | 'dark', reducedMotion: 'reduce' });
				await at.page.goto(`${at.server.address}/${view}`);
				await at.page.waitForSelector('main section');
				await laidOut(at.page);
				expect(await violations()).to.deep.equal([]);
			});

	for (const theme of ['light', 'dark'] as const)
		it(`axe finds nothing serious in what the mouse says, ${theme}`, async () => {
			await at.page.emulateMedia({ colorScheme: theme, reducedMotion: 'reduce' });
			await at.page.goto(`${at.server.address}/gneiss-solid-5/gestures`);
			await at.page.getByRole('combobox', { name: 'Hand', exact: true }).selectOption('C-02');
			expect(await violations(), 'roses').to.deep.equal([]);
			for (const tab of ['Shapes', 'Navigation', 'Measure your hand']) {
				await at.page.getByRole('button', { name: tab, exact: true }).click();
				if (tab === 'Shapes') await at.page.getByRole('option', { name: /Notch/ }).click();
				await laidOut(at.page);
				expect(await violations(), tab).to.deep.equal([]);
			}
		});

	it('axe finds nothing serious in the palette and in the list of keys', async () => {
		await at.page.goto(`${at.server.address}/varve-draft-7/options`);
		await at.page.waitForSelector('main section');
		await at.page.keyboard.press('Control+k');
		await at.page.getByRole('dialog').getByRole('combobox').fill('opt');
		await laidOut(at.page);
		expect(await violations()).to.deep.equal([]);
		await at.page.keyboard.press('Escape');
		await at.page.getByRole('dialog').waitFor({ state: 'detached' });
		await at.page.locator('main h1:not(.visually-hidden)').first().click();
		await at.page.keyboard.press('?');
		await at.page.getByRole('dialog', { name: 'Keyboard shortcuts' }).waitFor();
		expect(await violations()).to.deep.equal([]);
	});

	it('axe finds nothing serious in the verdict, the probe and the draft', async () => {
		await at.page.goto(`${at.server.address}/gneiss-solid-5/commands?command=solid.fillet-face`);
		await at.page.locator('.field').first().click();
		await at.page.locator('.field').first().press('e');
		expect(await violations()).to.deep.equal([]);
		await at.page.locator('main h1:not(.visually-hidden)').first().click();
		await at.page.keyboard.press('Alt+q');
		await at.page.keyboard.press('f');
		expect(await violations()).to.deep.equal([]);
		await at.page.keyboard.press('Escape');
		await at.page.keyboard.press('Escape');
		await at.page.getByRole('button', { name: 'Review' }).click();
		expect(await violations()).to.deep.equal([]);
	});

	it('another program is chosen by Enter, not by passing it with the arrow keys; Escape leaves it', async () => {
		await at.open('commands');
		const program = at.page.getByRole('combobox', { name: 'Application' });
		await program.focus();
		await at.page.keyboard.press('ArrowDown');
		await at.page.keyboard.press('ArrowDown');
		expect(at.page.url()).to.include('/gneiss-solid-5/');
		await at.page.keyboard.press('Escape');
		expect(await program.locator('option:checked').innerText()).to.equal('Gneiss Solid 5');
		await at.page.keyboard.press('ArrowDown');
		await at.page.keyboard.press('Enter');
		await at.page.waitForURL(/varve-draft-7|tuff-mesh-3/);
	});

	it('an empty search is left by Escape, and lets a question mark through', async () => {
		await at.open('options');
		const search = at.page.getByRole('searchbox', { name: 'Search options' });
		await search.focus();
		await at.page.keyboard.press('?');
		await at.page.getByRole('dialog').waitFor();
		await at.page.keyboard.press('Escape');
		await at.page.getByRole('dialog').waitFor({ state: 'detached' });
		await search.focus();
		await at.page.keyboard.press('Escape');
		await eventually(async () => expect(await at.page.evaluate(() => document.activeElement?.tagName)).to.equal('MAIN'));
	});

	it('enlarged to 200 and 400 percent no page is wider than its window (WCAG 2.2, 1.4.10)', async () => {
		for (const [width, height] of [
			[640, 400],
			[320, 256]
		] as const) {
			await at.page.setViewportSize({ width, height });
			for (const view of [
				'commands',
				'keyboard',
				'bars',
				'gestures',
				'options',
				'findings',
				'compare',
				'hand-over',
				'sheet',
				'rollout'
			]) {
				await at.open(view);
				await eventually(async () =>
					expect(await at.page.evaluate(() => document.documentElement.scrollWidth), `${view} at ${width}`).to.be.at.most(width)
				);
			}
		}
		await at.page.setViewportSize({ width: 1280, height: 800 });
	});

	it('every view is reached by Alt and a digit, the rarer ones with Shift, and Tab shows where one is', async () => {
		await at.open('commands');
		for (const [key, path] of [
			['2', 'keyboard'],
			['3', 'aliases'],
			['4', 'findings'],
			['5', 'bench'],
			['6', 'hand-over'],
			['7', 'recipes'],
			['8', 'folders'],
			['9', 'rollout'],
			['0', 'macros'],
			['Shift+1', 'bars'],
			['Shift+2', 'gestures'],
			['Shift+3', 'options'],
			['Shift+4', 'compare'],
			['Shift+5', 'sheet'],
			['Shift+6', 'proposals'],
			['Shift+7', 'impact'],
			['Shift+0', 'start'],
			['1', 'commands']
		]) {
			// a page that has only just come does not hear keys yet
			await eventually(async () => {
				await at.page.keyboard.press(`Alt+${key}`);
				await at.page.waitForURL(new RegExp(`/${path}`), { timeout: 5_000 });
			});
		}
		await at.page.keyboard.press('Tab');
		const outline = await at.page.evaluate(
			() => getComputedStyle(document.activeElement!).outlineStyle + getComputedStyle(document.activeElement!).boxShadow
		);
		expect(outline).to.match(/solid|rgb/);
	});
});
