import { expect } from 'chai';
import { generateKeyPairSync, sign, type KeyObject } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { driftOf } from '../../../core/hand-over/drift.ts';
import { strataInFile } from '../../../core/hand-over/profile-file.ts';
import type { DriftBeside } from '../../../core/release/release.ts';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { fill } from '../../../demo/fill.ts';
import { PATIENCE } from '../../../seat/ask.ts';
import { followOnce } from '../../../seat/follow.ts';
import { seatIn } from '../../../seat/run.ts';
import { officeOf } from '../../../src/lib/server/office.ts';
import { openOffice } from '../office-of-people.ts';
import { serverInside, type Inside } from '../page/inside.ts';

const app = gneiss.application.id;
const namesAsTheyAre = { meet: () => true, command: String, option: String, scope: (scope: object) => JSON.stringify(scope) };

describe('seats of an office', () => {
	let server: Inside;
	let cookies: Record<string, string>;
	let folder: string;
	const as = async (who: string, path: string, method = 'GET', body?: unknown) => {
		const answer = await server.ask(path, method, body, { cookie: cookies[who]! });
		return { status: answer.status, body: (await answer.json().catch(() => ({}))) as Record<string, unknown> };
	};
	const codeOf = async (seat: string) => (await as('steward', `/api/seats/${seat}/code`, 'POST')).body['code'] as string;
	const hexOf = (key: KeyObject) => key.export({ format: 'der', type: 'spki' }).subarray(-32).toString('hex');
	const enrol = async (code: string) => {
		const { privateKey, publicKey } = generateKeyPairSync('ed25519');
		const answer = await server.ask('/api/enrolments', 'POST', { code, key: hexOf(publicKey) });
		return { answer, key: privateKey };
	};
	const signIn = async (seat: string, key: KeyObject, as_ = seat) => {
		const { challenge } = (await (await server.ask(`/api/seats/${seat}/session`)).json()) as { challenge: string };
		const signature = sign(null, Buffer.from(`skarn seat ${as_} signs in: ${challenge}`), key).toString('hex');
		const answer = await server.ask(`/api/seats/${seat}/session`, 'POST', { challenge, signature });
		return { status: answer.status, token: ((await answer.json()) as { token?: string }).token };
	};
	const ask = (path: string, token: string | undefined) =>
		server.ask(path, 'GET', undefined, token ? { authorization: `Seat ${token}` } : {});

	before(async () => {
		folder = mkdtempSync(join(tmpdir(), 'skarn-seated-'));
		server = serverInside();
		await fill(server.address, gneiss);
		cookies = await openOffice(server);
		expect((await as('steward', '/api/signing', 'POST', { passphrases: ['a rope and a pulley'] })).status).to.equal(200);
		for (const id of ['C-01', 'C-02', 'C-03'])
			expect((await as('steward', `/api/applications/${app}/seats`, 'POST', { id })).status).to.equal(201);
	});
	after(async () => {
		await server.close();
		rmSync(folder, { recursive: true, force: true });
	});

	it('enrol with a code that is good once, however it is typed, and for the seat that it was made for', async () => {
		const code = await codeOf('C-01');
		const { answer } = await enrol(code.toLowerCase().replace(/-/g, ' '));
		expect(answer.status).to.equal(201);
		expect(await answer.json()).to.include({ seat: 'C-01', application: app });
		expect((await enrol(code)).answer.status).to.equal(404);
		// a new code ends the former
		const first = await codeOf('C-02');
		await codeOf('C-02');
		expect((await enrol(first)).answer.status).to.equal(404);
		expect((await as('designer', '/api/seats/C-02/code', 'POST')).status).to.equal(403);
	});

	it('are let in by their own key alone, and never as another seat', async () => {
		const { key } = await enrol(await codeOf('C-01'));
		const { key: other } = await enrol(await codeOf('C-02'));
		const { token } = await signIn('C-01', key);
		expect((await ask('/api/seats/C-01/check-in', token)).status).to.equal(200);
		expect((await ask('/api/updates/metadata/timestamp.json', token)).status).to.equal(200);
		expect((await ask('/api/seats/C-02/check-in', token)).status).to.equal(403);
		expect((await ask('/api/seats/C-01/check-in', undefined)).status).to.equal(401);
		expect((await ask('/api/seats/C-01/check-in', token!.replace('C-01', 'C-02'))).status).to.equal(401);
		const [seat, end, mac] = token!.split('.') as [string, string, string];
		expect((await ask('/api/seats/C-01/check-in', `${seat}.${Number(end) + 9}.${mac}`)).status).to.equal(401);
		expect((await signIn('C-01', other)).status).to.equal(401);
		expect((await signIn('C-01', key, 'C-02')).status).to.equal(401);
		const late = { challenge: '1.x', signature: '0'.repeat(128) };
		expect((await server.ask('/api/seats/C-01/session', 'POST', late)).status).to.equal(401);
		// the token of a steward is none of a seat
		expect((await as('steward', '/api/seats/C-01/check-in')).status).to.equal(401);
	});

	it('are let in no more after another workstation took their place, or after they were removed', async () => {
		const { key } = await enrol(await codeOf('C-03'));
		const { token } = await signIn('C-03', key);
		expect((await ask('/api/seats/C-03/check-in', token)).status).to.equal(200);
		const { key: next } = await enrol(await codeOf('C-03'));
		expect((await ask('/api/seats/C-03/check-in', token)).status).to.equal(401);
		expect((await signIn('C-03', key)).status).to.equal(401);
		const { token: good } = await signIn('C-03', next);
		expect((await as('steward', `/api/applications/${app}/seats?id=C-03`, 'DELETE')).status).to.equal(200);
		expect((await ask('/api/seats/C-03/check-in', good)).status).to.equal(401);
	});

	it('have the setup of who sits there: what is theirs at once, what is released of the office', async () => {
		const code = await codeOf('C-02');
		const get = (url: string, init?: RequestInit) => fetch(url, init);
		const seat = await seatIn({ folder, server: server.address, code, every: 1 }, { get, patience: PATIENCE });
		const read = () => readFileSync(join(folder, 'interface.json'), 'utf8');
		await followOnce(seat);
		const released = read();
		const document = (await as('designer', `/api/applications/${app}`)).body as unknown as {
			me: { id: string };
			setups: { id: string }[];
			layers: { id: string; person: string | null }[];
			revision: number;
		};
		const own = document.layers.find(({ person }) => person === document.me.id)!.id;
		const write = async (keys: string, rank: number) => {
			const { revision } = (await as('designer', `/api/applications/${app}`)).body as { revision: number };
			const [after] = gneiss.entriesOf(`set | ${keys} | file.pack | any`);
			const change = { chapter: 'shortcuts', stratum: own, before: null, after: { ...after!, rank } };
			const edit = { base: revision, stratum: own, label: keys, changes: [change] };
			expect((await as('designer', `/api/applications/${app}/edits`, 'POST', edit)).status).to.equal(201);
		};
		await write('Ctrl+Alt+1', 1);
		// the setup that everybody has without having chosen
		const [setup] = document.setups;
		expect((await as('designer', '/api/seats/C-02/sitting', 'PUT', { setup: setup!.id })).status).to.equal(200);
		const first = await followOnce(seat);
		expect(first.own).to.equal(1);
		expect(read()).to.include('"Ctrl+Alt+1"').and.include('C-02, Everyday');
		for (const line of released
			.split('\n')
			.filter((text) => text.includes('"op":"set"') && text.includes('"keys"'))
			.slice(0, 5))
			expect(read(), 'what the office has released').to.include(/"keys":"[^"]+"/.exec(line)![0]);
		await write('Ctrl+Alt+2', 2);
		expect((await followOnce(seat)).own).to.equal(2);
		expect(read()).to.include('"Ctrl+Alt+2"');
		// what is changed by hand there is told beside what was laid for who sits there, not beside the release
		const laid = read();
		writeFileSync(join(folder, 'interface.json'), laid.replace('"Ctrl+Alt+2"', '"Ctrl+Alt+3"'));
		expect((await followOnce(seat)).state).to.equal('drifted');
		const drift = (await as('steward', '/api/seats/C-02/drift')).body as unknown as DriftBeside;
		expect(drift.laid).to.equal(laid);
		const items = driftOf('interface.json', drift.text, strataInFile('the installed files', drift.laid), namesAsTheyAre);
		expect(items.map(({ kind, chapter }) => [kind, chapter])).to.have.deep.members([
			['added', 'shortcuts'],
			['removed', 'shortcuts']
		]);
		writeFileSync(join(folder, 'interface.json'), laid);
		expect((await followOnce(seat)).state).to.equal('installed');
		// with another key of the role what it has signed is signed anew, and the seat goes on
		const rotated = { do: 'rotate', role: 'own-files', passphrases: ['a rope and a pulley'] };
		expect((await as('steward', '/api/signing', 'PUT', rotated)).status).to.equal(200);
		const after = await followOnce(seat);
		expect([after.state, after.message, after.own]).to.deep.equal(['installed', '', 3]);
		// nobody else may make them get up but a steward; then it is the release again
		expect((await as('trainer', '/api/seats/C-02/sitting', 'PUT', { setup: null })).status).to.equal(403);
		expect((await as('trainer', '/api/seats/C-02/sitting', 'PUT', { setup: setup!.id })).status).to.equal(403);
		expect((await as('steward', '/api/seats/C-02/sitting', 'PUT', { setup: null })).status).to.equal(200);
		expect((await followOnce(seat)).own).to.equal(null);
		expect(read()).to.equal(released);
	});

	it('do not tell what was edited locally beside a newer file than was laid', async () => {
		const { setups } = (await as('designer', `/api/applications/${app}`)).body as unknown as { setups: { id: string }[] };
		const seatFile = join(folder, 'interface.json');
		const get = (url: string, init?: RequestInit) => fetch(url, init);
		const seat = await seatIn({ folder, server: server.address, every: 1 }, { get, patience: PATIENCE });
		expect((await as('designer', '/api/seats/C-02/sitting', 'PUT', { setup: setups[0]!.id })).status).to.equal(200);
		await followOnce(seat);
		const laid = readFileSync(seatFile, 'utf8');
		writeFileSync(seatFile, laid.replace('"Ctrl+Alt+2"', '"Ctrl+Alt+3"'));
		expect((await followOnce(seat)).state).to.equal('drifted');
		await (await officeOf()).signing.signOwn('C-02', app, 1, 'something newer', () => laid);
		const { status, body } = await as('steward', '/api/seats/C-02/drift');
		expect([status, body['type']]).to.deep.equal([409, '/problems/stale-revision']);
		await as('designer', '/api/seats/C-02/sitting', 'PUT', { setup: null });
		await followOnce(seat);
	});

	it('are in trouble when somebody says so, until they themselves, whoever sits there or a steward settles it', async () => {
		const path = '/api/seats/C-02/trouble';
		const stateOf = async (who = 'designer') => {
			const { seats } = (await as(who, `/api/applications/${app}/seats`)).body as unknown as {
				seats: { id: string; state: string; trouble: { words: string; by: string; release: number } | null }[];
			};
			return seats.find(({ id }) => id === 'C-02')!;
		};
		const words = { words: 'Orbit does not answer' };
		expect((await as('designer', path, 'DELETE')).status).to.equal(409);
		expect((await as('designer', path, 'POST', { words: ' ' })).status).to.equal(400);
		expect((await as('designer', path, 'POST', words)).status).to.equal(200);
		const { me } = (await as('designer', `/api/applications/${app}`)).body as unknown as { me: { id: string } };
		const said = await stateOf();
		expect([said.state, said.trouble?.words, said.trouble?.by]).to.deep.equal(['troubled', words.words, me.id]);
		expect((await as('trainer', path, 'DELETE')).status, 'somebody else').to.equal(403);
		expect((await as('designer', path, 'DELETE')).status).to.equal(200);
		expect((await stateOf('steward')).state).to.equal('current');
		expect((await stateOf()).state, 'of another one’s seat').to.equal('hidden');
		await as('trainer', path, 'POST', words);
		expect((await as('steward', path, 'DELETE')).status).to.equal(200);
		await as('trainer', path, 'POST', words);
		const { setups } = (await as('designer', `/api/applications/${app}`)).body as unknown as { setups: { id: string }[] };
		await as('designer', '/api/seats/C-02/sitting', 'PUT', { setup: setups[0]!.id });
		expect((await as('designer', path, 'DELETE')).status, 'who sits there').to.equal(200);
		await as('designer', '/api/seats/C-02/sitting', 'PUT', { setup: null });
		// of a seat that has no release there is none that could be the trouble
		expect((await as('designer', '/api/seats/C-01/trouble', 'POST', words)).status).to.equal(409);
		expect((await as('designer', '/api/seats/C-99/trouble', 'POST', words)).status).to.equal(404);
	});

	it('lose the setup of somebody who leaves', async () => {
		const { me, setups } = (await as('designer', `/api/applications/${app}`)).body as unknown as {
			me: { id: string };
			setups: { id: string }[];
		};
		await as('designer', '/api/seats/C-02/sitting', 'PUT', { setup: setups[0]!.id });
		expect((await as('steward', `/api/people?id=${me.id}`, 'DELETE')).status).to.equal(200);
		const { seats } = (await as('steward', `/api/applications/${app}/seats`)).body as unknown as {
			seats: { id: string; sitting: unknown }[];
		};
		expect(seats.find(({ id }) => id === 'C-02')!.sitting).to.equal(null);
	});

	it('answer a challenge once', async () => {
		const { key } = await enrol(await codeOf('C-01'));
		const { challenge } = (await (await server.ask('/api/seats/C-01/session')).json()) as { challenge: string };
		const signature = sign(null, Buffer.from(`skarn seat C-01 signs in: ${challenge}`), key).toString('hex');
		const answer = () => server.ask('/api/seats/C-01/session', 'POST', { challenge, signature });
		expect((await answer()).status).to.equal(200);
		expect((await answer()).status).to.equal(401);
	});

	it('are let in with a right code, whatever others have tried from the same place', async () => {
		for (let i = 0; i < 12; i++)
			expect((await enrol(`ZZZZ-ZZZZ-ZZ${String(i).padStart(2, '0')}-${'0'.repeat(20)}`)).answer.status).to.equal(404);
		expect((await enrol(await codeOf('C-01'))).answer.status).to.equal(201);
	});
});
