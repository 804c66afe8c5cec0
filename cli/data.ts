import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ArchiveError, listBackups, restoreBackup, writeDurably } from '../src/lib/server/db/archive.ts';
import { FolderHeldError } from '../src/lib/server/db/folder-lock.ts';
import { openDatabase, storeIn, type OpenDatabase } from '../src/lib/server/db/open.ts';
import { officeOn, verifyAll, type Verifying } from '../src/lib/server/office.ts';
import type { Made } from '../src/lib/server/people/links.ts';
import { CONSOLE_PERSON, consoleToken } from '../src/lib/server/people/sign-in.ts';

/** The address of the server that has the folder open; throws the error again if it is held otherwise. */
function serverIn(error: unknown): string {
	if (error instanceof FolderHeldError && error.holder?.address) return error.holder.address;
	throw error;
}

/** The database of the office where it does not lie in a data folder, as servers are told of it. */
const shared = (): string | undefined => process.env['DATABASE_URL'] || undefined;

/** What is asked of the server that has the folder open. */
interface Request {
	readonly path: string;
	readonly body?: unknown;
}

/** What the office says: its folder or database opened here, or asked of the server that has the folder. */
async function asking<T>(
	folder: string,
	migrations: string,
	here: (store: OpenDatabase) => Promise<T>,
	{ path, body }: Request,
	there: (response: Response, address: string) => Promise<T>
): Promise<T> {
	if (!shared() && !existsSync(storeIn(folder)))
		throw new ArchiveError(
			existsSync(folder)
				? `There is no office in ${folder}. Name its data folder with --data.`
				: `There is no data folder ${folder}. Name the one of the office with --data.`
		);
	try {
		const url = shared();
		const store = await (url ? openServer(url, folder, migrations) : openDatabase(folder, { migrations }));
		try {
			return await here(store);
		} finally {
			await store.close();
		}
	} catch (error) {
		const address = serverIn(error);
		// who can read the office's secret is on its machine, and may what a steward may
		const authorization = `Console ${consoleToken(readFileSync(join(folder, 'secret'), 'utf8').trim())}`;
		const response = await fetch(new URL(path, address), {
			headers: { authorization, ...(body !== undefined && { 'content-type': 'application/json' }) },
			...(body !== undefined && { method: 'POST', body: JSON.stringify(body) })
		});
		if (!response.ok) {
			const { detail } = (await response.json().catch(() => ({}))) as { detail?: string };
			throw new ArchiveError(`The running server at ${address} answered ${response.status}${detail ? `: ${detail}` : ''}`);
		}
		return there(response, address);
	}
}

/** Writes the whole office to a gzipped tar of a data folder, also while the server runs; gives what is to be said of it. */
export async function backUp(folder: string, file: string | undefined, migrations: string): Promise<string> {
	const name = file ?? `skarn-backup-${new Date().toISOString().slice(0, 10)}.tar.gz`;
	if (existsSync(name)) throw new ArchiveError(`${name} exists already; name another file.`);
	const { blob, where } = await asking(
		folder,
		migrations,
		async (store) => ({ blob: await store.dump(), where: store.where }),
		{ path: '/api/backup' },
		async (response) => ({ blob: await response.blob(), where: folder })
	);
	writeDurably(name, new Uint8Array(await blob.arrayBuffer()));
	return `Backed up ${where} to ${name}, ${(blob.size / 1e6).toFixed(1)} MB.`;
}

/** Puts a back-up into the data folder; gives what is to be said of it. */
export async function restore(folder: string, file: string | undefined, isLatest: boolean, migrations: string): Promise<string> {
	const newest = listBackups(folder).at(-1);
	if (isLatest && !newest) throw new ArchiveError(`There is no back-up in ${folder}.`);
	const name = isLatest ? newest : file;
	if (!name) throw new ArchiveError('Name the back-up, or ask for the newest one with --latest.');
	const aside = await restoreBackup(name, folder, migrations);
	return [
		...(aside ? [`The former data was moved to ${aside}.`] : []),
		`Restored ${name} into ${folder}.`,
		...(shared() ? ['Servers with DATABASE_URL do not use this folder: move it into an empty database with skarn move.'] : [])
	].join('\n');
}

