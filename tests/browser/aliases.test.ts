import { expect } from 'chai';
import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { desk, eventually, editElsewhere } from './office.ts';

/** The list of a drawing office in a layout of its own, CRLF, with a clash, a misspelt command and a remark. */
const OWN = [
	'Short names of the drawing office, list 7',
	'',
	'LN   runs  draw.segment   ;; thin line',
	'KR   runs  draw.circle',
	'WN   runs  draw.doubel    ;; walls',
	'HF   runs  hatch.fill',
	';; XX   runs  file.save',
	'HF   runs  hatch.solid',
	''
].join('\r\n');

describe('Aliases and recipes', () => {
	const at = desk();
	const open = async (view: string) => {
		await at.page.goto(`${at.server.address}/varve-draft-7/${view}`);
		await at.page.waitForSelector('main section');
	};
	const text = async () => (await at.page.locator('.cm-line').allInnerTexts()).map((l) => l.replace(/\n$/, ''));
	const found = () => at.page.getByRole('group', { name: 'Findings of this file' });
	const stored = async (stratum: string) => {
		const document = (await (await fetch(`${at.server.address}/api/applications/varve-draft-7`)).json()) as {
			strata: { id: string; contents: { aliases?: { text: string }[] } }[];
		};
		return document.strata.find((s) => s.id === stratum)!.contents.aliases![0]!.text;
	};

	/** The file that the page gives to be saved. */
	const saved = async (click: () => Promise<void>) => {
		const saving = at.page.waitForEvent('download');
		await click();
		return (await (await saving).path())!;
	};

	it('shows table and text of the same file, with the findings at their lines', async () => {
		await open('aliases');
		await found().getByText('2 errors').waitFor();
		expect((await text())[1]).to.equal('tt          -> shape.trim');
		expect(await at.page.getByRole('listbox', { name: 'Aliases' }).innerText()).to.include('Trim');
		await at.page.locator('.cm-lint-marker-error').first().waitFor();
	});

	it('writes what is typed as an edit, refreshes the findings, and undoes it with the profile', async () => {
		await open('aliases');
		const before = await stored('personal');
		await at.page.locator('.cm-line').nth(8).click();
		await at.page.keyboard.press('End');
		await at.page.keyboard.type('\nzz -> draw.arcc');
		await found().getByText('There is no command draw.arcc').waitFor();
		await eventually(async () => expect(await stored('personal')).to.equal(before.trimEnd() + '\nzz -> draw.arcc\n'));
		await at.page.keyboard.press('Control+z');
		await eventually(async () => expect(await stored('personal')).to.equal(before));
		await eventually(async () => expect((await text()).join('\n')).to.not.include('zz'));
	});

	it('keeps what was typed when the page is closed before it is written, until somebody has decided on it', async () => {
		await open('aliases');
		const before = await stored('personal');
		const callout = at.page.getByText('Some of your text is not saved');
		for (const takes of [false, true]) {
			await found().getByText('2 errors').waitFor();
			// The pause after the last key lasts for ever, so that a slow machine writes no more than a fast one.
			await at.page.evaluate(() => {
				const usual = window.setTimeout;
				window.setTimeout = ((act: () => void, ms: number) => (ms === 900 ? 0 : usual(act, ms))) as typeof setTimeout;
			});
			await at.page.locator('.cm-line').nth(1).click();
			await at.page.keyboard.press('End');
			await at.page.keyboard.type(' # mine');
			await at.page.reload();
			await callout.waitFor();
			await at.page.reload();
			await callout.waitFor();
			expect((await text())[1]).to.equal('tt          -> shape.trim');
			await at.page.getByRole('button', { name: takes ? 'Use my text' : 'Discard' }).click();
			await callout.waitFor({ state: 'detached' });
			if (!takes) {
				await at.page.reload();
				await found().getByText('2 errors').waitFor();
				expect(await callout.count(), 'it was let go').to.equal(0);
			}
		}
		await eventually(async () => expect(await stored('personal')).to.include('shape.trim # mine'));
		await at.page.getByRole('button', { name: 'Undo' }).click();
		await eventually(async () => expect(await stored('personal')).to.equal(before));
	});

	it('mends a finding by its number, and comments out from the text by keys', async () => {
		await open('aliases');
		const before = await stored('personal');
		await found().getByText('tt is Text block here').waitFor();
		await at.page.keyboard.press('1');
		await eventually(async () =>
			expect(await stored('personal')).to.equal(before.replace('tt          -> text', '# tt          -> text'))
		);
		await at.page.getByRole('button', { name: 'Undo' }).click();
		await eventually(async () => expect(await stored('personal')).to.equal(before));
		await at.page.locator('.cm-line').nth(3).click();
		await at.page.keyboard.press('Control+/');
		await eventually(async () => expect(await stored('personal')).to.include('# circle'));
		await at.page.keyboard.press('Control+/');
		await eventually(async () => expect(await stored('personal')).to.equal(before));
	});

	it('lets a finding stand with a reason, by keys alone, over a reload, and takes that back', async () => {
		await open('aliases');
		await found().getByText('2 errors').waitFor();
		await found().getByText('tt is Text block here').waitFor();
		await at.page.keyboard.press('a');
		await at.page.getByRole('textbox', { name: 'Reason' }).waitFor();
		await at.page.keyboard.type('both of us type it so');
		await at.page.keyboard.press('Enter');
		await found().getByText('1 error', { exact: false }).waitFor();
		await eventually(async () => expect(await found().innerText()).to.match(/1\s+error\b/));
		await open('aliases');
		await found().getByText('1 error').waitFor();
		await found().getByRole('button', { name: 'Accepted 1' }).click();
		await found().getByText('tt is Text block here').click();
		await found().getByText('Accepted by the designer: both of us type it so').waitFor();
		await found().getByRole('button', { name: 'Withdraw acceptance' }).click();
		await found().getByText('2 errors').waitFor();
	});

	it('is edited in the table in place, by keys alone, and takes a new alias for a command that was found', async () => {
		await open('aliases');
		const table = at.page.getByRole('listbox', { name: 'Aliases' });
		await table.getByText('join2').click();
		await table.press('c');
		await at.page.keyboard.press('Control+a');
		await at.page.keyboard.type('shape.join');
		await at.page.keyboard.press('Enter');
		await eventually(async () => expect(await stored('personal')).to.include('join2       -> shape.join\n'));
		await at.page.getByRole('combobox', { name: 'Add an alias for the command' }).fill('ellipse');
		await at.page.keyboard.press('Enter');
		await at.page.getByRole('textbox', { name: 'New alias' }).fill('el');
		await at.page.keyboard.press('Enter');
		await eventually(async () => expect(await stored('personal')).to.match(/^el +-> draw\.ellipse$/m));
		await at.page.getByRole('textbox', { name: 'Try an alias' }).fill('el');
		await at.page.getByText('Ellipse runs.').waitFor();
	});

	it('brings a file of unknown layout, makes a recipe, mends what clashes, and writes back only those lines', async () => {
		await open('recipes');
		await at.page
			.locator('input[type="file"]')
			.setInputFiles({ name: 'list7.txt', mimeType: 'text/plain', buffer: Buffer.from(OWN) });
		await at.page.getByText('for 6 records, byte for byte').waitFor();
		expect(await at.page.getByRole('region', { name: 'Recipe' }).innerText()).to.match(/1\s+line not read/);
		await at.page.getByRole('button', { name: 'Save recipe' }).click();
		await at.page.getByRole('button', { name: 'Delete the recipe My format' }).waitFor();
		const recipe = await saved(() => at.page.getByRole('button', { name: 'Export as file' }).click());
		await at.page.getByRole('button', { name: 'Use as alias file of Personal' }).click();
		await at.page.getByRole('button', { name: 'Replace' }).click();
		await at.page.waitForURL(/aliases/);
		expect(await stored('personal')).to.equal(OWN);

		await found().getByText('HF is Fill here and Hatch in line 6').click();
		await found().getByRole('button', { name: 'Remove line 8' }).click();
		await found().getByText('draw.double is spelt much like it').click();
		await found().getByRole('button', { name: 'Change it to draw.double' }).click();
		await found().getByText('0 errors').waitFor();
		const wanted = OWN.replace('draw.doubel', 'draw.double').replace('HF   runs  hatch.solid\r\n', '');
		await eventually(async () => expect(await stored('personal')).to.equal(wanted));

		const back = await saved(() => at.page.getByRole('button', { name: 'Export file' }).click());
		expect(readFileSync(back, 'utf8')).to.equal(wanted);

		// the same in a terminal, of the file as it was brought and as it was written back
		const brought = join(dirname(back), 'list7.txt');
		writeFileSync(brought, OWN);
		const check = (file: string) => {
			const subject = ['--server', at.server.address, '-a', 'varve-draft-7'];
			const args = ['bin/skarn.mjs', 'check', ...subject, '--aliases', file, '--recipe', recipe];
			const { stdout, stderr } = spawnSync(process.execPath, args, { encoding: 'utf8' });
			expect(stderr).to.equal('');
			return stdout.split('\n').filter((line) => line.startsWith(file) && /alias-(clash|orphan)/.test(line));
		};
		expect(check(brought).map((line) => line.slice(brought.length).replace(/;.*|\. The .*/, ''))).to.deep.equal([
			':8: error alias-clash: HF is Fill here and Hatch in line 6',
			':5: attention alias-orphan: There is no command draw.doubel in this version'
		]);
		expect(check(back)).to.deep.equal([]);
	});

	it('takes marks where the proposal is wrong, and says what a recipe lacks', async () => {
		await open('recipes');
		const sample = at.page.getByRole('textbox', { name: 'Sample' });
		await sample.fill('<LN> = draw.segment = thin\n<KR> = draw.circle = round\n');
		const mark = async (part: string, field: string) => {
			await sample.evaluate(
				(area: HTMLTextAreaElement, p) => area.setSelectionRange(area.value.indexOf(p), area.value.indexOf(p) + p.length),
				part
			);
			await at.page
				.getByRole('group', { name: 'Mark the selection as' })
				.getByRole('button', { name: new RegExp(`^${field}`) })
				.click();
		};
		await mark('LN', 'alias');
		await mark('draw.segment', 'command');
		await mark('thin', 'note');
		await eventually(async () =>
			expect(await at.page.getByRole('textbox', { name: 'One record' }).inputValue()).to.equal('<{alias}> = {command} = {note}')
		);
		await at.page.getByRole('textbox', { name: 'One record' }).fill('{alias} only');
		await at.page.keyboard.press('Tab');
		await at.page.getByRole('alert').getByText('must define where the command is').waitFor();
	});

	it('shows what shortcuts of a foreign file would change before anything does', async () => {
		await open('recipes');
		await at.page.getByRole('button', { name: 'shortcuts', exact: true }).click();
		await at.page
			.getByRole('textbox', { name: 'Sample' })
			.fill('draw.arc : Ctrl+Alt+F9\nlevel.line : Strg+Alt+F8\nnone.here : Ctrl+1\n');
		await at.page.getByText('for 3 records, byte for byte').waitFor();
		await at.page.getByRole('button', { name: 'Preview changes' }).click();
		await at.page.getByRole('button', { name: /Import 2|Take 2|2 entries/ }).waitFor();
	});

	it('runs aliases at the command line of the bench, and with a changed file only after it was read again', async () => {
		await open('bench');
		const frame = at.page.getByRole('application');
		await frame.focus();
		await at.page.keyboard.type('dc');
		await at.page.keyboard.press('Enter');
		await at.page.getByText('Circle runs', { exact: true }).waitFor();
		const text = await stored('personal');
		await editElsewhere(at.server, {
			label: 'dc',
			changes: [{ chapter: 'aliases', stratum: 'personal', at: text.length, before: '', after: 'dc   runs  draw.slot\r\n' }]
		});
		await at.page.evaluate(() => window.dispatchEvent(new Event('focus')));
		await at.page.getByText('still uses the version that it loaded').waitFor();
		await frame.focus();
		await at.page.keyboard.press('Escape');
		await at.page.getByText('Circle ends.').first().waitFor();
		await at.page.keyboard.type('dc ');
		await at.page.getByText('Circle runs', { exact: true }).waitFor();
		await at.page.keyboard.press('Escape');
		await at.page.getByRole('button', { name: 'Reload' }).click();
		await at.page.keyboard.type('dc ');
		await at.page.getByText('Slot runs', { exact: true }).waitFor();
		await at.page.keyboard.press('Escape');

		await at.page.getByRole('link', { name: /^Aliases/ }).click();
		await at.page.locator('.cm-line').first().click();
		await at.page.keyboard.press('End');
		await at.page.keyboard.type(' changed');
		await eventually(async () => expect(await stored('personal')).to.include('changed'));
		await at.page.getByRole('link', { name: /^Bench/ }).click();
		await at.page.getByText('still uses the version that it loaded').waitFor();
		await at.page.getByRole('button', { name: 'Reload' }).click();
		await at.page.getByText('still uses the version that it loaded').waitFor({ state: 'detached' });
	});

	it('suggests a whole set for a category, solved to the optimum, and writes it as one edit', async () => {
		await open('aliases');
		const before = await stored('personal');
		await at.page.getByRole('button', { name: 'Suggest for a category' }).click();
		const dialog = at.page.getByRole('dialog', { name: 'Aliases for a category' });
		await dialog.getByRole('combobox', { name: 'Category' }).selectOption('Annotate › Text');
		await dialog.getByText('Optimal: no other choice saves more seconds per day').waitFor();
		await dialog.getByRole('button', { name: /Write \d+ aliases/ }).click();
		await eventually(async () =>
			expect((await stored('personal')).split('\n').length).to.be.greaterThan(before.split('\n').length + 3)
		);
		expect(await stored('personal')).to.include('text.line');
		await at.page.getByRole('button', { name: 'Undo' }).click();
		await eventually(async () => expect(await stored('personal')).to.equal(before));
	});

	it('shows which file wins at which seat, changes the order, and takes it back', async () => {
		await open('folders');
		const aside = at.page.getByRole('complementary', { name: 'Reason' });
		await aside.getByText("hides the office's of 2026-10-12").waitFor();
		await at.page
			.getByRole('group', { name: 'Search order of Drawing office' })
			.getByRole('button', { name: 'one copy' })
			.click();
		await eventually(async () => expect(await aside.innerText()).to.not.include('hides the office'));
		await at.page.getByRole('button', { name: 'Undo the last change' }).click();
		await aside.getByText("hides the office's of 2026-10-12").waitFor();
		await at.page.getByRole('button', { name: 'Search S:/Standard/Varve earlier' }).first().click();
		await at.page.getByRole('button', { name: 'C-02, names.txt in S:/Standard/Varve: read' }).click();
		await aside.getByText('The copy in S:/Standard/Varve is loaded.').waitFor();
	});

	it('reads macros of a foreign file, and takes them', async () => {
		await open('recipes');
		await at.page.getByRole('button', { name: 'macros', exact: true }).click();
		await at.page
			.getByRole('textbox', { name: 'Sample' })
			.fill('// steps\nquarter => type "/4"; accept\nbox => cancel; run draw.rectangle; pick "corner"\nbad => hop\n');
		await at.page.getByText('of them with readable steps').waitFor();
		await at.page.getByRole('button', { name: 'Preview changes' }).click();
		await at.page.getByText('"hop" is no step').waitFor();
		await at.page.getByRole('button', { name: 'Import 2 entries' }).click();
		await at.page.goto(`${at.server.address}/varve-draft-7/macros?macro=macro%3Aquarter`);
		await at.page.getByText('macro:quarter').waitFor();
	});

	it('says in the form what a file calls keys and contexts', async () => {
		await open('recipes');
		await at.page.getByRole('button', { name: 'shortcuts', exact: true }).click();
		await at.page
			.getByRole('textbox', { name: 'Sample' })
			.fill('[plan]\ndraw.arc : STRG-ALT-F9\n[sheet]\nlevel.line : STRG-ALT-F8\n');
		await at.page.getByText(/2 contexts have no meaning yet/).waitFor();
		await at.page.getByText('Key and context names').click();
		const say = async (name: string | RegExp, value: string) => {
			await at.page.getByRole('textbox', { name }).fill(value);
			await at.page.keyboard.press('Tab');
		};
		await say('ctrl', 'STRG');
		await say('alt', 'ALT');
		await say('Between modifier and key', '-');
		await say(/^Contexts, one per line/, 'plan = document=plan\nsheet = document');
		await at.page.getByRole('alert').getByText('is not a scope').waitFor();
		await say(/^Contexts, one per line/, 'plan = document=plan\nsheet = everywhere');
		await eventually(async () => expect(await at.page.getByText(/have no meaning yet/).count()).to.equal(0));
		await at.page.getByRole('button', { name: 'Preview changes' }).click();
		await at.page.getByRole('button', { name: 'Import 2 entries' }).waitFor();
		expect(await at.page.getByRole('listitem').filter({ hasText: 'Everywhere' }).innerText()).to.include('F8');
	});

	it('gives an application a command line that has none, with rules of its own', async () => {
		await at.page.goto(`${at.server.address}/tuff-mesh-3/aliases`);
		await at.page.getByRole('combobox', { name: 'Typed names' }).selectOption('line');
		await at.page.getByRole('combobox', { name: 'Duplicate names' }).selectOption('last');
		await at.page.getByRole('button', { name: 'Add a command line' }).click();
		await at.page.locator('.cm-content').waitFor();
		await at.page.getByRole('button', { name: 'Rules' }).click();
		const dialog = at.page.getByRole('dialog');
		expect(await dialog.getByRole('combobox', { name: 'Duplicate names' }).inputValue()).to.equal('last');
		await dialog.getByRole('combobox', { name: 'Typed names' }).selectOption('none');
		await dialog.getByRole('button', { name: 'Save', exact: true }).click();
		await at.page.getByText('has no command line').waitFor();
	});
});
