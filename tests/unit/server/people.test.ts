import { expect } from 'chai';
import { fillDemo } from '../../../demo/fill.ts';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import type { WorkspaceDocument } from '../../../src/lib/server/workspace-document.ts';
import { cookieOf, openOffice, PASSWORD, signIn } from '../office-of-people.ts';
import { workFor } from '../../../core/people/work.ts';
import { LINE, serverInside, type Inside } from '../page/inside.ts';

const app = gneiss.application.id;
const path = `/api/applications/${app}`;

describe('the people of an office', () => {
	let server: Inside;
	const cookies: Record<string, string> = {};
	const as = (who: string, to: string, method = 'GET', body?: unknown) =>
		server.ask(to, method, body, { cookie: cookies[who] ?? '' });
	const documentOf = async (who: string, setup = '') =>
		(await (await as(who, `${path}?setup=${setup}`)).json()) as WorkspaceDocument;
	const ownOf = ({ layers, me }: WorkspaceDocument) => layers.find(({ person }) => person === me.id)!.id;
	const edit = async (who: string, stratum: string, keys: string, base?: number) => {
		const { revision } = await documentOf(who);
		const after = { op: 'set', command: 'inspect.mass', keys, scope: {}, rank: 900 };
		return as(who, `${path}/edits`, 'POST', {
			base: base ?? revision,
			stratum,
			label: `Give ${keys}`,
			changes: [{ chapter: 'shortcuts', stratum, before: null, after }]
		});
	};

	before(async () => {
		server = serverInside();
		await fillDemo(server.address);
		Object.assign(cookies, await openOffice(server));
	});
	after(() => server.close());

	it('was one person alone, whose Personal is the first steward’s now, with all that it holds', async () => {
		const { me, layers, strata, isOpen } = await documentOf('steward');
		expect([me.id, me.role, isOpen]).to.deep.equal(['first', 'steward', true]);
		expect(layers.find(({ id }) => id === 'personal')).to.include({ kind: 'personal', person: 'first' });
		const personal = strata.find(({ id }) => id === 'personal')!;
		expect(Object.values(personal.contents).flat().length).to.be.greaterThan(3);
	});

	it('each have a stratum of their own from the first day, and the usual setup with it on top', async () => {
		const document = await documentOf('designer');
		expect(document.strata.map(({ kind }) => kind)).to.deep.equal(['factory', 'office', 'personal']);
		expect(document.strata.at(-1)!.id).to.equal(ownOf(document));
		expect(document.setups.map(({ name, isStart }) => [name, isStart])).to.deep.equal([['Everyday', true]]);
	});

	it('are asked who they are, and nobody else is answered', async () => {
		for (const [to, method] of [
			[path, 'GET'],
			['/api/people', 'GET'],
			['/api/live', 'GET'],
			[`${path}/edits`, 'POST']
		] as const) {
			const refused = await server.ask(to, method, method === 'POST' ? {} : undefined);
			expect([refused.status, ((await refused.json()) as { type: string }).type], to).to.deep.equal([401, '/problems/sign-in']);
		}
		const forged = await server.ask(path, 'GET', undefined, { cookie: cookies['designer']!.replace('=', '=X') });
		expect(forged.status, 'a cookie that is not signed').to.equal(401);
		const signed = await (await as('designer', '/api/session')).json();
		expect(signed).to.deep.include({ isOpen: true }).and.not.to.have.property('desks');
	});

	it('write what is theirs, whatever the request says of its writer', async () => {
		const own = ownOf(await documentOf('designer'));
		const taken = (await (await edit('designer', own, 'Ctrl+Alt+F2')).json()) as { edit: { by: string; role: string } };
		expect(taken.edit).to.include({ by: (await documentOf('designer')).me.id, role: 'designer' });
		for (const [who, stratum] of [
			['designer', 'office'],
			['trainer', 'office'],
			['lead', 'office'],
			['designer', 'cladding'],
			['steward', own],
			['lead', own],
			['designer', 'factory']
		] as const) {
			const before = await documentOf('steward');
			const refused = await edit(who, stratum, 'Ctrl+Alt+F3');
			expect(refused.status, `${who} to ${stratum}`).to.be.oneOf([403, 422]);
			expect((await documentOf('steward')).revision).to.equal(before.revision);
		}
		expect((await edit('lead', 'cladding', 'Ctrl+Alt+F4')).status, 'the lead of it').to.equal(201);
		expect((await edit('steward', 'cladding', 'Ctrl+Alt+F6')).status, 'a steward').to.equal(201);
		expect((await edit('lead', 'ropes', 'Ctrl+Alt+F4')).status, 'the lead of another one').to.equal(403);
	});

	it('do not stand in each other’s way when they write to strata of their own', async () => {
		const [one, other] = [await documentOf('designer'), await documentOf('trainer')];
		expect((await edit('designer', ownOf(one), 'Ctrl+Alt+F8', one.revision)).status).to.equal(201);
		expect((await edit('trainer', ownOf(other), 'Ctrl+Alt+F8', other.revision)).status, 'on the same revision').to.equal(201);
		const stale = await edit('designer', ownOf(one), 'Ctrl+Alt+F9', one.revision);
		expect([stale.status, ((await stale.json()) as { type: string }).type]).to.deep.equal([409, '/problems/stale-revision']);
	});

	it('take back what they have written themselves, of a stratum that others write too', async () => {
		const first = (await (await edit('lead', 'cladding', 'Ctrl+Alt+1')).json()) as { edit: { revision: number } };
		await edit('steward', 'cladding', 'Ctrl+Alt+2');
		const { revision } = await documentOf('lead');
		const undone = await as('lead', `${path}/undo`, 'POST', { base: revision, stratum: 'cladding' });
		expect(((await undone.json()) as { edit: { undoes: number } }).edit.undoes).to.equal(first.edit.revision);
	});

	it('cannot say of themselves that they let a finding stand as steward', async () => {
		const document = await documentOf('designer');
		const own = ownOf(document);
		const after = {
			...{ op: 'set', finding: 'clash\n\nnothing', circumstances: '00000000', reason: 'so be it', role: 'steward' },
			...{ command: 'inspect.mass', keys: '', scope: {}, rank: 1 }
		};
		const shortcut = { op: 'set', command: 'inspect.mass', keys: 'Ctrl+Alt+F11', scope: {}, rank: 901 };
		const sent = await as('designer', `${path}/edits`, 'POST', {
			...{ base: document.revision, stratum: own, label: 'with a shortcut' },
			changes: [
				{ chapter: 'acceptances', stratum: own, before: null, after },
				{ chapter: 'shortcuts', stratum: own, before: null, after: shortcut }
			]
		});
		expect(sent.status, await sent.clone().text()).to.equal(201);
		const { edit: taken } = (await sent.json()) as { edit: { changes: { chapter: string; after: { role?: string } }[] } };
		expect(taken.changes.find(({ chapter }) => chapter === 'acceptances')!.after.role).to.equal('designer');
	});

	it('are invited by a link that is good once and not for ever', async () => {
		const invited = await as('steward', '/api/people', 'POST', { name: 'Guide desk', role: 'designer', days: 1 });
		const { secret } = (await invited.json()) as { secret: string };
		const to = `/api/invitations/${secret}`;
		expect(await (await server.ask(to)).json()).to.include({ name: 'Guide desk', role: 'designer' });
		expect((await server.ask(to, 'POST', { password: 'short' })).status, 'too short').to.equal(422);
		expect((await server.ask(to, 'POST', { password: 'aaaaaaaaaaaa' })).status, 'one sign over and over').to.equal(422);
		const joined = await server.ask(to, 'POST', { password: PASSWORD });
		expect(joined.status).to.equal(200);
		cookies['guide'] = cookieOf(joined);
		expect((await documentOf('guide')).me.name).to.equal('Guide desk');
		expect((await server.ask(to, 'POST', { password: PASSWORD })).status, 'used').to.equal(404);
		const taken = await as('steward', '/api/people', 'POST', { name: ' guide DESK ', role: 'trainer' });
		expect(taken.status, 'of the same name').to.equal(409);
	});

	it('join while others write, and nothing of either is lost', async () => {
		const names = Array.from({ length: 4 }, (_, i) => `Summer desk ${i}`);
		const invite = async (name: string) => {
			const invited = await as('steward', '/api/people', 'POST', { name, role: 'designer' });
			return ((await invited.json()) as { secret: string }).secret;
		};
		const secrets = await Promise.all(names.map(invite));
		const own = ownOf(await documentOf('designer'));
		const write = async () => {
			for (const keys of ['Alt+Shift+1', 'Alt+Shift+2', 'Alt+Shift+3'])
				expect((await edit('designer', own, keys)).status).to.equal(201);
		};
		await Promise.all([
			write(),
			...secrets.map((secret) => server.ask(`/api/invitations/${secret}`, 'POST', { password: PASSWORD }))
		]);
		const { layers, strata } = await documentOf('designer');
		for (const name of names)
			expect(
				layers.some((layer) => layer.name === name),
				name
			).to.equal(true);
		const said = strata.find(({ id }) => id === own)!.contents['shortcuts'] as { keys: string }[];
		expect(said.map(({ keys }) => keys)).to.include.members(['Alt+Shift+1', 'Alt+Shift+2', 'Alt+Shift+3']);
	});

	it('pay for each guess beyond the first ones, also many at once; who knows the password gets in', async () => {
		const guess = (i: number) => server.ask('/api/session', 'POST', { name: 'Lead desk', password: `wrong ${i} here` });
		const answers = await Promise.all(Array.from({ length: 300 }, (_, i) => guess(i)));
		const counted = (status: number) => answers.filter((answer) => answer.status === status).length;
		expect(counted(401), 'looked at').to.be.lessThan(12);
		expect(counted(401) + counted(429)).to.equal(300);
		const asked = async (work?: string) =>
			server.ask('/api/session', 'POST', { name: 'Lead desk', password: PASSWORD, ...(work && { work }) });
		const { work } = (await (await asked()).json()) as { work: { challenge: string; bits: number } };
		expect((await asked(`${work.challenge} 1`)).status, 'not done').to.equal(429);
		const done = `${work.challenge} ${workFor(work.challenge, work.bits)}`;
		expect((await asked(done.replace(/^\d+/, '9999999999999'))).status, 'made up').to.equal(429);
		expect((await asked(done)).status).to.equal(200);
		for (let i = 0; i < 5; i++) await guess(i);
		expect((await asked(done)).status, 'work is good once').to.equal(429);
		expect((await documentOf('lead')).me.name, 'who is in stays in').to.equal('Lead desk');
	});

	it('are not locked out by what others try behind the same address, nor by what is tried of them elsewhere', async () => {
		const from = (line: string, name: string, password: string) =>
			server.ask('/api/session', 'POST', { name, password }, { [LINE]: line });
		for (let i = 0; i < 8; i++) await from('198.51.100.7', 'Trainer desk', `wrong ${i}`);
		expect((await from('198.51.100.7', 'Trainer desk', PASSWORD)).status).to.equal(429);
		expect((await from('198.51.100.7', 'Designer desk', PASSWORD)).status, 'another one, there').to.equal(200);
		expect((await from('198.51.100.8', 'Trainer desk', PASSWORD)).status, 'the same one, elsewhere').to.equal(200);
		// one's own success is no fresh start for guesses at others
		for (let i = 0; i < 100; i++) {
			await from('198.51.100.9', `Somebody ${i}`, 'wrong');
			if (i % 4 === 0) await from('198.51.100.9', 'Designer desk', PASSWORD);
		}
		expect((await from('198.51.100.9', 'Nobody at all', 'wrong')).status).to.equal(429);
		// an address that is said by the request itself counts for nothing
		const forged = server.ask(
			'/api/session',
			'POST',
			{ name: 'Nobody at all', password: 'wrong' },
			{ [LINE]: '198.51.100.9', 'x-forwarded-for': '203.0.113.1' }
		);
		expect((await forged).status).to.equal(429);
	});

	it('leave: their sessions end at once, and what they had is handed over', async () => {
		const guide = await documentOf('guide');
		const own = ownOf(guide);
		expect((await edit('guide', own, 'Ctrl+Alt+F5')).status).to.equal(201);
		const { me: designer } = await documentOf('designer');
		expect((await as('steward', '/api/strata', 'PUT', { id: own, to: designer.id })).status, 'while they are here').to.equal(409);
		expect((await as('steward', `/api/people?id=${guide.me.id}`, 'DELETE')).status).to.equal(200);
		expect((await as('guide', path)).status).to.equal(401);
		expect((await signIn(server, 'Guide desk')).status).to.be.oneOf([401, 429]);
		expect((await as('steward', '/api/strata', 'PUT', { id: own, to: designer.id })).status).to.equal(200);
		const heir = await documentOf('designer');
		expect(heir.layers.find(({ id }) => id === own)!.person).to.equal(designer.id);
		expect(heir.setup.strata, 'in no setup until it is put there').not.to.include(own);
		const named = (who: string, name: string) => as(who, '/api/strata', 'PATCH', { id: own, name });
		expect((await named('lead', 'From the guide')).status, 'not theirs').to.equal(403);
		expect((await named('designer', 'Designer desk')).status, 'as their other one').to.equal(409);
		expect((await named('designer', 'From the guide')).status).to.equal(200);
		expect((await documentOf('lead')).layers.find(({ id }) => id === own)!.name).to.equal('From the guide');
		expect((await as('steward', '/api/people?id=first', 'DELETE')).status, 'the only steward').to.equal(409);
	});

	it('change their password, which ends their other sessions; sign out here or everywhere', async () => {
		const other = cookieOf(await signIn(server, 'Trainer desk'));
		const wrong = await as('trainer', '/api/session/password', 'PUT', { current: 'not this one', password: 'quite another one' });
		expect(wrong.status).to.equal(401);
		const changed = await as('trainer', '/api/session/password', 'PUT', { current: PASSWORD, password: 'quite another one' });
		expect(changed.status).to.equal(200);
		expect((await server.ask(path, 'GET', undefined, { cookie: other })).status, 'the stolen one').to.equal(401);
		cookies['trainer'] = cookieOf(changed);
		const second = cookieOf(await signIn(server, 'Trainer desk', 'quite another one'));
		await as('trainer', '/api/session?everywhere=yes', 'DELETE');
		expect((await server.ask(path, 'GET', undefined, { cookie: second })).status).to.equal(401);
		cookies['trainer'] = cookieOf(await signIn(server, 'Trainer desk', 'quite another one'));
	});

	it('see where they are signed in, and end it there', async () => {
		const other = cookieOf(await signIn(server, 'Designer desk'));
		const list = async (how = 'GET', id = '') => {
			const answer = await as('designer', `/api/session/all${id && `?id=${id}`}`, how);
			return ((await answer.json()) as { sessions: { id: string; isThis: boolean; name: string; expiresAt: string }[] }).sessions;
		};
		const before = await list();
		expect(before.length).to.be.greaterThan(1);
		expect(before.filter(({ isThis }) => isThis)).to.have.length(1);
		await list('DELETE', before.find(({ isThis }) => !isThis)!.id);
		expect(await list()).to.have.length(before.length - 1);
		expect((await server.ask(path, 'GET', undefined, { cookie: other })).status).to.equal(401);
		const left = await list('DELETE', 'others');
		expect(left.map(({ isThis }) => isThis)).to.deep.equal([true]);
		expect((await as('designer', path)).status, 'this one goes on').to.equal(200);
	});

	it('hear nothing more on streams of sessions that have ended', async () => {
		const other = cookieOf(await signIn(server, 'Designer desk'));
		const stream = await server.ask('/api/live', 'GET', undefined, { cookie: other });
		const reader = stream.body!.getReader();
		await reader.read();
		const changed = await as('designer', '/api/session/password', 'PUT', { current: PASSWORD, password: PASSWORD });
		cookies['designer'] = cookieOf(changed);
		for (let end = false; !end;) ({ done: end } = await reader.read());
		expect((await server.ask('/api/live', 'GET', undefined, { cookie: other })).status).to.equal(401);
	});

	it('give terminals a token, which is theirs alone', async () => {
		const { token } = (await (await as('designer', '/api/session/tokens', 'POST', { name: 'terminal' })).json()) as {
			token: string;
		};
		const asked = await server.ask(path, 'GET', undefined, { authorization: `Bearer ${token}` });
		expect(((await asked.json()) as WorkspaceDocument).me.name).to.equal('Designer desk');
		expect((await server.ask(path, 'GET', undefined, { authorization: `Bearer ${token}x` })).status).to.equal(401);
		type Token = { id: string; name: string; lastUsedAt: string | null; expiresAt: string };
		const list = async () => ((await (await as('designer', '/api/session/tokens')).json()) as { tokens: Token[] }).tokens;
		const [listed] = await list();
		expect(listed).to.include({ name: 'terminal' }).and.not.to.have.property('token');
		expect(Date.parse(listed!.expiresAt) - Date.now()).to.be.closeTo(90 * 24 * 3_600_000, 60_000);
		expect(listed!.lastUsedAt).to.be.a('string');
		expect((await as('lead', `/api/session/tokens?id=${listed!.id}`, 'DELETE')).status, 'somebody else’s').to.equal(404);
		// a password that is changed asks about tokens
		const change = async (endTokens: boolean) => {
			const body = { current: PASSWORD, password: PASSWORD, endTokens };
			cookies['designer'] = cookieOf(await as('designer', '/api/session/password', 'PUT', body));
		};
		await change(false);
		expect(await list()).to.have.length(1);
		await change(true);
		expect(await list()).to.have.length(0);
		expect((await server.ask(path, 'GET', undefined, { authorization: `Bearer ${token}` })).status).to.equal(401);
	});

	it('who have forgotten a password get a link from a steward, good once; their sessions and tokens end', async () => {
		const { me } = await documentOf('trainer');
		expect((await as('lead', '/api/people/password', 'POST', { id: me.id })).status).to.equal(403);
		const first = (await (await as('steward', '/api/people/password', 'POST', { id: me.id })).json()) as { secret: string };
		const made = (await (await as('steward', '/api/people/password', 'POST', { id: me.id })).json()) as { secret: string };
		expect((await server.ask(`/api/invitations/${first.secret}`)).status, 'replaced').to.equal(404);
		const to = `/api/invitations/${made.secret}`;
		expect(await (await server.ask(to)).json()).to.include({ name: 'Trainer desk', does: 'password' });
		expect((await server.ask(to, 'POST', { password: 'short' })).status).to.equal(422);
		const answer = await server.ask(to, 'POST', { password: 'slate and chalk' });
		expect(answer.status).to.equal(200);
		expect((await as('trainer', path)).status, 'the former session').to.equal(401);
		cookies['trainer'] = cookieOf(answer);
		expect((await documentOf('trainer')).me.id, 'the same person').to.equal(me.id);
		expect((await server.ask(to, 'POST', { password: 'slate and chalk' })).status, 'used').to.equal(404);
	});

	it('are listed while they are invited, all or nobody, and an invitation dies with the rights of who made it', async () => {
		const people = ['Rope desk', 'Pulley desk'].map((name) => ({ name, role: 'designer', member: ['cladding'], site: 'Hall 2' }));
		const invite = async (who: string, list: object[]) => {
			const answer = await as(who, '/api/invitations', 'POST', { people: list });
			return { status: answer.status, ...((await answer.json()) as { links?: { secret: string }[]; detail?: string }) };
		};
		const listed = async () =>
			((await (await as('steward', '/api/invitations')).json()) as { links: { id: string; name: string; by: string }[] }).links;
		const refused = await invite('steward', [...people, { name: 'Lead desk', role: 'designer' }]);
		expect([refused.status, refused.detail]).to.deep.equal([
			409,
			'There is already a member called “Lead desk”. Choose another name.'
		]);
		expect(await listed()).to.deep.equal([]);
		const { links } = await invite('steward', people);
		expect((await listed()).map(({ name, by }) => [name, by])).to.deep.equal([
			['Pulley desk', 'Steward desk'],
			['Rope desk', 'Steward desk']
		]);
		const { id } = (await listed())[0]!;
		await as('steward', `/api/invitations?id=${id}`, 'DELETE');
		expect((await server.ask(`/api/invitations/${links![1]!.secret}`)).status, 'withdrawn').to.equal(404);
		// another steward invites, and is none any more
		const { me } = await documentOf('lead');
		await as('steward', '/api/people', 'PUT', { id: me.id, role: 'steward' });
		const theirs = await invite('lead', [{ name: 'Late desk', role: 'steward' }]);
		await as('steward', '/api/people', 'PUT', { id: me.id, role: 'lead' });
		expect((await server.ask(`/api/invitations/${theirs.links![0]!.secret}`, 'POST', { password: PASSWORD })).status).to.equal(
			404
		);
		expect((await listed()).map(({ name }) => name)).to.deep.equal(['Rope desk']);
		const joined = await server.ask(`/api/invitations/${links![0]!.secret}`, 'POST', { password: PASSWORD });
		cookies['rope'] = cookieOf(joined);
		const { setup, me: rope } = await documentOf('rope');
		expect(rope).to.deep.include({ member: ['cladding'], site: 'Hall 2' });
		expect(setup.strata, 'the disciplines of who joins').to.include('cladding');
	});

	it('are called so that they can be told apart by looking, without signs that cannot be seen', async () => {
		const statusOf = async (name: string) => (await as('steward', '/api/people', 'POST', { name, role: 'designer' })).status;
		// Cyrillic е and о for Latin e and o (Unicode Technical Standard 39, confusables.txt)
		expect(await statusOf('L\u0435ad desk'), 'Cyrillic').to.equal(409);
		expect(await statusOf('lead DESK'), 'capitals').to.equal(409);
		expect(await statusOf('Lead  desk'), 'two blanks').to.equal(409);
		for (const [what, sign] of [
			['bidi override', '\u202e'],
			['zero width space', '\u200b'],
			['control', '\u0007'],
			['filler', '\u3164'],
			['grapheme joiner', '\u034f'],
			['tag', '\u{e0041}']
		] as const)
			expect(await statusOf(`Desk ${sign}nine`), what).to.equal(400);
		expect(await statusOf('U\u0308berdachung'), 'composed').to.equal(201);
		const { me } = await documentOf('designer');
		expect((await as('steward', '/api/people', 'PUT', { id: me.id, name: '\u00dcberdachung' })).status).to.equal(200);
		expect((await as('steward', '/api/people', 'PUT', { id: me.id, name: 'Trainer desk' })).status).to.equal(409);
		expect((await as('steward', '/api/people', 'PUT', { id: me.id, name: 'Designer desk' })).status).to.equal(200);
		const strata = async (name: string, id: string, kind = 'project') =>
			(await as('steward', '/api/strata', 'POST', { id, kind, name })).status;
		expect(await strata('R\u043epes', 'ropes-2')).to.equal(409);
		expect(await strata('Ropes\u202e', 'ropes-3')).to.equal(400);
		const setup = async (name: string) => (await as('designer', `${path}/setups`, 'POST', { name, strata: [] })).status;
		expect(await setup('Ev\u0435ryday')).to.equal(409);
		expect(await setup('Every\u00adday')).to.equal(400);
	});

	it('keep setups, each its own choice of strata in its own order, and lose nothing by switching', async () => {
		const own = ownOf(await documentOf('designer'));
		const made = await as('designer', `${path}/setups`, 'POST', { name: 'Drafting', strata: ['office', 'cladding'] });
		const { id } = (await made.json()) as { id: string };
		const drafting = await documentOf('designer', id);
		expect(drafting.strata.map((s) => s.id)).to.deep.equal(['factory', 'office', 'cladding']);
		expect(drafting.setups.map(({ name }) => name)).to.deep.equal(['Everyday', 'Drafting']);
		expect((await documentOf('designer')).setup.name, 'started with').to.equal('Everyday');
		const turned = await as('designer', `${path}/setups`, 'PUT', { id, strata: [own, 'cladding', 'office'], isStart: true });
		expect(turned.status).to.equal(200);
		const now = await documentOf('designer');
		expect([now.setup.name, now.strata.map((s) => s.id)]).to.deep.equal(['Drafting', ['factory', own, 'cladding', 'office']]);
		const foreign = ownOf(await documentOf('lead'));
		for (const [body, status] of [
			[{ name: 'Drafting', strata: [] }, 409],
			[{ name: 'Theirs', strata: [foreign] }, 422],
			[{ name: 'None', strata: ['nowhere'] }, 422],
			[{ name: 'Factory', strata: ['factory'] }, 422],
			[{ name: 'Twice', strata: ['office', 'office'] }, 400],
			[{ name: '', strata: [] }, 400]
		] as const)
			expect((await as('designer', `${path}/setups`, 'POST', body)).status, JSON.stringify(body)).to.equal(status);
		expect((await as('lead', `${path}/setups`, 'PUT', { id, name: 'Mine now' })).status, 'somebody else’s').to.equal(404);
		expect((await as('designer', `${path}/setups`, 'PUT', { id, isRecommended: true })).status).to.equal(403);
		expect((await as('lead', `${path}?setup=${id}`)).status, 'is looked at by colleagues').to.equal(200);
		expect((await as('designer', `${path}/setups?id=${id}`, 'DELETE')).status).to.equal(200);
		expect((await documentOf('designer')).setup).to.include({ name: 'Everyday', isStart: true });
	});
});
