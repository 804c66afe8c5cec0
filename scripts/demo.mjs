// npm run demo: installs, builds, starts the server on loopback, fills the demo office and starts its three seats.
// With --network and HOST it is filled on loopback first, and then started again for other machines, where people need a code.
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { randomBytes } from 'node:crypto';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuild, ensurePackages, root } from './prepare.mjs';

const isForNetwork = process.argv.includes('--network');
const isLoopback = (host) => /^127\.|^::1$|^localhost$/.test(host);
if (!isLoopback(process.env.HOST ?? '127.0.0.1') && !isForNetwork) {
	console.error(
		`The demo has no passwords: at HOST=${process.env.HOST} anybody of the network would be its steward. If that is meant, run npm run demo -- --network; people then need the code that is printed here.`
	);
	process.exit(2);
}
ensurePackages();
ensureBuild();

const port = process.env.PORT ?? '5180';
const host = process.env.HOST ?? '127.0.0.1';
const server = `http://127.0.0.1:${port}`;
const isEverywhere = ['0.0.0.0', '::'].includes(host);
const folder = process.env.SKARN_DATA ?? join(root, 'data', 'demo');
const children = [];

function start(args, env = {}) {
	const child = spawn(process.execPath, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } });
	children.push(child);
	return child;
}

function stop(code) {
	for (const child of children) child.kill('SIGTERM');
	process.exitCode = code;
}
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => stop(0));

/** Starts the server and waits until it answers; it ends everything when it ends by itself. */
async function serve(at) {
	const app = start(['scripts/serve.mjs'], { PORT: port, HOST: at, SKARN_DATA: folder, SKARN_DEMO: 'yes' });
	const ended = (code) => stop(code ?? 0);
	app.on('exit', ended);
	for (let tries = 0; app.exitCode === null; tries++) {
		const answered = await fetch(`${server}/api/session`).catch(() => undefined);
		if (answered?.ok) break;
		if (tries > 300) {
			console.error('The server did not answer within 60 seconds.');
			stop(1);
			process.exit(1);
		}
		await new Promise((resolve) => setTimeout(resolve, 200));
	}
	if (app.exitCode !== null) process.exit(app.exitCode);
	return {
		end: async () => {
			app.off('exit', ended);
			app.kill('SIGTERM');
			await once(app, 'exit');
		}
	};
}

const app = await serve('127.0.0.1');
const { tsImport } = await import('tsx/esm/api');
const { fillDemo } = await tsImport('../demo/fill.ts', import.meta.url);
const { openDemo } = await tsImport('../demo/people.ts', import.meta.url);
await fillDemo(server);
await openDemo(server, randomBytes(18).toString('base64url'));
const { codesFor } = await tsImport('../demo/seats.ts', import.meta.url);
const ids = ['C-01', 'C-02', 'C-03'];
const placeOf = (id) => join(folder, 'seats', id);
const codes = await codesFor(
	server,
	ids.filter((id) => !existsSync(join(placeOf(id), 'seat-key.json')))
);
if (!isLoopback(host)) {
	await app.end();
	await serve(host);
}
const asked = isLoopback(host) || isEverywhere ? server : `http://${host}:${port}`;
for (const id of ids) {
	const code = codes.has(id) ? ['--code', codes.get(id)] : [];
	start(['bin/skarn.mjs', 'seat', '--id', id, '--server', asked, '--folder', placeOf(id), ...code]);
}
console.log(`\nSkarn runs at ${asked}\nEnd it with Ctrl+C. The demo's data lies in ${folder}.\n`);
