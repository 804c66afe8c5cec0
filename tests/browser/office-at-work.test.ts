import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { openDemo } from '../../demo/people.ts';
import { violationsOn } from './axe.ts';
import { inBetween, type InBetween } from './in-between.ts';
import { desk, eventually, seatedIn } from './office.ts';
import type { RunningSeat } from './server.ts';

describe('An office at work, with seats as real processes', () => {
	const at = desk({ SKARN_DEMO: 'yes' });
	let between: InBetween;
	let seats: RunningSeat[];
	let steward: Page;
	let designer: Page;
	const view = (page: Page, name: string) => page.goto(`${at.server.address}/gneiss-solid-5/${name}`);
	const fileOf = (place: number) => readFileSync(join(seats[place]!.folder, 'interface.json'), 'utf8');
	const seat = (id: string) => steward.locator('.seats li', { hasText: id });
	const says = (id: string, text: string | RegExp) =>
		eventually(async () => expect(await seat(id).innerText()).to.match(new RegExp(text)), 30_000);

	const seatedAt = (name: string) => seatedIn(at, name);

	before(async () => {
		await openDemo(at.server.address, 'rope and pulley');
		between = await inBetween(at.server.address);
		seats = [
			await at.server.seat('C-01'),
			await at.server.seat('C-02', { through: between.address }),
			await at.server.seat('C-03')
		];
		[steward, designer] = [await seatedAt('Standards desk'), await seatedAt('Door and floor desk')];
	});
	after(async () => {
		await Promise.all([steward, designer].map((page) => page?.context().close()));
		between?.close();
	});

	it('has its seats enrolled, each in its ring', async () => {
		await view(steward, 'rollout');
		for (const id of ['C-01', 'C-02', 'C-03']) await says(id, 'current, release 2');
		await steward
			.getByRole('region', { name: 'Rings' })
			.getByRole('heading', { name: /Pilot\s+2 seats/ })
			.waitFor();
	});

	it('lets somebody sit down with a setup: what is theirs follows at once, without a release', async () => {
		await view(designer, 'rollout');
		await designer.getByLabel('Equipment of C-03').click();
		const sits = designer.getByLabel('User of C-03');
		await sits.selectOption({ label: 'you, with Drafting' });
		await eventually(async () => expect(fileOf(2)).to.include('"Alt+W"'), 20_000);
		expect(fileOf(2), 'the office too').to.include('"Ctrl+E"');
		await view(designer, 'commands?command=inspect.mass');
		await designer.locator('.field').first().click();
		await designer.locator('.field').first().press('Alt+Shift+y');
		await designer.keyboard.press('Enter');
		await designer.getByLabel('Remove Alt+Shift+Y').waitFor();
		await eventually(async () => expect(fileOf(2)).to.include('"Alt+Shift+Y"'), 20_000);
		await says('C-03', 'Door and floor desk');
	});

	it('takes a proposal in whole once the steward has seen whom it touches', async () => {
		await view(steward, 'proposals');
		await view(designer, 'proposals');
		await designer.getByRole('button', { name: 'Propose a change' }).click();
		await designer.getByRole('checkbox', { name: /Alt\+W for Split canvas/ }).check();
		await designer.getByRole('combobox', { name: 'To' }).selectOption({ label: 'Office' });
		await designer.getByLabel('Short title').fill('Split canvas on a key');
		await designer.getByLabel('Reason', { exact: true }).fill('both ends of a door at once');
		await designer
			.getByRole('button', { name: 'Propose this' })
			.or(designer.getByRole('button', { name: /^Propose/ }).last())
			.click();
		// the steward's page hears of it
		const one = steward.getByRole('region', { name: 'The proposal' });
		await steward.getByRole('button', { name: /Split canvas on a key/ }).click();
		await one.getByRole('link', { name: 'Try it on the bench' }).click();
		await steward.getByText('Preview with “Split canvas on a key” accepted').waitFor();
		await steward.locator('.window').focus();
		await steward.keyboard.press('Alt+w');
		// the steward's own Wireframe on the same key shows what it would come to
		await steward.getByText('Chooser: Wireframe and Split canvas').first().waitFor();
		await steward.getByRole('link', { name: 'Back to the proposal' }).click();
		await steward.getByRole('button', { name: /Split canvas on a key/ }).click();
		await one.getByRole('button', { name: 'Check who is affected' }).click();
		await one.getByRole('heading', { name: 'Affected people' }).waitFor();
		await one.getByRole('button', { name: 'Accept' }).click();
		await one.getByText(/accepted by you/).waitFor();
	});

	it('publishes to the pilot ring; a tampered release is refused there, and the ring waits and says why', async () => {
		await view(steward, 'rollout');
		await steward.getByRole('link', { name: 'Resolve' }).click();
		await steward.getByRole('button', { name: 'Next release' }).click();
		await steward.getByLabel('Reason').fill('Two clearance reviewers asked for it');
		await steward.getByRole('button', { name: 'Accept as steward' }).click();
		await steward.getByRole('button', { name: 'Accepted 1' }).waitFor();
		between.change = (path, text) => (/\/files\/.*\.3\.json$/.test(path) ? text.replace('"Alt+W"', '"Alt+Q"') : undefined);
		await view(steward, 'rollout');
		await steward.getByLabel('Release notes').fill('Split canvas on Alt+W.');
		await steward.getByRole('button', { name: 'Publish release 3' }).click();
		await says('C-01', 'current, release 3');
		await says('C-02', /refused, release 2[\s\S]*it differs from the signed file/);
		await steward
			.getByText(/Everyone waits: 1 of 2 seats in trouble.*C-02 refuses it: it differs from the signed file/)
			.waitFor();
		expect(fileOf(1)).to.not.include('"Alt+Q"');
		expect(fileOf(0)).to.include('"Alt+W"');
		await says('C-03', 'current, release 2');
		expect(await violationsOn(steward)).to.deep.equal([]);
	});

	it('waits while it is paused, goes on when what was wrong is mended, and reaches everyone', async () => {
		await steward.getByRole('button', { name: 'Pause' }).click();
		await steward.getByText('Paused: Everyone waits until someone continues.').waitFor();
		between.change = undefined;
		await says('C-02', 'current, release 3');
		await steward.getByRole('button', { name: 'Edit rings' }).click();
		const rings = steward.getByRole('dialog', { name: 'Rings' });
		await rings.getByLabel('Minutes from ring 1 to the next').fill('0');
		await rings.getByRole('button', { name: 'Save', exact: true }).click();
		await rings.waitFor({ state: 'detached' });
		await says('C-03', 'current, release 2');
		// what a person reports holds it up too, by keyboard from the row of the seat
		await steward.getByRole('button', { name: 'Report a problem of C-02' }).press('Enter');
		await steward.keyboard.type('Split canvas blinks');
		await steward.keyboard.press('Enter');
		// where somebody else sits is not a designer's to see
		await view(designer, 'rollout');
		await designer.locator('.seats li', { hasText: 'C-02' }).waitFor();
		expect(await designer.getByRole('button', { name: 'Report a problem of C-02' }).count()).to.equal(0);
		await says('C-02', 'reports a problem, release 3[\\s\\S]*Split canvas blinks');
		await steward.getByRole('button', { name: 'Continue' }).click();
		await steward.getByText(/Everyone waits: 1 of 2 seats in trouble.*C-02 reports a problem: Split canvas blinks/).waitFor();
		expect(await violationsOn(steward)).to.deep.equal([]);
		await steward.getByRole('button', { name: 'Problem of C-02 solved' }).click();
		await says('C-03', 'current, release 3');
		// what is of the person who sits there stays above it
		expect(fileOf(2)).to.include('"Alt+Shift+Y"').and.include('"Alt+W"');
	});

	it('goes back once: everyone at once, by a newer signature and never an older one', async () => {
		const version = () =>
			(JSON.parse(readFileSync(join(seats[0]!.folder, 'office/timestamp.json'), 'utf8')) as { signed: { version: number } })
				.signed.version;
		const before = version();
		await steward.getByRole('button', { name: 'Go back to 2' }).click();
		await steward.getByRole('button', { name: 'Move to release 2' }).click();
		for (const id of ['C-01', 'C-02', 'C-03']) await says(id, 'current, release 2');
		expect(version()).to.be.greaterThan(before);
		await eventually(async () => expect(fileOf(0)).to.not.include('"Alt+W"'));
	});

	it('signs with other keys while the seats follow, and asks for the passphrase of root', async () => {
		await steward.getByRole('button', { name: 'Signing' }).click();
		const dialog = steward.getByRole('dialog', { name: 'Signing' });
		await dialog
			.getByRole('row', { name: /^timestamp/ })
			.getByRole('button', { name: 'New key' })
			.click();
		await dialog.getByLabel('Passphrase of the main signing key').fill('not the passphrase');
		await dialog.getByRole('button', { name: 'Change key' }).click();
		await steward.getByText(/the passphrases open 0/).waitFor();
		await dialog.getByLabel('Passphrase of the main signing key').fill('two hinges and a ladder');
		await dialog.getByRole('button', { name: 'Change key' }).click();
		await steward.getByText('timestamp has a new signing key').waitFor();
		await dialog.getByRole('row', { name: /^root.* 2 / }).waitFor();
		expect(await violationsOn(steward)).to.deep.equal([]);
		await dialog
			.getByRole('button', { name: /^(Close|Done)$/ })
			.first()
			.click();
		await steward.getByRole('button', { name: 'Go on to 3' }).click();
		await steward.getByRole('button', { name: 'Move to release 3' }).click();
		for (const id of ['C-01', 'C-02', 'C-03']) await says(id, 'current, release 3');
	});

	it('tells entry by entry what was edited locally', async () => {
		const { writeFileSync } = await import('node:fs');
		const file = join(seats[0]!.folder, 'interface.json');
		writeFileSync(file, fileOf(0).replace('"Alt+W"', '"Alt+Shift+W"'));
		await says('C-01', 'drifted');
		const list = steward.getByRole('list', { name: 'Local edits at C-01' });
		await list.getByText('Alt+Shift+W').waitFor();
		expect(await list.getByRole('listitem').count()).to.equal(2);
		await seat('C-01').getByRole('button', { name: 'Differences' }).click();
		await steward.getByRole('dialog', { name: 'C-01: local edits' }).getByRole('button', { name: 'Propose' }).click();
		await steward.getByText('Proposed to Office: local edits at C-01').first().waitFor();
		await seat('C-01').getByRole('button', { name: 'Reinstall release' }).click();
		await says('C-01', 'current, release 3');
		await view(steward, 'proposals');
		await steward.getByRole('button', { name: /Local edits at C-01/ }).waitFor();
	});

	it('says who said what: beside a key, and in a history that is searched; one’s own key is proposed with a click', async () => {
		await view(designer, 'commands?command=inspect.mass');
		await designer
			.getByText(/^by you, /)
			.first()
			.waitFor();
		await designer.getByRole('link', { name: 'Propose Alt+Shift+Y to the office' }).click();
		const compose = designer.getByRole('region', { name: 'A new proposal' });
		expect(await compose.getByRole('checkbox', { name: /Alt\+Shift\+Y/ }).isChecked()).to.equal(true);
		expect(await compose.getByLabel('Short title').inputValue()).to.include('Alt+Shift+Y');
		await view(steward, 'start');
		await steward.getByRole('button', { name: 'Review' }).click();
		await steward
			.getByRole('tab', { name: 'History' })
			.or(steward.getByRole('button', { name: 'History' }))
			.first()
			.click();
		const restores = steward.getByRole('button', { name: /^Restore / });
		await restores.first().waitFor();
		const all = await restores.count();
		await steward.getByRole('searchbox', { name: 'Search the history' }).fill('Split canvas');
		await eventually(async () => expect(await restores.count()).to.be.lessThan(all));
		await steward.getByRole('combobox', { name: 'By' }).selectOption({ label: 'by you' });
		await steward.getByText(/\d found/).waitFor();
	});
});
