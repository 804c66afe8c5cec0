import { expect } from 'chai';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import type { Proposal } from '../../../src/lib/server/proposals.ts';
import type { WorkspaceDocument } from '../../../src/lib/server/workspace-document.ts';
import { officeOfPeople } from '../office-of-people.ts';

const path = `/api/applications/${gneiss.application.id}`;

describe('proposals', () => {
	const { as } = officeOfPeople();
	const documentOf = async () => (await (await as('steward', path)).json()) as WorkspaceDocument;
	const setting = (stratum: string, keys: string, rank: number, command = 'inspect.mass') => ({
		...{ chapter: 'shortcuts', stratum, before: null },
		after: { op: 'set', command, keys, scope: {}, rank }
	});
	const propose = async (who: string, stratum: string, changes: readonly object[], reason = 'two hands less') => {
		const { revision } = await documentOf();
		return as(who, `${path}/proposals`, 'POST', { stratum, label: 'Mass on a key', reason, base: revision, changes });
	};
	const idOf = async (answer: Response) => {
		expect(answer.status, await answer.clone().text()).to.equal(201);
		return ((await answer.json()) as { id: number }).id;
	};
	const listed = async (id: number) =>
		((await (await as('designer', `${path}/proposals`)).json()) as { proposals: Proposal[] }).proposals.find((p) => p.id === id)!;
	const decide = async (who: string, id: number, decision: object) => as(who, `${path}/proposals/${id}`, 'PUT', decision);
	const inOffice = async (keys: string) =>
		(await documentOf()).strata
			.find(({ id }) => id === 'office')!
			.contents['shortcuts']!.some((said) => (said as { keys: string }).keys === keys);

	it('change nothing until somebody who may takes them in, whole, as one edit in their name', async () => {
		const id = await idOf(
			await propose('designer', 'office', [setting('office', 'Ctrl+Alt+1', 700), setting('office', 'Ctrl+Alt+2', 701)])
		);
		expect(await inOffice('Ctrl+Alt+1')).to.equal(false);
		const { revision } = await documentOf();
		for (const who of ['designer', 'lead', 'trainer'])
			expect((await decide(who, id, { does: 'take', base: revision })).status, who).to.equal(403);
		const taken = await decide('steward', id, { does: 'take', base: revision });
		const { edit } = (await taken.json()) as { edit: { by: string; label: string; changes: unknown[] } };
		expect(edit).to.include({ by: 'first', label: `Proposal ${id}: Mass on a key` });
		expect(edit.changes).to.have.length(2);
		expect(await inOffice('Ctrl+Alt+2')).to.equal(true);
		expect(await listed(id)).to.deep.include({ state: 'taken' });
		expect((await decide('steward', id, { does: 'decline', reason: 'too late' })).status).to.equal(409);
	});

	it('are changed by who decides on them, with what they were in a comment; and by nobody else', async () => {
		const id = await idOf(
			await propose('designer', 'office', [setting('office', 'Ctrl+Alt+7', 730), setting('office', 'Ctrl+Alt+8', 731)])
		);
		const { revision } = await documentOf();
		const changed = { does: 'change', base: revision, changes: [setting('office', 'Ctrl+Alt+9', 732)], reason: 'nine is free' };
		for (const who of ['designer', 'lead', 'trainer']) expect((await decide(who, id, changed)).status, who).to.equal(403);
		const foreign = { ...changed, changes: [setting('cladding', 'Ctrl+Alt+9', 732)] };
		expect((await decide('steward', id, foreign)).status, 'of another stratum').to.equal(422);
		expect((await decide('steward', id, { ...changed, base: revision + 9 })).status).to.equal(409);
		expect((await decide('steward', id, { ...changed, reason: '' })).status).to.equal(400);
		expect((await listed(id)).changes).to.have.length(2);
		expect((await decide('steward', id, changed)).status).to.equal(200);
		const now = await listed(id);
		expect(now.changes).to.have.length(1);
		expect(now.person, 'it stays theirs who made it').to.not.equal('first');
		expect(now.comments.at(-1)).to.include({ by: 'first', text: 'Changed from 2 to 1 part: nine is free' });
		expect((await decide('steward', id, { does: 'take', base: revision })).status).to.equal(200);
		expect([await inOffice('Ctrl+Alt+7'), await inOffice('Ctrl+Alt+9')]).to.deep.equal([false, true]);
		expect((await decide('steward', id, changed)).status, 'decided already').to.equal(409);
	});

	it('are taken in parts, declined with a reason, withdrawn by who made them, and talked about', async () => {
		const id = await idOf(
			await propose('designer', 'office', [setting('office', 'Ctrl+Alt+3', 710), setting('office', 'Ctrl+Alt+4', 711)])
		);
		expect((await as('trainer', `${path}/proposals/${id}`, 'POST', { text: 'The second one only, please' })).status).to.equal(
			200
		);
		expect((await listed(id)).comments.map(({ text }) => text)).to.deep.equal(['The second one only, please']);
		const { revision } = await documentOf();
		expect((await decide('steward', id, { does: 'take', base: revision, parts: [7] })).status, 'no such part').to.equal(422);
		expect((await decide('steward', id, { does: 'take', base: revision, parts: [1] })).status).to.equal(200);
		expect([await inOffice('Ctrl+Alt+3'), await inOffice('Ctrl+Alt+4')]).to.deep.equal([false, true]);
		expect((await listed(id)).decision!.reason).to.include('1 of 2 parts');

		const other = await idOf(await propose('designer', 'cladding', [setting('cladding', 'Ctrl+Alt+5', 1)]));
		expect((await decide('lead', other, { does: 'decline', reason: '' })).status, 'without a reason').to.equal(400);
		expect(
			(await decide('lead', other, { does: 'decline', reason: 'the key is reserved for the job' })).status,
			'the lead of it'
		).to.equal(200);
		const own = await idOf(await propose('trainer', 'office', [setting('office', 'Ctrl+Alt+6', 720)]));
		expect((await as('designer', `${path}/proposals/${own}`, 'DELETE')).status, 'somebody else’s').to.equal(403);
		expect((await as('trainer', `${path}/proposals/${own}`, 'DELETE')).status).to.equal(200);
		expect((await listed(own)).state).to.equal('withdrawn');
	});

	it('follow a stratum that moved under them, and say what others have changed of the same', async () => {
		const change = setting('office', 'Ctrl+Alt+7', 730);
		const id = await idOf(await propose('designer', 'office', [change, setting('office', 'Ctrl+Alt+8', 731)]));
		const before = await documentOf();
		await as('steward', `${path}/edits`, 'POST', {
			...{ base: before.revision, stratum: 'office', label: 'The same key meanwhile' },
			changes: [{ ...change, after: { ...change.after, rank: 740 } }]
		});
		const now = await listed(id);
		expect(now.isMoved).to.equal(true);
		expect(now.touched.join()).to.match(/Ctrl\+Alt\+7/);
		const stale = await decide('steward', id, { does: 'take', base: before.revision });
		expect(stale.status, 'looked at before it moved').to.equal(409);
		expect((await listed(id)).state).to.equal('open');
		const { revision } = await documentOf();
		expect((await decide('steward', id, { does: 'take', base: revision })).status).to.equal(200);
		expect(await inOffice('Ctrl+Alt+8')).to.equal(true);
	});

	it('are refused where they are not sound, and nothing is kept', async () => {
		const count = async () =>
			((await (await as('steward', `${path}/proposals`)).json()) as { proposals: unknown[] }).proposals.length;
		const before = await count();
		const own = (await documentOf()).layers.find(({ kind, person }) => kind === 'personal' && person !== 'first')!.id;
		for (const [stratum, changes, status] of [
			['office', [setting('office', 'Ctrl+Alt+9', 750, 'no.such-command')], 422],
			['office', [setting('cladding', 'Ctrl+Alt+9', 750)], 422],
			['factory', [setting('factory', 'Ctrl+Alt+9', 750)], 422],
			[own, [setting(own, 'Ctrl+Alt+9', 750)], 422],
			['nowhere', [setting('nowhere', 'Ctrl+Alt+9', 750)], 422],
			['office', [], 400]
		] as const)
			expect((await propose('designer', stratum, changes)).status, stratum).to.equal(status);
		expect((await propose('designer', 'office', [setting('office', 'Ctrl+Alt+9', 750)], '')).status, 'no reason').to.equal(400);
		expect(await count()).to.equal(before);
	});
});
