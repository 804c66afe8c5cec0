import { expect } from 'chai';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import type { Setup } from '../../../core/people/setup.ts';
import { officeOfPeople } from '../office-of-people.ts';
import type { ListedStratum } from '../../../src/lib/server/strata.ts';
import type { MadeSetup, Without } from '../../../src/lib/server/setups.ts';
import type { WorkspaceDocument } from '../../../src/lib/server/workspace-document.ts';

const path = `/api/applications/${gneiss.application.id}`;

describe('strata that are required, archived or deleted', () => {
	const { as } = officeOfPeople();
	const answered = async (answer: Response, status = 200) => {
		expect(answer.status, await answer.clone().text()).to.equal(status);
		return answer.json() as Promise<never>;
	};
	const documentOf = async (who: string, setup?: string): Promise<WorkspaceDocument> =>
		answered(await as(who, setup ? `${path}?setup=${setup}` : path));
	const strata = async (): Promise<readonly ListedStratum[]> =>
		((await answered(await as('steward', '/api/strata'))) as { strata: ListedStratum[] }).strata;
	const change = (who: string, id: string, what: object) => as(who, '/api/strata', 'PATCH', { id, ...what });
	const make = (who: string, what: object) => as(who, `${path}/setups`, 'POST', what);
	const own = async (who: string) => (await documentOf(who)).strata.find((s) => s.kind === 'personal')!.id;

	it('are said by stewards, and then no new setup leaves them out, nor any that has them', async () => {
		const before: Setup = await answered(await make('designer', { name: 'Bare', strata: [await own('designer')] }), 201);
		for (const who of ['lead', 'designer', 'trainer'])
			expect((await change(who, 'office', { isRequired: true })).status, who).to.equal(403);
		expect(await answered(await change('steward', 'office', { isRequired: true }))).to.deep.include({
			was: { name: 'Office', isRequired: false, state: 'used' }
		});
		const bare = await make('designer', { name: 'Barer', strata: [await own('designer')] });
		expect([bare.status, ((await bare.json()) as { detail: string }).detail]).to.deep.equal([
			422,
			'Office cannot be left out: it is required in every setup.'
		]);
		const everyday = (await documentOf('designer')).setups.find((s) => s.name === 'Everyday')!;
		const out = await as('designer', `${path}/setups`, 'PUT', { id: everyday.id, strata: [await own('designer')] });
		expect(out.status).to.equal(422);
		const { without } = (await answered(await as('steward', `${path}/rollout`))) as { without: Without[] };
		expect(without).to.deep.equal([
			{ setup: before.id, name: 'Bare', person: before.person, isStart: false, missing: ['Office'] }
		]);
		expect(((await answered(await as('designer', `${path}/rollout`))) as { without: Without[] }).without).to.deep.equal([]);
		const set = { id: before.id, strata: ['office', await own('designer')] };
		await answered(await as('designer', `${path}/setups`, 'PUT', set));
		expect(((await answered(await as('steward', `${path}/rollout`))) as { without: Without[] }).without).to.deep.equal([]);
	});

	it('may be those of a setup that is required, which everyone’s usual one then has', async () => {
		expect((await documentOf('trainer')).setup.strata).to.not.include('ropes');
		const moulds: Setup = await answered(await make('steward', { name: 'House', strata: ['office', 'ropes'] }), 201);
		const put = (who: string) => as(who, `${path}/setups`, 'PUT', { id: moulds.id, isRequired: true });
		expect((await put('trainer')).status).to.equal(403);
		await answered(await put('steward'));
		const { setup, required } = await documentOf('trainer');
		expect(required).to.deep.equal(['office', 'ropes']);
		expect(setup.strata.slice(0, 2)).to.deep.equal(['office', 'ropes']);
		expect((await documentOf('lead')).setup.strata.filter((id) => id === 'ropes' || id === 'cladding')).to.deep.equal([
			'cladding',
			'ropes'
		]);
		await answered(await as('steward', `${path}/setups`, 'PUT', { id: moulds.id, isRequired: false }));
	});

	it('are archived and come back as they were, in the setups that had them', async () => {
		const { revision } = await documentOf('lead');
		const entry = { op: 'set', command: 'inspect.mass', keys: 'Ctrl+Alt+4', scope: {}, rank: 910 };
		const changes = [{ chapter: 'shortcuts', stratum: 'cladding', before: null, after: entry }];
		const edit = { base: revision, stratum: 'cladding', label: 'mass', changes };
		await answered(await as('lead', `${path}/edits`, 'POST', edit), 201);
		const setup: Setup = await answered(await make('designer', { name: 'Clad', strata: ['office', 'cladding'] }), 201);
		const before = await documentOf('designer', setup.id);
		expect(before.strata.map((s) => s.id)).to.include('cladding');
		expect((await change('designer', 'cladding', { state: 'archived' })).status).to.equal(403);
		await answered(await change('lead', 'cladding', { state: 'archived' }));
		expect((await documentOf('designer', setup.id)).strata.map((s) => s.id)).to.not.include('cladding');
		expect((await strata()).find((s) => s.id === 'cladding')).to.include({ state: 'archived' });
		expect((await make('designer', { name: 'New', strata: ['office', 'cladding'] })).status).to.equal(422);
		// another name keeps what is archived in its place
		await answered(await as('designer', `${path}/setups`, 'PUT', { id: setup.id, name: 'Clad over', strata: setup.strata }));
		expect(((await answered(await as('steward', '/api/verify'))) as { differing?: unknown[] }).differing ?? []).to.deep.equal([]);
		expect((await as('designer', `${path}/proposals`)).status).to.equal(200);
		await answered(await change('lead', 'cladding', { state: 'used' }));
		expect((await documentOf('designer', setup.id)).strata).to.deep.equal(before.strata);
	});

	it('are deleted with an undo; the office’s, a required one and the last of one’s own are not', async () => {
		for (const [who, id, said] of [
			['steward', 'office', /is the content of releases/],
			['designer', await own('designer'), /your only personal level/]
		] as const) {
			const answer = await change(who, id, { state: 'deleted' });
			expect([answer.status, await answer.text()]).to.satisfy(
				([status, text]: [number, string]) => status === 409 && said.test(text)
			);
		}
		await answered(await change('steward', 'ropes', { isRequired: true }));
		expect((await change('steward', 'ropes', { state: 'archived' })).status).to.equal(409);
		await answered(await change('steward', 'ropes', { isRequired: false }));
		await answered(await change('steward', 'ropes', { state: 'deleted' }));
		expect((await documentOf('steward')).layers.map((l) => l.id)).to.not.include('ropes');
		const again = await as('steward', '/api/strata', 'POST', { id: 'ropes-2', kind: 'project', name: 'Ropes' });
		expect(again.status, 'the name is free').to.equal(201);
		const back = await change('steward', 'ropes', { state: 'used' });
		expect([back.status, await back.text()]).to.satisfy(
			([status, text]: [number, string]) => status === 409 && /already a level called “Ropes”/.test(text)
		);
		await answered(await change('steward', 'ropes-2', { name: 'Cables' }));
		await answered(await change('steward', 'ropes', { state: 'used' }));
		expect((await documentOf('steward')).layers.map((l) => l.id)).to.include('ropes');
	});

	it('are copied into a setup that is made from another one, all at once or not at all', async () => {
		const from = (await documentOf('designer')).setups.find((s) => s.name === 'Everyday')!;
		const { setup, copied, shared }: MadeSetup = await answered(await make('designer', { name: 'Moulds', from: from.id }), 201);
		expect([copied.map((c) => c.into), shared]).to.deep.equal([['Moulds'], []]);
		const made = await documentOf('designer', setup.id);
		const personal = made.strata.find((s) => s.kind === 'personal')!;
		expect([personal.name, personal.id]).to.deep.equal(['Moulds', 'moulds']);
		expect((await documentOf('designer')).setup.strata, 'what one starts with is as it was').to.not.include('moulds');
		const layers = (await strata()).length;
		expect((await make('designer', { name: 'moulds', from: from.id })).status, 'the name is taken').to.equal(409);
		expect((await make('designer', { name: 'Other', from: 'gone-by-now' })).status).to.equal(404);
		expect((await strata()).length).to.equal(layers);
		const second: MadeSetup = await answered(await make('designer', { name: 'Both', from: from.id, shares: true }), 201);
		expect([second.copied, second.shared]).to.deep.equal([[], ['Designer desk']]);
	});
});
