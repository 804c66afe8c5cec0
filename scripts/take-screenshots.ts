import { mkdirSync } from 'node:fs';
import { fillDemo } from '../demo/fill.ts';
import { openDemo } from '../demo/people.ts';
import { launch } from '../tests/browser/chromium.ts';
import { startServer } from '../tests/browser/server.ts';

// npm run screenshots: one picture of each main view at 1280 x 800, from fresh demo data, into docs/screenshots.
// a plain script without types, since it runs before anything is installed
const { ensureBuild } = (await import('./prepare.mjs' as string)) as { ensureBuild(): void };
ensureBuild();
const folder = new URL('../docs/screenshots/', import.meta.url).pathname;
mkdirSync(folder, { recursive: true });
const server = await startServer({ SKARN_DEMO: 'yes' });
const browser = await launch();
try {
	await fillDemo(server.address);
	for (const id of ['C-01', 'C-02']) await server.seat(id);
	const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
	const open = async (view: string, scheme: 'light' | 'dark' = 'light') => {
		await page.emulateMedia({ colorScheme: scheme });
		await page.goto(`${server.address}/gneiss-solid-5/${view}`);
		await page.waitForSelector('main section');
		await page.evaluate(() => document.fonts.ready);
	};
	const varve = async (view: string, scheme: 'light' | 'dark' = 'light') => {
		await page.emulateMedia({ colorScheme: scheme });
		await page.goto(`${server.address}/varve-draft-7/${view}`);
		await page.waitForSelector('main section');
		await page.evaluate(() => document.fonts.ready);
	};
	const shoot = async (name: string) => {
		await page.waitForTimeout(300);
		await page.screenshot({ path: `${folder}${name}.png` });
	};

	await open('start');
	await page
		.getByText(/connected|up to date/)
		.first()
		.waitFor();
	await shoot('start');
	await open('commands?command=solid.fillet-face');
	await page.getByRole('combobox', { name: 'Search commands' }).fill('fil');
	await page.goto(`${server.address}/gneiss-solid-5/commands?command=solid.fillet`);
	await page.getByRole('combobox', { name: 'Search commands' }).fill('fillet');
	await shoot('commands');
	await open('commands', 'dark');
	await page.keyboard.press('Alt+q');
	await page.keyboard.press('f');
	await shoot('probe-dark');
	await page.keyboard.press('Escape');
	await page.keyboard.press('Escape');
	await open('bars');
	await page.getByRole('option', { name: 'Shell', exact: true }).click();
	await page.getByText('s to reach it').click();
	await shoot('bars');
	await open('keyboard');
	await shoot('keyboard');
	await open('gestures');
	await page.getByRole('combobox', { name: 'Hand', exact: true }).selectOption('C-02');
	await page.getByRole('option', { name: /^↗: Extend/ }).click();
	await shoot('gestures');
	await page.getByRole('button', { name: 'Shapes', exact: true }).click();
	await page.getByRole('option', { name: /Notch/ }).click();
	await page.getByRole('cell', { name: /^Notch recognised as Notch/ }).waitFor();
	await shoot('shapes');
	await varve('aliases');
	await page.getByText('2 errors').waitFor();
	await page.getByRole('textbox', { name: 'Try an alias' }).fill('tt');
	await shoot('aliases');
	await varve('macros?macro=macro%3Alevel-here');
	await page.getByText('waits for a pick: the height').waitFor();
	await shoot('macros');
	await varve('recipes');
	await page
		.getByRole('textbox', { name: 'Sample' })
		.fill(
			'Short names of the drawing office, list 7\n\nLN   runs  draw.segment   ;; thin line\nKR   runs  draw.circle\nWN   runs  draw.doubel    ;; walls\nHF   runs  hatch.fill\n;; XX   runs  file.save\nHF   runs  hatch.solid\n'
		);
	await page.getByText('byte for byte').waitFor();
	await shoot('recipes');
	await open('findings');
	await shoot('findings');
	await varve('options', 'dark');
	await page.getByRole('button', { name: 'Measures', exact: true }).click();
	await shoot('options-dark');
	await open('bench');
	await page.locator('.edge').nth(4).click();
	await page.locator('.window').focus();
	await page.keyboard.press('f');
	await shoot('bench');
	await open('hand-over');
	const csv =
		'keys,command,scope,stratum\nCtrl+Alt+M,inspect.mass,,personal\nB,solid.box,document=part.solids,personal\nF,view.fit,,factory\nCtrl+Q,file.quitt,,personal\nFoo+X,file.quit,,personal\n';
	await page
		.locator('input[type="file"]')
		.setInputFiles({ name: 'door-team.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
	await page.getByText('takes it from Base sheet').first().waitFor();
	await shoot('hand-over');

	// the same office, opened to its six desks
	await openDemo(server.address, 'a password that nobody needs');
	await page.emulateMedia({ colorScheme: 'light' });
	await page.goto(server.address);
	await page.getByRole('button', { name: /Standards desk/ }).click();
	await page.waitForURL(/start/);
	await page.goto(`${server.address}/people`);
	await page.getByRole('option', { name: /Hanger desk/ }).click();
	await shoot('people');
	await open('rollout', 'dark');
	await page.getByText('2 current').waitFor();
	await page.getByRole('button', { name: 'Create the code for C-03' }).click();
	await page.getByText('Copy').waitFor();
	await page.getByRole('button', { name: 'Close' }).first().click();
	await shoot('rollout-dark');
	await page.emulateMedia({ colorScheme: 'light' });
	await open('proposals');
	await page.getByRole('button', { name: 'Check who is affected' }).click();
	await page.getByRole('heading', { name: 'Affected people' }).waitFor();
	await shoot('proposals');
	await open('impact');
	await page.getByText('before and after').waitFor();
	await page.getByRole('button', { name: 'Hanger desk' }).click();
	await shoot('impact');
	await open('compare');
	await page.getByText('items differ').waitFor();
	await page.getByRole('combobox', { name: 'Side 1' }).selectOption({ label: 'Level Office' });
	await page.getByRole('button', { name: 'Add a column' }).click();
	await page.getByRole('combobox', { name: 'Side 3' }).selectOption({ label: 'Level Cladding' });
	await shoot('compare');
} finally {
	await browser.close();
	await server.stop();
}