/** What in the data folder is otherwise than its edits say, also while the server runs; `progress` hears how far it has come. */
export const verify = (
	folder: string,
	migrations: string,
	progress: (at: Verifying) => void = () => {}
): Promise<readonly string[]> =>
	asking(
		folder,
		migrations,
		(store) => verifyAll(officeOn(store), { progress }),
		{ path: '/api/verify?progress' },
		async (response) => {
			const decoder = new TextDecoder();
			let text = '';
			let found: readonly string[] | undefined;
			for await (const part of response.body as unknown as AsyncIterable<Uint8Array>) {
				const lines = (text + decoder.decode(part, { stream: true })).split('\n');
				text = lines.pop()!;
				for (const line of lines) {
					const said = JSON.parse(line) as Verifying | { differing: string[] };
					if ('differing' in said) found = said.differing;
					else progress(said);
				}
			}
			if (!found) throw new ArchiveError('The server stopped before the back-up was complete.');
			return found;
		}
	);

/** A link by which somebody who has forgotten a password takes another one; gives what is to be said of it. */
export async function forgottenPassword(folder: string, name: string, days: number, migrations: string): Promise<string> {
	const { link, address } = await asking(
		folder,
		migrations,
		async (store) => {
			const { people, links } = officeOn(store);
			await people.start();
			const found = (await people.here()).filter((one) => one.name.toLowerCase() === name.trim().toLowerCase());
			if (!people.isOpen) throw new ArchiveError('This office has no accounts, so there are no passwords.');
			if (found.length !== 1) {
				const names = (await people.here()).map((one) => one.name).join(', ');
				throw new ArchiveError(`There is no member “${name}” in the office. Members: ${names}.`);
			}
			const link = await links.forPassword(CONSOLE_PERSON, found[0]!.id, days);
			return { link, address: process.env['SKARN_ADDRESS'] ?? 'http://127.0.0.1:5180' };
		},
		{ path: '/api/people/password', body: { name, days } },
		async (response, local) => {
			const { address = local, ...link } = (await response.json()) as Made & { address?: string };
			return { link, address };
		}
	);
	return [
		`${link.name} can set a new password at ${new URL(`/join/${link.secret}`, address).href}`,
		`The link is valid once, until ${link.expiresAt.slice(0, 16).replace('T', ' ')} UTC. Anyone with the link can sign in as ${link.name}.`
	].join('\n');
}

/** A database on a server, with the folder of what is of one machine. */
async function openServer(url: string, folder: string, migrations: string): Promise<OpenDatabase> {
	const { openShared } = await import('../src/lib/server/db/shared.ts');
	return openShared(url, folder, { migrations });
}

/** A data folder, or a database on a server. */
const openEither = (place: string, migrations: string): Promise<OpenDatabase> =>
	/^postgres(ql)?:\/\//.test(place) ? openServer(place, '.', migrations) : openDatabase(place, { migrations });

/** Copies an office from one place to an empty one; gives what is to be said of it. */
export async function move(from: string, to: string, migrations: string): Promise<string> {
	const { copyOffice } = await import('../src/lib/server/db/move.ts');
	if (!/^postgres(ql)?:\/\//.test(from) && !existsSync(from)) throw new ArchiveError(`There is no data folder ${from}.`);
	const source = await openEither(from, migrations);
	try {
		const target = await openEither(to, migrations);
		try {
			const counts = await copyOffice(source, target);
			const rows = Object.values(counts).reduce((sum, count) => sum + count, 0);
			const told = Object.entries(counts).filter(([, count]) => count > 0);
			return [
				`Moved ${source.where} to ${target.where}: ${rows} rows in ${told.length} tables, counted and compared.`,
				...told.map(([table, count]) => `  ${table} ${count}`),
				`${source.where} is unchanged. The main signing keys are in a separate folder and are not moved.`
			].join('\n');
		} finally {
			await target.close();
		}
	} finally {
		await source.close();
	}
}
