#!/usr/bin/env node
import { existsSync, readdirSync, statSync } from 'node:fs';
import { setFlagsFromString } from 'node:v8';
import { fileURLToPath } from 'node:url';

// A command lives for a second or two, and most of its code runs a few times: to compile less of it again while it runs saves
// a seventh of the processor time and a twentieth of the wait (a check of 20,000 shortcuts; the default is 67584).
setFlagsFromString('--interrupt-budget=300000');

const path = (name) => fileURLToPath(new URL(`../${name}`, import.meta.url));
const compiled = path('dist/skarn.mjs');

/** Whether a source is newer than what was compiled of it; in an installed package there are none. */
function isStale() {
	if (!existsSync(compiled)) return true;
	const made = statSync(compiled).mtimeMs;
	const newer = (folder) =>
		readdirSync(folder, { withFileTypes: true }).some((entry) => {
			const name = `${folder}/${entry.name}`;
			return entry.isDirectory() ? newer(name) : /\.(ts|json)$/.test(entry.name) && statSync(name).mtimeMs > made;
		});
	return existsSync(path('cli')) && ['cli', 'core', 'seat', 'src/lib/server'].some((folder) => newer(path(folder)));
}

const isSource = isStale();
if (isSource) (await import('tsx/esm/api')).register();
const { skarn } = await import(isSource ? '../cli/skarn.ts' : '../dist/skarn.mjs');
process.exitCode = await skarn(process.argv.slice(2));
