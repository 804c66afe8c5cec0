import { expect } from 'chai';
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server, type ServerResponse } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Drift, Manifest, SeatReport } from '../../../core/release/release.ts';
import { profileFile, writeProfileFile } from '../../../core/hand-over/profile-file.ts';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { SeatFolder, sha256 } from '../../../seat/folder.ts';
import { AnswerError, ask, jsonOf, PATIENCE, type Fetch } from '../../../seat/ask.ts';
import { followOnce } from '../../../seat/follow.ts';
import { demoProfile } from '../demo-office.ts';

const { application } = gneiss;

const office = demoProfile().filter((s) => s.kind === 'office');
const good = writeProfileFile(profileFile(application, office));
const SERVER = 'http://127.0.0.1:1';

/** A server that answers as told: the manifest, and a file that need not be what the manifest says. */
function serverWith(file: string, over: Partial<Manifest> = {}) {
	const reports: SeatReport[] = [];
	const drifts: Drift[] = [];
	const manifest: Manifest = {
		application: application.id,
		release: 1,
		sha256: sha256(Buffer.from(file)),
		bytes: Buffer.byteLength(file),
		href: '/file',
		restore: false,
		...over
	};
	const get = async (url: string, init?: RequestInit) => {
		if (url.endsWith('/manifest')) return Response.json(manifest);
		if (url.endsWith('/file')) return new Response(file);
		if (url.endsWith('/drift')) drifts.push(JSON.parse(init!.body as string) as Drift);
		else reports.push(JSON.parse(init!.body as string) as SeatReport);
		return new Response(null, { status: 204 });
	};
	return { get, reports, drifts };
}

describe('a seat', () => {
	let folder: string;
	const follow = ({ get }: { get: Fetch }) => followOnce(SERVER, 'C-01', new SeatFolder(folder), { get, patience: PATIENCE });
	const read = (name = 'interface.json') => readFileSync(join(folder, name), 'utf8');
	beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'seat-'))));
	afterEach(() => rmSync(folder, { recursive: true, force: true }));

	it('installs what it can prove, keeps the former, and reports', async () => {
		const server = serverWith(good);
		expect(await follow(server)).to.include({ release: 1, state: 'installed', sha256: sha256(Buffer.from(good)) });
		expect(read()).to.equal(good);
		const next = good.replace('Ctrl+E"', 'Ctrl+J"');
		await follow(serverWith(next, { release: 2 }));
		expect(read()).to.equal(next);
		expect(read('interface.former.json')).to.equal(good);
		expect(server.reports).to.have.length(1);
	});

	const refused: [string, string, Partial<Manifest>, RegExp][] = [
		['fails its digest', good, { sha256: 'a'.repeat(64) }, /fails its digest: expected a{64}, got [0-9a-f]{64}/],
		['is longer than announced', good, { bytes: 100 }, /longer than 100 bytes/],
		['is not a profile file', '{"format":"else"}', {}, /not a profile file/],
		['is announced for another application', good, { application: 'else' as never }, /needs a folder of its own/],
		['leads to another server', good, { href: 'http://127.0.0.2:1/file' }, /leads to another server/],
		['would be larger than any', good, { bytes: 2_000_000_000 }, /more than any release/]
	];
	for (const [what, file, over, message] of refused)
		it(`keeps what it has when a release ${what}`, async () => {
			await follow(serverWith(good));
			const report = await follow(serverWith(file, { release: 2, ...over }));
			expect(report.state).to.equal('refused');
			expect(report.release).to.equal(1);
			expect(report.message).to.match(message);
			expect(read()).to.equal(good);
			expect(readdirSync(folder).sort()).to.deep.equal(['interface.json', 'seat.json']);
		});

	it('notices a change by hand, leaves it, and keeps a copy when it is asked to restore', async () => {
		await follow(serverWith(good));
		writeFileSync(join(folder, 'interface.json'), 'mine');
		expect((await follow(serverWith(good))).state).to.equal('drifted');
		expect(read()).to.equal('mine');
		expect((await follow(serverWith(good, { restore: true }))).state).to.equal('installed');
		expect(read()).to.equal(good);
		expect(read(`interface.by-hand-${sha256(Buffer.from('mine')).slice(0, 8)}.json`)).to.equal('mine');
	});

	it('sends the file that was changed by hand once, and again when it changes again', async () => {
		const server = serverWith(good);
		const seat = new SeatFolder(folder);
		const round = () => followOnce(SERVER, 'C-01', seat, { get: server.get, patience: PATIENCE });
		await round();
		expect(server.drifts).to.deep.equal([]);
		for (const text of ['{"by": "hand"}', '{"by": "hand"}', '{"by": "another"}']) {
			writeFileSync(join(folder, 'interface.json'), text);
			await round();
			await round();
		}
		expect(server.drifts.map(({ text }) => text)).to.deep.equal(['{"by": "hand"}', '{"by": "another"}']);
		expect(server.drifts.every(({ text, sha256: digest }) => sha256(Buffer.from(text)) === digest)).to.equal(true);
		rmSync(join(folder, 'interface.json'));
		await round();
		expect(server.drifts).to.have.length(2);
	});

	it('begins anew when its own note is garbage, and says when nothing is published', async () => {
		writeFileSync(join(folder, 'seat.json'), '{"release":');
		expect((await follow(serverWith(good))).state).to.equal('installed');
		rmSync(join(folder, 'seat.json'));
		rmSync(join(folder, 'interface.json'));
		expect((await follow(serverWith(good, { release: null, sha256: null, bytes: null, href: null }))).state).to.equal('empty');
	});

	it('says what the server said when it is not known', async () => {
		const get = async () => Response.json({ detail: 'The seat C-01 is not known to this office.' }, { status: 404 });
		let said = '';
		await follow({ get }).catch((error: Error) => (said = error.message));
		expect(said).to.equal('The seat C-01 is not known to this office.');
	});

	it('refuses the file of another program, also at the first time', async () => {
		const report = await follow(serverWith(good, { application: 'varve-draft-7' as never }));
		expect(report.state).to.equal('refused');
		expect(report.message).to.equal('release 1 is of gneiss-solid-5, not of varve-draft-7');
		expect(readdirSync(folder)).to.deep.equal([]);
	});

	it('knows what it has installed when it was ended between the file and the note about it', async () => {
		await follow(serverWith(good));
		const next = good.replace('Ctrl+E"', 'Ctrl+J"');
		const before = JSON.parse(read('seat.json')) as object;
		await follow(serverWith(next, { release: 2 }));
		const after = JSON.parse(read('seat.json')) as object;
		// as it stands when the process ends there
		writeFileSync(join(folder, 'seat.json'), JSON.stringify({ ...before, next: after }));
		expect(await follow(serverWith(next, { release: 2 }))).to.include({ state: 'installed', release: 2 });
		expect(readdirSync(folder).some((name) => name.includes('by-hand'))).to.equal(false);
		// and when it ends before the file: what was there is still there
		writeFileSync(join(folder, 'interface.json'), good);
		expect(new SeatFolder(folder).installed()).to.include({ release: 1 });
	});

	it('has a whole file at every instant, however often it is changed by hand and laid anew', async () => {
		const code = `
			import { SeatFolder } from ${JSON.stringify(join(import.meta.dirname, '../../../seat/folder.ts'))};
			import { writeFileSync } from 'node:fs';
			const folder = new SeatFolder(${JSON.stringify(folder)});
			for (let i = 0; i < 150; i++) {
				folder.install({ release: i + 1, application: 'a' }, Buffer.from('x'.repeat(200_000) + i));
				if (i % 3 === 0) writeFileSync(${JSON.stringify(join(folder, 'interface.json'))}, 'by hand ' + 'y'.repeat(200_000), { flag: 'r+' });
			}`;
		new SeatFolder(folder).install({ release: 1, application: 'a' }, Buffer.from('x'.repeat(200_000)));
		const child = spawn(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', code], { stdio: 'inherit' });
		let isDone = false;
		child.once('exit', () => (isDone = true));
		let looks = 0;
		let gone = 0;
		while (!isDone) {
			for (let i = 0; i < 500; i++, looks++) if (!existsSync(join(folder, 'interface.json'))) gone++;
			await new Promise((resolve) => setTimeout(resolve));
		}
		expect(child.exitCode).to.equal(0);
		expect(looks).to.be.above(1_000);
		expect(gone).to.equal(0);
	});
});

