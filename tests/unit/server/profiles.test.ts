import { expect } from 'chai';
import { SeatReport } from '../../../core/release/release.ts';
import { createHash } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import { Application } from '../../../core/application/application.ts';
import { profileFile, writeProfileFile } from '../../../core/hand-over/profile-file.ts';
import { shortcutsIn, type Entry } from '../../../core/shortcut/entry.ts';
import { ProposedEdit } from '../../../core/profile/edit.ts';
import { ofShortcuts, type Change } from '../../../core/shortcut/change.ts';
import type { StratumId } from '../../../core/strata/stratum.ts';
import { inOrder } from '../../../core/strata/entry.ts';
import { FIRST } from '../../../core/people/person.ts';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { openStore } from './stores.ts';
import { officeOn, type Office } from '../../../src/lib/server/office.ts';
import { Problem } from '../../../src/lib/server/problem.ts';
import { saidElsewhere } from '../../../src/lib/server/elsewhere.ts';

const { application, commands, entriesOf, factoryEntries, strata } = gneiss;

const id = application.id;
const OFFICE = 'office' as StratumId;
const PERSONAL = 'personal' as StratumId;
const editOf = (base: number, lines: string, stratum = 'office'): ProposedEdit => ({
	base,
	stratum: stratum as StratumId,
	label: lines,
	changes: ofShortcuts(entriesOf(lines).map((after) => ({ stratum: stratum as StratumId, before: null, after })))
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

describe('profiles on the server', () => {
	let folder: string;
	let office: Office;
	const keysIn = async (stratum: string) =>
		inOrder(shortcutsIn((await office.profiles.load(id)).profile.find((s) => s.id === stratum)!)).map((e) => e.keys as string);
	/** The same office, read anew from the data folder. */
	const reopen = async () => {
		await office.store.close();
		office = officeOn(await openStore(folder));
	};

	before(async () => {
		folder = mkdtempSync(join(tmpdir(), 'skarn-'));
		office = officeOn(await openStore(folder));
		await office.profiles.add({ application, commands, strata, factory: { shortcuts: factoryEntries } });
	});
	after(async () => {
		await office.store.close();
		rmSync(folder, { recursive: true, force: true });
	});

	it('keeps an edit, and gives it back after a restart', async () => {
		const { edit, undo } = await office.profiles.edit(id, editOf(0, 'set | Ctrl+E | file.export | any'));
		expect(edit.revision).to.equal(1);
		expect(undo).to.deep.equal({ office: [1], personal: [] });
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
		const { edit } = await office.profiles.step(id, 'undo', 2, OFFICE);
		expect(edit).to.include({ revision: 3, undoes: 2 });
		expect(await keysIn('office')).to.deep.equal(['Ctrl+E']);
		await reopen();
		await office.profiles.step(id, 'redo', 3, OFFICE);
		expect(await keysIn('office')).to.deep.equal(['Ctrl+E', 'Alt+1']);
		expect(await office.profiles.editsSince(id, 0)).to.have.length(4);
		expect((await problem(office.profiles.step(id, 'redo', 4, OFFICE))).kind).to.equal('nothing-to-do');
	});

	it('refuses unknown commands, contexts and keys, and the factory stratum', async () => {
		const cases: [ProposedEdit, RegExp][] = [
			[editOf(4, 'set | Alt+J | file.nowhere | any'), /file\.nowhere is not in the catalogue/],
			[
				{
					...editOf(4, 'set | Alt+J | file.pack | any'),
					changes: ofShortcuts([
						{
							stratum: OFFICE,
							before: null,
							after: {
								op: 'set',
								command: 'file.pack' as never,
								keys: 'Alt+J' as never,
								scope: { pane: ['attic'] } as never,
								rank: 0
							}
						}
					])
				},
				/no context "attic"/
			],
			[
				{
					...editOf(4, 'set | Alt+J | file.pack | any'),
					changes: ofShortcuts([
						{
							stratum: OFFICE,
							before: null,
							after: { op: 'set', command: 'file.pack' as never, keys: 'alt+j' as never, scope: {}, rank: 0 }
						}
					])
				},
				/must be written Alt\+J/
			],
			[editOf(4, 'set | Alt+J | file.pack | any', 'factory'), /factory level is read-only/],
			[editOf(4, 'set | Alt+J | file.pack | any', 'cellar'), /no level "cellar"/]
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
		expect(refused.message).to.equal('Office has locked Ctrl+S for Save; it cannot be removed above it');
	});

	it('publishes releases whose digest is that of their file, and none without a change', async () => {
		const release = await office.releases.publish(id, 'first', 5);
		const { file, sha256 } = await office.releases.file(id, 1);
		expect(createHash('sha256').update(file).digest('hex')).to.equal(sha256).and.equal(release.sha256);
		expect(Buffer.byteLength(file)).to.equal(release.bytes);
		expect((await problem(office.releases.publish(id, 'again', 5))).kind).to.equal('nothing-to-do');
		expect((await problem(office.releases.publish(id, 'stale', 3))).kind).to.equal('stale-revision');
		expect((await problem(office.releases.setChannel(id, 9))).status).to.equal(404);
	});

	it("lets nobody who writes to a stratum of one's own change the office", async () => {
		const { revision } = await office.profiles.load(id);
		const mine = { ...editOf(revision, 'set | Alt+9 | file.pack | any'), stratum: PERSONAL };
		expect((await problem(office.profiles.edit(id, mine))).status).to.equal(403);
		expect((await office.profiles.load(id)).revision).to.equal(revision);
	});

	it('undoes what was written from one stratum, whatever others have written since, and names who wrote over it', async () => {
		const start = (await office.profiles.load(id)).revision;
		await office.profiles.edit(id, editOf(start, 'set | Alt+7 | file.pack | any', 'personal'));
		await office.profiles.edit(id, editOf(start + 1, 'set | Alt+8 | file.pack | any'));
		const { edit } = await office.profiles.step(id, 'undo', start + 2, PERSONAL);
		expect(edit).to.include({ undoes: start + 1, stratum: PERSONAL, role: 'designer' });
		expect(await keysIn('personal')).to.not.include('Alt+7');
		expect(await keysIn('office')).to.include('Alt+8');
		// the steward takes away what somebody has just set
		await office.profiles.step(id, 'redo', start + 3, PERSONAL);
		const [said] = inOrder(shortcutsIn((await office.profiles.load(id)).profile.at(-1)!)).filter((e) => e.keys === 'Alt+7');
		await office.profiles.edit(id, {
			...editOf(start + 4, 'set | Alt+7 | file.pack | any'),
			label: 'Tidied up',
			changes: ofShortcuts([{ stratum: PERSONAL, before: said!, after: null }])
		});
		const refused = await problem(office.profiles.step(id, 'undo', start + 5, PERSONAL));
		expect(refused.kind).to.equal('written-over');
		expect(refused.message).to.match(/“Tidied up” by the steward \(revision \d+\) has changed Alt\+7 for /);
		await office.profiles.step(id, 'undo', start + 5, OFFICE);
		await office.profiles.step(id, 'undo', start + 6, PERSONAL);
		await office.profiles.step(id, 'undo', start + 7, OFFICE);
		expect(await office.profiles.verify(id)).to.deep.equal([]);
	});

	it('knows its seats and refuses others', async () => {
		await office.seats.add(id, 'C-01', 'Cladding team');
		expect((await problem(office.seats.add(id, 'C-01', ''))).status).to.equal(409);
		expect((await problem(office.seats.checkIn('C-99'))).message).to.include('does not exist');
		const told = async () => JSON.parse(await office.seats.checkIn('C-01')) as { timestamp: unknown; restore: boolean };
		expect(await told()).to.include({ timestamp: null, restore: false });
		await office.seats.askRestore('C-01');
		expect((await told()).restore).to.equal(true);
		await office.seats.report('C-01', SeatReport.parse({ release: 1, state: 'installed', sha256: 'a'.repeat(64) }));
		const [seat] = await office.seats.list(id);
		expect(seat).to.include({ state: 'current', restore: false });
	});

	it('looks at the desks of seats that an application knows, and at no others', async () => {
		const own = { ...application, id: 'own-program' as typeof id, name: 'Own program' };
		const general = { id: 'general' as StratumId, name: 'Factory', kind: 'factory' as const };
		await office.profiles.add({ application: own, commands, strata: [general], factory: {} });
		const known = async (app: string) => (await office.seats.desks(app)).map((s) => s.id);
		expect(await known(id)).to.deep.equal(['C-01']);
		expect(await known('own-program')).to.deep.equal([]);
		await office.folders.keep('own-program', {
			files: [],
			groups: [{ name: 'Cladding', seats: ['C-01'], folders: [{ path: '/home/skarn', kind: 'personal', writable: true }] }],
			disks: {}
		});
		expect(await known('own-program'), 'its search paths name it').to.deep.equal(['C-01']);
		await office.seats.add('own-program', 'E-07', 'of its own');
		expect(await known('own-program')).to.deep.equal(['C-01', 'E-07']);
		expect(await known(id)).to.deep.equal(['C-01']);
		await office.profiles.remove('own-program');
		expect(await known('own-program'), 'they go with their application').to.deep.equal([]);
	});

	it('refuses a second application of the same id and a catalogue that contradicts itself', async () => {
		const again = { application, commands, strata, factory: {} };
		expect((await problem(office.profiles.add(again))).status).to.equal(409);
		const twice = { ...again, commands: [commands[0]!, commands[0]!] };
		expect((await problem(office.profiles.add(twice))).message).to.include('is listed twice');
		expect((await problem(office.profiles.load('nowhere'))).message).to.include(`Known: ${id}`);
	});

	describe('what an edit leaves in the table', () => {
		const [entry] = entriesOf('set | Ctrl+Alt+9 | file.export | any');
		const [other] = entriesOf('set | Ctrl+Alt+9 | file.new | any');
		const change = (before: Entry | null, after: Entry | null): Change => ({ stratum: 'office' as StratumId, before, after });
		const take = async (changes: Change[]) => {
			const { revision } = await office.profiles.load(id);
			return office.profiles.edit(id, {
				base: revision,
				stratum: OFFICE,
				label: 'several steps',
				changes: ofShortcuts(changes)
			});
		};

		it('is what its steps come to, also when they take back what they said', async () => {
			const before = await keysIn('office');
			await take([change(null, { ...entry!, rank: 500 }), change({ ...entry!, rank: 500 }, null)]);
			expect(await keysIn('office')).to.deep.equal(before);
			await reopen();
			expect(await keysIn('office')).to.deep.equal(before);
			await take([change(null, { ...entry!, rank: 500 }), change({ ...entry!, rank: 500 }, { ...entry!, rank: 501 })]);
			await take([change({ ...entry!, rank: 501 }, { ...entry!, rank: 502 }), change({ ...entry!, rank: 502 }, null)]);
			await reopen();
			expect(await keysIn('office')).to.deep.equal(before);
			expect(await office.profiles.verify(id)).to.deep.equal([]);
		});

		it('has a place of its own for each entry, and the same order after a restart', async () => {
			const { edit } = await take([change(null, { ...entry!, rank: 7 }), change(null, { ...other!, rank: 7 })]);
			expect(new Set(edit.changes.map((c) => (c as unknown as Change).after!.rank)).size).to.equal(2);
			const order = async () =>
				inOrder(shortcutsIn((await office.profiles.load(id)).profile.find((s) => s.id === 'office')!)).map(
					(e) => `${e.keys} ${e.command}`
				);
			const before = await order();
			await reopen();
			expect(await order()).to.deep.equal(before);
			await office.profiles.step(id, 'undo', edit.revision, OFFICE);
			expect(await office.profiles.verify(id)).to.deep.equal([]);
		});

		it('is told where it is otherwise than the edits say', async () => {
			await office.store.db.execute(sql`update entries set rank = 999 where application = ${id} and value ->> 'keys' = 'Ctrl+E'`);
			const differing = await office.profiles.verify(id);
			expect(differing).to.have.length(1);
			expect(differing[0]).to.match(
				/^gneiss-solid-5, Office: the shortcut Ctrl\+E {1,2}file\.export differs between the table and the edits$/
			);
			await office.store.db.execute(sql`update entries set rank = 0 where application = ${id} and value ->> 'keys' = 'Ctrl+E'`);
			await reopen();
		});
	});

	describe('applications that somebody brings', () => {
		const other = { ...application, id: 'another' as typeof application.id, name: 'Another' };
		const bring = (more: object) =>
			problem(
				office.profiles.add({ application: other, commands, strata, factory: { shortcuts: factoryEntries }, ...more } as never)
			);

		it('are refused when their parts do not fit together, and nothing is written', async () => {
			const [first] = factoryEntries;
			const keeping = (keys: string) => ({ ...other, rules: { ...other.rules, hardwired: [{ keys, does: 'opens the help' }] } });
			const cases: [object, RegExp][] = [
				[{ strata: [...strata, strata[1]] }, /two levels are called "office"/],
				[{ strata: strata.filter((s) => s.kind !== 'factory') }, /expected one factory level, found 0/],
				[{ strata: [strata[0], { ...strata[0], id: 'second' }] }, /expected one factory level, found 2/],
				[{ strata: [strata[1], strata[0]] }, /must be first/],
				[{ factory: { shortcuts: [{ ...first, scope: { nowhere: ['x'] } }] } }, /there is no axis "nowhere"/],
				[{ factory: { shortcuts: [{ ...first, keys: 'Ctrl+Nokey' }] } }, /is not a key stroke/],
				[{ factory: { shortcuts: [{ ...first, keys: 'ctrl+e' }] } }, /must be written Ctrl\+E/],
				[{ factory: { shortcuts: [first, { ...first, rank: 9 }] } }, /appears twice/],
				[{ factory: { shortcuts: [{ ...first, op: 'remove' }] } }, /expected the op set, found remove/],
				[{ factory: { shortcuts: [{ ...first, command: 'no.such' }] } }, /not in the catalogue/],
				[{ application: keeping('f1') }, /opens the help: the keys must be written F1/],
				[{ application: keeping('F99') }, /opens the help: .*not a key stroke/]
			];
			for (const [more, message] of cases) {
				const refused = await bring(more);
				expect([refused.status, refused.message], message.source).to.satisfy(
					([status, text]: [number, string]) => status === 422 && message.test(text)
				);
			}
			expect((await office.profiles.list()).map((a) => a.id)).to.deep.equal([id]);
		});

		it('cannot be called as pages of Skarn are', () => {
			for (const taken of ['api', 'catalogue'])
				expect(Application.safeParse({ ...application, id: taken }).success, taken).to.equal(false);
		});

		it('are changed and deleted, and one that cannot be read harms no other', async () => {
			await office.profiles.add({ application: other, commands, strata, factory: { shortcuts: factoryEntries } });
			await office.profiles.change(other.id, {
				application: { ...other, name: 'Renamed', version: '2' },
				commands: commands.slice(1)
			});
			const changed = await office.profiles.load(other.id);
			expect([changed.application.name, changed.commands.length]).to.deep.equal(['Renamed', commands.length - 1]);
			const fewer = { ...other, axes: other.axes.slice(1), reachable: [{}], rules: { ...other.rules, typing: [] } };
			const plain = commands.map((c) => ({ ...c, contexts: [] }));
			expect(
				(await problem(office.profiles.change(other.id, { application: fewer as never, commands: plain }))).message
			).to.match(/there is no axis/);

			const from = factoryEntries.at(-1)!.command;
			const now = commands.slice(1).map((c) => (c.id === from ? { ...c, id: 'renamed.anew' as typeof from } : c));
			await office.profiles.change(other.id, {
				application: other,
				commands: now,
				renamed: new Map([[from, 'renamed.anew' as typeof from]])
			});
			await reopen();
			const [factory] = (await office.profiles.load(other.id)).profile;
			const said = [...shortcutsIn(factory!).values()].map((e) => e.command as string);
			expect(said).to.include('renamed.anew').and.not.include(from);
			expect(said).to.have.length(factoryEntries.length);
			expect(await office.profiles.verify(other.id)).to.deep.equal([]);

			await office.seats.add(other.id, 'Z-01', 'drifts', undefined);
			const sha256 = 'a'.repeat(64);
			await office.seats.keepDrift('Z-01', { sha256, text: '{}' });
			expect((await problem(office.seats.drift('Z-01'))).status, 'it has not said that it drifted').to.equal(404);
			await office.seats.report('Z-01', SeatReport.parse({ release: 1, state: 'drifted', sha256 }));
			expect(await office.seats.drift('Z-01')).to.include({ sha256, text: '{}', release: 1, own: null });
			await office.store.db.execute(sql`update applications set body = '{}' where id = ${other.id}`);
			await reopen();
			expect(await saidElsewhere(office, FIRST, id)).to.deep.equal({ actions: {}, manners: {} });
			expect((await office.profiles.list()).map((a) => a.id)).to.deep.equal([id, other.id]);
			expect((await office.profiles.holdings(other.id))['commands']).to.equal(commands.length - 1);
			await office.profiles.remove(other.id);
			expect((await problem(office.profiles.load(other.id))).status).to.equal(404);
			expect((await problem(office.profiles.holdings(other.id))).status).to.equal(404);
			expect(await office.profiles.verify(id)).to.deep.equal([]);
		});
	});

	it('publishes the same bytes for the same content, also after a restart', async () => {
		const { revision } = await office.profiles.load(id);
		const scoped = entriesOf('set | Ctrl+Alt+8 | file.export | part').map((after) => ({
			stratum: 'office' as StratumId,
			before: null,
			after: { ...after, scope: { selection: ['edge'], document: ['part'] } as never, rank: 900 }
		}));
		const { edit } = await office.profiles.edit(id, {
			base: revision,
			stratum: OFFICE,
			label: 'scoped',
			changes: ofShortcuts(scoped)
		});
		const release = await office.releases.publish(id, 'first of these', edit.revision);
		await reopen();
		const again = await problem(office.releases.publish(id, 'the same', edit.revision));
		expect(again.kind).to.equal('nothing-to-do');
		const { profile } = await office.profiles.load(id);
		const text = writeProfileFile(
			profileFile(
				application,
				profile.filter((s) => s.kind === 'office')
			)
		);
		expect(createHash('sha256').update(text).digest('hex')).to.equal(release.sha256);
	});
});
