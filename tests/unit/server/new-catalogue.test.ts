import { expect } from 'chai';
import type { Command } from '../../../core/application/command.ts';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import type { WorkspaceDocument } from '../../../src/lib/server/workspace-document.ts';
import { officeOfPeople } from '../office-of-people.ts';

const { id } = gneiss.application;
const path = `/api/applications/${id}`;
const [OLD, NEW, GONE, FRESH] = ['inspect.mass', 'inspect.weight', 'inspect.clearance', 'inspect.fresh'] as const;

interface Answer {
	readonly strata: { readonly stratum: string; readonly name: string; readonly follows: number; readonly gone: string[] }[];
	readonly left: unknown[];
	readonly backup?: string;
}

describe('another catalogue of a program in an office', () => {
	const { as } = officeOfPeople();
	const documentOf = async (who: string) => (await (await as(who, path)).json()) as WorkspaceDocument;
	const write = async (who: string, changes: readonly object[], stratum?: string) => {
		const { revision, strata } = await documentOf(who);
		const own = stratum ?? strata.find((s) => s.kind === 'personal')!.id;
		const placed = changes.map((change) => ({ stratum: own, before: null, ...change }));
		const answer = await as(who, `${path}/edits`, 'POST', { base: revision, stratum: own, label: 'mine', changes: placed });
		expect(answer.status, await answer.clone().text()).to.equal(201);
	};
	const key = (command: string, keys: string, rank: number) => ({
		chapter: 'shortcuts',
		after: { op: 'set', command, keys, scope: {}, rank }
	});
	const commandsNow = gneiss.commands
		.filter((c) => c.id !== GONE)
		.map((c): Command => (c.id === OLD ? { ...c, id: NEW as never } : c))
		.concat({ ...gneiss.commands.find((c) => c.id === OLD)!, id: FRESH as never, label: 'Fresh' });
	const changed = {
		commands: commandsNow,
		renamed: { [OLD]: NEW },
		defaults: [
			{ command: FRESH, keys: 'Ctrl+Alt+Shift+F9' },
			{ command: FRESH, alias: 'fr' }
		]
	};
	const put = async (body: object, query = '') => {
		const { application } = await documentOf('steward');
		return as('steward', `${path}${query}`, 'PUT', { application, ...body });
	};

	before(async () => {
		const macro = {
			...{ op: 'set', id: 'macro:twice', label: 'Twice', description: '', icon: 'macro', rank: 900 },
			steps: [
				{ do: 'run', command: OLD },
				{ do: 'run', command: GONE }
			]
		};
		await write('designer', [key(OLD, 'Ctrl+Alt+1', 900), key(GONE, 'Ctrl+Alt+2', 901), { chapter: 'macros', after: macro }]);
		await write('trainer', [key(GONE, 'Ctrl+Alt+3', 900)]);
		await write('lead', [key(OLD, 'Ctrl+Alt+4', 910)], 'cladding');
		// what is archived may come back
		await write('steward', [key(OLD, 'Ctrl+Alt+5', 920)], 'ropes');
		expect((await as('steward', '/api/strata', 'PATCH', { id: 'ropes', state: 'archived' })).status).to.equal(200);
	});

	it('says before anything is written whose strata follow, and who speaks of what would be gone', async () => {
		const before = await documentOf('designer');
		const { strata, backup, left } = (await (await put(changed, '?preview')).json()) as Answer;
		const of = (name: string) => strata.find((s) => s.name === name);
		expect(of('Designer desk'))
			.to.include({ follows: 2 })
			.and.deep.include({ gone: [GONE] });
		expect(of('Trainer desk'))
			.to.include({ follows: 0 })
			.and.deep.include({ gone: [GONE] });
		expect(of('Cladding')).to.include({ follows: 1 }).and.deep.include({ gone: [] });
		expect(of('Lead desk')).to.equal(undefined);
		expect([backup, left]).to.deep.equal([undefined, []]);
		expect(await documentOf('designer')).to.deep.equal(before);
	});

	it('refuses names that do not fit the two catalogues, and defaults of commands that were there', async () => {
		for (const [body, said] of [
			[{ renamed: { [OLD]: 'nowhere' } }, /inspect\.mass → nowhere: expected a command that is new/],
			[{ renamed: { [OLD]: 'file.save' } }, /expected a command that is new/],
			[{ renamed: { 'file.save': NEW } }, /file\.save → inspect\.weight: expected a command that is gone/],
			[{ renamed: { [OLD]: NEW, [GONE]: NEW } }, /another command is already renamed to it/],
			[{ defaults: [{ command: 'file.save', keys: 'F9' }] }, /a default of file\.save: expected a command that is new/],
			[{ defaults: [{ command: FRESH, keys: 'f9+ctrl' }] }, /a default of inspect\.fresh/]
		] as const) {
			const answer = await put({ ...changed, ...body });
			expect([answer.status, await answer.text()], said.source).to.satisfy(
				([status, text]: [number, string]) => status === 422 && said.test(text)
			);
		}
		expect((await documentOf('steward')).commands.some((c) => c.id === OLD)).to.equal(true);
	});

	it('lets all strata follow, each as an edit, keeps what is said of what is gone, and gives the factory the new defaults', async () => {
		const { revision } = await documentOf('steward');
		const answer = await put(changed);
		expect(answer.status, await answer.clone().text()).to.equal(200);
		const { backup } = (await answer.json()) as Answer;
		expect(backup).to.match(/before-catalogue/);
		const designer = await documentOf('designer');
		const own = JSON.stringify(designer.strata.find((s) => s.kind === 'personal'));
		expect(own).to.include(`"${NEW}"`).and.include(`"${GONE}"`).and.not.include(`"${OLD}"`);
		expect(JSON.stringify((await documentOf('lead')).strata.find((s) => s.id === 'cladding')))
			.to.include(NEW)
			.and.not.include(OLD);
		await as('steward', '/api/strata', 'PATCH', { id: 'ropes', state: 'used' });
		const ropes = (await (await as('steward', `${path}/strata?id=ropes`)).json()) as object;
		expect(JSON.stringify(ropes)).to.include(NEW).and.not.include(OLD);
		const factory = JSON.stringify(designer.strata[0]);
		expect(factory).to.include('Ctrl+Alt+Shift+F9').and.include(`fr -> ${FRESH}`);
		expect(designer.revision).to.be.greaterThan(revision);
		const { edits } = (await (await as('steward', `${path}/edits?since=${revision}`)).json()) as { edits: { label: string }[] };
		expect(new Set(edits.map((e) => e.label))).to.deep.equal(new Set(['Commands have new ids']));
		const verified = (await (await as('steward', '/api/verify')).json()) as object;
		expect(JSON.stringify(verified)).to.not.match(/stands in the table|is otherwise|does not fit/);
	});
});
