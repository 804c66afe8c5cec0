import { expect } from 'chai';
import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import { FIRST } from '../../../core/people/person.ts';
import { EVERYONE } from '../../../core/release/rings.ts';
import { varve } from '../../../demo/varve/varve.ts';
import { Backups } from '../../../src/lib/server/backups.ts';
import {
	ArchiveError,
	keepBackup,
	listBackups,
	restoreBackup,
	verifyBackup,
	writeDurably
} from '../../../src/lib/server/db/archive.ts';
import { openDatabase, type OpenDatabase } from '../../../src/lib/server/db/open.ts';
import { officeOn } from '../../../src/lib/server/office.ts';
import { rejection } from '../refusal.ts';

describe('back-ups', () => {
	let folder: string;
	beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'skarn-archive-'))));
	afterEach(() => rmSync(folder, { recursive: true, force: true }));
	const data = () => join(folder, 'data');
	const add = (store: OpenDatabase, id: string) =>
		store.db.execute(sql`insert into applications (id, body) values (${id}, '{}')`);
	const idsIn = async () => {
		const store = await openDatabase(data());
		const { rows } = await store.db.execute<{ id: string }>(sql`select id from applications order by id`);
		await store.close();
		return rows.map((row) => row.id);
	};
	const archive = async (work: (store: OpenDatabase) => Promise<unknown>) => {
		const store = await openDatabase(data());
		await work(store);
		const file = join(folder, 'office.tar.gz');
		writeDurably(file, new Uint8Array(await (await store.dump()).arrayBuffer()));
		await store.close();
		return file;
	};

	it('come back as they were, and what was there is moved aside', async () => {
		const file = await archive((store) => add(store, 'kept'));
		const later = await openDatabase(data());
		await add(later, 'later');
		await later.close();
		await verifyBackup(file, 'migrations');
		const aside = await restoreBackup(file, data(), 'migrations');
		expect(aside).to.match(/postgres-before-/);
		expect(await idsIn()).to.deep.equal(['kept']);
		expect(readdirSync(data()).filter((name) => !name.startsWith('postgres-before-'))).to.deep.equal(['postgres', 'secret']);
	});

	it('of a newer Skarn are refused before the good data is touched, and nothing is left behind', async () => {
		const file = await archive(async (store) => {
			await add(store, 'newer');
			await store.db.execute(
				sql`insert into drizzle.__drizzle_migrations (hash, created_at) values ('later', ${Date.parse('2040-01-01')})`
			);
		});
		rmSync(data(), { recursive: true });
		const good = await openDatabase(data());
		await add(good, 'good');
		await good.close();
		const error = await rejection(restoreBackup(file, data(), 'migrations'));
		expect(error).to.be.instanceOf(ArchiveError);
		expect(error.message).to.include('newer Skarn').and.include('not changed');
		expect(readdirSync(data())).to.deep.equal(['postgres', 'secret']);
		expect(await idsIn()).to.deep.equal(['good']);
	});

	it('that are none are refused', async () => {
		writeFileSync(join(folder, 'x.tar.gz'), 'no archive');
		expect((await rejection(restoreBackup(join(folder, 'x.tar.gz'), data(), 'migrations'))).message).to.include(
			'is not a back-up'
		);
		expect((await rejection(restoreBackup(join(folder, 'y.tar.gz'), data(), 'migrations'))).message).to.include(
			'There is no back-up'
		);
	});

	it('are made once however often they are asked for at a time', async () => {
		const store = await openDatabase(data());
		const [first, ...others] = Array.from({ length: 10 }, () => store.dump());
		const blob = await first;
		for (const other of others) expect(await other).to.equal(blob);
		await store.close();
	});

	it('are kept when people, keys, setups or seats have changed, and not when seats were only heard', async () => {
		const office = officeOn(await openDatabase(data()), { rootKeys: join(folder, 'root-keys') });
		const { application, commands, strata } = varve;
		await office.profiles.add({ application, commands, strata, factory: {} });
		const { id } = application;
		await office.backups.start(3_600_000);
		let hour = 0;
		const isKept = async () => (await office.backups.keepIfChanged(new Date(++hour * 3_600_000))) !== undefined;
		expect(await isKept(), 'nothing has changed').to.equal(false);
		const changes: Record<string, () => Promise<unknown>> = {
			'a discipline': () => office.strata.add({ id: 'glass' as never, kind: 'discipline', name: 'Glass' }, FIRST),
			keys: () => office.signing.setUp(['a rope and a pulley'], 1),
			'a seat': () => office.seats.add(id, 'C-07', ''),
			'its ring': () => office.rollouts.setRings(id, [{ id: EVERYONE, name: 'All', soak: 5, limit: 0 }]),
			'a setup': () => office.setups.make(id, FIRST, 'Drafting', ['office' as never]),
			accounts: () => office.people.open('Standards desk', 'rope and pulley')
		};
		for (const [what, change] of Object.entries(changes)) {
			await change();
			expect(await isKept(), what).to.equal(true);
			expect(await isKept(), `${what}, once`).to.equal(false);
		}
		await office.seats.checkIn('C-07');
		await office.seats.close();
		await office.signIns.signIn({ name: 'Standards desk', password: 'rope and pulley', address: 'here', headers: new Headers() });
		await office.signing.renew(new Date(Date.now() + 20 * 3_600_000));
		expect(await isKept(), 'heard, signed in, renewed').to.equal(false);
		office.backups.stop();
		await office.store.close();
	});

	it('are kept by the hour while something changes, the newest ten of them, and those before a deletion besides', async () => {
		const store = await openDatabase(data());
		let state = '0';
		const backups = new Backups(store, () => Promise.resolve(state));
		await backups.start(3_600_000);
		expect(await backups.keepIfChanged(new Date(0))).to.equal(undefined);
		state = '1';
		const file = await backups.keepIfChanged(new Date(0));
		expect(listBackups(data())).to.deep.equal([file]);
		expect(await backups.keepIfChanged(new Date(1))).to.equal(undefined);
		await backups.before('delete', new Date(2));
		const dump = await store.dump();
		for (let hour = 1; hour <= 12; hour++) await keepBackup(data(), dump, 'hourly', new Date(hour * 3_600_000));
		const names = listBackups(data());
		expect(names.filter((name) => name.endsWith('-hourly.tar.gz'))).to.have.length(10);
		expect(names.filter((name) => name.endsWith('-before-delete.tar.gz'))).to.have.length(1);
		expect(names.at(-1)).to.include('1970-01-01T12');
		backups.stop();
		await store.close();
	});
});
