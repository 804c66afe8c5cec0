import '../../../core/recipe/shapes/all.ts';
import { Checking } from './checking.ts';
import { openDatabase, type OpenDatabase } from './db/open.ts';
import { Profiles } from './profiles.ts';
import { Folders } from './folders.ts';
import { Recipes } from './recipes.ts';
import { Releases } from './releases.ts';
import { Seats } from './seats.ts';

/** Everything the routes work with, over one open data folder. */
export interface Office {
	readonly store: OpenDatabase;
	readonly profiles: Profiles;
	readonly releases: Releases;
	readonly seats: Seats;
	readonly checking: Checking;
	readonly recipes: Recipes;
	readonly folders: Folders;
}

export function officeOn(store: OpenDatabase): Office {
	const profiles = new Profiles(store.db);
	const releases = new Releases(store.db, profiles);
	const seats = new Seats(store.db);
	return {
		store,
		profiles,
		releases,
		seats,
		checking: new Checking(profiles, releases, seats),
		recipes: new Recipes(store.db, profiles),
		folders: new Folders(store.db, profiles)
	};
}

let opened: Promise<Office> | undefined;

/** The office of this process, opened once. `SKARN_DATA` names the data folder. */
export function officeOf(): Promise<Office> {
	opened ??= openDatabase(process.env.SKARN_DATA ?? 'data', {
		migrations: process.env.SKARN_MIGRATIONS ?? 'migrations',
		address: process.env.SKARN_ADDRESS
	}).then(officeOn);
	return opened;
}

export async function closeOffice(): Promise<void> {
	const office = await opened;
	opened = undefined;
	await office?.store.close();
}
