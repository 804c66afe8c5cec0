import { expect } from 'chai';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { contextSpace } from '../../../core/context/space.ts';
import { USUAL } from '../../../core/hand-over/selection.ts';
import { profileFile, writeProfileFile } from '../../../core/hand-over/profile-file.ts';
import { writeShortcutsCsv } from '../../../core/hand-over/shortcuts-csv.ts';
import { Recipe } from '../../../core/recipe/recipe.ts';
import type { StratumId } from '../../../core/strata/stratum.ts';
import { demoProfile, subjectOf } from '../demo-office.ts';
import { page } from '../page/page.ts';

describe('reading a file for a page', () => {
	const profile = demoProfile();
	const { application, commands } = gneiss;
	const what = { application, commands, profile, into: undefined, selection: USUAL, scope: undefined, desks: [] };
	let browser: Awaited<ReturnType<typeof page>>;
	before(async () => (browser = await page()));
	after(() => browser.close());

	const read = (name: string, text: BlobPart, more: object = {}, stages: string[] = []) =>
		new browser.FileReading().shortcuts(new File([text], name), { ...what, ...more }, (stage) => stages.push(stage));
	const refused = async (work: Promise<unknown>) => {
		try {
			await work;
		} catch (error) {
			expect(error).to.be.instanceOf(browser.ReadingRefusedError);
			return error as InstanceType<typeof browser.ReadingRefusedError>;
		}
		throw new Error('it was read');
	};

	it('finds a profile the same that was taken out, as JSON and as CSV', async () => {
		const { catalogue } = subjectOf(gneiss);
		for (const [name, text] of [
			['all.json', writeProfileFile(profileFile(application, profile))],
			['all.csv', writeShortcutsCsv(profile, catalogue)]
		] as const) {
			const reading = await read(name, text);
			expect(new Set(reading!.items.map((item) => item.state)), name).to.deep.equal(new Set(['same']));
			expect([reading!.refused, reading!.foreign], name).to.deep.equal([[], undefined]);
		}
	});

	it('tells how far it is, and brings thousands of rows whole and in order', async () => {
		const space = contextSpace(application.axes, application.reachable);
		expect(space.situations.length).to.be.greaterThan(1);
		const letters = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'];
		const keys = letters.flatMap((a) => letters.flatMap((b) => letters.map((c) => `Ctrl+${a} ${b} ${c}`))).slice(0, 12_345);
		const stages: string[] = [];
		const reading = await read('many.csv', ['keys,command', ...keys.map((k) => `${k},solid.box`)].join('\n'), {}, stages);
		expect(reading!.items.map(({ caption }) => caption.keys as string)).to.deep.equal(keys);
		expect(stages).to.deep.equal(['Reading', 'Parsing', 'Comparing 12345 entries']);
	});

	it('brings no more than an edit takes, counting what it refuses', async () => {
		const lines = Array.from({ length: 100_001 }, (_, i) => (i % 2 ? 'Ctrl+Q,solid.box' : 'Nokey,solid.box'));
		const error = await refused(read('many.csv', ['keys,command', ...lines].join('\n')));
		expect(error.problems).to.have.length(1);
		expect(error.problems[0]).to.include({ line: 100_002, column: 1 });
		expect(error.problems[0]!.message).to.include('100001 entries').and.include('at most 100000');
	});

	it('refuses what is no text, no CSV or no profile, with the place', async () => {
		expect((await refused(read('picture.csv', new Uint8Array([0x89, 0x50, 0, 0xff])))).message).to.include('picture.csv');
		expect((await refused(read('open.csv', 'keys,command\n"A,b\n'))).problems[0]).to.include({ line: 2 });
		expect((await refused(read('broken.json', '{"format": "skarn-profile",\n "version": }'))).problems[0]).to.include({
			line: 2
		});
		expect((await refused(read('sheet.xlsx', 'no sheet'))).message).to.include('sheet.xlsx');
	});

	it('says for whom a file was written, and refuses what is not here one by one', async () => {
		const other = { ...application, id: 'other-7', version: '7' } as typeof application;
		const reading = await read('other.json', writeProfileFile(profileFile(other, profile)));
		expect(reading!.foreign).to.include('other-7 7').and.include(application.id);
		const rows = (await read('some.csv', 'keys,command\nCtrl+Q,no.such\nCtrl+Q,solid.box\n'))!.items;
		expect(rows.map((row) => row.state)).to.include('refused');
		expect(rows).to.have.length(2);
	});

	it('reads by a recipe into the stratum that is named', async () => {
		const recipe = Recipe.parse({
			format: 'skarn-recipe',
			version: 1,
			name: 'Lines',
			holds: 'shortcuts',
			record: { shape: 'line', template: '{keys} = {command}', comment: '#' }
		});
		const reading = await read('lines.txt', '# own\nCtrl+Alt+Q = solid.box\n', { recipe, into: 'office' as StratumId });
		expect(reading!.items.map(({ caption, target }) => [target, caption.keys, caption.label])).to.deep.equal([
			['office', 'Ctrl+Alt+Q', gneiss.commands.find((c) => c.id === 'solid.box')!.label]
		]);
	});

	it('can be cancelled, and then answers nothing', async () => {
		const files = new browser.FileReading();
		const going = files.shortcuts(new File(['keys,command\nCtrl+Q,solid.box\n'], 'one.csv'), what);
		files.cancel();
		expect(await going).to.equal(undefined);
	});

	it('reads a list of any kind for mapping', async () => {
		const table = await new browser.FileReading().run((remote) => remote.table(new File(['id;name\na;Line\n'], 'list.csv')));
		expect(table!.header).to.deep.equal(['id', 'name']);
		expect(table!.records.map((r) => r.fields)).to.deep.equal([['a', 'Line']]);
		const error = await refused(new browser.FileReading().run((remote) => remote.table(new File(['id,name\n'], 'list.csv'))));
		expect(error.problems[0]).to.include({ line: 2 });
	});
});
