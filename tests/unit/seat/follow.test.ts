import { expect } from 'chai';
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server, type ServerResponse } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { profileFile, writeProfileFile } from '../../../core/hand-over/profile-file.ts';
import type { StratumId } from '../../../core/strata/stratum.ts';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { SeatFolder, sha256 } from '../../../seat/folder.ts';
import { AnswerError, ask, jsonOf } from '../../../seat/ask.ts';
import { followOnce, type SeatAtWork } from '../../../seat/follow.ts';
import { round, seatIn } from '../../../seat/run.ts';
import { demoProfile } from '../demo-office.ts';
import { OfficeStandIn } from './office-stand-in.ts';

const office = demoProfile().filter((s) => s.kind === 'office');
const good = writeProfileFile(profileFile(gneiss.application, office));
const next = good.replace('Ctrl+E"', 'Ctrl+J"');

describe('a seat', () => {
	let folder: string;
	let stand: OfficeStandIn;
	let seat: SeatAtWork;
	let server: string;
	const read = (name = 'interface.json') => readFileSync(join(folder, name), 'utf8');
	const follow = () => followOnce(seat);
	const startAnew = async () => (seat = await seatIn({ folder, server, every: 1 }));
	beforeEach(async () => {
		folder = mkdtempSync(join(tmpdir(), 'seat-'));
		stand = new OfficeStandIn(gneiss.application.id);
		stand.writeRoot();
		server = await stand.listen();
		seat = await seatIn({ folder, server, code: stand.code, every: 1 });
	});
	afterEach(() => {
		stand.close();
		rmSync(folder, { recursive: true, force: true });
	});
	const publish = (releases: Record<number, string>, follows: number, restart: string[] = []) =>
		stand.write({ releases, follows, restart });

	it('installs what it can prove, keeps the former, and reports only what the office does not know', async () => {
		publish({ 1: good }, 1);
		expect(await follow()).to.include({ release: 1, state: 'installed', sha256: sha256(Buffer.from(good)), timestamp: 1 });
		expect(read()).to.equal(good);
		await follow();
		await follow();
		expect(stand.reports).to.have.length(1);
		publish({ 1: good, 2: next }, 2);
		await follow();
		expect(read()).to.equal(next);
		expect(read('interface.former.json')).to.equal(good);
		expect(stand.reports).to.have.length(2);
	});

	it('notices a change by hand entry by entry, leaves it, and keeps a copy when it is asked to restore', async () => {
		publish({ 1: good }, 1);
		await follow();
		writeFileSync(join(folder, 'interface.json'), next);
		const drifted = await follow();
		expect(drifted.state).to.equal('drifted');
		expect(drifted.differences).to.have.length(2);
		expect(drifted.differences.join('\n'))
			.to.match(/^[+−] .*Ctrl\+E.*$/m)
			.and.match(/^[+−] .*Ctrl\+J.*$/m);
		expect(read()).to.equal(next);
		expect(await round(seat)).to.include('local edit: ');
		stand.restore = true;
		expect((await follow()).state).to.equal('installed');
		expect(read()).to.equal(good);
		expect(read(`interface.by-hand-${sha256(Buffer.from(next)).slice(0, 8)}.json`)).to.equal(next);
	});

	it('leaves a file that was edited locally alone while only something else is signed anew', async () => {
		publish({ 1: good }, 1);
		await follow();
		writeFileSync(join(folder, 'interface.json'), next);
		await follow();
		publish({ 1: good, 2: next }, 1);
		expect(await follow()).to.include({ state: 'drifted', release: 1 });
		expect(read()).to.equal(next);
	});

	it('sends the file that was edited locally once, and again when it changes again', async () => {
		publish({ 1: good }, 1);
		await follow();
		expect(stand.drifts).to.deep.equal([]);
		for (const text of ['{"by": "hand"}', '{"by": "hand"}', '{"by": "another"}']) {
			writeFileSync(join(folder, 'interface.json'), text);
			await follow();
			await follow();
		}
		expect(stand.drifts).to.deep.equal(['{"by": "hand"}', '{"by": "another"}']);
		rmSync(join(folder, 'interface.json'));
		expect((await follow()).message).to.equal('interface.json is missing');
		expect(stand.drifts).to.have.length(2);
	});

	it('begins anew when its own note is garbage, and says when nothing is published', async () => {
		expect((await follow()).state).to.equal('empty');
		publish({ 1: good }, 1);
		await follow();
		writeFileSync(join(folder, 'seat.json'), '{"release":');
		expect((await follow()).state).to.equal('installed');
		expect(read()).to.equal(good);
	});

	it('lays what it has proved, also where it ended between the proof and the file', async () => {
		publish({ 1: good }, 1);
		await follow();
		publish({ 1: good, 2: next }, 2);
		// the metadata of release 2 is there, its file is not
		await seat.updates.wanted(null, () => undefined);
		await startAnew();
		expect(await follow()).to.include({ release: 2, state: 'installed' });
		expect(read()).to.equal(next);
	});

	it('says which options the program takes up only when it is started anew, until it was', async () => {
		const [base] = office as [(typeof office)[0]];
		const saying = (size: number) =>
			new Map(['view.icons', 'view.grid'].map((path, rank) => [path, { op: 'set', rank, path, value: size }]));
		const options = (size: number, above?: number) =>
			writeProfileFile(
				profileFile(gneiss.application, [
					{ ...base, contents: { ...base.contents, options: saying(size) } },
					...(above === undefined
						? []
						: [{ id: 'doors' as StratumId, kind: 'discipline' as const, name: 'Doors', contents: { options: saying(above) } }])
				])
			);
		const [small, large] = [options(16), options(32)];
		publish({ 1: small }, 1, ['view.icons']);
		expect((await follow()).restart).to.deep.equal([]);
		publish({ 1: small, 2: large }, 2, ['view.icons']);
		expect((await follow()).restart).to.deep.equal(['view.icons']);
		expect(await round(seat)).to.include('restart required for view.icons');
		await startAnew();
		expect((await follow()).restart).to.deep.equal([]);
		// what a discipline says over it counts: the same again is nothing to start anew for
		publish({ 1: small, 2: large, 3: options(16, 32) }, 3, ['view.icons']);
		expect((await follow()).restart).to.deep.equal([]);
		publish({ 1: small, 2: large, 3: options(16, 32), 4: options(16, 64) }, 4, ['view.icons']);
		expect((await follow()).restart).to.deep.equal(['view.icons']);
	});

	it('is no seat without a code or a key, and not another one than it was', async () => {
		const said = async (options: { folder: string; id?: string }) => {
			try {
				await seatIn({ server, every: 1, ...options });
				return 'is one';
			} catch (error) {
				return (error as Error).message;
			}
		};
		const bare = mkdtempSync(join(tmpdir(), 'seat-'));
		expect(await said({ folder: bare, id: 'C-09' })).to.match(/not a seat yet\. A steward creates a code for C-09/);
		expect(await said({ folder, id: 'C-09' })).to.match(/belongs to C-01, not to C-09/);
		writeFileSync(join(bare, 'seat-key.json'), '{"seat":');
		expect(await said({ folder: bare })).to.match(/cannot be read, so this workstation cannot identify itself/);
		rmSync(bare, { recursive: true });
	});

	it('knows what it has installed when it was ended between the file and the note about it', async () => {
		publish({ 1: good }, 1);
		await follow();
		const before = JSON.parse(read('seat.json')) as object;
		publish({ 1: good, 2: next }, 2);
		await follow();
		const after = JSON.parse(read('seat.json')) as object;
		// as it stands when the process ends there
		writeFileSync(join(folder, 'seat.json'), JSON.stringify({ ...before, next: after }));
		await startAnew();
		expect(await follow()).to.include({ state: 'installed', release: 2 });
		expect(readdirSync(folder).some((name) => name.includes('by-hand'))).to.equal(false);
		// and when it ends before the file: what was there is still there
		writeFileSync(join(folder, 'interface.json'), good);
		writeFileSync(join(folder, 'seat.json'), JSON.stringify({ ...before, next: after }));
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
		expect(await asked()).to.equal('the server did not answer for 0.3 s');
	});

	it('ends where it stops in the middle', async () => {
		await listen((response) => response.writeHead(200).write('{"a":'));
		expect(await asked()).to.equal('the server did not answer for 0.3 s');
	});

	it('ends where it says a byte now and then', async () => {
		await listen((response) => {
			response.writeHead(200);
			const drip = setInterval(() => response.write('x'), 60);
			response.once('close', () => clearInterval(drip));
		});
		// the silence, and the time in which 50,000 bytes come at the slowest
		expect(await asked()).to.equal('the server answered too slowly: not finished after 0.8 s');
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
