import { expect } from 'chai';
import { desk } from './office.ts';

const LIST = [
	'Id;Bezeichnung;Menü;Kontext;Tasten;Kürzel',
	'wall;Wand;Bauen > Wände;Grundriss;Ctrl+W;wl',
	'door;Tür;Bauen > Türen;Grundriss|Schnitt;;tu',
	'fly;Rundflug;Ansicht;;G F;',
	''
].join('\r\n');

describe('Programs', () => {
	const at = desk();
	const bring = (name: string, text: Buffer) =>
		at.page.locator('input[type="file"]').setInputFiles({ name, mimeType: 'text/plain', buffer: text });
	const stored = async (id: string) =>
		(await (await fetch(`${at.server.address}/api/applications/${id}`)).json()) as {
			application: { name: string; axes: { label: string }[] };
			commands: { id: string }[];
			strata: { id: string; contents: Record<string, { keys?: string; command?: string; text?: string }[]> }[];
		};

	it('are brought with the keys and typed names that they have, from a table in Windows-1252 with semicolons', async () => {
		await at.page.goto(`${at.server.address}/programs/new`);
		await bring('Eigenbau Häuser.csv', Buffer.from(LIST, 'latin1'));
		await at.page.getByText('Columns').waitFor();
		for (const [field, column] of [
			['Label on screen', 'Bezeichnung'],
			['Category path', 'Menü'],
			['Contexts', 'Kontext'],
			['Current keys', 'Tasten'],
			['Current aliases', 'Kürzel']
		] as const)
			await at.page.getByLabel(field).selectOption({ label: column });
		await at.page.getByText('Grundriss, Schnitt').waitFor();
		await at.page.getByText('2 shortcuts and 2 aliases become').waitFor();
		await at.page.getByRole('button', { name: /with 3 commands$/ }).click();
		await at.page.waitForURL(/eigenbau-haeuser-1\/commands/);
		const { strata } = await stored('eigenbau-haeuser-1');
		expect(JSON.stringify(strata[0])).to.include('Ctrl+W').and.include('wl -> wall');
	});

	it('get axes, trees and what cannot be at once, with a picture of the situations; then another catalogue, whose renamed commands keep their keys', async () => {
		await at.page.goto(`${at.server.address}/programs?program=eigenbau-haeuser-1`);
		const contexts = at.page.getByRole('textbox', { name: 'Contexts', exact: true });
		await contexts.waitFor();
		const text = await contexts.inputValue();
		await contexts.fill(`${text.trimEnd()}\nAuswahl\n  Nichts\n  Wand\n    Fenster\nnever Schnitt + Wand\nnever Nirgends`);
		await at.page.getByText('Nirgends', { exact: false }).first().waitFor();
		expect(await at.page.getByRole('button', { name: 'Save', exact: true }).isDisabled()).to.equal(true);
		await contexts.fill(`${text.trimEnd()}\nAuswahl\n  Nichts\n  Wand\n    Fenster\nnever Schnitt + Wand`);
		// three modes with three selections, without two of the section
		await at.page.getByText('7 situations result.').waitFor();
		await at.page.getByRole('button', { name: 'Save', exact: true }).click();
		await at.page.getByText('Saved.').waitFor();
		expect((await stored('eigenbau-haeuser-1')).application.axes.map((a) => a.label)).to.deep.equal(['Mode', 'Auswahl']);

		const { revision } = (await stored('eigenbau-haeuser-1')) as unknown as { revision: number };
		await fetch(`${at.server.address}/api/applications/eigenbau-haeuser-1/edits`, {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify({
				base: revision,
				stratum: 'office',
				label: 'a key',
				changes: [
					{
						chapter: 'shortcuts',
						stratum: 'office',
						before: null,
						after: { op: 'set', command: 'door', keys: 'Alt+T', scope: {}, rank: 0 }
					}
				]
			})
		});
		await at.page.reload();
		await contexts.waitFor();
		await bring(
			'next.csv',
			Buffer.from('Id,Label,Category\nwall,Mauer,Bauen > Wände\ntuer,Tür,Bauen > Türen\nstair,Treppe,Bauen\n')
		);
		await at.page.getByText('1 renamed').waitFor();
		await at.page.getByText('1 new').waitFor();
		await at.page.getByText('1 gone').waitFor();
		await at.page.getByText('1 new').click();
		await at.page.getByRole('list', { name: 'new' }).getByText('Treppe').waitFor();
		await at.page.getByRole('table', { name: 'Affected levels' }).getByText('Office').waitFor();
		await at.page.getByRole('button', { name: 'Save', exact: true }).click();
		await at.page.getByText('Saved. 2 items moved to their new ids. A backup was created first.').waitFor();
		const after = await stored('eigenbau-haeuser-1');
		expect(after.commands.map((c) => c.id)).to.deep.equal(['wall', 'tuer', 'stair']);
		expect(JSON.stringify(after.strata[1])).to.include('"command":"tuer"').and.not.include('"command":"door"');
	});

	it('are renamed, and deleted after a word that says what goes', async () => {
		await at.page.goto(`${at.server.address}/programs?program=eigenbau-haeuser-1`);
		await at.page.getByLabel('Name', { exact: true }).fill('Eigenbau Zwei');
		await at.page.getByRole('button', { name: 'Save', exact: true }).click();
		await at.page.getByText('Saved.').waitFor();
		await at.page.getByRole('link', { name: /Eigenbau Zwei/ }).waitFor();
		await at.page.getByRole('button', { name: 'Delete the program …' }).click();
		await at.page.getByRole('dialog').getByText('3 commands').waitFor();
		await at.page.getByRole('button', { name: 'Delete with all its data' }).click();
		await at.page.getByRole('link', { name: /Eigenbau Zwei/ }).waitFor({ state: 'detached' });
		expect((await fetch(`${at.server.address}/api/applications/eigenbau-haeuser-1`)).status).to.equal(404);
	});
});
