import { expect } from 'chai';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { emptyAliasFile } from '../../../core/chapters/aliases/file.ts';
import { shortcutKey } from '../../../core/shortcut/entry.ts';
import { officeOfPeople } from '../office-of-people.ts';

const app = gneiss.application.id;
const path = `/api/applications/${app}`;

interface Blamed {
	readonly revision: number;
	readonly things: Record<string, number>;
	readonly lines: readonly number[];
	readonly makers: Record<string, { by: string; label: string }>;
}

describe('who said what, on the server', () => {
	const people = officeOfPeople();

	const as = async <T>(who: string, to: string, method = 'GET', body?: unknown) => {
		const answer = await people.as(who, to, method, body);
		return { status: answer.status, body: (await answer.json()) as T };
	};
	const blame = (query: string, who = 'designer') => as<Blamed>(who, `${path}/blame?${query}`);
	const [entry] = gneiss.entriesOf('set | Ctrl+Alt+F11 | file.pack | any');
	const thing = shortcutKey(entry!);

	async function write(who: string, stratum: string, label: string, before: number | null, after: number | null) {
		const { revision, me } = (await as<{ revision: number; me: { id: string } }>(who, path)).body;
		const said = (rank: number | null) => (rank === null ? null : { ...entry!, rank });
		const changes = [{ chapter: 'shortcuts', stratum, before: said(before), after: said(after) }];
		const taken = await as<{ edit: { revision: number } }>(who, `${path}/edits`, 'POST', {
			base: revision,
			stratum,
			label,
			changes
		});
		expect(taken.status, JSON.stringify(taken.body)).to.equal(201);
		return { by: me.id, revision: taken.body.edit.revision };
	}

	it('names the person whose edit was the last, stratum by stratum, also of what they took away', async () => {
		const first = await write('steward', 'office', 'given', null, 900);
		const led = await write('lead', 'cladding', 'given to panels', null, 900);
		const { body } = await blame('stratum=office&chapter=shortcuts');
		expect([body.things[thing], body.makers[first.revision]]).to.deep.include.members([first.revision]);
		expect(body.makers[first.revision]).to.include({ by: first.by, label: 'given' });
		const other = (await blame('stratum=cladding&chapter=shortcuts')).body;
		expect(other.things).to.deep.equal({ [thing]: led.revision });
		expect(other.makers[led.revision]).to.include({ by: led.by });
		const gone = await write('steward', 'office', 'taken away', 900, null);
		expect((await blame('stratum=office&chapter=shortcuts')).body.things[thing]).to.equal(gone.revision);
	});

	it('leaves out what was known already', async () => {
		const all = (await blame('stratum=office&chapter=shortcuts')).body;
		const since = (await blame(`stratum=office&chapter=shortcuts&after=${all.revision - 1}`)).body;
		expect(Object.keys(since.things).length).to.be.lessThan(Object.keys(all.things).length);
		expect((await blame(`stratum=office&chapter=shortcuts&after=${all.revision}`)).body).to.deep.equal({
			revision: all.revision,
			things: {},
			lines: [],
			makers: {}
		});
	});

	it('tells of a text line by line', async () => {
		const write = async (who: string, change: object) => {
			const { revision, me } = (await as<{ revision: number; me: { id: string } }>(who, path)).body;
			const changes = [{ chapter: 'aliases', stratum: 'cladding', ...change }];
			const edit = { base: revision, stratum: 'cladding', label: 'names', changes };
			const taken = await as<{ edit: { revision: number } }>(who, `${path}/edits`, 'POST', edit);
			expect(taken.status, JSON.stringify(taken.body)).to.equal(201);
			return { by: me.id, revision: taken.body.edit.revision };
		};
		const text = 'fp=file.pack\nsf=sheet.flatten\n';
		const first = await write('lead', { from: null, to: { ...emptyAliasFile, text } });
		const second = await write('steward', { at: 0, before: '', after: 'im=inspect.mass\n' });
		const { lines, makers, things } = (await blame('stratum=cladding&chapter=aliases')).body;
		expect([lines, things]).to.deep.equal([[second.revision, first.revision, first.revision], {}]);
		expect([makers[first.revision]!.by, makers[second.revision]!.by]).to.deep.equal([first.by, second.by]);
	});

	it('is the same for many who ask at once, and after an undo', async () => {
		const { revision } = (await as<{ revision: number }>('steward', path)).body;
		const undone = await as('steward', `${path}/undo`, 'POST', { base: revision, stratum: 'office' });
		expect(undone.status).to.equal(200);
		const many = await Promise.all(Array.from({ length: 20 }, () => blame('stratum=office&chapter=shortcuts')));
		for (const { body } of many) expect(body).to.deep.equal(many[0]!.body);
		expect(many[0]!.body.things[thing]).to.equal(revision + 1);
	});

	it('says what is wrong with what was asked', async () => {
		for (const [query, status] of [
			['stratum=nobody&chapter=shortcuts', 404],
			['stratum=office&chapter=toys', 422],
			['stratum=office&chapter=constructor', 422],
			['chapter=shortcuts', 400],
			['stratum=office&chapter=shortcuts&after=-1', 400]
		] as const)
			expect((await blame(query)).status, query).to.equal(status);
	});
});
