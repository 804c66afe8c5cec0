import {
	closeSync,
	existsSync,
	fsyncSync,
	mkdirSync,
	mkdtempSync,
	openSync,
	readdirSync,
	readFileSync,
	renameSync,
	rmSync,
	writeFileSync
} from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { drizzle } from 'drizzle-orm/pglite';
import { openDurable } from './durable.ts';
import { lockFolder } from './folder-lock.ts';
import { clearUnfinished, refuseNewer, storeIn } from './open.ts';

/** A back-up cannot be made or put in place. The message says why, and that the data was left as it is. */
export class ArchiveError extends Error {
	override name = 'ArchiveError';
}

const AS_IT_IS = 'The data was not changed.';

/** Writes the file whole and brings it to the disk before it gets its name. */
export function writeDurably(file: string, bytes: Uint8Array): void {
	const draft = `${file}.${process.pid}.part`;
	mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
	const open = openSync(draft, 'wx', 0o600);
	try {
		writeFileSync(open, bytes);
		fsyncSync(open);
	} catch (error) {
		rmSync(draft, { force: true });
		throw error;
	} finally {
		closeSync(open);
	}
	renameSync(draft, file);
	syncFolder(dirname(file));
}

/** A new name in a folder is on the disk once the folder is. */
function syncFolder(folder: string): void {
	const open = openSync(folder, 'r');
	try {
		fsyncSync(open);
	} finally {
		closeSync(open);
	}
}

const backupsIn = (folder: string): string => join(folder, 'backups');

/** The back-ups that lie in the data folder, the newest last. */
export function listBackups(folder: string): string[] {
	if (!existsSync(backupsIn(folder))) return [];
	return readdirSync(backupsIn(folder))
		.filter((name) => name.endsWith('.tar.gz'))
		.sort()
		.map((name) => join(backupsIn(folder), name));
}

/** Keeps a back-up in the data folder; of those that are made by the hour the newest ten are kept. */
export async function keepBackup(
	folder: string,
	dump: Blob,
	why: 'hourly' | 'before-delete' | 'before-catalogue',
	at: Date
): Promise<string> {
	const file = join(backupsIn(folder), `${at.toISOString().replaceAll(/[:.]/g, '-')}-${why}.tar.gz`);
	writeDurably(file, new Uint8Array(await dump.arrayBuffer()));
	const hourly = listBackups(folder).filter((name) => name.endsWith('-hourly.tar.gz'));
	for (const old of hourly.slice(0, -MOST_KEPT)) rmSync(old, { force: true });
	return file;
}
const MOST_KEPT = 10;

/** Unpacks the back-up into a folder that is not there yet, and looks whether it is whole and of this version or older. */
async function unpack(file: string, into: string, migrations: string): Promise<void> {
	const bytes = readFileSync(file);
	if (bytes[0] !== 0x1f || bytes[1] !== 0x8b)
		throw new ArchiveError(`${file} is not a back-up: expected a gzipped archive that "npm run backup" wrote. ${AS_IT_IS}`);
	const loaded = await openDurable(into, new Blob([bytes])).catch((error: Error) => {
		throw new ArchiveError(`${file} is not a back-up that can be read: ${error.message}. ${AS_IT_IS}`);
	});
	try {
		await refuseNewer(drizzle(loaded as never), file, migrations);
		await loaded.query('select count(*) from applications');
	} catch (error) {
		throw new ArchiveError(`${(error as Error).message} ${AS_IT_IS}`);
	} finally {
		await loaded.close();
	}
}

/** Throws `ArchiveError` if the back-up is not whole. Nothing is left of the look. */
export async function verifyBackup(file: string, migrations: string): Promise<void> {
	if (!existsSync(file)) throw new ArchiveError(`There is no back-up ${file}.`);
	const folder = mkdtempSync(join(tmpdir(), 'skarn-backup-'));
	try {
		await unpack(file, join(folder, 'postgres'), migrations);
	} finally {
		rmSync(folder, { recursive: true, force: true });
	}
}

/**
 * Puts a back-up into the data folder. The former data is moved aside and never deleted; gives where it is. Throws `ArchiveError`
 * or what `lockFolder` throws; then the data is as it was, and nothing else is left behind.
 */
export async function restoreBackup(file: string, folder: string, migrations: string): Promise<string | undefined> {
	if (!existsSync(file)) throw new ArchiveError(`There is no back-up ${file}. ${AS_IT_IS}`);
	const lock = await lockFolder(folder);
	const store = storeIn(folder);
	const fresh = `${store}-restoring-${process.pid}`;
	try {
		clearUnfinished(folder);
		await unpack(file, fresh, migrations);
		lock.assertHeld();
		let aside: string | undefined;
		if (existsSync(store)) {
			aside = `${store}-before-${new Date().toISOString().replaceAll(/[:.]/g, '-')}`;
			renameSync(store, aside);
		}
		renameSync(fresh, store);
		syncFolder(folder);
		return aside;
	} finally {
		rmSync(fresh, { recursive: true, force: true });
		lock.release();
	}
}
