import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { TABLES } from '../mutated.ts';
import { desk } from './office.ts';

describe('Import, export', () => {
	const at = desk();
	const bring = (name: string, text: string | Buffer) =>
		at.page.locator('input[type="file"]').setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
	const states = () => at.page.locator('.in .pills').innerText();
	const download = async (name: string) => {
		const [file] = await Promise.all([at.page.waitForEvent('download'), at.page.getByLabel(name).click()]);
		return readFileSync((await file.path())!, 'utf8');
	};

	beforeEach(() => at.open('hand-over'));

	it('takes out a profile and a stratum, and finds them the same when brought in', async () => {
		for (const [label, name] of [
			['Whole profile as JSON', 'all.json'],
			['Whole profile as CSV', 'all.csv']
		] as const) {
			await bring(name, await download(label));
			await at.page.getByText(/^Same \d{3}$/).waitFor();
			expect(await states())
				.to.include('New 0')
				.and.include('Refused 0');
			await at.page.getByRole('button', { name: 'Cancel' }).click();
		}
		expect(JSON.parse(await download('Office as JSON'))).to.have.nested.property('strata[0].id', 'office');
	});

	it('previews, imports the chosen entries as one edit, and undoes them as one', async () => {
		await bring(
			'mine.csv',
			'keys,command,scope,stratum\r\nAlt+J,file.quit,,personal\r\nB,solid.box,document=part.solids,personal\r\nAlt+O,file.pack,,personal\r\nAlt+P,file.nowhere,,personal\r\n'
		);
		await at.page.getByText('takes it from Base sheet').first().waitFor();
		expect(await states())
			.to.include('New 2')
			.and.include('Replaces 1')
			.and.include('Refused 1');
		expect(await at.page.getByRole('alert').innerText())
			.to.include('line 5')
			.and.include('not in the catalogue');
		await at.page.getByLabel('Take line 4').uncheck();
		await at.page.getByRole('button', { name: 'Import 1 entry' }).waitFor();
		await at.page.getByRole('group', { name: 'Replace?' }).getByText('takes it from Base sheet').waitFor();
		await at.page.getByRole('button', { name: 'Use the file’s' }).click();
		await at.page.getByRole('button', { name: 'Import 2 entries' }).click();
		await at.page.getByText('Import from mine.csv: 2 entries').waitFor();
		const keys = async () =>
			JSON.stringify(
				JSON.parse(await (await fetch(`${at.server.address}/api/applications/gneiss-solid-5/export?stratum=personal`)).text())
			);
		expect(await keys())
			.to.include('Alt+J')
			.and.include('solid.box')
			.and.not.include('Alt+O');
		await at.page.keyboard.press('Control+z');
		await at.page.getByText('Undo: Import from mine.csv').waitFor();
		expect(await keys())
			.to.not.include('Alt+J')
			.and.not.include('solid.box');
	});

	it('asks for each replacement, and takes one answer for the rest', async () => {
		await bring(
			'three.csv',
			'keys,command,scope,stratum\r\nB,solid.box,document=part.solids,personal\r\nShift+B,solid.box,document=part.solids,personal\r\nAlt+B,solid.box,document=part.solids,personal\r\nAlt+J,file.quit,,personal\r\n'
		);
		const question = at.page.getByRole('group', { name: 'Replace?' });
		await question.waitFor();
		await at.page.getByText('3 replacements need your decision').waitFor();
		await at.page.keyboard.press('k');
		await at.page.getByText('2 replacements need your decision').waitFor();
		await question.getByRole('checkbox', { name: 'apply to the other 1' }).check();
		await at.page.keyboard.press('t');
		await question.waitFor({ state: 'detached' });
		await at.page.getByRole('button', { name: 'Import 3 entries' }).waitFor();
		await at.page.getByRole('button', { name: 'Cancel' }).click();
	});

	it('brings shortcuts in for all contexts or for one, as chosen', async () => {
		await bring('one.csv', 'keys,command,scope,stratum\r\nAlt+J,solid.box,document=part.solids,personal\r\n');
		await at.page.getByText('Contents to import').click();
		const place = at.page.getByRole('combobox', { name: 'Contexts of shortcuts and toolbars' });
		const row = at.page.getByRole('listitem').filter({ hasText: 'Box' }).first();
		expect(await row.innerText()).to.not.include('Everywhere');
		await place.selectOption('all');
		await at.page.getByRole('listitem').filter({ hasText: 'Everywhere' }).first().waitFor();
		await at.page.getByRole('button', { name: 'Cancel' }).click();
	});

	it('hands over only the parts, contexts and commands that are ticked; what is of one machine stays', async () => {
		const fetched = async (query: string) =>
			JSON.parse(await (await fetch(`${at.server.address}/api/applications/varve-draft-7/export?${query}`)).text()) as {
				strata: { id: string; chapters: { shortcuts?: unknown[]; macros?: { id: string }[]; aliases?: { text: string } } }[];
				folders?: unknown;
			};
		const usual = await fetched('');
		expect(usual.folders).to.equal(undefined);
		expect(usual.strata[1]!.chapters.macros!.map((m) => m.id)).to.not.include('macro:standard-sheet');
		const whole = await fetched('sections=macros,machine');
		expect(whole.folders).to.not.equal(undefined);
		expect(whole.strata[1]!.chapters.macros!.map((m) => m.id)).to.include('macro:standard-sheet');
		expect(whole.strata[0]!.chapters.shortcuts).to.equal(undefined);
		const layers = await fetched('sections=aliases&category=Layers');
		expect(layers.strata[1]!.chapters.aliases!.text).to.include('lo   -> layer.of-object').and.not.include('draw.segment');
		expect((await fetch(`${at.server.address}/api/applications/varve-draft-7/export?sections=all`)).status).to.equal(400);

		await at.page.getByText('Contents', { exact: true }).click();
		await at.page.getByRole('checkbox', { name: /^Macros/ }).uncheck();
		const text = await download('Whole profile as JSON');
		expect(text).to.not.include('"macros"');
	});

	it('takes macros of a file with the shortcuts that run them, in one edit', async () => {
		const file = {
			format: 'skarn-profile',
			version: 1,
			application: { id: 'gneiss-solid-5', version: '5.2' },
			strata: [
				{
					id: 'personal',
					kind: 'personal',
					name: 'Personal',
					entries: [{ op: 'set', command: 'macro:save-twice', keys: 'Alt+J', scope: {} }],
					macros: [
						{
							id: 'macro:save-twice',
							label: 'Save twice',
							steps: [
								{ do: 'run', command: 'file.save' },
								{ do: 'run', command: 'file.save' }
							]
						}
					]
				}
			]
		};
		await bring('macro.json', JSON.stringify(file));
		await at.page.getByRole('button', { name: 'Import 2 entries' }).click();
		await at.page.getByText('Import from macro.json: 2 entries').waitFor();
		await at.page.keyboard.press('Control+z');
		await at.page.getByText('Undo: Import from macro.json').waitFor();
	});

	it('takes where files lie only when it is ticked, and Folders takes it back', async () => {
		const path = `${at.server.address}/api/applications/varve-draft-7/folders`;
		const paths = async () => (await (await fetch(path)).json()) as { groups: { folders: { path: string }[] }[] };
		const before = await paths();
		const turned = { ...before, groups: before.groups.map((g) => ({ ...g, folders: [...g.folders].reverse() })) };
		const file = {
			format: 'skarn-profile',
			version: 1,
			application: { id: 'varve-draft-7', version: '7.0' },
			strata: [{ id: 'personal', kind: 'personal', name: 'Personal', entries: [] }],
			folders: turned
		};
		await at.page.goto(`${at.server.address}/varve-draft-7/hand-over`);
		await bring('places.json', JSON.stringify(file));
		await at.page
			.getByRole('checkbox', { name: /machine/i })
			.last()
			.check();
		await at.page.getByRole('button', { name: /Use the file’s/ }).click();
		await at.page.getByText('Search folders are undone in Folders').waitFor();
		await at.page.getByRole('button', { name: 'Import 1 entry' }).click();
		await at.page.getByRole('link', { name: 'Folders' }).click();
		const undo = at.page.getByRole('button', { name: 'Undo the last change' });
		await undo.waitFor();
		expect(await paths()).to.deep.equal(turned);
		await undo.click();
		await at.page.waitForFunction(async ([address, wanted]) => JSON.stringify(await (await fetch(address!)).json()) === wanted, [
			path,
			JSON.stringify(before)
		] as const);
		await at.open('hand-over');
	});

	const bad: [string, string | Buffer, RegExp][] = [
		['cut.json', '{\n  "format": "skarn-profile",\n  "version": 1,\n  "appl', /line 4.*not JSON/s],
		['other.json', '{"format": "something"}', /line 1, column 12/],
		['open.csv', 'keys,command\n"A,b\n', /line 2.*not CSV/s],
		['wrong.csv', 'a,b\n1,2\n', /no column "keys"/],
		['empty.csv', '', /the file is empty/],
		['picture.csv', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0xff, 0xfe]), /not a text file/]
	];
	for (const [name, content, message] of bad)
		it(`refuses ${name} whole, says where and why, and goes on`, async () => {
			await bring(name, content);
			const alert = at.page.getByRole('alert');
			await alert.waitFor();
			expect(await alert.innerText())
				.to.match(message)
				.and.include('Nothing was imported');
			await at.page.getByText('Drop a profile (JSON)').waitFor();
		});

	it('refuses more entries than an edit can take, and says at which line they begin', async () => {
		const rows = Array.from({ length: 100_001 }, (_, i) => `Ctrl+A ${String.fromCharCode(65 + (i % 26))},file.quit`);
		await bring('many.csv', ['keys,command', ...rows, ''].join('\n'));
		await at.page.getByText('at most 100000 are brought at once').first().waitFor();
		expect(await at.page.getByRole('alert').innerText()).to.include('line 100002');
	});

	it('refuses more than 50 MB by size', async () => {
		await at.page.locator('input[type="file"]').evaluate((input: HTMLInputElement) => {
			const transfer = new DataTransfer();
			transfer.items.add(new File([new Uint8Array(51_000_000)], 'huge.json'));
			input.files = transfer.files;
			input.dispatchEvent(new Event('change', { bubbles: true }));
		});
		await at.page.getByText('the maximum is 50 MB').first().waitFor();
	});

	it('wants one file at a time and names the twins', async () => {
		await at.page.locator('.drop').evaluate((drop) => {
			const dataTransfer = new DataTransfer();
			for (const text of ['a', 'b']) dataTransfer.items.add(new File([text], 'twin.csv'));
			drop.dispatchEvent(new DragEvent('drop', { dataTransfer, bubbles: true, cancelable: true }));
		});
		await at.page.getByText('Two of the 2 files have the name twin.csv').waitFor();
	});

	it('brings another application from a CSV list with mapped columns', async () => {
		await at.page.getByLabel('Application', { exact: true }).selectOption({ label: 'Programs …' });
		await at.page
			.getByRole('link', { name: 'Add a program …' })
			.or(at.page.getByRole('button', { name: 'Add a program …' }))
			.click();
		await at.page.getByRole('heading', { name: 'Add a program' }).waitFor();
		await bring(
			'roof.csv',
			'Ident,Caption,Place,Mode\nlay_tile,"Lay ""tile""",Roof > Tiles,Plan\nturn_ridge,Turn ridge,Roof > Ridge,Plan|Section\n,Nameless,Roof,\n'
		);
		await at.page.getByText('Columns').waitFor();
		await at.page.getByLabel('Name', { exact: true }).fill('Roof Works');
		await at.page.getByLabel('Id in the program').selectOption({ label: 'Ident' });
		await at.page.getByLabel('Category path').selectOption({ label: 'Place' });
		expect(await at.page.getByRole('alert').innerText()).to.include('line 4');
		await at.page.getByRole('button', { name: 'Add Roof Works with 2 commands' }).click();
		await at.page.waitForURL(/roof-works-1\/commands/);
		await at.page.locator('[role="option"]').first().click();
		await at.page.locator('.field').first().click();
		await at.page.locator('.field').first().press('Alt+t');
		await at.page.keyboard.press('Enter');
		await at.page.getByLabel('Remove Alt+T').waitFor();
		await at.page.goto(`${at.server.address}/roof-works-1/bench`);
		await at.page.locator('.window').focus();
		await at.page.keyboard.press('Alt+t');
		expect(await at.page.locator('.status').innerText()).to.include('Lay "tile" runs');
	});

	it('takes what is a colleague’s own into one’s own stratum first, and says so', async () => {
		await at.page.goto(`${at.server.address}/gneiss-solid-5/hand-over`);
		await at.page.waitForSelector('main section');
		const profile = {
			...{ format: 'skarn-profile', version: 2, application: { id: 'gneiss-solid-5', version: '5.2' } },
			strata: [
				{
					...{ id: 'own-colleague', kind: 'personal', name: 'Colleague' },
					chapters: { shortcuts: [{ op: 'set', command: 'inspect.mass', keys: 'Alt+Shift+M', scope: {} }] }
				}
			]
		};
		await bring('colleague.json', JSON.stringify(profile));
		await at.page.getByText('Colleague is a colleague’s personal content. It is copied to Personal.').waitFor();
		await at.page.getByRole('button', { name: 'Import 1 entry' }).waitFor();
	});

	it('brings one from records in XML, with what is around them as columns', async () => {
		await at.page.goto(`${at.server.address}/programs/new`);
		await at.page.getByRole('heading', { name: 'Add a program' }).waitFor();
		await bring('broken.xml', '<program>\n<menu name="Tiles"></program>');
		await at.page.getByText('Nothing was imported', { exact: false }).waitFor();
		await bring('roof.xml', TABLES['roof.xml']!);
		await at.page.getByText('Columns').waitFor();
		const category = at.page.getByLabel('Category path');
		expect(await category.locator('option:checked').innerText()).to.equal('menus.name');
		expect(await at.page.getByRole('table').innerText())
			.to.include('Lay tile')
			.and.include('Ridge');
		await at.page.getByLabel('Name', { exact: true }).fill('Roof by XML');
		await at.page.getByRole('button', { name: 'Add Roof by XML with 3 commands' }).click();
		await at.page.waitForURL(/roof-by-xml-1\/commands/);
	});
});
