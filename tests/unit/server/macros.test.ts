import { expect } from 'chai';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { CommandId } from '../../../core/application/command.ts';
import { readProfileFile } from '../../../core/hand-over/profile-json.ts';
import { Macro, type MacroEntry } from '../../../core/chapters/macros/macro.ts';
import { parseSteps } from '../../../core/chapters/macros/steps.ts';
import type { Change } from '../../../core/profile/edit.ts';
import { openDatabase } from '../../../src/lib/server/db/open.ts';
import { officeOn, type Office } from '../../../src/lib/server/office.ts';
import { Problem } from '../../../src/lib/server/problem.ts';
import { varve } from '../../../demo/varve/varve.ts';

const { application, commands, strata, factoryEntries } = varve;
const id = application.id;
const half = Macro.parse({ id: 'macro:half', label: 'Half', inside: true, steps: parseSteps('type "/2"; accept') });
const shortcut: Change = {
	stratum: 'office' as never,
	before: null,
	after: { op: 'set', command: half.id, keys: 'Alt+J' as never, scope: {}, rank: 0 }
};

describe('macros on the server', function () {
	this.timeout(60_000);
	let folder: string;
	let office: Office;
	const edit = (base: number, before: MacroEntry | null, after: MacroEntry | null, ...changes: Change[]) =>
		office.profiles.edit(id, {
			base,
			role: 'steward',
			label: 'macros',
			changes,
			aliases: [],
			macros: [{ stratum: 'office' as never, before, after }]
		});
	const stored = async () => (await office.profiles.load(id)).profile.find((s) => s.id === 'office')!.macros;
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
		office = officeOn(await openDatabase(folder));
		await office.profiles.add({ application, commands, strata, factory: factoryEntries });
	});
	after(async () => {
		await office.store.close();
		rmSync(folder, { recursive: true });
	});

	it('come with their shortcut in one edit, and a shortcut without its macro is refused', async () => {
		const lone = await refused(
			office.profiles.edit(id, { base: 0, role: 'steward', label: 'x', changes: [shortcut], aliases: [], macros: [] })
		);
		expect(lone.message).to.include('macro:half is not in the catalogue');
		await edit(0, null, half, shortcut);
		expect((await stored())!.get(half.id)).to.deep.equal(half);
	});

	it('are refused where somebody else has changed them, and nothing is written', async () => {
		const stale = await refused(edit(1, null, half));
		expect(stale.status).to.equal(409);
		expect(stale.message).to.include('expected none, found "Half" with 2 steps');
		expect((await office.profiles.load(id)).revision).to.equal(1);
	});

	it('are the same after the data folder was closed and opened again', async () => {
		await office.store.close();
		office = officeOn(await openDatabase(folder));
		expect((await stored())!.get(half.id)).to.deep.equal(half);
	});

	it('go out with a release, and its file says them', async () => {
		await office.releases.publish(id, 'steward', 'with a macro', 1);
		const { file } = await office.releases.file(id, 1);
		expect(readProfileFile('release', file).macros).to.deep.equal([{ stratum: 'office', kind: 'office', macros: [half] }]);
		expect(await office.checking.releasedMacros(id)).to.deep.equal([half]);
	});

	it('are taken back and brought again by undo and redo', async () => {
		await edit(1, half, { id: half.id as CommandId, gone: true });
		await office.profiles.step(id, 'undo', 2, 'steward');
		expect((await stored())!.get(half.id)).to.deep.equal(half);
		await office.profiles.step(id, 'redo', 3, 'steward');
		expect((await stored())!.get(half.id)).to.deep.equal({ id: half.id, gone: true });
	});
});
