import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { cpSync, existsSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { codesFor } from '../../demo/seats.ts';

const root = fileURLToPath(new URL('../..', import.meta.url));

export interface RunningSeat {
	readonly process: ChildProcess;
	readonly folder: string;
	/** What it has said so far, line by line. */
	readonly lines: readonly string[];
}

export interface RunningServer {
	readonly address: string;
	readonly folder: string;
	readonly pid: number;
	/**
	 * Starts a seat as its own process, with a folder of its own; at the first time it enrols with a code that the steward of these
	 * headers makes. It asks the server itself, or another address in between.
	 */
	seat(id: string, how?: { headers?: Record<string, string>; through?: string }): Promise<RunningSeat>;
	/** Ends the server and starts it again on what it has kept. */
	restart(): Promise<void>;
	/** Ends the server; its folder stays until `stop`. */
	halt(): Promise<void>;
	stop(): Promise<void>;
}

function freePort(): Promise<number> {
	return new Promise((resolve) => {
		const server = createServer();
		server.listen(0, '127.0.0.1', () => {
			const { port } = server.address() as { port: number };
			server.close(() => resolve(port));
		});
	});
}

async function end(child: ChildProcess, signal: NodeJS.Signals): Promise<void> {
	if (child.exitCode !== null || child.signalCode !== null) return;
	child.kill(signal);
	await once(child, 'exit');
}

/**
 * The built server as a process of its own, on a free loopback port, with a data folder of its own: an empty one, or a copy of
 * what lies in the folder `from`.
 */
export async function startServer(more: Readonly<Record<string, string>> = {}, from?: string): Promise<RunningServer> {
	const folder = mkdtempSync(join(tmpdir(), 'skarn-run-'));
	if (from) cpSync(from, folder, { recursive: true });
	const port = await freePort();
	const address = `http://127.0.0.1:${port}`;
	const env = { ...process.env, PORT: String(port), HOST: '127.0.0.1', SKARN_DATA: join(folder, 'data'), ...more };
	const launch = async (): Promise<ChildProcess> => {
		const server = spawn(process.execPath, ['scripts/serve.mjs'], { cwd: root, env, stdio: ['ignore', 'ignore', 'inherit'] });
		for (let tries = 0; ; tries++) {
			if (server.exitCode !== null || tries > 300) throw new Error(`the server did not start (exit code ${server.exitCode})`);
			if (await fetch(`${address}/api/session`).catch(() => undefined)) return server;
			await new Promise((resolve) => setTimeout(resolve, 100));
		}
	};
	let server = await launch();
	const children: ChildProcess[] = [];
	return {
		address,
		folder,
		get pid() {
			return server.pid!;
		},
		async restart() {
			await end(server, 'SIGTERM');
			server = await launch();
		},
		async seat(id, { headers, through = address } = {}) {
			const own = join(folder, 'seats', id);
			const isKnown = existsSync(join(own, 'seat-key.json'));
			const code = isKnown ? [] : ['--code', (await codesFor(address, [id], headers)).get(id)!];
			const args = ['--id', id, '--server', through, '--folder', own, '--every', '300', ...code];
			const child = spawn(process.execPath, ['--import', 'tsx', 'seat/main.ts', ...args], {
				cwd: root,
				stdio: ['ignore', 'pipe', 'pipe']
			});
			const lines: string[] = [];
			for (const stream of [child.stdout, child.stderr])
				stream.setEncoding('utf8').on('data', (text: string) => lines.push(...text.split('\n').filter(Boolean)));
			children.push(child);
			return { process: child, folder: own, lines };
		},
		halt: () => end(server, 'SIGTERM'),
		async stop() {
			for (const child of children.reverse()) await end(child, 'SIGKILL');
			await end(server, 'SIGTERM');
			rmSync(folder, { recursive: true, force: true });
		}
	};
}
