import { fillDemo } from '../../../demo/fill.ts';
import type { WorkspaceDocument } from '../../../src/lib/server/workspace-document.ts';
import { serverInside, type Inside } from './inside.ts';
import { page } from './page.ts';

/** The demo office for a suite: its server and a browser without windows, both in this process. */
export function office() {
	let server: Inside;
	let browser: Awaited<ReturnType<typeof page>>;
	before(async () => {
		server = serverInside();
		browser = await page();
		await fillDemo(server.address);
	});
	after(async () => {
		browser.close();
		await server.close();
	});
	beforeEach(() => localStorage.clear());
	return {
		get browser() {
			return browser;
		},
		/** An application as a window opens it. */
		async open(app: string) {
			const document = (await (await server.ask(`/api/applications/${app}`)).json()) as WorkspaceDocument;
			return new browser.Workspace(document);
		}
	};
}
