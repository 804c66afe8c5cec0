import { expect } from 'chai';
import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Drift, Manifest, SeatReport } from '../../../core/release/release.ts';
import { profileFile, writeProfileFile } from '../../../core/hand-over/profile-file.ts';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { SeatFolder, sha256 } from '../../../seat/folder.ts';
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
	const follow = (server: { get: Parameters<typeof followOnce>[3] }) =>
		followOnce(SERVER, 'C-01', new SeatFolder(folder), server.get);
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
		['is longer than announced', good, { bytes: 100 }, /longer than the 100 bytes/],
		['is not a profile file', '{"format":"else"}', {}, /not a profile file/]
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
		const round = () => followOnce(SERVER, 'C-01', seat, server.get);
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
});
