import { expect } from 'chai';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readProfileFile } from '../../../core/hand-over/profile-file.ts';
import { Macro, MACROS, macrosIn } from '../../../core/chapters/macros/macro.ts';
import { dropMacro, lockMacro, removeMacro, setMacro } from '../../../core/chapters/macros/writing.ts';
import type { AnyChange } from '../../../core/profile/edit.ts';
import type { StratumId } from '../../../core/strata/stratum.ts';
import { parseSteps } from '../../../core/chapters/macros/steps.ts';
import { ofShortcuts, type Change } from '../../../core/shortcut/change.ts';
import { openStore } from './stores.ts';
import { officeOn, type Office } from '../../../src/lib/server/office.ts';
import { Problem } from '../../../src/lib/server/problem.ts';
import { varve } from '../../../demo/varve/varve.ts';

const { application, commands, strata, factoryEntries } = varve;
const id = application.id;
const OFFICE = 'office' as StratumId;
const half = Macro.parse({ id: 'macro:half', label: 'Half', inside: true, steps: parseSteps('type "/2"; accept') });
const shortcut: Change = {
	stratum: 'office' as never,
	before: null,
	after: { op: 'set', command: half.id, keys: 'Alt+J' as never, scope: {}, rank: 0 }
};

describe('macros on the server', () => {
	let folder: string;
	let office: Office;
	const write = (base: number, changes: readonly AnyChange[]) =>
		office.profiles.edit(id, { base, stratum: OFFICE, label: 'macros', changes: [...changes] });
	const stratum = async () => (await office.profiles.load(id)).profile.find((s) => s.id === 'office')!;
	const stored = async () => macrosIn(await stratum()).get(half.id as never);
	const refused = async (work: Promise<unknown>) => {
		const error = await work.then(
			() => undefined,
			(reason: unknown) => reason
		);
		expect(error).to.be.instanceOf(Problem);
		return error as Problem;
	};

	before(async () => {
		folder = mkdtempSync(join(tmpdir(), 'skarn-macros-'));
		office = officeOn(await openStore(folder));
		await office.profiles.add({ application, commands, strata, factory: { shortcuts: factoryEntries } });
	});
	after(async () => {
		await office.store.close();
		rmSync(folder, { recursive: true });
	});

	it('come with their shortcut in one edit, and a shortcut without its macro is refused', async () => {
		const lone = await refused(write(0, ofShortcuts([shortcut])));
		expect(lone.message).to.include('macro:half is not in the catalogue');
		await write(0, [...setMacro(await stratum(), half), ...ofShortcuts([shortcut])]);
		expect(await stored()).to.deep.equal({ op: 'set', ...half, rank: 0 });
	});

	it('are refused where somebody else has changed them, and nothing is written', async () => {
		const stale = await refused(write(1, setMacro({ ...(await stratum()), contents: {} }, half)));
		expect(stale.status).to.equal(409);
		expect(stale.message).to.include('expected none, found set at 0');
		expect((await office.profiles.load(id)).revision).to.equal(1);
	});

	it('are the same after the data folder was closed and opened again', async () => {
		await office.store.close();
		office = officeOn(await openStore(folder));
		expect(await stored()).to.deep.equal({ op: 'set', ...half, rank: 0 });
	});

	it('go out with a release, and its file says them', async () => {
		await office.releases.publish(id, 'with a macro', 1);
		const { file } = await office.releases.file(id, 1);
		const { rows } = readProfileFile('release', file);
		expect(rows.filter((row) => row.chapter === MACROS).map((row) => row.said)).to.deep.equal([{ op: 'set', ...half, rank: 0 }]);
		expect(macrosIn((await office.releases.followed(id))!).size).to.equal(1);
	});

	it('are taken back and brought again by undo and redo', async () => {
		await write(1, dropMacro(await stratum(), half.id));
		await office.profiles.step(id, 'undo', 2, OFFICE);
		expect(await stored()).to.deep.equal({ op: 'set', ...half, rank: 0 });
		await office.profiles.step(id, 'redo', 3, OFFICE);
		expect(await stored()).to.equal(undefined);
	});

	it('are not changed from above where they are locked, and who locked them is named', async () => {
		await write(4, setMacro(await stratum(), half));
		await write(5, lockMacro(await stratum(), half.id, true));
		const { profile } = await office.profiles.load(id);
		const personal = profile.at(-1)!;
		for (const changes of [setMacro(personal, { ...half, label: 'Mine' }), removeMacro(personal, half.id)]) {
			const no = await refused(office.profiles.edit(id, { base: 6, stratum: personal.id, label: 'mine', changes }));
			expect([no.status, no.message]).to.deep.equal([422, 'Office has locked the macro Half; Personal cannot change it']);
		}
		expect((await office.profiles.load(id)).revision).to.equal(6);
	});
});
