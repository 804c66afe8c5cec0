import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import type { Page } from 'playwright-core';
import { violationsOn } from './axe.ts';
import { officeOfSixty, PASSWORD } from './office-of-sixty.ts';
import { desk, eventually, PATIENCE } from './office.ts';

const TWELVE = [
	'name;role;disciplines;site;setup',
	...Array.from({ length: 12 }, (_, i) => `Summer desk ${i + 1};designer;${i % 2 ? 'Cladding' : 'Hangers'};Hall 4;`)
].join('\n');

/* A week of the steward of sixty people, from the table of twelve who join to the question who gave Ctrl+E to what. */
describe('A week of a steward of sixty', function () {
	const at = desk();
	const path = '/gneiss-solid-5';
	const go = (view: string) => at.page.goto(`${at.server.address}${path}/${view}`);
	const person = (name: string | RegExp) => at.page.getByRole('listbox', { name: 'People' }).getByRole('option', { name });
	const find = async (words: string) => {
		await at.page.getByRole('searchbox', { name: 'Find people' }).fill(words);
		await eventually(async () =>
			expect((await at.page.getByRole('listbox', { name: 'People' }).getByRole('option').allInnerTexts()).join()).to.include(
				words
			)
		);
	};
	const someone = async (address: string): Promise<Page> => {
		const page = await (await at.page.context().browser()!.newContext()).newPage();
		page.setDefaultTimeout(PATIENCE);
		await page.goto(address);
		return page;
	};

	before(async () => {
		await officeOfSixty(at.server.address);
		await at.page.goto(`${at.server.address}/sign-in`);
		await at.page.getByLabel('Name').fill('Standards desk');
		await at.page.getByLabel('Password').fill(PASSWORD);
		await at.page.keyboard.press('Enter');
		await at.page.waitForURL(/\/start/);
	});

	it('Monday: twelve people join from a table that is looked at first, by one act, with a sheet of links', async () => {
		await go('people');
		await at.page.getByRole('button', { name: 'Invite people …' }).click();
		const dialog = at.page.getByRole('dialog', { name: 'Invite people' });
		await dialog.getByLabel('The people').fill(TWELVE.replace('Summer desk 3;designer;', 'Summer desk 2;boss;'));
		await dialog.getByText('Summer desk 2 appears twice in the list').waitFor();
		await dialog.getByText('the role is “boss”').waitFor();
		expect(await dialog.getByRole('button', { name: 'Invite 12 people' }).isDisabled()).to.equal(true);
		await dialog.getByLabel('The people').fill(TWELVE);
		expect(await violationsOn(at.page)).to.deep.equal([]);
		await dialog.getByRole('button', { name: 'Invite 12 people' }).click();
		const links = at.page.getByRole('region', { name: 'New links' });
		await links.waitFor();
		expect(await links.getByRole('listitem').count()).to.equal(12);
		const [csv] = await Promise.all([
			at.page.waitForEvent('download'),
			links.getByRole('button', { name: 'Save as CSV' }).click()
		]);
		const rows = readFileSync(await csv.path(), 'utf8')
			.trim()
			.split('\n');
		expect(rows).to.have.length(13);
		const joined = await someone(rows[1]!.split(',')[1]!);
		await joined.getByText('You are invited as designer').waitFor();
		await joined.getByLabel(/^Password/).fill('cable and clamp');
		await joined.getByLabel('Repeat password').fill('cable and clamp');
		await joined.keyboard.press('Enter');
		await joined.waitForURL(/\/start/);
		await joined.context().close();
		await links.getByRole('button', { name: 'Done' }).click();
		await at.page.getByRole('heading', { name: 'Open invitations and links · 11' }).waitFor();
		await find('Summer desk 1');
	});

	it('Tuesday: one forgets the password, and gets in by a link from the steward', async () => {
		await go('people');
		await find('Door desk 1');
		await person(/^Door desk 1\b/)
			.first()
			.click();
		await at.page.getByRole('button', { name: 'Forgotten password …' }).click();
		const address = await at.page.getByRole('region', { name: 'New links' }).locator('code').innerText();
		const page = await someone(address);
		await page.getByText('Choose a new password').waitFor();
		await page.getByLabel(/^Password/).fill('slate and chalk');
		await page.getByLabel('Repeat password').fill('slate and chalk');
		await page.keyboard.press('Enter');
		await page.waitForURL(/\/start/);
		await page.context().close();
	});

	it('Wednesday: one changes the discipline, with undo, by keys alone', async () => {
		await go('people');
		await find('Hanger desk 3');
		const list = at.page.getByRole('listbox', { name: 'People' });
		await list.focus();
		await at.page.keyboard.press('Enter');
		const details = at.page.getByRole('region', { name: 'Hanger desk 3' });
		await details.getByRole('combobox', { name: 'Hanger desk 3 in Cladding' }).selectOption('member');
		await at.page.getByText('Hanger desk 3 works in Cladding.').waitFor();
		await details.getByRole('combobox', { name: 'Hanger desk 3 in Hangers' }).selectOption('none');
		await at.page.getByText('Hanger desk 3 no longer works in Hangers.').waitFor();
		await at.page.getByRole('button', { name: 'Undo' }).first().click();
		await at.page.getByText('The change is undone.').waitFor();
		await eventually(async () =>
			expect(await details.getByRole('combobox', { name: 'Hanger desk 3 in Hangers' }).inputValue()).to.equal('member')
		);
	});

	it('Thursday: one leaves, and what is left behind is seen at one look', async () => {
		await go('people');
		await find('Door and floor desk');
		await person(/^Door and floor desk/).click();
		await at.page.getByRole('button', { name: 'Remove from office …' }).click();
		const dialog = at.page.getByRole('dialog');
		await dialog.getByText('Open proposal').first().waitFor();
		await dialog.getByText(/Door and floor desk: \d+ entries/).waitFor();
		await dialog.getByRole('button', { name: 'Cancel' }).click();
		await dialog.waitFor({ state: 'detached' });
		await find('Grip desk 4');
		await person(/^Grip desk 4\b/)
			.first()
			.click();
		await at.page.getByRole('button', { name: 'Remove from office …' }).click();
		await at.page.getByRole('button', { name: 'Remove Grip desk 4' }).click();
		await at.page.getByText('Grip desk 4 is removed').waitFor();
		await eventually(async () => expect(await person(/^Grip desk 4\b/).count()).to.equal(0));
	});

	it('Thursday: five seats are set up from one file, and their codes come as one file', async () => {
		await go('rollout');
		await at.page.getByRole('button', { name: 'Add seats from a table …' }).click();
		const dialog = at.page.getByRole('dialog', { name: 'Add seats' });
		const rows = Array.from({ length: 5 }, (_, i) => `E-0${i + 1},pilot,Hall 5,new`);
		await dialog.getByLabel('The seats').fill(['id,ring,site,note', 'D-01,,,', ...rows].join('\n'));
		await dialog.getByText('there is already a seat D-01').waitFor();
		await dialog.getByLabel('The seats').fill(['id,ring,site,note', ...rows].join('\n'));
		await dialog.getByRole('button', { name: 'Add 5 seats' }).click();
		const codes = at.page.getByRole('region', { name: 'New codes' });
		await codes.waitFor();
		const [csv] = await Promise.all([
			at.page.waitForEvent('download'),
			codes.getByRole('button', { name: 'Save as CSV' }).click()
		]);
		const text = readFileSync(await csv.path(), 'utf8');
		expect(text.trim().split('\n')).to.have.length(6);
		await codes.getByRole('button', { name: 'Done' }).click();
		await at.page.getByRole('searchbox', { name: 'Find seats' }).fill('Hall 5');
		await at.page.getByText('5 of 25').waitFor();
		const seat = await at.server.seat('E-01', { headers: { cookie: await cookieOf() } });
		await eventually(async () => expect(seat.lines.join('\n')).to.match(/E-01: /));
	});

	/** What the page has signed in with, as a header. */
	const cookieOf = async (): Promise<string> =>
		(await at.page.context().cookies()).map(({ name, value }) => `${name}=${value}`).join('; ');

	it('Friday: a proposal is found among those to decide, and decided', async () => {
		await go('proposals');
		await at.page.getByRole('combobox', { name: 'Filter proposals' }).selectOption('decide');
		await at.page.getByRole('button', { name: /Split canvas for everybody/ }).click();
		const parts = at.page.getByRole('list', { name: 'Changes' });
		await parts.getByRole('checkbox').nth(1).uncheck();
		await at.page
			.getByRole('button', { name: /^Accept/ })
			.first()
			.click();
		await at.page.getByText('Accepted: Split canvas for everybody').first().waitFor();
		await at.page.getByRole('combobox', { name: 'Filter proposals' }).selectOption('all');
		await at.page.getByRole('button', { name: /Split canvas for everybody/ }).click();
		await parts.getByText('✓ accepted').waitFor();
		await parts.getByText('not accepted', { exact: true }).waitFor();
	});

	it('Friday: what a release does to sixty people is seen by discipline, the head and the first column stay', async () => {
		await go('impact');
		const table = at.page.getByRole('region', { name: 'Changes by person' });
		await table.waitFor();
		const group = table.getByRole('button', { name: /^Cladding\s*\d+$/ });
		await group.waitFor();
		const before = await table.getByRole('columnheader').count();
		await group.click();
		await eventually(async () => expect(await table.getByRole('columnheader').count()).to.be.greaterThan(before + 20));
		await table.evaluate((one) => one.scrollTo(600, 0));
		const first = await table.getByRole('columnheader', { name: 'Change' }).boundingBox();
		expect(first!.x - (await table.boundingBox())!.x).to.be.lessThan(4);
	});

	it('Friday: the history answers who gave Ctrl+E to what and when, and is exported', async () => {
		await go('history');
		await at.page.getByRole('searchbox', { name: 'Search the history' }).fill('Ctrl+E');
		const edits = at.page.getByRole('list', { name: 'Edits' });
		await edits.getByText('Ctrl+E for Export geometry').first().waitFor();
		const [csv] = await Promise.all([
			at.page.waitForEvent('download'),
			at.page.getByRole('link', { name: 'Export as CSV' }).click()
		]);
		const text = readFileSync(await csv.path(), 'utf8');
		expect(text.split('\n')[0]).to.equal('revision,at,by,role,edit,level,change,of');
		expect(text).to.include('Ctrl+E for Export geometry');
		expect(await violationsOn(at.page)).to.deep.equal([]);
	});

	it('the frame is on every page: views, search, help and the way to go are there in People and Programs too', async () => {
		for (const page of ['people', 'programs']) {
			await at.page.goto(`${at.server.address}/${page}`);
			await at.page.waitForURL(new RegExp(`gneiss-solid-5/${page}`));
			await at.page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: 'Rollout' }).waitFor();
			await at.page.locator('main').focus();
			// a page that has only just come does not hear keys yet
			await eventually(async () => {
				await at.page.keyboard.press('?');
				await at.page.getByRole('dialog').waitFor({ timeout: 3_000 });
			});
			await at.page.keyboard.press('Escape');
			await at.page.getByRole('dialog').waitFor({ state: 'detached' });
			await at.page.keyboard.press('Control+k');
			await at.page.getByRole('dialog', { name: /^Go to/ }).waitFor();
			await at.page.keyboard.press('Escape');
		}
	});
});
