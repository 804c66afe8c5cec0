import { expect } from 'chai';
import { createHash } from 'node:crypto';
import { factoryOf, fillDemo, standIns } from '../../../demo/fill.ts';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { varve } from '../../../demo/varve/varve.ts';
import { readProfileFile } from '../../../core/hand-over/profile-file.ts';
import type { FileRow } from '../../../core/chapter/chapter.ts';
import { shortcutKey, type Entry } from '../../../core/shortcut/entry.ts';
import { readShortcutsCsv } from '../../../core/hand-over/shortcuts-csv.ts';
import { csvOfXlsx } from '../../../src/lib/xlsx.ts';
import { serverInside, type Inside } from '../page/inside.ts';

const app = `/api/applications/${gneiss.application.id}`;

/** What a route answered: the status, and the body as JSON if it is some. */
interface Said {
	readonly status: number;
	readonly body: Readonly<Record<string, unknown>>;
	readonly response: Response;
}

describe('the routes of the server', () => {
	let server: Inside;
	before(async () => {
		server = serverInside();
		await fillDemo(server.address);
	});
	after(() => server.close());

	async function ask(path: string, method = 'GET', body?: unknown): Promise<Said> {
		const response = await server.ask(path, method, body);
		const isJson = response.headers.get('content-type')?.includes('json');
		return { status: response.status, body: (isJson ? await response.clone().json() : {}) as Said['body'], response };
	}
	/** That it is refused: with problem details of this kind (RFC 9457, section 3) whose sentence says so. */
	async function refuses(kind: string, sentence: RegExp, path: string, method = 'GET', body?: unknown) {
		const { body: problem, response } = await ask(path, method, body);
		expect(response.headers.get('content-type'), path).to.include('application/problem+json');
		expect(problem, path).to.deep.include({ type: `/problems/${kind}`, status: response.status });
		expect(problem['detail'], path).to.match(sentence);
		return problem;
	}
	const revision = async () => (await ask(app)).body['revision'] as number;
	const edit = async (after: object | null, before: object | null = null, more: object = {}) => ({
		base: await revision(),
		stratum: 'personal',
		label: 'a test',
		changes: [{ chapter: 'shortcuts', stratum: 'personal', before, after }],
		...more
	});
	const shortcut = { op: 'set', command: 'solid.loft', keys: 'Ctrl+Alt+Shift+F7', scope: {}, rank: 900 };

	it('list the applications, and give one whole', async () => {
		const { body } = await ask('/api/applications');
		expect((body['applications'] as { id: string }[]).map((a) => a.id)).to.have.members(standIns.map((s) => s.application.id));
		const whole = (await ask(app)).body as { commands: unknown[]; strata: { id: string }[]; history: unknown[] };
		expect(whole.commands).to.have.length(gneiss.commands.length);
		expect(whole.strata.map((s) => s.id)).to.deep.equal(gneiss.strata.map((s) => s.id));
		expect(whole.history).to.have.length(gneiss.edits.length);
		await refuses('not-found', /no-such/, '/api/applications/no-such');
	});

	it('take an edit, list it, undo and redo it, each on the revision it was made for', async () => {
		const base = await revision();
		const { status, body } = await ask(`${app}/edits`, 'POST', await edit(shortcut));
		expect([status, (body['edit'] as { revision: number }).revision]).to.deep.equal([201, base + 1]);
		const since = (await ask(`${app}/edits?since=${base}`)).body['edits'] as { label: string }[];
		expect(since.map((e) => e.label)).to.deep.equal(['a test']);
		const stale = await refuses('stale-revision', /meanwhile|revision/i, `${app}/undo`, 'POST', { base, stratum: 'personal' });
		expect([stale['revision'], (stale['since'] as unknown[]).length]).to.deep.equal([base + 1, 1]);
		expect((await ask(`${app}/undo`, 'POST', { base: base + 1, stratum: 'personal' })).status).to.equal(200);
		expect((await ask(`${app}/redo`, 'POST', { base: base + 2, stratum: 'personal' })).status).to.equal(200);
		expect((await ask(`${app}/undo`, 'POST', { base: base + 3, stratum: 'personal' })).status).to.equal(200);
		await refuses('not-sound', /./, `${app}/edits?since=minus-one`);
	});

	it('refuse an edit that is not sound, with its place, and write nothing', async () => {
		const base = await revision();
		const cases: [object, string, RegExp][] = [
			[await edit({ ...shortcut, keys: 'Ctrl+Nokey' }), 'not-sound', /Nokey/],
			[await edit({ ...shortcut, command: 'no.such' }), 'not-sound', /no\.such/],
			[await edit({ ...shortcut, scope: { nowhere: ['x'] } }), 'not-sound', /nowhere/],
			[await edit({ ...shortcut, rank: 2 ** 40 }), 'not-sound', /./],
			[await edit(shortcut, null, { stratum: 'No Body' }), 'not-sound', /./],
			[await edit(shortcut, null, { label: 'half \ud800' }), 'not-sound', /./],
			[
				await edit(shortcut, null, { changes: [{ chapter: 'wheels', stratum: 'personal' }] }),
				'not-sound',
				/expected a chapter \(modes, macros, shortcuts/
			],
			[await edit(null, { ...shortcut, command: 'solid.box' }), 'stale-revision', /./]
		];
		for (const [body, kind, sentence] of cases.slice(0, 7)) await refuses(kind, sentence, `${app}/edits`, 'POST', body);
		const [gone] = cases[7]!;
		expect((await ask(`${app}/edits`, 'POST', gone)).status).to.be.within(400, 422);
		const response = await server.ask(`${app}/edits`, 'POST');
		expect([response.status >= 400, response.status < 500]).to.deep.equal([true, true]);
		expect(await revision()).to.equal(base);
	});

	it('give the profile in every format, and what is read back says the same', async () => {
		const lineOf = ({ stratum, said }: FileRow) => `${stratum} ${(said as Entry).op} ${shortcutKey(said as Entry)}`;
		const json = await (await ask(`${app}/export`)).response.text();
		const rows = readProfileFile('all.json', json).rows.filter((row) => row.chapter === 'shortcuts');
		const csv = await (await ask(`${app}/export?format=csv`)).response.text();
		const lines = (text: string) => readShortcutsCsv('all.csv', text).rows.map(lineOf);
		expect(lines(csv)).to.deep.equal(rows.map(lineOf));
		const xlsx = new Uint8Array(await (await ask(`${app}/export?format=xlsx`)).response.arrayBuffer());
		expect(lines(await csvOfXlsx('all.xlsx', xlsx))).to.deep.equal(lines(csv));
		const office = JSON.parse(await (await ask(`${app}/export?stratum=office`)).response.text()) as { strata: { id: string }[] };
		expect(office.strata.map((s) => s.id)).to.deep.equal(['office']);
		for (const [format, type] of [
			['md', 'text/markdown'],
			['html', 'text/html']
		] as const) {
			const { response } = await ask(`${app}/export?format=${format}`);
			expect(response.headers.get('content-type')).to.include(type);
			expect(await response.text()).to.include(gneiss.application.name);
		}
		await refuses('not-found', /there are factory, office/, `${app}/export?stratum=nobody`);
		for (const query of ['format=exe', 'sections=toys', 'in=document', 'in=nowhere=x'])
			await refuses('not-sound', /./, `${app}/export?${query}`);
	});

	it('publish a release whose file has the hash that the manifest says, and go back to a former one', async () => {
		const { releases, channel } = (await ask(`${app}/releases`)).body as {
			releases: { number: number; sha256: string }[];
			channel: number;
		};
		expect(releases.length).to.be.greaterThan(0);
		const { response } = await ask(`${app}/releases/${channel}`);
		const hash = createHash('sha256')
			.update(new Uint8Array(await response.arrayBuffer()))
			.digest('hex');
		expect([hash, response.headers.get('etag')]).to.deep.equal([releases.at(-1)!.sha256, `"${hash}"`]);
		await refuses('not-found', /./, `${app}/releases/999`);
		await refuses('not-sound', /./, `${app}/releases/none`);
		await refuses('not-sound', /write release notes/, `${app}/releases`, 'POST', {
			notes: ' ',
			base: await revision()
		});
		await refuses('not-found', /./, `${app}/channel`, 'PUT', { release: 999 });
		const first = releases[0]!.number;
		expect((await ask(`${app}/channel`, 'PUT', { release: first })).body['channel']).to.equal(first);
		expect((await ask(`${app}/channel`, 'PUT', { release: channel })).body['channel']).to.equal(channel);
	});

	it('know the seats: codes, desk, ring, who sits there, laying anew', async () => {
		const { seats } = (await ask(`${app}/seats`)).body as { seats: { id: string; desk: object }[] };
		const [seat] = seats as [(typeof seats)[0]];
		const { code } = (await ask(`/api/seats/${seat.id}/code`, 'POST')).body;
		expect(code).to.match(/^([0-9A-Z]{4}-){3}[0-9a-f]{20}$/);
		await refuses('not-found', /N-99/, '/api/seats/N-99/code', 'POST');
		await refuses('sign-in', /Only seats can do this/, `/api/seats/${seat.id}/check-in`);
		await refuses('not-sound', /there are everyone/, `/api/seats/${seat.id}/ring`, 'PUT', { ring: 'pilot' });
		await refuses('not-found', /no such setup/, `/api/seats/${seat.id}/sitting`, 'PUT', { setup: 'none' });
		expect((await ask(`/api/seats/${seat.id}/sitting`, 'PUT', { setup: null })).body['sitting']).to.equal(null);
		await refuses('taken', new RegExp(seat.id), `${app}/seats`, 'POST', { id: seat.id });
		await refuses('not-sound', /./, `${app}/seats`, 'POST', { id: 'not a seat' });
		expect((await ask(`${app}/seats`, 'POST', { id: 'T-77' })).status).to.equal(201);
		expect((await ask('/api/seats/T-77/desk', 'PUT', seat.desk)).body).to.deep.include({ id: 'T-77', desk: seat.desk });
		await refuses('not-sound', /./, '/api/seats/T-77/desk', 'PUT', { board: 'none' });
		expect((await ask('/api/seats/T-77/restore', 'PUT')).status).to.equal(204);
		await refuses('not-found', /N-99/, '/api/seats/N-99/restore', 'PUT');
		await refuses('sign-in', /./, '/api/seats/T-77/reports', 'POST', { at: 'noon' });
	});

	it('keep recipes, folders and how a command line takes names', async () => {
		const recipe = {
			format: 'skarn-recipe',
			version: 1,
			name: 'Test lines',
			holds: 'aliases',
			record: { shape: 'line', template: '{alias} = {command}' }
		};
		const names = (said: Said) => (said.body['recipes'] as { name: string }[]).map((r) => r.name);
		expect(names(await ask(`${app}/recipes`, 'PUT', recipe))).to.include('Test lines');
		expect(names(await ask(`${app}/recipes?name=Test lines`, 'DELETE'))).to.not.include('Test lines');
		await refuses('not-sound', /./, `${app}/recipes`, 'PUT', { ...recipe, record: { shape: 'line', template: '{alias' } });

		const place = `/api/applications/${varve.application.id}`;
		const folders = (await ask(`${place}/folders`)).body;
		expect((await ask(`${place}/folders`, 'PUT', folders)).body).to.deep.equal(folders);
		await refuses('not-sound', /./, `${place}/folders`, 'PUT', { groups: 'all' });

		expect((await ask(`${place}/command-line`, 'PUT', { aliases: null })).body['rules']).to.not.have.property('aliases');
		const { aliases } = varve.application.rules;
		expect((await ask(`${place}/command-line`, 'PUT', { aliases })).body['rules']).to.deep.include({ aliases });
		await refuses('not-sound', /./, `${place}/command-line`, 'PUT', { aliases: 'all' });
	});

	it('say what the other applications call the same, and that the tables are as the edits say', async () => {
		const { actions } = (await ask(`${app}/elsewhere`)).body as { actions: object };
		expect(actions).to.be.an('object').that.is.not.empty;
		expect((await ask('/api/verify')).body).to.deep.equal({ differing: [] });
		const { response } = await ask('/api/backup');
		const head = new Uint8Array(await response.arrayBuffer()).slice(0, 2);
		// RFC 1952, section 2.3.1: how a gzip file begins
		expect([...head]).to.deep.equal([0x1f, 0x8b]);
	});

	it('change an application, and delete one only with its name as the word', async () => {
		const { application, commands, strata } = varve;
		const factory = factoryOf(varve);
		const id = 'varve-copy-1';
		const copy = { ...application, id, name: 'Varve Copy' };
		const path = `/api/applications/${id}`;
		expect((await ask('/api/applications', 'POST', { application: copy, commands, strata, factory })).status).to.equal(201);
		await refuses('taken', /varve-copy-1/, '/api/applications', 'POST', {
			application: copy,
			commands,
			strata,
			factory
		});
		expect((await ask(path, 'PUT', { application: { ...copy, version: '2' }, commands })).status).to.equal(200);
		expect(((await ask(path)).body['application'] as { version: string }).version).to.equal('2');
		const asked = await refuses('needs-word', /word=varve-copy-1/, path, 'DELETE');
		expect(asked['goes']).to.deep.include({ commands: commands.length });
		await refuses('needs-word', /./, `${path}?word=varve`, 'DELETE');
		const { body } = await ask(`${path}?word=${id}`, 'DELETE');
		expect(body['backup']).to.match(/before-delete/);
		await refuses('not-found', /varve-copy-1/, path);
	});
});
