import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { openDemo } from '../../demo/people.ts';
import { violationsOn } from './axe.ts';
import { desk, eventually, seatedIn } from './office.ts';

const PASSWORD = 'rope and pulley';

describe('People', () => {
	const at = desk({ SKARN_DEMO: 'yes' });
	const seatedAt = (name: string) => seatedIn(at, name);
	const assign = async (page: Page, command: string, keys: string) => {
		await page.goto(`${at.server.address}/gneiss-solid-5/commands?command=${command}`);
		await page.locator('.field').first().click();
		await page.locator('.field').first().press(keys);
		await page.keyboard.press('Enter');
	};

	it('begins with somebody alone, who opens Skarn to the office and is its first steward', async () => {
		await at.page.goto(`${at.server.address}/people`);
		await at.page.getByRole('heading', { name: 'You work alone' }).waitFor();
		await at.page.getByLabel(/^Name/).fill('Standards desk');
		await at.page.getByLabel(/^Password/).fill('short');
		await at.page.keyboard.press('Enter');
		await at.page.getByRole('alert').getByText('at least 8 characters').waitFor();
		await openDemo(at.server.address, PASSWORD);
		const refused: string[] = [];
		at.page.on('response', (response) => void (response.status() === 401 && refused.push(response.url())));
		await at.page.goto(`${at.server.address}/gneiss-solid-5/keyboard`);
		await at.page.waitForURL(/sign-in\?to=/);
		expect(refused, 'nothing is refused on the way to the sign-in').to.deep.equal([]);
		await at.page.getByLabel('Name').fill('Standards desk');
		await at.page.getByLabel('Password').fill('not the password');
		await at.page.keyboard.press('Enter');
		await at.page.getByRole('alert').getByText('The name or the password is wrong.').waitFor();
		await at.page.getByLabel('Password').fill(PASSWORD);
		await at.page.keyboard.press('Enter');
		await at.page.waitForURL(/gneiss-solid-5\/keyboard/);
	});

	it('invites somebody by a link, who joins with a password and has a stratum of their own', async () => {
		await at.page.goto(`${at.server.address}/people`);
		await at.page.getByRole('button', { name: 'Invite people …' }).click();
		await at.page.getByLabel('The people').fill('Guest desk');
		await at.page.getByRole('dialog').getByRole('button', { name: 'Invite', exact: true }).click();
		const link = at.page.locator('code').filter({ hasText: '/join/' });
		const address = await link.innerText();
		const guest = await (await at.page.context().browser()!.newContext()).newPage();
		await guest.goto(address);
		await guest.getByText('You are invited as designer').waitFor();
		await guest.getByLabel(/^Password/).fill('cable and clamp');
		await guest.getByLabel('Repeat password').fill('cable and clamp');
		await guest.keyboard.press('Enter');
		await guest.waitForURL(/\/start/);
		await guest.getByRole('radio', { name: /Guest desk/ }).waitFor();
		expect(await guest.getByRole('radiogroup').getByRole('radio').count(), 'the office is not theirs to write').to.equal(1);
		await guest.goto(address);
		await guest.getByRole('alert').getByText('was used').waitFor();
		await at.page.reload();
		await at.page.getByRole('option', { name: /Guest desk/ }).click();
		await at.page.getByRole('button', { name: 'Remove from office …' }).click();
		await at.page.getByRole('dialog').getByText('Guest desk: 0 entries').waitFor();
		await at.page.getByRole('button', { name: 'Remove Guest desk' }).click();
		await at.page.getByText('Unassigned content').waitFor();
		const left = at.page.getByRole('listitem').filter({ hasText: 'Guest desk' });
		await left.getByRole('combobox', { name: 'Transfer Guest desk to' }).selectOption({ label: 'Hanger desk' });
		await left.getByRole('button', { name: 'Transfer …' }).click();
		const dialog = at.page.getByRole('dialog');
		await dialog.getByRole('region', { name: 'Gneiss Solid 5' }).getByText('No changes.').waitFor();
		await dialog.getByRole('button', { name: 'Transfer' }).click();
		await at.page.getByText('Guest desk now belongs to Hanger desk').waitFor();
		expect(await left.count(), 'it is left behind no more').to.equal(0);
		await guest.goto(`${at.server.address}/gneiss-solid-5/start`);
		await guest.waitForURL(/sign-in/);
		await guest.context().close();
	});

	it('archives, deletes and brings back a discipline, and requires the office’s stratum of every setup', async () => {
		await at.page.goto(`${at.server.address}/people`);
		const row = (name: string) => at.page.getByRole('listitem').filter({ has: at.page.getByText(name, { exact: true }) });
		await at.page.getByRole('button', { name: 'Archive Hangers' }).click();
		await at.page.getByText('Hangers is archived.').waitFor();
		await at.page.getByRole('heading', { name: 'Archived levels' }).waitFor();
		await at.page.getByRole('button', { name: 'Restore Hangers' }).click();
		await at.page.getByText('Hangers is in use again.').waitFor();
		await at.page.getByRole('button', { name: 'Delete Hangers' }).click();
		await at.page.getByRole('button', { name: 'Delete', exact: true }).click();
		await at.page.getByText('Hangers is deleted.').waitFor();
		expect(await row('Hangers').count()).to.equal(0);
		await at.page.getByRole('button', { name: 'Undo', exact: true }).click();
		await row('Hangers').first().waitFor();

		await at.page.getByLabel('Office is required').check();
		await at.page.getByText('Office is required: no setup may leave it out.').waitFor();
		const page = await seatedAt('Door and floor desk');
		await page.goto(`${at.server.address}/gneiss-solid-5/commands`);
		await page.getByRole('combobox', { name: 'Setup' }).selectOption({ label: 'Setups …' });
		const dialog = page.getByRole('dialog', { name: 'Setups' });
		await dialog.getByText('required', { exact: true }).waitFor();
		expect(await dialog.getByRole('button', { name: 'Remove Office from the setup' }).isDisabled()).to.equal(true);
		await at.page.goto(`${at.server.address}/gneiss-solid-5/rollout`);
		await at.page.getByRole('list', { name: 'Setups without a required level' }).getByText('Training desk').waitFor();
		await at.page.goto(`${at.server.address}/people`);
		await at.page.getByLabel('Office is required').uncheck();
		await at.page.getByText('Office is no longer required.').waitFor();
		// heard by the page of somebody else, in the dialog that stands open
		await eventually(async () =>
			expect(await dialog.getByRole('button', { name: 'Remove Office from the setup' }).isDisabled()).to.equal(false)
		);
		await page.context().close();
	});

	it('shows a designer what they may do, and what the next release will do to them', async () => {
		const page = await seatedAt('Door and floor desk');
		await page.goto(`${at.server.address}/gneiss-solid-5/rollout`);
		await page.getByText('Only stewards can publish.').waitFor();
		for (const name of [/^Publish/, /^Remove C-/, /^Go back to/, 'Edit rings …'])
			expect(await page.getByRole('button', { name }).count(), String(name)).to.equal(0);
		await page.getByRole('link', { name: 'See your changes' }).click();
		await page.getByRole('heading', { name: /your changes/ }).waitFor();
		await page.getByRole('complementary', { name: 'Changes of one person' }).getByRole('heading', { name: 'Everyday' }).waitFor();
		expect(await page.locator('th.person').allInnerTexts()).to.deep.equal(['you']);
		await page.goto(`${at.server.address}/varve-draft-7/folders`);
		await page.getByText('Only stewards can change search folders').waitFor();
		expect(
			await page
				.getByRole('button', { name: /^Search .* later$/ })
				.first()
				.isDisabled()
		).to.equal(true);
		await page.goto(`${at.server.address}/programs`);
		await page.getByText('Only stewards can change programs.').waitFor();
		expect(await page.getByRole('button', { name: 'Save', exact: true }).count()).to.equal(0);
		await page.context().close();
	});

	it('keeps two setups of a designer apart, turned by two keys, and loses nothing', async () => {
		const page = await seatedAt('Door and floor desk');
		const setup = page.getByRole('combobox', { name: 'Setup' });
		const bands = () => page.getByRole('radiogroup').locator('> *').count();
		expect([await setup.locator('option:checked').innerText(), await bands()]).to.deep.equal(['Everyday', 3]);
		await page.keyboard.press('Alt+.');
		await eventually(async () => expect(await setup.locator('option:checked').innerText()).to.equal('Drafting'));
		expect(await bands()).to.equal(5);
		await assign(page, 'inspect.mass', 'Alt+Shift+y');
		await page.getByLabel('Remove Alt+Shift+Y').waitFor();
		// the recorder takes every key while it has the focus
		await page.locator('main').focus();
		await page.keyboard.press('Alt+,');
		await eventually(async () => expect(await bands()).to.equal(3));
		await page.getByLabel('Remove Alt+Shift+Y').waitFor();
		await page.reload();
		await page.getByLabel('Remove Alt+Shift+Y').waitFor();

		await setup.selectOption({ label: 'Setups …' });
		const dialog = page.getByRole('dialog', { name: 'Setups' });
		const untouched = dialog.locator('option', { hasText: 'Teaching, untouched' });
		await dialog.getByRole('combobox', { name: 'From' }).selectOption((await untouched.getAttribute('value'))!);
		await dialog.getByRole('textbox', { name: 'Name', exact: true }).fill('As it came');
		await page.keyboard.press('Enter');
		await eventually(async () => expect(await bands()).to.equal(1));
		await page.keyboard.press('Escape');
		await setup.selectOption({ label: 'Everyday' });
		await eventually(async () => expect(await bands()).to.equal(3));
		await page.context().close();
	});

	it('shows two people each other’s saved changes at once, and neither overwrites the other', async () => {
		const [lead, designer] = [await seatedAt('Cladding lead'), await seatedAt('Door and floor desk')];
		const turn = async () => {
			const option = designer.getByRole('combobox', { name: 'Setup' });
			await option.selectOption({ label: 'Drafting' });
			await eventually(async () => expect(await designer.getByRole('radiogroup').locator('> *').count()).to.equal(5));
		};
		await turn();
		await designer.goto(`${at.server.address}/gneiss-solid-5/commands?command=inspect.section`);
		await lead.goto(`${at.server.address}/gneiss-solid-5/commands?command=sheet.bend`);
		await lead.getByRole('radio', { name: /^Cladding \d/ }).click();
		await assign(lead, 'sheet.bend', 'Alt+Shift+b');
		await lead.getByLabel('Remove Alt+Shift+B').waitFor();
		// the designer sees it without doing anything, and has written meanwhile
		await assign(designer, 'sheet.bend', 'Alt+Shift+n');
		await designer.getByLabel('Remove Alt+Shift+N').waitFor();
		await designer
			.getByText('Alt+Shift+B')
			.or(designer.getByLabel(/Alt\+Shift\+B/))
			.first()
			.waitFor();
		await assign(lead, 'sheet.bend', 'Alt+Shift+c');
		await lead.getByLabel('Remove Alt+Shift+C').waitFor();
		await designer
			.getByLabel(/Alt\+Shift\+C/)
			.first()
			.waitFor();
		await designer.getByLabel('Remove Alt+Shift+N').waitFor();
		expect(await lead.getByLabel(/Alt\+Shift\+N/).count(), 'what is the designer’s own is not the lead’s').to.equal(0);
		await Promise.all([lead.context().close(), designer.context().close()]);
	});

	it('lets a designer propose what is theirs; the steward sees whom it touches, takes a part in, and it is there', async () => {
		const designer = await seatedAt('Door and floor desk');
		await designer.goto(`${at.server.address}/gneiss-solid-5/proposals`);
		await designer.getByRole('button', { name: 'Propose a change' }).click();
		await designer.getByRole('checkbox', { name: /Ctrl\+Alt\+E for Export geometry/ }).check();
		await designer.getByRole('checkbox', { name: /Alt\+W for Split canvas/ }).check();
		await designer.getByRole('combobox', { name: 'To' }).selectOption({ label: 'Office' });
		await designer.getByLabel('Short title').fill('Two keys of the door desk');
		await designer.getByLabel('Reason', { exact: true }).fill('we use them all day');
		await designer.getByRole('button', { name: 'Propose 2 changes' }).click();
		const mine = designer.getByRole('region', { name: 'The proposal' });
		await mine.getByRole('heading', { name: 'Two keys of the door desk' }).waitFor();
		expect(await mine.getByRole('button', { name: 'Accept' }).count(), 'not theirs to take').to.equal(0);

		await at.page.goto(`${at.server.address}/gneiss-solid-5/proposals`);
		const one = at.page.getByRole('region', { name: 'The proposal' });
		await at.page.getByRole('button', { name: /Two keys of the door desk/ }).click();
		await one.getByRole('button', { name: 'Check who is affected' }).click();
		await one.getByRole('heading', { name: 'Affected people' }).waitFor();
		await one.getByRole('row', { name: /Split canvas/ }).waitFor();
		await one.getByRole('textbox', { name: 'Add a comment' }).fill('Split canvas stays yours for now');
		await at.page.keyboard.press('Enter');
		await one.getByText('Split canvas stays yours for now').waitFor();
		await one.getByRole('checkbox', { name: /Split canvas/ }).uncheck();
		await one.getByRole('button', { name: 'Accept 1 of 2 parts' }).click();
		await one.getByText(/accepted by you/).waitFor();
		await designer.goto(`${at.server.address}/gneiss-solid-5/proposals`);
		await designer.getByRole('button', { name: /Two keys of the door desk/ }).click();
		await mine.getByText(/accepted by Standards desk.*1 of 2 parts/s).waitFor();
		await designer.context().close();
	});

	it('puts two setups and the factory side by side, and borrows a key of the other as an edit of one’s own', async () => {
		const page = await seatedAt('Door and floor desk');
		await page.goto(`${at.server.address}/gneiss-solid-5/compare`);
		await page.getByRole('combobox', { name: 'Side 1' }).selectOption({ label: 'Setup Drafting' });
		await page.getByRole('combobox', { name: 'Side 2' }).selectOption({ label: 'Setup Everyday' });
		const row = page.getByRole('listitem').filter({ hasText: 'Flatten bends' });
		await row.waitFor();
		await row.getByRole('button', { name: 'Copy Flatten bends from Setup Drafting to Setup Everyday' }).click();
		await row.waitFor({ state: 'detached' });
		await page.getByText('Setup Everyday: Flatten bends as in Setup Drafting').first().waitFor();
		await page.getByRole('checkbox', { name: 'Only differences' }).uncheck();
		await page.getByRole('searchbox', { name: 'Find in the comparison' }).fill('flatten');
		await row.first().waitFor();
		await page.getByRole('button', { name: 'Add a column' }).click();
		await page.getByRole('combobox', { name: 'Side 3' }).selectOption({ label: 'Factory' });
		const coming = page.waitForEvent('download');
		await page.getByRole('button', { name: 'CSV' }).click();
		const { readFileSync } = await import('node:fs');
		const text = readFileSync(await (await coming).path(), 'utf8');
		expect(text.split('\n')[0]).to.equal('chapter,thing,how,Setup Drafting,Setup Everyday,Factory');
		expect(text).to.match(/shortcut,Flatten bends,Ctrl\+Alt\+F,/);
		// a colleague with what they start with, who has made no setup; and a former release
		const third = page.getByRole('combobox', { name: 'Side 3' });
		await third.selectOption({ label: 'Standards desk: Everyday' });
		await page.getByText(/\d+ of \d+ items differ/).waitFor();
		await third.selectOption({ label: 'Release 1' });
		await page.getByText(/\d+ of \d+ items differ/).waitFor();
		expect(await page.getByRole('button', { name: /into Release 1/ }).count()).to.equal(0);
		await page.keyboard.press('Control+z');
		await page
			.getByText(/Undo: Setup Everyday/)
			.first()
			.waitFor();
		// all that is listed at once, by keyboard, and taken back at once
		await page.getByRole('button', { name: 'Remove the column' }).click();
		await page.getByRole('searchbox', { name: 'Find in the comparison' }).fill('');
		await page.getByRole('checkbox', { name: 'Only differences' }).check();
		const all = page.getByRole('button', { name: /Copy all \d+ to Setup Everyday/ });
		const many = Number(/\d+/.exec((await all.textContent())!)![0]);
		await all.press('Enter');
		await page.getByText(`Setup Everyday: ${many} items as in Setup Drafting`).first().waitFor();
		await all.waitFor({ state: 'detached' });
		await page.keyboard.press('Control+z');
		await all.waitFor();
		await page.context().close();
	});

	it('tells before a release what it does to whom, and takes the dearest change out', async () => {
		await at.page.goto(`${at.server.address}/gneiss-solid-5/impact`);
		const table = at.page.getByRole('table');
		await table.waitFor();
		expect(await at.page.getByRole('region', { name: 'Impact of the release' }).locator('header').innerText()).to.match(
			/\d+ setups of 6 people, before and after/
		);
		const rows = () => table.getByRole('row').count();
		const before = await rows();
		await at.page.getByRole('button', { name: 'Print learning sheets' }).waitFor();
		await at.page.emulateMedia({ media: 'print' });
		const sheet = at.page.getByRole('article').filter({ has: at.page.getByRole('heading', { name: 'Hanger desk' }) });
		await sheet.getByRole('heading', { name: 'Keys with a new effect' }).waitFor();
		await sheet
			.getByRole('row', { name: /Parts list/ })
			.first()
			.waitFor();
		expect(await table.filter({ hasText: 'Runs per day' }).count(), 'what is on the screen is not printed').to.equal(0);
		await at.page.emulateMedia({ media: 'screen' });
		await table.getByRole('button', { name: 'Hanger desk' }).click();
		const aside = at.page.getByRole('complementary', { name: 'Changes of one person' });
		await aside.getByRole('heading', { name: 'Hanger desk' }).waitFor();
		await aside
			.getByText('W ran Parts list')
			.or(aside.getByText(/ran Parts list \(/))
			.first()
			.waitFor();
		await at.page.keyboard.press('ArrowRight');
		await aside.getByRole('heading', { name: 'Training desk' }).waitFor();
		await at.page.getByText(/^Without/).waitFor();
		await at.page.getByRole('button', { name: 'Remove from release' }).click();
		// W would then run two commands, which is told before
		const warning = at.page.getByRole('dialog', { name: 'Remove “Parts list” from the release' });
		await warning.getByText(/^Without it everyone gets 1 error:$/).waitFor();
		await warning.getByRole('button', { name: 'Remove anyway' }).click();
		await warning.waitFor({ state: 'detached' });
		await eventually(async () => expect(await rows()).to.equal(before - 1));
		await at.page.keyboard.press('Control+z');
		await at.page.getByRole('button', { name: /there are newer changes/ }).click();
		await eventually(async () => expect(await rows()).to.equal(before));
	});

	for (const theme of ['light', 'dark'] as const)
		it(`axe finds nothing serious in the views of the office, ${theme}`, async () => {
			await at.page.emulateMedia({ colorScheme: theme, reducedMotion: 'reduce' });
			const looked = async (path: string, wait: string) => {
				await at.page.goto(`${at.server.address}/${path}`);
				await at.page.getByText(wait).first().waitFor();
				expect(await violationsOn(at.page), path).to.deep.equal([]);
			};
			await looked('people', 'Shared levels');
			await looked('sign-in', 'With your name');
			await looked('gneiss-solid-5/compare', 'items differ');
			await looked('gneiss-solid-5/proposals', 'Comments');
			await looked('gneiss-solid-5/impact', 'before and after');
			await at.page.getByRole('combobox', { name: 'Setup' }).selectOption({ label: 'Setups …' });
			await at.page.getByRole('dialog', { name: 'Setups' }).waitFor();
			expect(await violationsOn(at.page), 'setups').to.deep.equal([]);
			await at.page.keyboard.press('Escape');
		});

	it('signs out, here and everywhere', async () => {
		const [one, other] = [await seatedAt('Training desk'), await seatedAt('Training desk')];
		await one.getByRole('link', { name: /^Your account: signed in as/ }).click();
		await one.getByRole('button', { name: 'Sign out everywhere' }).click();
		await one.waitForURL(/sign-in/);
		await other.reload();
		await other.waitForURL(/sign-in/);
		await Promise.all([one.context().close(), other.context().close()]);
	});
});
