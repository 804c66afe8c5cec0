import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build, transform, type Plugin } from 'esbuild';
import { compileModule } from 'svelte/compiler';
import type * as Entry from './entry.ts';
import { endWorkers, PageWorker } from './page-worker.ts';

/** Modules with runes, compiled as for a browser. */
const runes: Plugin = {
	name: 'runes',
	setup({ onLoad }) {
		onLoad({ filter: /\.svelte\.ts$/ }, async ({ path }) => {
			const { code } = await transform(readFileSync(path, 'utf8'), { loader: 'ts', target: 'esnext' });
			return { contents: compileModule(code, { filename: path, generate: 'client' }).js.code, loader: 'js' };
		});
	}
};

/** What a browser keeps for a page, as long as the test runs. */
class Kept implements Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'clear' | 'key' | 'length'> {
	readonly #texts = new Map<string, string>();
	getItem = (key: string) => this.#texts.get(key) ?? null;
	setItem = (key: string, text: string) => void this.#texts.set(key, text);
	removeItem = (key: string) => void this.#texts.delete(key);
	clear = () => this.#texts.clear();
	key = (i: number) => [...this.#texts.keys()][i] ?? null;
	get length() {
		return this.#texts.size;
	}
}

let loaded: Promise<typeof Entry> | undefined;

async function load(): Promise<typeof Entry> {
	const folder = mkdtempSync(join(tmpdir(), 'skarn-page-'));
	const outfile = join(folder, 'page.mjs');
	await build({
		entryPoints: ['tests/unit/page/entry.ts'],
		outfile,
		bundle: true,
		format: 'esm',
		platform: 'browser',
		alias: { $core: resolve('core'), $lib: resolve('src/lib') },
		plugins: [runes],
		logLevel: 'error'
	});
	try {
		return (await import(pathToFileURL(outfile).href)) as typeof Entry;
	} finally {
		rmSync(folder, { recursive: true });
	}
}

/** The state of the interface without an interface, with what a browser has around it until `close`. */
export async function page(): Promise<typeof Entry & { close: () => void }> {
	const former = { Worker: globalThis.Worker, localStorage: globalThis.localStorage };
	Object.assign(globalThis, { Worker: PageWorker, localStorage: new Kept() });
	loaded ??= load();
	return {
		...(await loaded),
		close() {
			endWorkers();
			Object.assign(globalThis, former);
		}
	};
}

/** Waits until it is so. Throws after a minute: a machine may have much else to do. */
export async function until(isSo: () => boolean, what: string): Promise<void> {
	const end = Date.now() + 60_000;
	while (!isSo()) {
		if (Date.now() > end) throw new Error(`it did not come to this: ${what}`);
		await new Promise((done) => setTimeout(done, 5));
	}
}
