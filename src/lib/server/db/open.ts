import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { sql } from 'drizzle-orm';
import { drizzle, type PgliteDatabase } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { lockFolder, type FolderLock } from './folder-lock.ts';
import * as schema from './schema.ts';

export type Database = PgliteDatabase<typeof schema>;

export interface OpenDatabase {
	readonly db: Database;
	/** The whole data folder as a gzipped tar. */
	dump(): Promise<Blob>;
	close(): Promise<void>;
}

/** The data folder cannot be used. The message says what to do about it. */
export class DataFolderError extends Error {
	override name = 'DataFolderError';
}

const wayOut = (folder: string) =>
	`Restore a back-up with "npm run restore -- <file>", or move ${folder} aside to start with an empty office.`;

/** Opens the data folder, brings it up to date and keeps it locked. Throws `FolderHeldError` or `DataFolderError`. */
export async function openDatabase(
	folder: string,
	{ migrations = 'migrations', address }: { migrations?: string; address?: string } = {}
): Promise<OpenDatabase> {
	const lock = await lockFolder(folder, address);
	try {
		return await openLocked(folder, migrations, lock);
	} catch (error) {
		await lock.release();
		throw error;
	}
}

async function openLocked(folder: string, migrations: string, lock: FolderLock): Promise<OpenDatabase> {
	const store = join(folder, 'postgres');
	if (existsSync(store) && readdirSync(store).length > 0 && !existsSync(join(store, 'PG_VERSION')))
		throw new DataFolderError(`${store} is damaged: it holds no database, PG_VERSION is missing. ${wayOut(folder)}`);
	let pglite: PGlite;
	try {
		pglite = await PGlite.create(store);
		await pglite.query('select 1');
	} catch (error) {
		throw new DataFolderError(`${store} could not be opened (${(error as Error).message}). ${wayOut(folder)}`);
	}
	const db = drizzle(pglite, { schema });
	try {
		await refuseNewer(db, folder, migrations);
		await migrate(db, { migrationsFolder: migrations });
	} catch (error) {
		await pglite.close();
		if (error instanceof DataFolderError) throw error;
		throw new DataFolderError(`${store} could not be brought up to date (${(error as Error).message}). ${wayOut(folder)}`);
	}
	return {
		db,
		dump: () => pglite.dumpDataDir('gzip'),
		close: async () => {
			await pglite.close();
			await lock.release();
		}
	};
}

interface Journal {
	entries: { when: number; tag: string }[];
}

/** A folder that a newer Skarn has migrated must not be written by this one. */
async function refuseNewer(db: Database, folder: string, migrations: string): Promise<void> {
	const journal = JSON.parse(readFileSync(join(migrations, 'meta', '_journal.json'), 'utf8')) as Journal;
	const newestKnown = Math.max(...journal.entries.map((entry) => entry.when));
	const table = await db.execute<{ name: string | null }>(sql`select to_regclass('drizzle.__drizzle_migrations')::text as name`);
	if (!table.rows[0]?.name) return;
	const applied = await db.execute<{ newest: string | null }>(
		sql`select max(created_at)::text as newest from drizzle.__drizzle_migrations`
	);
	const newest = Number(applied.rows[0]?.newest ?? 0);
	if (newest > newestKnown)
		throw new DataFolderError(
			`${folder} was written by a newer Skarn (its data of ${new Date(newest).toISOString().slice(0, 10)} is ahead of this version's ${new Date(newestKnown).toISOString().slice(0, 10)}). Start the newer version, or restore a back-up made with this one: "npm run restore -- <file>".`
		);
}
