import { expect } from 'chai';
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import type { CommandId } from '../../../core/application/command.ts';
import { entryKey, shortcutKey, type Entry } from '../../../core/profile/entry.ts';
import type { Keys } from '../../../core/stroke/stroke.ts';
import { FolderHeldError, lockFolder } from '../../../src/lib/server/db/folder-lock.ts';
import { DataFolderError, openDatabase } from '../../../src/lib/server/db/open.ts';

async function refusal(work: Promise<unknown>): Promise<Error> {
	try {
		await work;
	} catch (error) {
		return error as Error;
	}
	throw new Error('was not refused');
}

describe('data folder', () => {
	let folder: string;
	beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'skarn-'))));
	afterEach(() => rmSync(folder, { recursive: true, force: true }));

	it('is held by one process, and the refusal names the holder', async () => {
		const lock = await lockFolder(folder, 'http://127.0.0.1:5180');
		const error = await refusal(lockFolder(folder));
		expect(error).to.be.instanceOf(FolderHeldError);
		expect(error.message).to.include(`process ${process.pid}`).and.include('http://127.0.0.1:5180').and.include('SKARN_DATA');
		await lock.release();
		await (await lockFolder(folder)).release();
	});

	it('is taken over from a process that was killed', async function () {
		this.timeout(30_000);
		const script = `import('./src/lib/server/db/folder-lock.ts').then(async (m) => { await m.lockFolder(${JSON.stringify(folder)}); console.log('held'); setInterval(() => {}, 1000); })`;
		const other = spawn(process.execPath, ['--import', 'tsx', '-e', script], { stdio: ['ignore', 'pipe', 'inherit'] });
		await once(other.stdout, 'data');
		expect(await refusal(lockFolder(folder))).to.be.instanceOf(FolderHeldError);
		other.kill('SIGKILL');
		await once(other, 'exit');
		await (await lockFolder(folder)).release();
	});

	it('says what to do when it is damaged', async () => {
		mkdirSync(join(folder, 'postgres'));
		writeFileSync(join(folder, 'postgres', 'half-a-file'), 'x');
		const error = await refusal(openDatabase(folder));
		expect(error).to.be.instanceOf(DataFolderError);
		expect(error.message).to.include('PG_VERSION is missing').and.include('npm run restore');
		await (await lockFolder(folder)).release();
	});

	it('says what to do when a newer Skarn has written it', async function () {
		this.timeout(60_000);
		const store = await openDatabase(folder);
		await store.db.execute(
			sql`insert into drizzle.__drizzle_migrations (hash, created_at) values ('later', ${Date.parse('2040-01-01')})`
		);
		await store.close();
		const error = await refusal(openDatabase(folder));
		expect(error).to.be.instanceOf(DataFolderError);
		expect(error.message).to.include('newer Skarn').and.include('2040-01-01');
	});

	it('is brought up to date when an earlier Skarn has written it', async function () {
		this.timeout(60_000);
		const earlier = mkdtempSync(join(tmpdir(), 'skarn-migrations-'));
		cpSync('migrations', earlier, { recursive: true });
		const journal = join(earlier, 'meta', '_journal.json');
		const { entries, ...rest } = JSON.parse(readFileSync(journal, 'utf8')) as { entries: { tag: string }[] };
		const until = entries.slice(
			0,
			entries.findIndex((e) => e.tag === '0004_keys_without_say')
		);
		writeFileSync(journal, JSON.stringify({ ...rest, entries: until }));
		const shortcut = { command: 'say.it' as CommandId, keys: 'Ctrl+E' as Keys, scope: {} };
		const rows = [
			{ op: 'set', key: `say\n${shortcutKey(shortcut)}` },
			{ op: 'lock', key: `lock\n${shortcutKey(shortcut)}` }
		];
		const before = await openDatabase(folder, { migrations: earlier });
		// without an application around them
		await before.db.execute(sql`set session_replication_role = replica`);
		for (const { op, key } of rows)
			await before.db.execute(
				sql`insert into entries (application, stratum, key, op, command, keys, scope, rank) values ('a', 'office', ${key}, ${op}, 'say.it', 'Ctrl+E', '{}', 0)`
			);
		await before.close();
		rmSync(earlier, { recursive: true });
		const after = await openDatabase(folder);
		const kept = await after.db.execute<{ op: Entry['op']; key: string }>(sql`select op, key from entries order by op`);
		await after.close();
		expect(kept.rows).to.deep.equal(
			(['lock', 'set'] as const).map((op): { op: string; key: string } => ({ op, key: entryKey({ op, ...shortcut }) }))
		);
	});
});
