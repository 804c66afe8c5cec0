import { cpSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'chai';
import type { Browser, Page } from 'playwright-core';
import { fillDemo } from '../../demo/fill.ts';
import { launch } from './chromium.ts';
import { startServer, type RunningServer } from './server.ts';
import { digestOf, madeFolder } from '../unit/server/made-folder.ts';

/** How long one step may take, in ms; SKARN_TEST_PATIENCE shortens it to find quickly where a test waits in vain. */
export const PATIENCE = Number(process.env.SKARN_TEST_PATIENCE ?? 90_000);

export interface Desk {
	readonly server: RunningServer;
	readonly page: Page;
	/** Another window of the same person. */
	window(): Promise<Page>;
	open(view: string): Promise<void>;
}

/** Everything the browser complained of; a test run must end without any. */
const complaints: string[] = [];

function listen(page: Page) {
	page.on('console', (message) => {
		// a refused request is shown to the user, and Chromium notes it as well
		if (message.type() === 'error' && !message.text().startsWith('Failed to load resource')) complaints.push(message.text());
	});
	page.on('pageerror', (error) => complaints.push(error.message));
}

/** A folder with the demo office as the built server fills it, for copying. Signed metadata expires, so it is made anew each day. */
function demoFolder(): Promise<string> {
	const digest = digestOf(['build/server', 'demo', 'migrations']);
	return madeFolder(`demo-${new Date().toISOString().slice(0, 10)}`, digest, async (draft) => {
		const server = await startServer();
		await fillDemo(server.address);
		await server.halt();
		for (const name of ['data', 'data.root-keys']) cpSync(join(server.folder, name), join(draft, name), { recursive: true });
		await server.stop();
	});
}

/** For a `describe`: a server with the demo office and a page at the Commands view, fresh for the whole block. */
export function desk(env: Readonly<Record<string, string>> = {}): Desk {
	let server: RunningServer;
	let browser: Browser;
	let page: Page;
	before(async () => {
		const made = await demoFolder();
		[server, browser] = await Promise.all([startServer(env, made), launch()]);
		const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, acceptDownloads: true });
		context.on('page', listen);
		page = await context.newPage();
		page.setDefaultTimeout(PATIENCE);
	});
	after(async () => {
		await browser?.close();
		await server?.stop();
		expect(complaints.splice(0)).to.deep.equal([]);
	});
	return {
		get server() {
			return server;
		},
		get page() {
			return page;
		},
		window: () => page.context().newPage(),
		async open(view) {
			await page.goto(`${server.address}/gneiss-solid-5/${view}`);
			await page.waitForSelector('main section');
		}
	};
}

/** Chooses a context of an axis in the header, by the label of the axis. */
export async function standIn(page: Page, axis: string, context: string): Promise<void> {
	await page.getByRole('button', { name: /^Situation:/ }).click();
	await page.getByRole('group', { name: 'Situation' }).getByRole('combobox', { name: axis, exact: true }).selectOption(context);
	await page.keyboard.press('Escape');
}

/** A browser of its own for somebody, who signs in as a desk of the demo. */
export async function seatedIn(at: Desk, name: string): Promise<Page> {
	const context = await at.page
		.context()
		.browser()!
		.newContext({ viewport: { width: 1280, height: 800 } });
	const page = await context.newPage();
	page.setDefaultTimeout(PATIENCE);
	await page.goto(at.server.address);
	await page.getByRole('button', { name: new RegExp(name) }).click();
	await page.waitForURL(/\/start/);
	return page;
}

/** Another window or program makes an edit of Varve Draft 7. */
export async function editElsewhere(server: RunningServer, edit: { label: string; changes: readonly object[] }): Promise<void> {
	const address = `${server.address}/api/applications/varve-draft-7`;
	const { revision } = (await (await fetch(address)).json()) as { revision: number };
	const sent = await fetch(`${address}/edits`, {
		method: 'POST',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify({ base: revision, stratum: 'personal', ...edit })
	});
	expect(sent.status).to.equal(201);
}

/** Lets windows that are opened from now on hear nothing of each other until the returned function is called. */
export async function deaf(page: Page): Promise<() => Promise<void>> {
	await page.context().route('**/api/live', (route) => route.abort());
	return () => page.context().unroute('**/api/live');
}

/** Asks until the check holds, for what other processes do in their own time. */
export async function eventually(check: () => Promise<unknown>, patience = 60_000): Promise<void> {
	const end = Date.now() + patience;
	for (;;)
		try {
			return void (await check());
		} catch (error) {
			if (Date.now() > end) throw error;
			await new Promise((resolve) => setTimeout(resolve, 200));
		}
}

/** Waits until what the last action changed stands on screen: the frame in which it is drawn, and the one after. */
export const laidOut = (page: Page): Promise<void> =>
	page.evaluate(() => new Promise((ok) => requestAnimationFrame(() => requestAnimationFrame(() => ok()))));
