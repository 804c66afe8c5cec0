import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { closeOffice } from '../../../src/lib/server/office.ts';
import { putEmptyDatabase } from '../server/made-folder.ts';
import { freshDatabase, postgres } from '../server/stores.ts';

type Handler = (event: {
	params: Record<string, string>;
	url: URL;
	request: Request;
	getClientAddress: () => string;
}) => Promise<Response>;

/** Where a request of a test comes from, if it says so: the address at the other end of the line. */
export const LINE = 'x-test-line';
export interface Place {
	readonly pattern: RegExp;
	readonly names: readonly string[];
	readonly file: string;
}

const ROUTES = 'src/routes';

/** The routes of the API as their folders say; those without a name in brackets first. */
export const places: readonly Place[] = (readdirSync(join(ROUTES, 'api'), { recursive: true }) as string[])
	.filter((file) => file.endsWith('+server.ts'))
	.map((file): Place => {
		const path = `/api/${dirname(file)}`;
		const names = [...path.matchAll(/\[(\w+)\]/g)].map(([, name]) => name!);
		return { pattern: new RegExp(`^${path.replaceAll(/\[\w+\]/g, '([^/]+)')}$`), names, file: join(ROUTES, 'api', file) };
	})
	.sort((a, b) => a.names.length - b.names.length);

/** What the route at the request's address answers; `line` is where it comes from, if the request does not say so itself. */
export async function answer(request: Request, line = '127.0.0.1'): Promise<Response> {
	const url = new URL(request.url);
	for (const { pattern, names, file } of places) {
		const found = pattern.exec(url.pathname);
		if (!found) continue;
		const module = (await import(pathToFileURL(file).href)) as Record<string, Handler | undefined>;
		const handler = module[request.method];
		if (!handler) return new Response(null, { status: 405 });
		const params = Object.fromEntries(names.map((name, i) => [name, decodeURIComponent(found[i + 1]!)]));
		return handler({ params, url, request, getClientAddress: () => request.headers.get(LINE) ?? line });
	}
	return new Response(null, { status: 404 });
}

export interface Inside {
	readonly address: string;
	/** `headers` as those of a session's cookie. */
	readonly ask: (path: string, method?: string, body?: unknown, headers?: Record<string, string>) => Promise<Response>;
	readonly close: () => Promise<void>;
}

/** The server's routes in this process, over a data folder of their own; what is fetched goes to them until `close`. */
export function serverInside(): Inside {
	const address = 'http://office.test';
	const folder = mkdtempSync(join(tmpdir(), 'skarn-inside-'));
	const formerly = process.env.SKARN_DATA;
	process.env.SKARN_DATA = folder;
	const formerDatabase = process.env.DATABASE_URL;
	if (postgres()) process.env.DATABASE_URL = freshDatabase();
	const made = postgres() ? undefined : putEmptyDatabase(folder);
	const { fetch } = globalThis;
	globalThis.fetch = async (input, init) => {
		await made;
		return answer(new Request(input instanceof Request ? input : new URL(input, address), init));
	};
	return {
		address,
		ask: (path, method = 'GET', body, headers = {}) =>
			globalThis.fetch(path, {
				method,
				headers: { ...headers, ...(body !== undefined && { 'content-type': 'application/json' }) },
				...(body !== undefined && { body: JSON.stringify(body) })
			}),
		async close() {
			globalThis.fetch = fetch;
			await closeOffice();
			if (formerly === undefined) delete process.env.SKARN_DATA;
			else process.env.SKARN_DATA = formerly;
			if (formerDatabase === undefined) delete process.env.DATABASE_URL;
			else process.env.DATABASE_URL = formerDatabase;
			rmSync(folder, { recursive: true, force: true });
			rmSync(`${folder}.root-keys`, { recursive: true, force: true });
		}
	};
}
