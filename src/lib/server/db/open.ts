import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/pglite';
import writeFileAtomic from 'write-file-atomic';
import type { Database } from './database.ts';
import { openDurable, type DurableDatabase } from './durable.ts';
import { lockFolder, type FolderLock } from './folder-lock.ts';
import { migrate, readJournal } from './migrate.ts';
import * as schema from './schema.ts';
import { Turns } from './turns.ts';

export type { Database };

/** How several servers of one office hear of what each of them changes. */
export interface Relay {
	tell(message: Record<string, unknown>): void;
	hear(heard: (message: Record<string, unknown>) => void): void;
}

/** A server that is alone has nobody to tell. */
const ALONE: Relay = { tell: () => {}, hear: () => {} };

export interface OpenDatabase {
	readonly db: Database;
	/** The data folder. */
	readonly folder: string;
	/** What the data lies in, as people are told. */
	readonly where: string;
	/** Whether other servers may have it open too. */
	readonly isShared: boolean;
	/** Whether the database cannot be reached just now. */
	readonly isAway: boolean;
	/** Whether what is asked now would wait for a long transaction. */
	readonly isBusy: boolean;
	/** How often this process has written: what it read before is the same as long as this is. */
	readonly writes: number;
	readonly turns: Turns;
	readonly relay: Relay;
	/** What cookies and the tokens of seats are signed with. */
	readonly secret: string;
	/** The whole data folder as a gzipped tar. Asked for several times at once, it is made once. */
	dump(): Promise<Blob>;
	close(): Promise<void>;
}

/** 32 random bytes, made at first, kept in the data folder for its owner alone. */
function secretIn(folder: string): string {
	const file = join(folder, 'secret');
	if (existsSync(file)) return readFileSync(file, 'utf8').trim();
	const secret = randomBytes(32).toString('hex');
	writeFileAtomic.sync(file, `${secret}\n`, { mode: 0o600 });
	return secret;
}

/** The data folder cannot be used. The message says what to do about it. */
export class DataFolderError extends Error {
	override name = 'DataFolderError';
}

/** What to do with a folder that is damaged. */
export const wayOut = (folder: string) =>
	`Restore a back-up with "npm run restore -- <file>" or the newest of its own with "npm run restore -- --latest", or move ${folder} aside to start with an empty office.`;

/** Folders that were being made when a process ended; what is whole is never called so. */
const UNFINISHED = /^postgres-(first|restoring|copy)-/;

export const storeIn = (folder: string): string => join(folder, 'postgres');

/** Takes what an interrupted start or restore has left out of the folder, which must be locked. */
export function clearUnfinished(folder: string): void {
	for (const name of readdirSync(folder)) if (UNFINISHED.test(name)) rmSync(join(folder, name), { recursive: true, force: true });
}

/** Opens the data folder, brings it up to date and keeps it locked. Throws `FolderHeldError`, `FolderUnusableError` or `DataFolderError`. */
export async function openDatabase(
	folder: string,
	{ migrations = 'migrations', address }: { migrations?: string; address?: string | undefined } = {}
): Promise<OpenDatabase> {
	const lock = await lockFolder(folder, address);
	try {
		clearUnfinished(folder);
		return await openLocked(folder, migrations, lock);
	} catch (error) {
		lock.release();
		throw error;
	}
}

/** Makes an empty database beside its place and moves it there whole, so that an interrupted first start leaves none behind. */
async function makeFirst(store: string): Promise<void> {
	const draft = `${store}-first-${process.pid}`;
	const made = await openDurable(draft);
	await made.close();
	renameSync(draft, store);
}

async function openLocked(folder: string, migrations: string, lock: FolderLock): Promise<OpenDatabase> {
	const store = storeIn(folder);
	if (existsSync(store) && readdirSync(store).length > 0 && !existsSync(join(store, 'PG_VERSION')))
		throw new DataFolderError(`${store} is damaged: it contains no database, PG_VERSION is missing. ${wayOut(folder)}`);
	let embedded: DurableDatabase;
	try {
		if (!existsSync(join(store, 'PG_VERSION'))) {
			rmSync(store, { recursive: true, force: true });
			await makeFirst(store);
		}
		embedded = await openDurable(store);
		await embedded.query('select 1');
	} catch (error) {
		throw new DataFolderError(`${store} could not be opened (${(error as Error).message}). ${wayOut(folder)}`);
	}
	const db = drizzle(embedded as never, { schema });
	try {
		await refuseNewer(db, folder, migrations);
		await migrate(db, migrations);
	} catch (error) {
		await embedded.close();
		if (error instanceof DataFolderError) throw error;
		throw new DataFolderError(`${store} could not be brought up to date (${said(error)}). ${wayOut(folder)}`);
	}
	guardWrites(embedded, lock);
	let dumping: Promise<Blob> | undefined;
	return {
		db,
		folder,
		where: folder,
		isShared: false,
		isAway: false,
		get isBusy() {
			return embedded.isBusy;
		},
		get writes() {
			return embedded.writes;
		},
		turns: new Turns(),
		relay: ALONE,
		secret: secretIn(folder),
		dump: () => (dumping ??= embedded.dump().finally(() => (dumping = undefined))),
		close: async () => {
			await embedded.close();
			lock.release();
		}
	};
}

const WRITES = /^\s*(insert|update|delete|alter|create|drop|truncate)/i;

/** Nothing is written once the folder has another holder, as after somebody took the holder's file away by hand. */
function guardWrites(embedded: DurableDatabase, lock: FolderLock): void {
	const assertHeld = () => {
		try {
			lock.assertHeld();
		} catch (error) {
			console.error(`Skarn lost the lock of its data folder and stops to keep it sound. ${(error as Error).message}`);
			process.exit(4);
		}
	};
	const { query, transaction } = embedded;
	embedded.query = ((...args: Parameters<typeof query>) => {
		if (WRITES.test(args[0])) assertHeld();
		return query.apply(embedded, args);
	}) as typeof query;
	embedded.transaction = ((...args: Parameters<typeof transaction>) => {
		assertHeld();
		return transaction.apply(embedded, args);
	}) as typeof transaction;
}

/** A folder that a newer Skarn has migrated must not be written by this one. Throws `DataFolderError`. */
export async function refuseNewer(db: Pick<Database, 'execute'>, what: string, migrations: string): Promise<void> {
	const newestKnown = Math.max(...readJournal(migrations).entries.map((entry) => entry.when));
	const table = await db.execute<{ name: string | null }>(sql`select to_regclass('drizzle.__drizzle_migrations')::text as name`);
	if (!table.rows[0]?.name) return;
	const applied = await db.execute<{ newest: string | null }>(
		sql`select max(created_at)::text as newest from drizzle.__drizzle_migrations`
	);
	const newest = Number(applied.rows[0]?.newest ?? 0);
	if (newest > newestKnown)
		throw new DataFolderError(
			`${what} was written by a newer Skarn (its data of ${new Date(newest).toISOString().slice(0, 10)} is ahead of this version's ${new Date(newestKnown).toISOString().slice(0, 10)}). Start the newer version, or restore a back-up made with this one: "npm run restore -- <file>".`
		);
}

/** The message of an error with that of what caused it. */
function said(error: unknown): string {
	const { message, cause } = error as Error;
	return cause instanceof Error ? `${message.split('\n')[0]} ${cause.message}` : message;
}
