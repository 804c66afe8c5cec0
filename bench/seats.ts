import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { seatsIn } from '../cli/many.ts';
import { fillDemo } from '../demo/fill.ts';
import { gneiss } from '../demo/gneiss/gneiss.ts';
import type { SeatAtWork } from '../seat/follow.ts';
import { followOnce } from '../seat/follow.ts';
import { startServer } from '../tests/browser/server.ts';
import { median, type Line } from './report.ts';

const [SEATS, LINES, SECONDS, ROUNDS] = [1_000, 32, 1, 15] as const;

/** Asks the same again and again on several lines that stay open; gives the answers a second. */
async function rate(address: string, path: string, headers: string): Promise<number> {
	const { hostname, port, host } = new URL(address);
	const asked = Buffer.from(`GET ${path} HTTP/1.1\r\nhost: ${host}\r\n${headers}\r\n`);
	const end = performance.now() + SECONDS * 1000;
	let answers = 0;
	await Promise.all(
		Array.from({ length: LINES }, async () => {
			const line = connect(Number(port), hostname);
			line.setNoDelay(true);
			await once(line, 'connect');
			await new Promise<void>((done, failed) => {
				let held = Buffer.alloc(0);
				line.on('data', (part) => {
					held = held.length === 0 ? part : Buffer.concat([held, part]);
					const head = held.indexOf('\r\n\r\n');
					if (head < 0) return;
					const said = held.subarray(0, head).toString('latin1');
					if (!said.startsWith('HTTP/1.1 200')) return failed(new Error(said.split('\r\n')[0]));
					const length = Number(/content-length: (\d+)/i.exec(said)?.[1]);
					if (held.length < head + 4 + length) return;
					held = Buffer.alloc(0);
					answers++;
					if (performance.now() < end) line.write(asked);
					else done();
				});
				line.on('error', failed);
				line.write(asked);
			});
			line.destroy();
		})
	);
	return answers / SECONDS;
}

/** A server that does nothing but answer these bytes, in a process of its own. */
async function bareServer(bytes: string): Promise<{ address: string; stop(): void }> {
	const code = `
		import { createServer } from 'node:http';
		const bytes = ${JSON.stringify(bytes)};
		const server = createServer((_, response) => {
			response.writeHead(200, { 'content-type': 'application/json', 'content-length': Buffer.byteLength(bytes) });
			response.end(bytes);
		}).listen(0, '127.0.0.1', () => console.log(server.address().port));`;
	const child = spawn(process.execPath, ['--input-type=module', '-e', code], { stdio: ['ignore', 'pipe', 'inherit'] });
	const [port] = (await once(child.stdout, 'data')) as [Buffer];
	return { address: `http://127.0.0.1:${String(port).trim()}`, stop: () => child.kill() };
}

/** The processor time of a process in seconds, and the most memory that it has had in MB (proc(5)). */
function costs(pid: number): { cpu: number; memory: number } {
	const fields = readFileSync(`/proc/${pid}/stat`, 'utf8')
		.replace(/^.*\) /, '')
		.split(' ');
	const memory = /VmHWM:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1];
	return { cpu: (Number(fields[11]) + Number(fields[12])) / 100, memory: Number(memory) / 1024 };
}

const ask = async (address: string, path: string, method = 'GET', body?: unknown) => {
	const answer = await fetch(new URL(path, address), {
		method,
		...(body !== undefined && { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } })
	});
	if (!answer.ok) throw new Error(`${path} answered ${answer.status}: ${await answer.text()}`);
	return (await answer.json()) as Record<string, unknown>;
};

/** What a thousand seats cost their office: asking whether there is anything new, and all getting a release at once. */
export async function seatsBench(): Promise<Line[]> {
	const server = await startServer();
	const folder = mkdtempSync(join(tmpdir(), 'skarn-many-'));
	try {
		await fillDemo(server.address);
		const began = performance.now();
		const seats = await seatsIn(SEATS, { folder, server: server.address, every: 1_000 });
		const enrolled = (performance.now() - began) / 1000;
		const wave = async (): Promise<{ seconds: number; failed: number }> => {
			const start = performance.now();
			const done = await Promise.allSettled(seats.map((seat) => followOnce(seat)));
			const failed = done.filter((one) => one.status === 'rejected' || one.value.state !== 'installed').length;
			return { seconds: (performance.now() - start) / 1000, failed };
		};
		await wave();
		// as it is when it was started on an office that is there
		await server.restart();
		await wave();
		// an up-to-date seat asks: against a bare server with the same bytes, turn about
		const session = (seats[0] as SeatAtWork).session;
		const path = `/api/seats/${session.seat}/check-in`;
		const answer = Buffer.from((await session.ask(path)).bytes).toString('utf8');
		const bare = await bareServer(answer);
		const headers = `authorization: ${session.authorization}\r\n`;
		const rates: { ours: number; theirs: number }[] = [];
		let used = 0;
		let asked = 0;
		// both have just been started: neither has compiled yet what it does again and again
		for (const { address } of [server, bare]) await rate(address, path, headers);
		for (let round = 0; round < ROUNDS; round++) {
			const before = costs(server.pid).cpu;
			const ours = await rate(server.address, path, headers);
			used += costs(server.pid).cpu - before;
			asked += ours * SECONDS;
			rates.push({ ours, theirs: await rate(bare.address, path, headers) });
		}
		bare.stop();
		await ask(server.address, `/api/applications/${gneiss.application.id}/channel`, 'PUT', { release: 1 });
		const { seconds, failed } = await wave();
		return [
			{ what: `${SEATS} seats, each with a key of its own` },
			{ what: 'all of them enrol', value: enrolled, unit: 's' },
			{ what: 'check-ins a second', value: median(rates.map(({ ours }) => ours)), unit: '/s' },
			{
				what: 'check-ins over those of a bare server',
				value: median(rates.map(({ ours, theirs }) => ours / theirs)),
				unit: 'x',
				least: 0.7
			},
			{ what: 'of one core, for 10,000 check-ins a minute', value: ((used / asked) * 10_000 * 100) / 60, unit: '%', most: 100 },
			{ what: 'all of them get another release at once', value: seconds, unit: 's' },
			{ what: 'of them that did not get it', value: failed, unit: '', most: 0 },
			{ what: 'most memory of the server', value: costs(server.pid).memory, unit: 'MB', most: 400 }
		];
	} finally {
		await server.stop();
		rmSync(folder, { recursive: true, force: true });
	}
}
