import '../../../core/recipe/shapes/all.ts';
import { sql } from 'drizzle-orm';
import { Backups } from './backups.ts';
import { Checking } from './checking.ts';
import { openDatabase, type OpenDatabase } from './db/open.ts';
import { Live } from './live.ts';
import { People } from './people.ts';
import { Profiles } from './profiles.ts';
import { Folders } from './folders.ts';
import { Proposals } from './proposals.ts';
import { Recipes } from './recipes.ts';
import { Releases } from './releases.ts';
import { Seats } from './seats.ts';
import { Setups } from './setups.ts';

/** Everything the routes work with, over one open data folder. */
export interface Office {
	readonly store: OpenDatabase;
	readonly people: People;
	readonly setups: Setups;
	readonly profiles: Profiles;
	readonly proposals: Proposals;
	readonly releases: Releases;
	readonly seats: Seats;
	readonly checking: Checking;
	readonly recipes: Recipes;
	readonly folders: Folders;
	readonly backups: Backups;
	readonly live: Live;
}

export function officeOn(store: OpenDatabase): Office {
	const seats = new Seats(store.db);
	const profiles = new Profiles(store.db, () => seats.forget());
	const people = new People(store.db, store.folder, process.env.SKARN_ADDRESS, () => profiles.forget());
	const releases = new Releases(store.db, profiles, () => seats.forget());
	return {
		// what was heard of seats is written before the folder is given up, and nothing after
		store: {
			...store,
			close: async () => {
				await seats.close().catch((error: Error) => console.error(error.message));
				await store.close();
			}
		},
		people,
		setups: new Setups(store.db, profiles, () => !people.isOpen),
		profiles,
		proposals: new Proposals(store.db, profiles),
		releases,
		seats,
		checking: new Checking(profiles, releases, seats),
		recipes: new Recipes(store.db, profiles),
		folders: new Folders(store.db, profiles),
		backups: new Backups(store, () => stateOf(store.db)),
		live: new Live()
	};
}

/** A text that differs when an edit, a release, a seat, a recipe or an application has come or gone or changed. */
async function stateOf(db: OpenDatabase['db']): Promise<string> {
	const counted = await db.execute<{ state: string }>(sql`select concat_ws(' ',
		(select md5(string_agg(id || revision || coalesce(channel, 0) || body::text, '' order by id)) from applications),
		(select count(*) from releases),
		(select md5(string_agg(id || note || desk::text, '' order by id)) from seats),
		(select md5(string_agg(name || body::text, '' order by application, name)) from recipes),
		(select md5(string_agg(body::text, '' order by application)) from search_paths)) as state`);
	return counted.rows[0]!.state;
}

/** Compares each application with its edits, one after the other and without haste; gives what differs. */
export async function verifyAll({ profiles }: Pick<Office, 'profiles'>): Promise<string[]> {
	const differing: string[] = [];
	for (const { id } of await profiles.list())
		try {
			differing.push(...(await profiles.verify(id)));
		} catch (error) {
			differing.push(`${id} cannot be read: ${(error as Error).message}`);
		}
	return differing;
}

/** Looks after the office from now on: what differs from the edits is said in the log, and back-ups are kept. */
async function lookAfter(office: Office): Promise<void> {
	await office.backups.start();
	for (const line of await verifyAll(office)) console.error(`Verify: ${line}`);
}

let opened: Promise<Office> | undefined;

/** The office of this process, opened once. `SKARN_DATA` names the data folder. */
export function officeOf(): Promise<Office> {
	opened ??= openDatabase(process.env.SKARN_DATA ?? 'data', {
		migrations: process.env.SKARN_MIGRATIONS ?? 'migrations',
		address: process.env.SKARN_ADDRESS
	}).then(async (store) => {
		const office = officeOn(store);
		await office.people.start();
		void lookAfter(office).catch((error: Error) => console.error(error));
		return office;
	});
	return opened;
}

export async function closeOffice(): Promise<void> {
	const office = await opened;
	opened = undefined;
	office?.live.end();
	office?.backups.stop();
	await office?.store.close();
}
