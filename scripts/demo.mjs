// npm run demo: installs, builds, starts the server on loopback, fills the demo office and starts its three seats.
import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuild, ensurePackages, root } from './prepare.mjs';

ensurePackages();
ensureBuild();

const port = process.env.PORT ?? '5180';
const host = process.env.HOST ?? '127.0.0.1';
const server = `http://127.0.0.1:${port}`;
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

const app = start(['scripts/serve.mjs'], { PORT: port, HOST: host, SKARN_DATA: folder, SKARN_DEMO: 'yes' });
app.on('exit', (code) => stop(code ?? 0));

for (let tries = 0; app.exitCode === null; tries++) {
	const answered = await fetch(`${server}/api/session`).catch(() => undefined);
	if (answered?.ok) break;
	if (tries > 300) {
		console.error('The server did not answer within 60 seconds.');
		stop(1);
		break;
	}
	await new Promise((resolve) => setTimeout(resolve, 200));
}
if (app.exitCode === null) {
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
	for (const id of ids) {
		const code = codes.has(id) ? ['--code', codes.get(id)] : [];
		start(['bin/skarn.mjs', 'seat', '--id', id, '--server', server, '--folder', placeOf(id), ...code]);
	}
	console.log(`\nSkarn runs at ${server}\nEnd it with Ctrl+C. The demo's data lies in ${folder}.\n`);
}
