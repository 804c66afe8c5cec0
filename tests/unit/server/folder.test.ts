import { expect } from 'chai';
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
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
});
