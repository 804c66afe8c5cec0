import { expect } from 'chai';
import { desk, eventually } from './office.ts';

describe('From many findings to none', () => {
	const at = desk();
	const detail = () => at.page.getByLabel('The finding', { exact: true });
	const open = async () => {
		const counts = await at.page.getByRole('group', { name: 'Severity' }).locator('.number').allInnerTexts();
		return counts.map((text) => Number(text.match(/\d+/)![0]));
	};
	const sum = (counts: readonly number[]) => counts.reduce((a, b) => a + b);

	for (const application of ['gneiss-solid-5', 'varve-draft-7', 'tuff-mesh-3'])
		it(`${application}, by keys alone and without leaving the view`, async () => {
			await at.page.goto(`${at.server.address}/${application}/findings`);
			await at.page.waitForSelector('main[aria-busy="false"]');
			const first = await open();
			expect(sum(first)).to.be.greaterThan(5);
			let [mended, accepted] = [0, 0];
			for (let round = 0; sum(await open()) > 0; round++) {
				expect(round).to.be.lessThan(120);
				const counts = String(await open());
				const sentence = await detail().locator('h1').innerText();
				// the first way out there is; what has none here may stand, with a reason
				if ((await detail().getByRole('radio').count()) > 0) {
					await at.page.keyboard.press('1');
					mended++;
				} else {
					await detail().getByRole('textbox', { name: 'Reason' }).focus();
					await at.page.keyboard.type('known, and agreed in the office');
					await at.page.keyboard.press('Enter');
					accepted++;
				}
				await eventually(async () =>
					expect(`${String(await open())} ${(await detail().locator('h1').allInnerTexts()).join()}`).to.not.equal(
						`${counts} ${sentence}`
					)
				);
				await at.page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
			}
			expect(mended).to.be.greaterThan(accepted);
			await at.page.getByText('No open findings match these filters.').or(at.page.getByText('No findings')).waitFor();
		});
});
