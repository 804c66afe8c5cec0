import { expect } from 'chai';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { varve } from '../../../demo/varve/varve.ts';
import { aliasFileIn } from '../../../core/chapters/aliases/file.ts';
import { Holds } from '../../../core/recipe/field.ts';
import { office } from '../page/office.ts';
import { until } from '../page/page.ts';

describe('the recipe workshop', () => {
	const demo = office();
	const open = async (app: string = varve.application.id) => {
		const workspace = await demo.open(app);
		return { workspace, workshop: new demo.browser.RecipeWorkshop(workspace) };
	};
	const file = (name: string, text: string) => new File([text], name);

	it('understands an example of each kind by itself, and reads it back byte for byte', async () => {
		for (const holds of Holds.options) {
			const { workshop } = await open();
			workshop.take({ holds });
			workshop.takeExample();
			await until(() => workshop.recipe !== undefined, `a proposal for ${holds}`);
			const live = workshop.records.filter((r) => !r.off);
			expect(live.length, holds).to.equal(7);
			expect(workshop.known, holds).to.be.at.least(7);
			expect(
				workshop.records.some((r) => r.off),
				`${holds}: one is commented out`
			).to.equal(true);
			expect(workshop.trial?.failed, holds).to.equal(undefined);
		}
	});

	it('begins with shortcuts where the program has no command line', async () => {
		const { workshop } = await open(gneiss.application.id);
		expect([workshop.hasAliases, workshop.holds]).to.deep.equal([false, 'shortcuts']);
		expect((await open()).workshop.holds).to.equal('aliases');
	});

	it('opens a file with its encoding and remembers it, and tells one that is too much to read', async () => {
		const { workshop } = await open();
		await workshop.open(new File([new Uint8Array([0x74, 0xfc, 0x20, 0x7e, 0x20, 0x64, 0x0d, 0x0a])], 'kürzel.txt'));
		expect([workshop.text, workshop.fileName]).to.deep.equal(['tü ~ d\r\n', 'kürzel.txt']);
		expect(workshop.recent.list.map((f) => f.name)).to.deep.equal(['kürzel.txt']);
		await workshop.open(Object.defineProperty(file('long.txt', 'x'), 'size', { value: 500_000_000 }));
		expect(workshop.refusal?.message).to.match(/long\.txt/);
		expect(workshop.text, 'what was there stays').to.equal('tü ~ d\r\n');
	});

	it('takes a saved recipe, and says where one is wrong', async () => {
		const { workshop } = await open();
		await workshop.open(file('a.recipe.json', '{'));
		expect(workshop.refusal?.problems[0]?.message).to.match(/^not JSON/);
		await workshop.open(file('b.recipe.json', '{"format":"skarn-recipe","version":1,"name":"x","holds":"tunes"}'));
		expect(workshop.refusal?.problems.map((p) => p.pointer)).to.include('/holds');
		expect(workshop.recipe).to.equal(undefined);
	});

	it('asks before it replaces an alias file, and one undo brings that back', async () => {
		const { workspace, workshop } = await open();
		workspace.targetId = workspace.profile.find((s) => s.kind === 'office')!.id;
		const before = aliasFileIn(workspace.target);
		expect(workshop.replaces).to.equal(true);
		workshop.takeExample();
		await until(() => workshop.recipe !== undefined, 'a proposal');
		expect(await workshop.useAsAliasFile()).to.equal(true);
		expect(aliasFileIn(workspace.target)?.text).to.equal(workshop.text);
		await workspace.edits.undo();
		expect(aliasFileIn(workspace.target)).to.deep.equal(before);
	});

	it('compares shortcuts with the profile, and writes the stratum in the format of the sample', async () => {
		const { workspace, workshop } = await open(gneiss.application.id);
		workshop.take({ holds: 'shortcuts' });
		workshop.takeExample();
		await until(() => workshop.recipe !== undefined, 'a proposal');
		await workshop.compare();
		expect(workshop.imported?.items.map((i) => [i.chapter, i.state])).to.deep.equal(
			Array.from({ length: 7 }, () => ['shortcuts', 'new'])
		);
		const written = workshop.written();
		expect(written?.name).to.equal(`${gneiss.application.id}-${workspace.targetId}.txt`);
		expect(workspace.notice?.text).to.match(/shortcuts written/);
	});

	it('keeps a recipe with the application and drops it, and tells when the server is not there', async () => {
		const { workspace, workshop } = await open();
		workshop.takeExample();
		await until(() => workshop.recipe !== undefined, 'a proposal');
		workshop.recipe = { ...workshop.recipe!, name: 'Ours' };
		await workshop.keep();
		expect(workshop.kept.map((r) => r.name)).to.include('Ours');
		await workshop.drop('Ours');
		expect(workshop.kept.map((r) => r.name)).to.not.include('Ours');
		const { fetch } = globalThis;
		globalThis.fetch = () => Promise.reject(new TypeError('down'));
		try {
			await workshop.keep();
			expect(workspace.notice).to.deep.include({ kind: 'failed' });
			expect(workspace.notice?.text).to.match(/cannot be reached/);
		} finally {
			globalThis.fetch = fetch;
		}
	});
});

describe('the last files', () => {
	const demo = office();

	it('keep four, the newest first, none twice and none that is very long', () => {
		const recent = new demo.browser.RecentFiles('here');
		for (const name of ['a', 'b', 'c', 'd', 'a', 'e']) recent.add(name, `text of ${name}`);
		recent.add('long', 'x'.repeat(300_000));
		expect(recent.list.map((f) => f.name)).to.deep.equal(['e', 'a', 'd', 'c']);
		expect(new demo.browser.RecentFiles('here').list, 'after another start').to.deep.equal(recent.list);
		localStorage.setItem('skarn-recent here', '{"not": "a list"}');
		expect(new demo.browser.RecentFiles('here').list).to.deep.equal([]);
	});
});
