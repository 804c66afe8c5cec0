import { expect } from 'chai';
import { desk, eventually } from './office.ts';

describe('Modes', () => {
	const at = desk();
	const aside = () => at.page.getByRole('complementary', { name: 'Selection' });
	const list = () => aside().getByRole('list', { name: 'Modes, favourites first' });
	const mode = (name: string) => list().getByRole('button', { name });
	const bars = () => at.page.getByRole('listbox', { name: 'Toolbars of the window' });
	const undo = () => at.page.getByRole('button', { name: 'Undo' }).click();
	const open = async (view: string) => {
		await at.page.goto(`${at.server.address}/tuff-mesh-3/${view}`);
		await at.page.waitForSelector('main section');
	};

	it('are made from another one by keys, with bars of their own, and are gone with undo', async () => {
		await open('bars?modes');
		await mode('Foil').click();
		await mode('Foil').press('ArrowDown');
		await at.page.keyboard.press('ArrowUp');
		await at.page.keyboard.press('Enter');
		const name = aside().getByRole('textbox', { name: 'Name of the new mode' });
		await aside().getByRole('combobox', { name: 'Bars of the new mode' }).selectOption('none');
		await name.fill('Lettering');
		await name.press('Enter');
		await mode('Lettering').waitFor();
		await aside().getByText('0 bars show in it.').waitFor();
		expect(await bars().getByRole('option').count(), 'an empty window').to.equal(0);
		await at.page.getByRole('button', { name: 'New toolbar' }).click();
		await at.page.getByRole('textbox', { name: 'Name of the new toolbar' }).fill('Letters');
		await at.page.keyboard.press('Enter');
		await at.page.getByText('Toolbars: new toolbar Letters').first().waitFor();
		await undo();
		await aside().getByRole('combobox', { name: 'Bars of the mode' }).selectOption('shared');
		await eventually(async () => expect(await bars().getByRole('option').count()).to.be.greaterThan(20));
		await undo();
		await undo();
		await mode('Lettering').waitFor({ state: 'detached' });
		await aside().getByRole('group', { name: 'Mode Foil' }).waitFor();
	});

	it('are favourites in the order that one gives them, and the bench offers them so', async () => {
		await open('bars?modes');
		await mode('Sight lines').click();
		await aside().getByRole('button', { name: 'Favourite', exact: true }).click();
		await list()
			.getByRole('button', { name: /Sight lines ?, favourite/ })
			.waitFor();
		await aside().getByRole('button', { name: 'Up', exact: true }).click();
		await at.page.getByText('Modes: Sight lines moved').first().waitFor();
		await open('bench');
		const switcher = at.page.getByRole('group', { name: 'Mode', exact: true });
		expect(await switcher.getByRole('button').allInnerTexts()).to.deep.equal(['Panels', 'Fit-up', 'Sight lines', 'Foil']);
		await switcher.getByRole('button', { name: 'Fit-up' }).click();
		await at.page.getByTitle('Fit-up', { exact: true }).waitFor({ state: 'attached' });
		const window = at.page.getByRole('application');
		await switcher.getByRole('button', { name: 'Sight lines' }).click();
		await window.focus();
		await window.press('Control+5');
		await at.page.getByText('Now in Fit-up.').first().waitFor();
		expect(await switcher.getByRole('button', { name: 'Fit-up' }).getAttribute('aria-pressed')).to.equal('true');
		await open('bars?modes');
		await undo();
		await undo();
		await list()
			.getByRole('button', { name: /Sight lines ?, favourite/ })
			.waitFor({ state: 'detached' });
	});

	it('of which one is gone are told, with a way out', async () => {
		await open('bars?modes');
		const told = aside().getByText('Personal has own.nesting (not there) among the favourite modes');
		await told.waitFor();
		await aside().getByRole('button', { name: 'Remove it from Personal' }).click();
		await told.waitFor({ state: 'detached' });
		await undo();
		await told.waitFor();
	});
});
