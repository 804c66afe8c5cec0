import { expect } from 'chai';
import { existsSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { OFFLINE_AFTER } from '../../core/release/release.ts';
import { desk, eventually } from './office.ts';

describe('Rollout, with seats as real processes', () => {
	const at = desk();
	const seat = (id: string) => at.page.locator('.seats li', { hasText: id });
	const stateOf = (id: string, text: string) =>
		eventually(async () => expect(await seat(id).innerText()).to.include(text), 20_000);

	it('publishes the office stratum to the seats, notices a change by hand, restores, and goes back', async () => {
		const [first, second] = await Promise.all(['C-01', 'C-02'].map((id) => at.server.seat(id)));
		await at.open('rollout');
		await stateOf('C-01', 'current, release 2');
		await stateOf('C-02', 'current, release 2');
		expect(await seat('C-03').innerText()).to.include('never connected');

		await at.page.getByLabel('Release notes').fill('Clearance check on G, wall thickness on Alt+V.');
		expect(await at.page.getByRole('button', { name: 'Publish release 3' }).isDisabled()).to.equal(true);
		await at.page.getByRole('link', { name: 'Resolve' }).click();
		await at.page.getByRole('button', { name: 'Next release' }).click();
		await at.page.getByLabel('Reason').fill('Two clearance reviewers asked for it');
		await at.page.getByRole('button', { name: 'Accept as steward' }).click();
		await at.page.getByRole('button', { name: 'Accepted 1' }).waitFor();
		await at.open('rollout');
		await at.page.getByLabel('Release notes').fill('Clearance check on G, wall thickness on Alt+V.');
		await at.page.getByRole('button', { name: 'Publish release 3' }).click();
		await stateOf('C-01', 'current, release 3');
		const file = join(first!.folder, 'interface.json');
		expect(readFileSync(file, 'utf8')).to.include('inspect.clearance');
		expect(readFileSync(join(first!.folder, 'interface.former.json'), 'utf8')).to.not.include('inspect.clearance');

		const laid = readFileSync(file, 'utf8');
		writeFileSync(file, laid.replace('"keys":"G"', '"keys":"Alt+Shift+G"').replace('"keys": "G"', '"keys": "Alt+Shift+G"'));
		await stateOf('C-01', 'drifted');
		await seat('C-01').getByRole('button', { name: 'Differences' }).click();
		const drift = at.page.getByRole('dialog', { name: 'C-01: local edits' });
		await drift.getByText('Alt+Shift+G').first().waitFor();
		expect(await drift.getByRole('checkbox').count()).to.equal(2);
		await drift.getByRole('button', { name: 'Adopt all' }).click();
		await at.page.getByText('Adopt from C-01: 2 local edits').first().waitFor();
		await at.page.getByText('2 differences for the seats.').waitFor();
		await at.page.getByRole('button', { name: 'Undo' }).click();
		await at.page.getByText('The office level is unchanged since the last release.').waitFor();

		writeFileSync(file, '{"by": "hand"}');
		await eventually(async () => {
			await seat('C-01').getByRole('button', { name: 'Differences' }).click();
			try {
				await drift.getByRole('alert').waitFor({ timeout: 2000 });
				expect(await drift.getByRole('alert').innerText()).to.include('interface.json of C-01');
			} finally {
				await drift.getByRole('button', { name: 'Close', exact: true }).click();
			}
		});
		await seat('C-01').getByRole('button', { name: 'Reinstall release' }).click();
		await stateOf('C-01', 'current, release 3');
		expect(readdirSync(first!.folder).some((name) => name.startsWith('interface.by-hand-'))).to.equal(true);

		await at.page.getByText('Compare two releases').click();
		await at.page.getByText(/\d+ differences? in release 3/).waitFor();
		await at.page.getByRole('button', { name: 'Go back to 2' }).click();
		const dialog = at.page.getByRole('dialog', { name: 'Move all seats to release 2?' });
		await dialog.getByText(/differences? in release 2/).waitFor();
		await dialog.getByRole('button', { name: 'Move to release 2' }).click();
		await stateOf('C-02', 'current, release 2');
		expect(readFileSync(join(second!.folder, 'interface.json'), 'utf8')).to.not.include('inspect.clearance');
		expect(existsSync(join(second!.folder, 'seat.json'))).to.equal(true);

		second!.process.kill('SIGKILL');
		await eventually(async () => expect(await seat('C-02').innerText()).to.include('offline'), OFFLINE_AFTER + 10_000);
	});

	it('adds a seat and refuses one that is there or is no seat id', async () => {
		await at.open('rollout');
		const id = at.page.getByLabel('Id of the new seat');
		await id.fill('cabin');
		await at.page.getByText('A seat id has one to three capital letters').waitFor();
		await id.fill('C-01');
		await at.page.getByRole('button', { name: 'Add seat', exact: true }).click();
		await at.page.getByText('There is already a seat C-01.').waitFor();
		await id.fill('C-04');
		await at.page.getByRole('button', { name: 'Add seat', exact: true }).click();
		await seat('C-04').waitFor();
	});

	it('takes what stands on a desk, and checks against it from then on', async () => {
		await at.open('rollout');
		await at.page.getByLabel('Equipment of C-04').click();
		await at.page.getByLabel('System of C-04').selectOption('macos');
		await at.page.getByText('Equipment of C-04 changed').first().waitFor();
		await at.open('findings');
		await at.page.getByRole('button', { name: 'Seats', exact: true }).click();
		await at.page
			.getByText(/Reserved by the system/)
			.first()
			.click();
		expect(await at.page.getByLabel('The finding', { exact: true }).innerText()).to.match(/macOS|Windows/);
	});
});

describe('The routes', () => {
	const at = desk();
	const ask = (path: string, init?: RequestInit) => fetch(`${at.server.address}${path}`, init);
	const post = (path: string, body: string, headers: Record<string, string> = {}) =>
		ask(path, { method: 'POST', body, headers: { 'content-type': 'application/json', ...headers } });

	/** RFC 9457, section 3: a problem detail object and its media type. */
	async function problem(response: Response, status: number) {
		expect(response.status).to.equal(status);
		expect(response.headers.get('content-type')).to.equal('application/problem+json');
		const body = (await response.json()) as Record<string, unknown>;
		for (const member of ['type', 'title', 'detail', 'instance']) expect(body[member], member).to.be.a('string');
		expect(body['status']).to.equal(status);
		return body;
	}

	it('answer every refusal as problem details', async () => {
		const edits = '/api/applications/gneiss-solid-5/edits';
		await problem(await ask('/api/applications/nowhere'), 404);
		expect((await problem(await post(edits, '{"base":'), 400))['type']).to.equal('/problems/not-json');
		const unsound = await problem(await post(edits, '{"base":0,"stratum":"The King","label":"x","changes":{}}'), 400);
		expect(JSON.stringify(unsound['errors'])).to.include('"/stratum"').and.include('"/changes"');
		const change = {
			chapter: 'shortcuts',
			stratum: 'personal',
			before: null,
			after: { op: 'set', command: 'file.quit', keys: 'Alt+X', scope: {}, rank: 99 }
		};
		const stale = await problem(
			await post(edits, JSON.stringify({ base: 1, stratum: 'personal', label: 'x', changes: [change] })),
			409
		);
		expect(stale).to.include({ type: '/problems/stale-revision', revision: 7 });
		expect(stale['since']).to.have.length(6);
		await problem(await ask('/api/seats/C-99/check-in'), 401);
		await problem(await post('/api/seats/C-01/reports', 'garbage'), 401);
		await problem(await post('/api/enrolments', 'garbage'), 400);
		await problem(await post('/api/enrolments', JSON.stringify({ code: 'x' })), 400);
		await problem(await post('/api/enrolments', JSON.stringify({ code: 'x'.repeat(20_000) })), 413);
		await problem(await ask('/api/applications/gneiss-solid-5/releases/99'), 404);
		const desk = await ask('/api/seats/C-01/desk', {
			method: 'PUT',
			body: '{"platform":"amiga"}',
			headers: { 'content-type': 'application/json' }
		});
		expect(JSON.stringify((await problem(desk, 400))['errors'])).to.include('/platform');
		const errorsLeft = await problem(
			await post('/api/applications/gneiss-solid-5/releases', JSON.stringify({ notes: 'as it is', base: 5 })),
			422
		);
		expect(errorsLeft['type']).to.equal('/problems/errors-left');
		const acceptance = { finding: 'clash\n\nnothing', circumstances: '00000000', reason: 'made up', role: 'steward' };
		const after = { op: 'set', ...acceptance, command: 'file.quit', keys: 'Q', scope: {}, rank: 99 };
		const gone = await problem(
			await post(
				edits,
				JSON.stringify({
					base: 5,
					stratum: 'office',
					label: 'x',
					changes: [{ chapter: 'acceptances', stratum: 'office', before: null, after }]
				})
			),
			422
		);
		expect(gone['detail']).to.include('no longer exists');
	});

	it('refuse writes from another site and foreign host names', async () => {
		await problem(await post('/api/seats/C-01/reports', '{}', { origin: 'http://elsewhere.test' }), 403);
		const { request } = await import('node:http');
		const status = await new Promise((resolve) => {
			const { hostname, port } = new URL(at.server.address);
			request({ hostname, port, path: '/api/applications', headers: { host: 'rebound.test' } }, (r) =>
				resolve(r.statusCode)
			).end();
		});
		expect(status).to.equal(403);
	});

	it('send a strict content security policy with every page', async () => {
		const policy = (await ask('/gneiss-solid-5/commands')).headers.get('content-security-policy') ?? '';
		expect(policy)
			.to.include("default-src 'none'")
			.and.include("frame-ancestors 'none'")
			.and.match(/script-src 'self' 'wasm-unsafe-eval' 'sha256-/);
		expect(policy).to.not.include("'unsafe-inline'").and.not.include("'unsafe-eval'");
	});
});
