import { expect } from 'chai';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { stepsText } from '../../core/chapters/macros/steps.ts';
import type { SetMacro } from '../../core/chapters/macros/macro.ts';
import { deaf, desk, eventually, editElsewhere } from './office.ts';

describe('Macros', () => {
	const at = desk();
	const open = async (id: string) => {
		await at.page.goto(`${at.server.address}/varve-draft-7/macros?macro=${encodeURIComponent(id)}`);
		await at.page.getByRole('listbox', { name: 'Macros' }).waitFor();
	};
	const stored = async (id: string, stratum = 'personal') => {
		const document = (await (await fetch(`${at.server.address}/api/applications/varve-draft-7`)).json()) as {
			strata: { id: string; contents: { macros?: SetMacro[] } }[];
		};
		return (document.strata.find((s) => s.id === stratum)!.contents.macros ?? []).find((m) => m.id === id && m.op === 'set');
	};
	const stepsOf = async (id: string) => {
		const macro = await stored(id);
		return macro && stepsText(macro.steps);
	};
	const step = (n: number) => at.page.getByRole('listitem', { name: new RegExp(`^Step ${n}:`) });
	const findings = () => at.page.getByRole('region', { name: 'Findings of this macro' });

	it('shows what a macro does, and mends a finding with one click; undo brings it back', async () => {
		await open('macro:tenfold');
		await at.page.getByText('"10" is typed for Scale.').waitFor();
		await findings().getByRole('button', { name: 'Add an accept after step 4' }).click();
		await at.page.getByText('Scale takes "10".').waitFor();
		expect(await findings().count()).to.equal(0);
		await at.page.getByRole('button', { name: /^Undo/ }).click();
		await findings().waitFor();
		expect(await stepsOf('macro:tenfold')).to.equal('cancel; run modify.scale; pick "the middle"; type "10"');
	});

	it('stands as it is when its finding is accepted with a reason, until that is taken back', async () => {
		await open('macro:tenfold');
		await findings().getByRole('button', { name: 'Accept …' }).click();
		await findings().getByRole('textbox', { name: 'Reason' }).fill('people type the accept themselves');
		await findings().getByRole('button', { name: 'Accept as designer' }).click();
		const accepted = at.page.getByRole('region', { name: 'Accepted', exact: true });
		await accepted.getByText('Accepted by the designer: people type the accept themselves').waitFor();
		expect(await findings().count()).to.equal(0);
		await at.page.getByRole('button', { name: /^Undo/ }).click();
		await findings().waitFor();
		await at.page.getByRole('button', { name: /^Redo/ }).click();
		await accepted.getByRole('button', { name: 'Withdraw acceptance' }).click();
		await findings().waitFor();
	});

	it('is built by keys: steps are added, moved, changed and taken out', async () => {
		await open('macro:empty');
		const add = at.page.getByRole('group', { name: 'Add a step' });
		await add.getByRole('button', { name: 'Run' }).click();
		await step(1).waitFor();
		await add.getByRole('button', { name: 'Type' }).click();
		await eventually(async () => expect(await stepsOf('macro:empty')).to.match(/^run \S+; type "10"$/));
		await step(2).focus();
		await at.page.keyboard.press('Enter');
		await at.page.keyboard.press('Control+a');
		await at.page.keyboard.type('3.5');
		await at.page.keyboard.press('Tab');
		await eventually(async () => expect(await stepsOf('macro:empty')).to.match(/type "3.5"$/));
		await step(2).focus();
		await at.page.keyboard.press('Alt+ArrowUp');
		await eventually(async () => expect(await stepsOf('macro:empty')).to.match(/^type "3.5"; run/));
		// the page follows, and what was moved has the keyboard again
		await eventually(async () => {
			const label = await at.page.evaluate(() => document.activeElement?.closest('[aria-label]')?.getAttribute('aria-label'));
			expect(label).to.match(/^Step 1:/);
		});
		await at.page.keyboard.press('Delete');
		await eventually(async () => expect(await stepsOf('macro:empty')).to.match(/^run \S+$/));
	});

	it('chooses the command of a step by its name', async () => {
		await open('macro:empty');
		await at.page.getByRole('button', { name: 'Step 1 runs' }).click();
		await at.page.getByRole('combobox', { name: 'Find the command to run' }).fill('bevel corner');
		await at.page.keyboard.press('Enter');
		await eventually(async () => expect(await stepsOf('macro:empty')).to.equal('run shape.chamfer'));
	});

	it('changes the order by dragging a step at its grip', async () => {
		await open('macro:hanger-mark');
		const grip = (await step(3).locator('.grip').boundingBox())!;
		const first = (await step(1).boundingBox())!;
		await at.page.mouse.move(grip.x + 8, grip.y + 8);
		await at.page.mouse.down();
		await at.page.mouse.move(grip.x + 8, grip.y - 10, { steps: 4 });
		await at.page.mouse.move(grip.x + 8, first.y + 4, { steps: 12 });
		// its place is open before it is let go
		await at.page.locator('li[aria-label="Step 1: wait for a pick"]').waitFor({ state: 'attached' });
		await at.page.mouse.up();
		await eventually(async () =>
			expect(await stepsOf('macro:hanger-mark')).to.match(/^pick "hanger bolt"; cancel; run draw.point/)
		);
	});

	it('leaves a locked macro as it is, and duplicates it', async () => {
		await open('macro:frame-line');
		await at.page.getByText('Office has locked this macro').waitFor();
		expect(await at.page.getByRole('textbox', { name: 'Label' }).isDisabled()).to.equal(true);
		await at.page.getByRole('button', { name: 'Duplicate' }).click();
		await at.page.getByText('macro:frame-line-40-beside-copy').waitFor();
		expect(await at.page.getByRole('textbox', { name: 'Label' }).isDisabled()).to.equal(false);
	});

	it('makes a version over one of the office, and goes back to it', async () => {
		await open('macro:half');
		await at.page.getByText('Office defines this macro').waitFor();
		await at.page.getByRole('textbox', { name: 'Label' }).fill('A half');
		await at.page.keyboard.press('Tab');
		await at.page.getByRole('button', { name: 'Reset to the version of Office' }).click();
		await eventually(async () => expect(await stored('macro:half')).to.equal(undefined));
		expect((await stored('macro:half', 'office'))!.label).to.equal('Half of it');
	});

	it('takes a picture as an icon, without what could run in it', async () => {
		const folder = mkdtempSync(join(tmpdir(), 'skarn-icon-'));
		const file = join(folder, 'sign.svg');
		writeFileSync(file, '<svg viewBox="0 0 9 9" onload="alert(1)"><script>alert(1)</script><path d="M0 0h9v9"/></svg>');
		await open('macro:tenfold');
		await at.page.getByRole('button', { name: 'Choose the icon' }).click();
		await at.page.locator('input[type=file]').setInputFiles(file);
		await at.page.getByText('removed: onload, <script>').waitFor();
		await at.page.getByRole('button', { name: 'Use this picture' }).click();
		await eventually(async () => expect((await stored('macro:tenfold'))!.icon).to.match(/^data:image\/svg/));
		writeFileSync(file, '<!DOCTYPE svg [<!ENTITY x "y">]><svg/>');
		await at.page.getByRole('button', { name: 'Choose the icon' }).click();
		await at.page.locator('input[type=file]').setInputFiles(file);
		await at.page.getByText('declares a document type').waitFor();
		await at.page.keyboard.press('Escape');
		rmSync(folder, { recursive: true });
	});

	it('runs on the bench by its shortcut, waits for the pick, and goes on', async () => {
		await at.page.goto(`${at.server.address}/varve-draft-7/bench`);
		const frame = at.page.getByRole('application');
		await frame.waitFor();
		await frame.focus();
		await at.page.keyboard.press('Alt+j');
		const status = at.page.locator('.status');
		await eventually(async () => expect(await status.innerText()).to.include('waits for a pick: edge of the cabin frame'));
		await at.page.keyboard.press('Enter');
		await eventually(async () => expect(await status.innerText()).to.include('Parallel line is accepted and ends'));
	});

	it('is recorded on the bench and kept', async () => {
		await at.page.goto(`${at.server.address}/varve-draft-7/bench`);
		await at.page.getByRole('button', { name: 'Record a macro' }).click();
		for (const key of ['d', 'c', 'Enter', '2', '5', '0', 'Enter', 'Escape']) await at.page.keyboard.press(key);
		await at.page.getByRole('button', { name: 'Save as macro' }).click();
		await at.page.getByText('macro:recorded-on-the-bench').waitFor();
		expect(await stepsOf('macro:recorded-on-the-bench')).to.equal('run draw.circle; type "250"; accept; cancel');
	});

	it('is assigned, searched and typed like any command', async () => {
		await at.page.goto(`${at.server.address}/varve-draft-7/commands?command=macro%3Atenfold`);
		await at.page.getByRole('heading', { name: 'Ten times as large' }).first().waitFor();
		await at.page.goto(`${at.server.address}/varve-draft-7/aliases`);
		await at.page.getByRole('combobox', { name: /Add an alias/ }).fill('ten times');
		await at.page.keyboard.press('Enter');
		await at.page.getByRole('textbox', { name: 'New alias' }).fill('x10');
		await at.page.keyboard.press('Enter');
		await at.page.getByRole('listbox', { name: 'Aliases' }).getByText('x10').first().waitFor();
		expect(await at.page.getByText('There is no command macro:tenfold').count()).to.equal(0);
	});

	it('is not lost when another window wrote first', async () => {
		const hear = await deaf(at.page);
		await open('macro:tenfold');
		await editElsewhere(at.server, {
			label: 'from elsewhere',
			changes: [
				{
					chapter: 'macros',
					stratum: 'personal',
					before: null,
					after: { op: 'set', id: 'macro:other', label: 'Other', steps: [{ do: 'cancel' }], rank: 99 }
				}
			]
		});
		await at.page.getByRole('textbox', { name: 'Description' }).fill('for details');
		await at.page.keyboard.press('Tab');
		const dialog = at.page.getByRole('dialog', { name: 'The profile has changed' });
		await dialog.getByText('from elsewhere').waitFor();
		await dialog.getByRole('button', { name: 'Keep mine' }).click();
		await eventually(async () => expect((await stored('macro:tenfold'))!.description).to.equal('for details'));
		expect((await stored('macro:other'))!.label).to.equal('Other');
		await hear();
	});
});
