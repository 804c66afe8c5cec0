import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { execFileSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { openDatabase, type OpenDatabase } from '../../../src/lib/server/db/open.ts';
import { openShared } from '../../../src/lib/server/db/shared.ts';
import { putEmptyDatabase } from './made-folder.ts';

/** Where a PostgreSQL server runs that tests may make databases on; undefined where they use the embedded one. */
export const postgres = (): string | undefined => process.env['SKARN_TEST_POSTGRES'];

/** An empty database on the server of the tests. */
export function freshDatabase(): string {
	const at = postgres();
	if (!at) throw new Error('SKARN_TEST_POSTGRES names no server; start the tests by scripts/postgres.mjs');
	const name = `office_${randomBytes(6).toString('hex')}`;
	execFileSync('psql', [at, '-q', '-c', `create database ${name}`], { stdio: 'pipe' });
	return new URL(`/${name}`, at).href;
}

const databases = new Map<string, string>();

/** Opens an office's data: in the folder, or where a server is there on a database for the folder, the same one each time. */
export async function openStore(folder: string): Promise<OpenDatabase> {
	if (!postgres()) {
		if (!existsSync(join(folder, 'postgres'))) await putEmptyDatabase(folder);
		return openDatabase(folder);
	}
	const url = databases.get(folder) ?? freshDatabase();
	databases.set(folder, url);
	return openShared(url, folder);
}