describe('a seat that asks a server that does not answer as it should', () => {
	const QUICK = { silence: 300, slowest: 100_000 };
	let server: Server;
	let address: string;
	let isClosed: Promise<unknown>;
	const listen = async (answer: (response: ServerResponse) => void) => {
		server = createServer((_, response) => {
			isClosed = once(response, 'close');
			answer(response);
		}).listen(0, '127.0.0.1');
		await once(server, 'listening');
		address = `http://127.0.0.1:${(server.address() as { port: number }).port}/x`;
	};
	afterEach(() => {
		server.closeAllConnections();
		server.close();
	});
	const asked = async (): Promise<string> => {
		try {
			await ask(fetch, address, { most: 50_000, patience: QUICK });
			return 'answered';
		} catch (error) {
			expect(error).to.be.instanceOf(AnswerError);
			return (error as Error).message;
		} finally {
			// the line is let go, and not kept open for the rest
			await isClosed;
		}
	};

	it('ends where it says nothing at all', async () => {
		await listen(() => {});
		expect(await asked()).to.equal('the office said nothing for 0.3 s');
	});

	it('ends where it stops in the middle', async () => {
		await listen((response) => response.writeHead(200).write('{"a":'));
		expect(await asked()).to.equal('the office said nothing for 0.3 s');
	});

	it('ends where it says a byte now and then', async () => {
		await listen((response) => {
			response.writeHead(200);
			const drip = setInterval(() => response.write('x'), 60);
			response.once('close', () => clearInterval(drip));
		});
		// the silence, and the time in which 50,000 bytes come at the slowest
		expect(await asked()).to.equal('the office answered too slowly: not done after 0.8 s');
	});

	it('ends where the answer has no end, and reads no more than it may', async () => {
		let sent = 0;
		await listen((response) => {
			response.writeHead(200);
			const pour = () => {
				while (!response.destroyed && response.write('x'.repeat(16_384))) sent += 16_384;
			};
			response.on('drain', pour);
			pour();
		});
		expect(await asked()).to.equal('the answer is longer than 50000 bytes');
		expect(sent).to.be.below(20_000_000);
	});

	it('follows it nowhere else', async () => {
		await listen((response) => response.writeHead(302, { location: 'http://127.0.0.1:9/' }).end());
		let said: unknown;
		await ask(fetch, address, { patience: QUICK }).catch((error: unknown) => (said = error));
		expect(said).to.be.instanceOf(Error);
	});

	it('takes what comes in time, whole', async () => {
		await listen((response) => response.end('{"a": 1}'));
		const answer = await ask(fetch, address, { patience: QUICK });
		expect([answer.ok, jsonOf(answer)]).to.deep.equal([true, { a: 1 }]);
		expect(() => jsonOf({ ...answer, bytes: Buffer.from('<html>') })).to.throw(AnswerError, 'not JSON');
	});
});
