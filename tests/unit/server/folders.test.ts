import { expect } from 'chai';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { varve } from '../../../demo/varve/varve.ts';
import { searchPaths } from '../../../demo/folders.ts';
import { officeOn, type Office } from '../../../src/lib/server/office.ts';
import { openStore } from './stores.ts';

const { application, commands, strata } = varve;

describe('what a seat finds on its drives', () => {
	let folder: string;
	let office: Office;
	before(async () => {
		folder = mkdtempSync(join(tmpdir(), 'skarn-'));
		office = officeOn(await openStore(folder));
		await office.profiles.add({ application, commands, strata, factory: {} });
		await office.folders.keep(application.id, searchPaths);
	});
	after(async () => {
		await office.store.close();
		rmSync(folder, { recursive: true });
	});

	it('is kept with the time, and is news only when something is otherwise than before', async () => {
		const [path] = await office.folders.pathsAt('C-03');
		const look = (modified: string) =>
			office.folders.look(
				'C-03',
				[
					{ path: path!, modified },
					{ path: 'C:/elsewhere.txt', modified }
				],
				{ by: null }
			);
		const id = application.id;
		expect(await look('2026-01-01T00:00:00.000Z')).to.deep.equal([{ application: id, isNews: true }]);
		expect(await look('2026-01-01T00:00:00.000Z')).to.deep.equal([{ application: id, isNews: false }]);
		expect(await look('2026-01-02T00:00:00.000Z')).to.deep.equal([{ application: id, isNews: true }]);
		const { disks, looked } = await office.folders.of(id);
		expect(disks['C-03'], 'nothing of paths that are not asked for').to.deep.equal([
			{ path, modified: '2026-01-02T00:00:00.000Z' }
		]);
		expect(looked!['C-03']!.by).to.equal(null);
		expect(await office.folders.look('Z-99', [], { by: null })).to.deep.equal([]);
	});
});
