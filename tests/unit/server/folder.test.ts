import { expect } from 'chai';
import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, utimesSync, writeFileSync } from 'node:fs';
import { hostname, tmpdir } from 'node:os';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import type { CommandId } from '../../../core/application/command.ts';
import { shortcutKey, type Entry } from '../../../core/shortcut/entry.ts';
import type { Keys } from '../../../core/stroke/stroke.ts';
import { FolderHeldError, FolderUnusableError, lockFolder } from '../../../src/lib/server/db/folder-lock.ts';
import { DataFolderError, openDatabase } from '../../../src/lib/server/db/open.ts';
import { unreadable } from '../../../src/lib/server/db/unreadable.ts';
import { ofDatabase } from '../../../src/lib/server/db/trouble.ts';
import { rejection } from '../refusal.ts';
import { earlierMigrations } from './earlier.ts';

describe('data folder', () => {
	let folder: string;
	beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'skarn-'))));
	afterEach(() => rmSync(folder, { recursive: true, force: true }));

	it('is held by one process, and the refusal names the holder', async () => {
		const lock = await lockFolder(folder, 'http://127.0.0.1:5180');
		const error = await rejection(lockFolder(folder));
		expect(error).to.be.instanceOf(FolderHeldError);
		expect(error.message).to.include(`process ${process.pid}`).and.include('http://127.0.0.1:5180').and.include('SKARN_DATA');
		await lock.release();
		await (await lockFolder(folder)).release();
	});

	it('is taken over from a process that was killed', async () => {
		const script = `import('./src/lib/server/db/folder-lock.ts').then(async (m) => { await m.lockFolder(${JSON.stringify(folder)}); console.log('held'); setInterval(() => {}, 1000); })`;
		const other = spawn(process.execPath, ['--import', 'tsx', '-e', script], { stdio: ['ignore', 'pipe', 'inherit'] });
		await once(other.stdout, 'data');
		expect(await rejection(lockFolder(folder))).to.be.instanceOf(FolderHeldError);
		other.kill('SIGKILL');
		await once(other, 'exit');
		await (await lockFolder(folder)).release();
	});

	/** A process that runs until it is stopped, and takes the folder if it is told to. */
	function other(work: string) {
		const script = `import('./src/lib/server/db/folder-lock.ts').then(async (m) => { ${work}; console.log('ready'); setInterval(() => {}, 1000); })`;
		return spawn(process.execPath, ['--import', 'tsx', '-e', script], { stdio: ['ignore', 'pipe', 'pipe'] });
	}

	it('is never taken from a process that lives, however long it has been stopped', async () => {
		const holder = other(`await m.lockFolder(${JSON.stringify(folder)})`);
		await once(holder.stdout, 'data');
		holder.kill('SIGSTOP');
		const path = join(folder, 'holder.json');
		const said = JSON.parse(readFileSync(path, 'utf8')) as { since: string };
		// as if it had been so for a day
		writeFileSync(path, JSON.stringify({ ...said, since: new Date(Date.now() - 86_400_000).toISOString() }));
		utimesSync(path, 0, 0);
		expect(await rejection(lockFolder(folder))).to.be.instanceOf(FolderHeldError);
		holder.kill('SIGCONT');
		holder.kill('SIGKILL');
		await once(holder, 'exit');
	});

	it('is taken from a process whose number another one has by now', async () => {
		writeFileSync(
			join(folder, 'holder.json'),
			JSON.stringify({ pid: process.pid, host: hostname(), since: '2026-01-01T00:00:00Z', began: '1' })
		);
		await (await lockFolder(folder)).release();
	});

	it('says what to do about a file of a holder that says nothing, or that is of another machine', async () => {
		for (const text of ['', '{}', 'x']) {
			writeFileSync(join(folder, 'holder.json'), text);
			const error = await rejection(lockFolder(folder));
			expect(error).to.be.instanceOf(FolderHeldError);
			expect(error.message).to.match(/holder\.json does not say which process .* delete that file/);
		}
		writeFileSync(join(folder, 'holder.json'), JSON.stringify({ pid: 1, host: 'elsewhere', since: '2026-01-01T00:00:00Z' }));
		expect((await rejection(lockFolder(folder))).message).to.match(/process 1 on elsewhere.*cannot be seen from here/);
	});

	it('is one of its owner alone, and not a file', async () => {
		const own = join(folder, 'data');
		const lock = await lockFolder(own);
		expect(statSync(own).mode & 0o777).to.equal(0o700);
		await lock.release();
		writeFileSync(join(folder, 'a-file'), '');
		const error = await rejection(lockFolder(join(folder, 'a-file')));
		expect(error).to.be.instanceOf(FolderUnusableError);
		expect(error.message).to.include('there is a file with this name');
		expect(await rejection(lockFolder(join(folder, 'a-file', 'below')))).to.be.instanceOf(FolderUnusableError);
	});

	it('is not written any more once another process has it', async () => {
		const script = `import('./src/lib/server/db/open.ts').then(async (m) => {
			const { sql } = await import('drizzle-orm');
			const store = await m.openDatabase(${JSON.stringify(folder)});
			const fs = await import('node:fs');
			fs.writeFileSync(${JSON.stringify(join(folder, 'holder.json'))}, JSON.stringify({ pid: 1, host: 'elsewhere', since: 'now' }));
			await store.db.execute(sql\`insert into applications (id, body) values ('late', '{}')\`);
			console.log('written');
		})`;
		const late = spawn(process.execPath, ['--import', 'tsx', '-e', script], { stdio: ['ignore', 'pipe', 'pipe'] });
		let [out, err] = ['', ''];
		late.stdout.on('data', (text) => (out += String(text)));
		late.stderr.on('data', (text) => (err += String(text)));
		const [code] = (await once(late, 'exit')) as [number];
		expect([out, code], err).to.deep.equal(['', 4]);
		expect(err).to.include('lost the lock of its data folder').and.include('process 1 on elsewhere');
	});

	it('is made whole or not at all: what a killed first start left is cleared', async () => {
		mkdirSync(join(folder, 'postgres-first-123', 'base'), { recursive: true });
		mkdirSync(join(folder, 'postgres-restoring-123'), { recursive: true });
		const store = await openDatabase(folder);
		await store.close();
		expect(readdirSync(folder)).to.deep.equal(['postgres', 'secret']);
	});

	it('brings every commit to the disk, as counting the calls of fsync shows', async () => {
		const script = `import('./src/lib/server/db/durable.ts').then(async (m) => {
			const pg = await m.openDurable(${JSON.stringify(join(folder, 'pg'))});
			await pg.query('create table t (x int)');
			const { fsyncSync, openSync } = await import('node:fs');
			require('node:fs').writeFileSync(${JSON.stringify(join(folder, 'begins'))}, '');
			for (let i = 0; i < 20; i++) await pg.query('insert into t values ($1)', [i]);
			require('node:fs').writeFileSync(${JSON.stringify(join(folder, 'ends'))}, '');
			await pg.close();
		})`;
		const log = join(folder, 'calls');
		const args = ['-f', '-e', 'trace=fsync,fdatasync,openat', '-o', log, process.execPath, '--import', 'tsx', '-e', script];
		const { status, stderr } = spawnSync('strace', args, { encoding: 'utf8' });
		expect(status, stderr).to.equal(0);
		const calls = readFileSync(log, 'utf8').split('\n');
		const at = (name: string) => calls.findIndex((line) => line.includes(`/${name}"`));
		const between = calls.slice(at('begins'), at('ends')).filter((line) => /\bf(data)?sync\(/.test(line));
		expect(between.length).to.be.at.least(20);
	});

	it('says what to do when it is damaged', async () => {
		mkdirSync(join(folder, 'postgres'));
		writeFileSync(join(folder, 'postgres', 'half-a-file'), 'x');
		const error = await rejection(openDatabase(folder));
		expect(error).to.be.instanceOf(DataFolderError);
		expect(error.message).to.include('PG_VERSION is missing').and.include('npm run restore');
		await (await lockFolder(folder)).release();
	});

	it('says what to do when a page of it is damaged while it is in use', async () => {
		const store = await openDatabase(folder);
		const { rows } = await store.db.execute<{ file: string }>(sql`select pg_relation_filepath('applications') as file`);
		await store.db.execute(sql`insert into applications (id, body, revision) values ('a', '{}', 1)`);
		await store.close();
		writeFileSync(join(folder, 'postgres', rows[0]!.file), Buffer.alloc(8192, 0xa5));
		const again = await openDatabase(folder);
		const error = await rejection(again.db.execute(sql`select * from applications`));
		const [unread, ...others] = await unreadable(again);
		expect(unread).to.include('The table “applications” cannot be read').and.include('npm run restore');
		expect(others).to.deep.equal([]);
		await again.close();
		const problem = ofDatabase(error, folder);
		expect(problem).to.deep.include({ status: 500, kind: 'damaged' });
		expect(problem?.message).to.include(folder).and.include('invalid page').and.include('npm run restore');
		expect(ofDatabase(new TypeError('a mistake'), folder)).to.equal(undefined);
		expect(ofDatabase(Object.assign(new Error('too long'), { code: '22001' }), folder)).to.deep.include({ status: 422 });
	});

	it('says what to do when a newer Skarn has written it', async () => {
		const store = await openDatabase(folder);
		await store.db.execute(
			sql`insert into drizzle.__drizzle_migrations (hash, created_at) values ('later', ${Date.parse('2040-01-01')})`
		);
		await store.close();
		const error = await rejection(openDatabase(folder));
		expect(error).to.be.instanceOf(DataFolderError);
		expect(error.message).to.include('newer Skarn').and.include('2040-01-01');
	});

	it('is brought up to date when an earlier Skarn has written it', async () => {
		const earlier = earlierMigrations(({ tag }) => tag === '0004_keys_without_say');
		const shortcut = { command: 'say.it' as CommandId, keys: 'Ctrl+E' as Keys, scope: {} };
		const rows = [
			{ op: 'set', key: `say\n${shortcutKey(shortcut)}` },
			{ op: 'lock', key: `lock\n${shortcutKey(shortcut)}` }
		];
		const before = await openDatabase(folder, { migrations: earlier });
		await before.db.execute(sql`insert into applications (id, body, revision) values ('a', '{}', 4)`);
		await before.db.execute(
			sql`insert into strata (application, id, position, kind, name) values ('a', 'office', 1, 'office', 'Office')`
		);
		for (const { op, key } of rows)
			await before.db.execute(
				sql`insert into entries (application, stratum, key, op, command, keys, scope, rank) values ('a', 'office', ${key}, ${op}, 'say.it', 'Ctrl+E', '{}', 0)`
			);
		await before.close();
		rmSync(earlier, { recursive: true });
		const after = await openDatabase(folder);
		const kept = await after.db.execute<{ op: Entry['op']; key: string }>(sql`select op, key from entries order by op`);
		// two entries shared a place: each has its own now, and the log of edits says so
		const places = await after.db.execute<{ rank: number }>(sql`select rank from entries order by rank`);
		expect(places.rows.map((row) => row.rank)).to.deep.equal([0, 1]);
		const log = await after.db.execute<{ revision: number; changes: { before: Entry; after: Entry }[] }>(
			sql`select revision, changes from edits`
		);
		expect(log.rows.map((row) => row.revision)).to.deep.equal([5]);
		expect(log.rows[0]!.changes.map((c) => [c.before.rank, c.after.rank])).to.deep.equal([[0, 1]]);
		await after.close();
		expect(kept.rows).to.deep.equal(
			(['lock', 'set'] as const).map((op): { op: string; key: string } => ({ op, key: shortcutKey(shortcut) }))
		);
	});
});
