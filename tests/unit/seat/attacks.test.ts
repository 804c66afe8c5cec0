import { expect } from 'chai';
import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { lstatSync, mkdtempSync, readFileSync, readdirSync, renameSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { profileFile, writeProfileFile } from '../../../core/hand-over/profile-file.ts';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { varve } from '../../../demo/varve/varve.ts';
import { demoProfile } from '../demo-office.ts';
import { makeKey, OfficeStandIn, sha256, type Report } from './office-stand-in.ts';

/*
 * The attacks that a client must refuse: The Update Framework, specification 1.0.34, section 1.5.2 (arbitrary installation, endless data, extraneous
 * dependencies aside, fast-forward, indefinite freeze, malicious mirrors, mix-and-match, rollback, slow retrieval, vulnerability to key compromises, wrong
 * software). Each is tried on a seat that runs as a process of its own.
 */
const root = join(import.meta.dirname, '../../..');
const office = demoProfile().filter((s) => s.kind === 'office');
const first = writeProfileFile(profileFile(gneiss.application, office));
const second = first.replace('Ctrl+E"', 'Ctrl+J"');
const third = first.replace('Ctrl+E"', 'Ctrl+Alt+J"');
const foreign = writeProfileFile(
	profileFile(
		varve.application,
		office.map((s) => ({ ...s, contents: {} }))
	)
);

describe('a seat under attack', function () {
	let stand: OfficeStandIn;
	let folder: string;
	let address: string;
	let process_: ChildProcess;
	const lines: string[] = [];
	const read = () => readFileSync(join(folder, 'interface.json'), 'utf8');

	async function until(what: string, holds: () => boolean): Promise<void> {
		for (const end = Date.now() + 20_000; !holds(); await new Promise((resolve) => setTimeout(resolve, 30)))
			if (Date.now() > end) throw new Error(`not within 20 s: ${what}; it said ${lines.slice(-3).join(' / ')}`);
	}
	const last = (): Report => stand.reports.at(-1) ?? { state: '', release: null, message: '', differences: [], restart: [] };
	const installed = (release: number) =>
		until(`release ${release}`, () => last().state === 'installed' && last().release === release);
	/** The office has offered something bad: it is told so in words, and what was there is there still. */
	async function refused(words: RegExp, has: { release: number; text: string }): Promise<void> {
		await until(`refused: ${words}`, () => last().state === 'refused' && words.test(last().message));
		expect(last().release).to.equal(has.release);
		expect(read()).to.equal(has.text);
	}

	async function start(patience = '{}'): Promise<void> {
		lines.length = 0;
		const args = ['--import', 'tsx', 'seat/main.ts', '--server', address, '--folder', folder, '--every', '60'];
		const isKnown = readdirSync(folder).includes('seat-key.json');
		process_ = spawn(process.execPath, [...args, ...(isKnown ? [] : ['--code', stand.code])], {
			cwd: root,
			stdio: ['ignore', 'pipe', 'pipe'],
			env: { ...process.env, SKARN_SEAT_PATIENCE: patience }
		});
		for (const stream of [process_.stdout!, process_.stderr!])
			stream.setEncoding('utf8').on('data', (text: string) => lines.push(...text.trim().split('\n')));
	}
	async function end(): Promise<void> {
		if (process_.exitCode !== null) return;
		process_.kill('SIGKILL');
		await once(process_, 'exit');
	}

	beforeEach(async () => {
		folder = mkdtempSync(join(tmpdir(), 'skarn-attacked-'));
		stand = new OfficeStandIn(gneiss.application.id);
		stand.writeRoot();
		stand.write({ releases: { 1: first }, follows: 1 });
		address = await stand.listen();
		await start('{"silence":700,"slowest":200000}');
		await installed(1);
		expect(read()).to.equal(first);
	});
	afterEach(async () => {
		await end();
		stand.close();
		rmSync(folder, { recursive: true, force: true });
	});

	it('takes what is signed, whole, one release after the other, and goes back by a new signed version', async () => {
		stand.write({ releases: { 1: first, 2: second }, follows: 2 });
		await installed(2);
		expect(read()).to.equal(second);
		expect(readFileSync(join(folder, 'interface.former.json'), 'utf8')).to.equal(first);
		stand.write({ releases: { 1: first, 2: second }, follows: 1 });
		await installed(1);
		expect(read()).to.equal(first);
	});

	it('arbitrary files: a file that is not the one that was signed', async () => {
		stand.write({ releases: { 1: first, 2: second }, follows: 2 });
		stand.files.set(`${gneiss.application.id}/${sha256(second)}.2.json`, third);
		await refused(/differs from the signed file/, { release: 1, text: first });
		stand.files.set(`${gneiss.application.id}/${sha256(second)}.2.json`, second);
		await installed(2);
	});

	it('a consistent office of somebody else: everything fits together, but other keys have signed it', async () => {
		const other = new OfficeStandIn(gneiss.application.id);
		other.versions.timestamp = 5;
		other.writeRoot();
		other.write({ releases: { 1: third, 9: third }, follows: 9 });
		const [metadata, files] = [new Map(stand.metadata), new Map(stand.files)];
		for (const [name, text] of other.metadata) stand.metadata.set(name, text);
		for (const [name, text] of other.files) stand.files.set(name, text);
		stand.says = 6;
		await refused(/not signed with the signing keys/, { release: 1, text: first });
		stand.metadata.clear();
		for (const [name, text] of metadata) stand.metadata.set(name, text);
		for (const [name, text] of files) stand.files.set(name, text);
		stand.says = undefined;
		await installed(1);
	});

	it('too few signatures: a root that one of two keys has signed', async () => {
		const [one, two] = stand.keys.root as [(typeof stand.keys.root)[0], (typeof stand.keys.root)[0]];
		const fresh = makeKey();
		stand.keys.root.splice(0, 2, one, fresh);
		stand.writeRoot([one]);
		stand.write({ releases: { 1: first, 2: second }, follows: 2 });
		await refused(/not signed with the signing keys/, { release: 1, text: first });
		// enough of the old and of the new ones
		stand.versions.root--;
		stand.writeRoot([one, two]);
		await installed(2);
	});

	it('rollback: an older timestamp, an older snapshot and an older role are not taken', async () => {
		const old = new Map(stand.metadata);
		stand.write({ releases: { 1: first, 2: second }, follows: 2 });
		await installed(2);
		const now = new Map(stand.metadata);
		stand.metadata.set('timestamp.json', old.get('timestamp.json')!);
		stand.says = 1;
		await refused(/older than the installed version/, { release: 2, text: second });
		stand.metadata.set('timestamp.json', now.get('timestamp.json')!);
		// a newer timestamp of an older snapshot
		stand.says = undefined;
		stand.writeTimestamp(3600, { snapshot: 1 });
		await refused(/older than the installed version/, { release: 2, text: second });
		// a newer snapshot with an older role
		stand.writeSnapshot(3600, { [`app.${gneiss.application.id}.json`]: { version: 1 } });
		stand.writeTimestamp();
		await refused(/older than the installed version/, { release: 2, text: second });
		stand.writeSnapshot();
		stand.writeTimestamp();
		await installed(2);
	});

	it('freeze: an office that says nothing new until its word holds no more', async () => {
		stand.write({ releases: { 1: first }, follows: 1 }, { timestampFor: 2 });
		await until('the short timestamp', () => /"version":2/.test(readFileSync(join(folder, 'office/timestamp.json'), 'utf8')));
		await refused(/has expired without an update/, { release: 1, text: first });
		stand.writeTimestamp();
		await installed(1);
	});

	it('freeze: somebody in between answers that there is nothing at all', async () => {
		stand.write({ releases: { 1: first }, follows: 1 }, { timestampFor: 2 });
		await until('the short timestamp', () => /"version":2/.test(readFileSync(join(folder, 'office/timestamp.json'), 'utf8')));
		stand.says = null;
		await refused(/has expired without an update/, { release: 1, text: first });
		stand.says = undefined;
		stand.writeTimestamp();
		await installed(1);
	});

	it('mix and match: parts of two states that were each signed', async () => {
		const before = stand.metadata.get('1.snapshot.json')!;
		stand.write({ releases: { 1: first, 2: second }, follows: 2 });
		await installed(2);
		stand.write({ releases: { 1: first, 2: second, 3: third }, follows: 3 });
		// the newest timestamp with a snapshot that was signed for another one, and an older role under the newer name
		const good = stand.metadata.get('3.snapshot.json')!;
		stand.metadata.set('3.snapshot.json', before);
		await refused(/differs from the signed file|do not belong together|older/, { release: 2, text: second });
		stand.metadata.set('3.snapshot.json', good);
		await installed(3);
		const app = `app.${gneiss.application.id}`;
		stand.write({ releases: { 1: first }, follows: 1 });
		stand.metadata.set(`4.${app}.json`, stand.metadata.get(`2.${app}.json`)!);
		await refused(/do not belong together/, { release: 3, text: third });
	});

	it('wrong software: the file of another program, signed in its place', async () => {
		stand.write({ releases: { 1: first, 2: foreign }, follows: 2 });
		await refused(/is of varve-draft-7, not of gneiss-solid-5/, { release: 1, text: first });
		stand.write({ releases: { 1: first, 2: '{"format":"else"}' }, follows: 2 });
		await refused(/not a profile file/, { release: 1, text: first });
	});

	it('wrong keys: what one application may sign is not taken for another, nor by a key that was taken away', async () => {
		const stolen = stand.keys.app[0]!;
		stand.keys.app.splice(0, 1, makeKey());
		stand.write({ releases: { 1: first, 2: second }, follows: 2 });
		await installed(2);
		const { app } = stand.keys;
		stand.keys.app.splice(0, 1, stolen);
		const version = stand.versions.app;
		stand.writeApp({});
		stand.keys.app.splice(0, 1, app[0]!);
		expect(stand.versions.app).to.equal(version + 1);
		stand.writeSnapshot();
		stand.writeTimestamp();
		await refused(/not signed with the signing keys/, { release: 2, text: second });
	});

	it('endless data: a timestamp, metadata and a file without end; memory does not grow with them', async () => {
		const pour = (part: RegExp) => {
			stand.lie = (request, response) => {
				if (!part.test(request.url ?? '')) return false;
				response.writeHead(200);
				const more = () => {
					while (!response.destroyed && response.write('x'.repeat(65_536)));
				};
				response.on('drain', more);
				more();
				return true;
			};
		};
		for (const part of [/timestamp\.json/, /snapshot\.json/, /files/]) {
			stand.write({ releases: { 1: first, 2: second }, follows: 2 });
			if (part.source === 'files') stand.write({ releases: { 1: first, 2: `${second} ` }, follows: 2 });
			pour(part);
			await refused(/differs from the signed file|longer than|too slowly/, { release: 1, text: first });
		}
		const memory = Number(/VmHWM:\s+(\d+) kB/.exec(readFileSync(`/proc/${process_.pid}/status`, 'utf8'))?.[1]);
		expect(memory / 1024, 'most memory in MB').to.be.below(400);
		stand.lie = () => false;
		await installed(2);
	});

	it('slow retrieval: a byte now and then, and an office that says nothing', async () => {
		const drips: ReturnType<typeof setInterval>[] = [];
		stand.write({ releases: { 1: first, 2: second }, follows: 2 });
		stand.lie = (request, response) => {
			if (!/timestamp\.json/.test(request.url ?? '')) return false;
			response.writeHead(200);
			drips.push(setInterval(() => response.write('x'), 100));
			return true;
		};
		await refused(/too slowly|longer than/, { release: 1, text: first });
		drips.forEach(clearInterval);
		stand.lie = (request) => /timestamp\.json/.test(request.url ?? '');
		await refused(/did not answer/, { release: 1, text: first });
		stand.lie = () => false;
		await installed(2);
	});

	it('fast-forward: after the keys were changed, versions that a thief has counted up are forgotten', async () => {
		const before = [...stand.keys.root];
		stand.versions.timestamp = 1_000_000;
		stand.versions.snapshot = 999_999;
		stand.write({ releases: { 1: first }, follows: 1 });
		await until('the high version', () => /"version":1000001/.test(readFileSync(join(folder, 'office/timestamp.json'), 'utf8')));
		stand.keys.timestamp.splice(0, 1, makeKey());
		stand.keys.snapshot.splice(0, 1, makeKey());
		stand.writeRoot(before);
		stand.versions.timestamp = 4;
		stand.versions.snapshot = 4;
		stand.write({ releases: { 1: first, 2: second }, follows: 2 });
		await installed(2);
	});

	it('fast-forward of the file of who sits there: a version far ahead is forgotten with the key, and only with it', async () => {
		const own = (release: number, text: string) =>
			until(`the own file`, () => last().state === 'installed' && last().release === release && read() === text);
		stand.writeOwn(1_000_000, third, 1);
		stand.write({ releases: { 1: first }, follows: 1 });
		await own(1, third);
		stand.writeOwn(7, second, 1);
		stand.write({ releases: { 1: first }, follows: 1 });
		await refused(/older than version 1000000/, { release: 1, text: third });
		stand.keys.own.splice(0, 1, makeKey());
		stand.writeOwn(8, second, 1);
		stand.write({ releases: { 1: first }, follows: 1 });
		await own(1, second);
		stand.writeOwn(7, third, 1);
		stand.writeTimestamp();
		await refused(/older than version 8/, { release: 1, text: second });
	});

	it('links: what lies where it writes is replaced, and what a link leads to is neither read nor written', async () => {
		await end();
		const elsewhere = mkdtempSync(join(tmpdir(), 'skarn-elsewhere-'));
		const secret = join(elsewhere, 'secret');
		const names = readdirSync(folder).filter((name) => name !== 'seat-key.json' && name !== 'office');
		const trusted = readdirSync(join(folder, 'office')).map((name) => join('office', name));
		try {
			writeFileSync(secret, 'of somebody else');
			for (const name of [...names, ...trusted, 'interface.former.json', 'office/own-version.json']) {
				if (name === 'office/root.kept.json') continue;
				rmSync(join(folder, name), { force: true });
				symlinkSync(secret, join(folder, name));
			}
			stand.writeOwn(3, third, 2);
			stand.write({ releases: { 1: first, 2: second }, follows: 2 });
			await start();
			await until('the own file', () => read() === third);
			expect(readFileSync(secret, 'utf8')).to.equal('of somebody else');
			expect(stand.drifts).to.deep.equal([]);
			const links = () =>
				[...readdirSync(folder), ...readdirSync(join(folder, 'office')).map((name) => join('office', name))].filter((name) =>
					lstatSync(join(folder, name), { throwIfNoEntry: false })?.isSymbolicLink()
				);
			// what it notes of the file is written after the file
			await until('all that it writes', () => links().length === 1);
			expect(links()).to.deep.equal(['interface.former.json']);
			// a link in the place of what is laid is told as what it is, and not sent to the office
			rmSync(join(folder, 'interface.json'));
			symlinkSync(secret, join(folder, 'interface.json'));
			await until('it says so', () => /a link, which is not followed/.test(last().message));
			expect(stand.drifts).to.deep.equal([]);
			stand.restore = true;
			await until('laid again', () => read() === third && !lstatSync(join(folder, 'interface.json')).isSymbolicLink());
			// the folder of what it trusts may not lie elsewhere
			await end();
			renameSync(join(folder, 'office'), join(elsewhere, 'office'));
			symlinkSync(join(elsewhere, 'office'), join(folder, 'office'));
			stand.write({ releases: { 1: first, 2: first }, follows: 2 });
			await start();
			await until('it says so', () => /office is a link, which is not followed/.test(last().message));
			expect(read()).to.equal(third);
		} finally {
			rmSync(elsewhere, { recursive: true, force: true });
		}
	});

	it('another key than the seat has enrolled with is not let in', async () => {
		const mine = stand.seatKey;
		stand.seatKey = (makeKey().public as { keyval: { public: string } }).keyval.public;
		stand.write({ releases: { 1: first, 2: second }, follows: 2 });
		stand.lie = (request, response) => {
			if (request.url !== `/api/seats/${stand.seat}/check-in`) return false;
			stand.lie = () => false;
			response.writeHead(401, { 'content-type': 'application/json' }).end('{"detail":"Sign in."}');
			return true;
		};
		await until('it says so', () => lines.some((line) => line.includes('This is not the key.')));
		expect(read()).to.equal(first);
		stand.seatKey = mine;
		await installed(2);
	});

	it('a process that ends at any time goes on where it was, by its own key and without a code', async () => {
		for (let i = 2; i < 6; i++) {
			stand.write({ releases: { 1: first, [i]: i % 2 ? third : second }, follows: i });
			await new Promise((resolve) => setTimeout(resolve, i * 17));
			await end();
			expect([first, second, third]).to.include(read());
			await start();
			await installed(i);
			expect(read()).to.equal(i % 2 ? third : second);
		}
	});

	it('a root that was half written is taken from its copy', async () => {
		await end();
		writeFileSync(join(folder, 'office/root.json'), '{"signed": {"ver');
		stand.write({ releases: { 1: first, 2: second }, follows: 2 });
		await start();
		await installed(2);
	});

	it('keeps what it has while the office is away', async () => {
		stand.lie = (request) => {
			request.socket.destroy();
			return true;
		};
		await until('it says so', () => lines.some((line) => line.includes('keeps the current release')));
		expect(read()).to.equal(first);
		stand.lie = () => false;
		stand.write({ releases: { 1: first, 2: second }, follows: 2 });
		await installed(2);
	});
});

describe('enrolling', () => {
	it('takes only the office that the code speaks of', async () => {
		const folder = mkdtempSync(join(tmpdir(), 'skarn-enrol-'));
		const stand = new OfficeStandIn(gneiss.application.id);
		stand.writeRoot();
		const address = await stand.listen();
		const { enrol } = await import('../../../seat/identity.ts');
		const said = async (code: string) => {
			try {
				await enrol(address, code, folder);
				return 'enrolled';
			} catch (error) {
				return (error as Error).message;
			}
		};
		try {
			expect(await said('hello')).to.match(/This is not a code/);
			const { code } = stand;
			expect(await said(code.replace('AAAA', 'AAAB'))).to.equal('This code was used.');
			// somebody in between answers with a root of their own
			const other = new OfficeStandIn(gneiss.application.id);
			other.writeRoot();
			stand.metadata.set('1.root.json', other.metadata.get('1.root.json')!);
			Object.defineProperty(stand, 'code', { value: code });
			expect(await said(code)).to.match(/another office: the main signing key is [0-9a-f]{20}, expected [0-9a-f]{20}/);
			expect(readdirSync(folder)).to.deep.equal([]);
		} finally {
			stand.close();
			rmSync(folder, { recursive: true, force: true });
		}
	});
});
