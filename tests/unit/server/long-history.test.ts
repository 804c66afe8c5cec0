import { expect } from 'chai';
import { sql } from 'drizzle-orm';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { StratumId } from '../../../core/strata/stratum.ts';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { openDatabase } from '../../../src/lib/server/db/open.ts';
import { officeOn, verifyAll, type Office, type Verifying } from '../../../src/lib/server/office.ts';
import { digestOf, madeFolder } from './made-folder.ts';

const ID = gneiss.application.id;
const MANY = 200_000;

/** Counts how often others are let in while something is done. */
async function turnsDuring(work: () => Promise<unknown>): Promise<number> {
	let turns = 0;
	let isOver = false;
	const count = () => {
		turns++;
		if (!isOver) setImmediate(count);
	};
	setImmediate(count);
	await work();
	isOver = true;
	return turns;
}

/** A folder with 200,000 edits of which each second takes the one before it back, made once. */
const longFolder = (): Promise<string> =>
	madeFolder('long', digestOf(['migrations', 'demo/gneiss']), async (draft) => {
		const store = await openDatabase(join(draft, 'data'));
		const office = officeOn(store);
		const { application, commands, strata } = gneiss;
		await office.profiles.add({ application, commands, strata, factory: {} });
		const said = sql`jsonb_build_object('op', 'set', 'command', 'inspect.mass', 'keys', 'Ctrl+Alt+F1', 'scope', '{}'::jsonb, 'rank', 1)`;
		await store.db.execute(sql`insert into edits (application, revision, at, role, by, stratum, label, changes)
			select ${ID}, n, now(), 'designer', 'first', 'personal', 'edit ' || n, jsonb_build_array(jsonb_build_object(
				'chapter', 'shortcuts', 'stratum', 'personal',
				'before', case when n % 2 = 0 then ${said} end, 'after', case when n % 2 = 1 then ${said} end))
			from generate_series(1, ${MANY}::int) n`);
		await store.db.execute(sql`update applications set revision = ${MANY}`);
		await store.db.execute(sql`update strata set revision = ${MANY} where id = 'personal'`);
		await store.close();
	});

describe('an office with 200,000 edits', function () {
	let folder: string;
	let office: Office;
	before(async () => {
		folder = mkdtempSync(join(tmpdir(), 'skarn-long-'));
		cpSync(join(await longFolder(), 'data'), join(folder, 'data'), { recursive: true });
		office = officeOn(await openDatabase(join(folder, 'data')));
	});
	after(async () => {
		await office.store.close();
		rmSync(folder, { recursive: true, force: true });
	});

	it('gives its history in parts, the newest first and each edit once', async () => {
		const first = await office.history.page(ID, {}, 50);
		expect(first.edits.map(({ revision }) => revision)).to.deep.equal(Array.from({ length: 50 }, (_, i) => MANY - i));
		const next = await office.history.page(ID, {}, 50, first.before!);
		expect(next.edits[0]!.revision).to.equal(MANY - 50);
		const since = await office.profiles.editsAfter(ID, 0, 500);
		expect([since.edits.length <= 500, since.next]).to.deep.equal([true, since.edits.at(-1)!.revision]);
	});

	it('is searched inside of edits, by label, key and command, in either direction of a list', async () => {
		const found = await office.history.page(ID, { words: 'edit 77777' }, 10);
		expect(found.edits.map(({ revision }) => revision)).to.deep.equal([77_777]);
		expect(found.edits[0]!.lines).to.deep.equal([
			{ kind: 'added', about: 'Ctrl+Alt+F1 for Mass properties', stratum: 'personal' }
		]);
		expect((await office.history.page(ID, { words: 'mass properties' }, 3)).edits).to.have.length(3);
		expect((await office.history.page(ID, { words: 'ctrl+alt+f9' }, 3)).edits).to.deep.equal([]);
		expect((await office.history.page(ID, { by: 'nobody' }, 3)).edits).to.deep.equal([]);
	});

	it('is verified while others are let in, and after that looks only at what is new', async () => {
		const seen: Verifying[] = [];
		const turns = await turnsDuring(async () =>
			expect(await verifyAll(office, { progress: (at) => seen.push(at) })).to.deep.equal([])
		);
		expect(turns).to.be.greaterThan(500);
		expect(seen.at(-1)).to.deep.equal({ application: ID, revision: MANY, of: MANY });
		const again: Verifying[] = [];
		expect(await verifyAll(office, { isWhole: false, progress: (at) => again.push(at) })).to.deep.equal([]);
		expect(again).to.deep.equal([]);
		await office.store.db.execute(sql`insert into entries (application, stratum, chapter, key, is_lock, op, value, rank)
			values (${ID}, 'personal', 'shortcuts', 'no such', false, 'set', '{"command": "file.pack", "keys": "Alt+1", "scope": {}}', 9)`);
		office.profiles.forget();
		expect((await verifyAll(office, { isWhole: false })).join()).to.include('is in the table, but in no edit');
	});
});

describe('an edit of very many entries', function () {
	let folder: string;
	let office: Office;
	before(async () => {
		folder = mkdtempSync(join(tmpdir(), 'skarn-heavy-'));
		office = officeOn(await openDatabase(join(folder, 'data')));
		const { application, commands, strata } = gneiss;
		await office.profiles.add({ application, commands, strata, factory: {} });
	});
	after(async () => {
		await office.store.close();
		rmSync(folder, { recursive: true, force: true });
	});

	it('lets others in while it is judged and written, and is there whole', async () => {
		const keys = ['Ctrl+', 'Ctrl+Alt+', 'Ctrl+Shift+', 'Alt+Shift+'].flatMap((held) =>
			[...'ABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789'].map((key) => held + key)
		);
		const changes = gneiss.commands
			.flatMap(({ id }) => keys.map((one) => ({ op: 'set', command: id, keys: one, scope: {} })))
			.slice(0, 20_000)
			.map((after, i) => ({ chapter: 'shortcuts', stratum: 'office', before: null, after: { ...after, rank: 1_000 + i } }));
		const turns = await turnsDuring(() =>
			office.profiles.edit(ID, { base: 0, stratum: 'office' as StratumId, label: 'many', changes: changes as never })
		);
		expect(turns).to.be.greaterThan(40);
		const { rows } = await office.store.db.execute<{ n: number }>(sql`select count(*)::int as n from entries`);
		expect(rows[0]!.n).to.equal(20_000);
		const { edits } = await office.history.page(ID, {}, 5);
		expect([edits[0]!.count, edits[0]!.lines.length <= 10]).to.deep.equal([20_000, true]);
		expect(await office.history.lines(ID, 1, {}, 19_990, 100)).to.have.length(10);
		expect(await verifyAll(office)).to.deep.equal([]);
	});

	it('is backed up while others are let in and read', async () => {
		let reads = 0;
		let isOver = false;
		const reading = (async () => {
			while (!isOver) {
				await office.store.db.execute(sql`select 1`);
				reads++;
			}
		})();
		const dump = await office.store.dump();
		isOver = true;
		await reading;
		expect(dump.size).to.be.greaterThan(100_000);
		expect(reads).to.be.greaterThan(20);
	});
});
