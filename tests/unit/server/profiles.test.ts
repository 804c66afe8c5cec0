import { expect } from 'chai';
import { createHash } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ProposedEdit } from '../../../core/profile/edit.ts';
import { inOrder } from '../../../core/profile/stratum.ts';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { openDatabase } from '../../../src/lib/server/db/open.ts';
import { officeOn, type Office } from '../../../src/lib/server/office.ts';
import { Problem } from '../../../src/lib/server/problem.ts';

const { application, commands, entriesOf, factoryEntries, strata } = gneiss;

const id = application.id;
const editOf = (base: number, lines: string, stratum = 'office'): ProposedEdit => ({
	base,
	role: 'steward',
	label: lines,
	changes: entriesOf(lines).map((after) => ({ stratum: stratum as never, before: null, after })),
	aliases: [],
	macros: []
});

async function problem(work: Promise<unknown>): Promise<Problem> {
	try {
		await work;
	} catch (error) {
		if (error instanceof Problem) return error;
		throw error;
	}
	throw new Error('was not refused');
}

describe('profiles on the server', function () {
	this.timeout(60_000);
	let folder: string;
	let office: Office;
	const keysIn = async (stratum: string) =>
		inOrder((await office.profiles.load(id)).profile.find((s) => s.id === stratum)!).map((e) => e.keys as string);
	/** The same office, read anew from the data folder. */
	const reopen = async () => {
		await office.store.close();
		office = officeOn(await openDatabase(folder));
	};

	before(async () => {
		folder = mkdtempSync(join(tmpdir(), 'skarn-'));
		office = officeOn(await openDatabase(folder));
		await office.profiles.add({ application, commands, strata, factory: factoryEntries });
	});
	after(async () => {
		await office.store.close();
		rmSync(folder, { recursive: true, force: true });
	});

	it('keeps an edit, and gives it back after a restart', async () => {
		const { edit, undo } = await office.profiles.edit(id, editOf(0, 'set | Ctrl+E | file.export | any'));
		expect(edit.revision).to.equal(1);
		expect(undo).to.deep.equal([1]);
		await reopen();
		expect(await keysIn('office')).to.deep.equal(['Ctrl+E']);
		expect((await office.profiles.load(id)).revision).to.equal(1);
	});

	it('refuses an edit against an older revision, says what happened since, and writes nothing', async () => {
		const stale = await problem(
			office.profiles.edit(id, editOf(0, 'set | Ctrl+E | file.export | any\nset | Alt+M | inspect.mass | any'))
		);
		expect(stale.status).to.equal(409);
		expect(stale.more).to.have.property('revision', 1);
		expect(stale.more['since']).to.have.length(1);
		expect(stale.more['touched']).to.have.length(1);
		expect(await keysIn('office')).to.deep.equal(['Ctrl+E']);
	});

	it('takes one of two edits made at once', async () => {
		const both = await Promise.allSettled([
			office.profiles.edit(id, editOf(1, 'set | Alt+1 | file.pack | any')),
			office.profiles.edit(id, editOf(1, 'set | Alt+2 | file.pack | any'))
		]);
		expect(both.map((r) => r.status).sort()).to.deep.equal(['fulfilled', 'rejected']);
		expect((await office.profiles.load(id)).revision).to.equal(2);
	});

	it('undoes and redoes across restarts, by appending', async () => {
		await reopen();
		const { edit } = await office.profiles.step(id, 'undo', 2, 'steward');
		expect(edit).to.include({ revision: 3, undoes: 2 });
		expect(await keysIn('office')).to.deep.equal(['Ctrl+E']);
		await reopen();
		await office.profiles.step(id, 'redo', 3, 'steward');
		expect(await keysIn('office')).to.deep.equal(['Ctrl+E', 'Alt+1']);
		expect(await office.profiles.editsSince(id, 0)).to.have.length(4);
		expect((await problem(office.profiles.step(id, 'redo', 4, 'steward'))).kind).to.equal('nothing-to-do');
	});

	it('refuses unknown commands, contexts and keys, and the factory stratum', async () => {
		const cases: [ProposedEdit, RegExp][] = [
			[editOf(4, 'set | Alt+J | file.nowhere | any'), /file\.nowhere is not in the catalogue/],
			[
				{
					...editOf(4, 'set | Alt+J | file.pack | any'),
					changes: [
						{
							stratum: 'office' as never,
							before: null,
							after: {
								op: 'set',
								command: 'file.pack' as never,
								keys: 'Alt+J' as never,
								scope: { pane: ['attic'] } as never,
								rank: 0
							}
						}
					]
				},
				/no context "attic"/
			],
			[
				{
					...editOf(4, 'set | Alt+J | file.pack | any'),
					changes: [
						{
							stratum: 'office' as never,
							before: null,
							after: { op: 'set', command: 'file.pack' as never, keys: 'alt+j' as never, scope: {}, rank: 0 }
						}
					]
				},
				/must be written Alt\+J/
			],
			[editOf(4, 'set | Alt+J | file.pack | any', 'factory'), /factory stratum is never written/],
			[editOf(4, 'set | Alt+J | file.pack | any', 'cellar'), /no stratum "cellar"/]
		];
		for (const [edit, message] of cases) {
			const refused = await problem(office.profiles.edit(id, edit));
			expect(refused.status).to.equal(422);
			expect(refused.message).to.match(message);
		}
		expect((await office.profiles.load(id)).revision).to.equal(4);
	});

	it('lets no stratum remove what one below has locked', async () => {
		await office.profiles.edit(id, editOf(4, 'lock | Ctrl+S | file.save | any'));
		const refused = await problem(office.profiles.edit(id, editOf(5, 'remove | Ctrl+S | file.save | any', 'personal')));
		expect(refused.message).to.equal('Office has locked Ctrl+S for Save; it cannot be taken away above it');
	});

	it('publishes releases whose digest is that of their file, and none without a change', async () => {
		const release = await office.releases.publish(id, 'steward', 'first', 5);
		const { file, sha256 } = await office.releases.file(id, 1);
		expect(createHash('sha256').update(file).digest('hex')).to.equal(sha256).and.equal(release.sha256);
		expect(Buffer.byteLength(file)).to.equal(release.bytes);
		expect((await problem(office.releases.publish(id, 'steward', 'again', 5))).kind).to.equal('nothing-to-do');
		expect((await problem(office.releases.publish(id, 'steward', 'stale', 3))).kind).to.equal('stale-revision');
		expect((await problem(office.releases.setChannel(id, 9))).status).to.equal(404);
	});

	it('knows its seats and refuses others', async () => {
		await office.seats.add(id, 'C-01', 'Cladding team');
		expect((await problem(office.seats.add(id, 'C-01', ''))).status).to.equal(409);
		expect((await problem(office.seats.manifest('C-99'))).message).to.include('not known to this office');
		expect(await office.seats.manifest('C-01')).to.include({ release: 1, restore: false });
		await office.seats.askRestore('C-01');
		expect((await office.seats.manifest('C-01')).restore).to.equal(true);
		await office.seats.report('C-01', { release: 1, state: 'installed', sha256: 'a'.repeat(64), message: '' });
		const [seat] = await office.seats.list(id);
		expect(seat).to.include({ state: 'current', restore: false });
	});

	it('refuses a second application of the same id and a catalogue that contradicts itself', async () => {
		const again = { application, commands, strata, factory: [] };
		expect((await problem(office.profiles.add(again))).status).to.equal(409);
		const twice = { ...again, commands: [commands[0]!, commands[0]!] };
		expect((await problem(office.profiles.add(twice))).message).to.include('is listed twice');
		expect((await problem(office.profiles.load('nowhere'))).message).to.include(`Known: ${id}`);
	});
});
