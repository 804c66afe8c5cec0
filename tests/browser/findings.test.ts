import { expect } from 'chai';
import { desk } from './office.ts';

describe('Findings', () => {
	const at = desk();
	const detail = () => at.page.getByLabel('The finding', { exact: true });
	const heading = () => detail().locator('h1').innerText();
	const count = async (name: RegExp) =>
		Number((await at.page.getByRole('button', { name }).first().innerText()).match(/\d+/)![0]);
	const errors = () => count(/errors?$|error.*since|errors.*since|errors.*as in/);

	beforeEach(() => at.open('findings'));

	it('counts by severity against the last release, and proves the first on a small bench', async () => {
		expect(await errors()).to.equal(5);
		expect(await at.page.getByLabel('Severity').innerText()).to.include('since the release');
		expect(await heading()).to.include('F means Fillet edges and Fit all');
		const bench = detail().getByRole('application');
		expect(await bench.innerText()).to.include('Chooser: Fillet edges and Fit all');
		await bench.focus();
		await at.page.keyboard.press('ArrowDown');
		await at.page.keyboard.press('Enter');
		expect(await bench.innerText()).to.include('Fit all');
		expect(await detail().getByLabel('Proof').innerText()).to.include('so the application asks');
	});

	it('goes to the next with one key, groups by what one decides together, and replays on the bench', async () => {
		const first = await heading();
		await at.page.keyboard.press('n');
		expect(await heading()).to.not.equal(first);
		await at.page.keyboard.press('p');
		expect(await heading()).to.equal(first);
		await at.page.getByRole('button', { name: 'Rule', exact: true }).click();
		await at.page.getByRole('listbox', { name: 'Findings' }).getByText('Begins a longer sequence', { exact: true }).waitFor();
		await at.page.getByRole('button', { name: 'Key', exact: true }).click();
		await at.page.getByRole('link', { name: 'Replay on the bench' }).click();
		await at.page.waitForURL(/bench/);
		await at.page.getByRole('listbox', { name: 'Chooser' }).waitFor();
	});

	it('mends by a number key, with what changes shown before, and undo brings it back', async () => {
		const before = await errors();
		expect(await detail().innerText())
			.to.include('Effect')
			.and.include('→');
		await at.page.keyboard.press('1');
		await at.page
			.getByText(/Move Fillet edges from F/)
			.first()
			.waitFor();
		await at.page.waitForFunction((n) => document.querySelector('.count')?.textContent?.includes(String(n)), before - 1);
		await at.page.keyboard.press('Control+z');
		await at.page.waitForFunction((n) => document.querySelector('.count')?.textContent?.includes(String(n)), before);
	});

	it('lists the edits before it mends all of a kind, and applies them as one', async () => {
		await at.page.getByRole('button', { name: 'Rule', exact: true }).click();
		await at.page.getByRole('listbox', { name: 'Findings' }).getByText('Project edges', { exact: true }).click();
		await detail()
			.getByRole('button', { name: /Fix all \d+ like this/ })
			.click();
		await detail().locator('ol li').first().waitFor();
		await detail()
			.getByRole('button', { name: /^Apply all/ })
			.click();
		await at.page
			.getByText(/begins a longer sequence: move/)
			.first()
			.waitFor();
		await at.page.keyboard.press('Control+z');
		await at.page
			.getByText(/Undo: /)
			.first()
			.waitFor();
	});

	it('lets a finding stand with a reason, over a reload, until its circumstances change', async () => {
		const before = await errors();
		await detail().getByLabel('Reason').fill('Our people like the chooser here');
		await detail().getByRole('button', { name: 'Accept as designer' }).click();
		await at.page.getByRole('button', { name: 'Accepted 1' }).waitFor();
		expect(await errors()).to.equal(before - 1);
		await at.page.reload();
		await at.page.getByRole('button', { name: 'Accepted 1' }).click();
		await at.page
			.getByRole('option', { name: /Fillet edges/ })
			.first()
			.click();
		expect(await detail().innerText()).to.include('Accepted by the designer: Our people like the chooser here');

		// another command joins on F: what was accepted is not what stands there now
		await at.open('commands?command=view.shaded');
		await at.page.locator('.field').first().click();
		await at.page.locator('.field').first().press('f');
		await at.page.getByText('Keep both').click();
		await at.page.getByRole('button', { name: 'Keep both' }).click();
		await at.page.getByLabel('Remove F', { exact: true }).first().waitFor();
		await at.open('findings');
		expect(await errors()).to.equal(before);
		await at.page.getByText(/findings that are gone or have changed/).waitFor();
		await at.page.getByRole('button', { name: 'Remove', exact: true }).click();
		await at.page.getByText(/findings that are gone or have changed/).waitFor({ state: 'detached' });
	});
});
