import '../../../core/recipe/shapes/all.ts';
import { sql } from 'drizzle-orm';
import { Backups } from './backups.ts';
import { Blames } from './blames.ts';
import { Checking } from './checking.ts';
import { openDatabase, type OpenDatabase } from './db/open.ts';
import { Doors } from './doors.ts';
import { Enrolments } from './enrolments.ts';
import { History } from './history.ts';
import { LastRead } from './last-read.ts';
import { Live, type Change } from './live.ts';
import { OwnFiles } from './own-files.ts';
import { Links } from './people/links.ts';
import { People } from './people/people.ts';
import { isDemo } from './demo.ts';
import { SignIns } from './people/sign-in.ts';
import { Profiles } from './profiles.ts';
import { Folders } from './folders.ts';
import { Proposals } from './proposals.ts';
import { Recipes } from './recipes.ts';
import { Releases } from './releases.ts';
import { Rollouts } from './rollouts.ts';
import { Seats } from './seats.ts';
import { Setups } from './setups.ts';
import { ofDatabase } from './db/trouble.ts';
import { unreadable } from './db/unreadable.ts';
import { RootKeys } from './signing/root-keys.ts';
import { Strata } from './strata.ts';
import { Signing, type Lifetimes } from './signing/signing.ts';

/** Everything the routes work with, over one open data folder. */
export interface Office {
	readonly store: OpenDatabase;
	readonly doors: Doors;
	/** What was read last, for while the database is away. */
	readonly lastRead: LastRead;
	readonly people: People;
	readonly signIns: SignIns;
	readonly links: Links;
	readonly setups: Setups;
	readonly strata: Strata;
	readonly profiles: Profiles;
	readonly blames: Blames;
	readonly history: History;
	readonly proposals: Proposals;
	readonly signing: Signing;
	readonly rollouts: Rollouts;
	readonly releases: Releases;
	readonly seats: Seats;
	readonly enrolments: Enrolments;
	readonly checking: Checking;
	readonly recipes: Recipes;
	readonly folders: Folders;
	readonly backups: Backups;
	readonly live: Live;
}

/** What the office is run with, where it is not as usual. */
export interface OfficeOptions {
	readonly rootKeys?: string;
	readonly lifetimes?: Lifetimes;
}

export function officeOn(store: OpenDatabase, { rootKeys, lifetimes }: OfficeOptions = {}): Office {
	const { db, turns, relay } = store;
	const live = new Live((change) => relay.tell({ change }));
	const seats = new Seats(db, (written) => relay.tell({ seats: written }));
	const profiles = new Profiles(
		db,
		() => {
			seats.forget();
			blames.forget();
		},
		turns
	);
	const blames: Blames = new Blames(profiles);
	const { HOST, SKARN_PROXIES, SKARN_ADDRESS } = process.env;
	const doors = new Doors({ host: HOST, proxies: SKARN_PROXIES, address: SKARN_ADDRESS });
	/** Sessions of somebody have ended: their pages hear nothing any more, on whatever server they listen. */
	const ended = (person: string) => {
		live.dismiss(person);
		relay.tell({ dismiss: person });
	};
	const people = new People(db, () => profiles.forget(), ended);
	const signIns = new SignIns(db, store.secret, SKARN_ADDRESS, people, ended);
	const setups = new Setups(db, profiles, () => !people.isOpen);
	const links = new Links(db, people, (person, setup) => setups.first(person, setup), ended);
	const keys = new RootKeys(rootKeys ?? process.env.SKARN_ROOT_KEYS ?? `${store.folder}.root-keys`, store.folder);
	const signing = new Signing(db, turns, keys, () => seats.forgetAnswers(), lifetimes);
	const rollouts = new Rollouts(db, turns, seats, signing, (application) => live.tell({ application }));
	const releases = new Releases(db, profiles, rollouts, turns);
	const ownFiles = new OwnFiles(db, { people, profiles, releases, seats, setups, signing });
	seats.tell({
		timestamp: async () => (await signing.timestamp())?.version ?? null,
		own: (seat) => ownFiles.version(seat)
	});
	relay.hear(({ change, seat, seats: several, dismiss }) => {
		if (typeof seat === 'string') return seats.forgetSeat(seat);
		if (Array.isArray(several)) return several.forEach((id: string) => seats.forgetSeat(id));
		if (typeof dismiss === 'string') return live.dismiss(dismiss);
		// whatever another server has written is read anew
		profiles.forget();
		signing.forget();
		seats.forget();
		people.start().catch((error: Error) => console.error(error.message));
		if (change) live.tellHere(change as Change);
	});
	return {
		// what was heard of seats is written before the folder is given up, and nothing after
		store: {
			...store,
			get isAway() {
				return store.isAway;
			},
			get isBusy() {
				return store.isBusy;
			},
			get writes() {
				return store.writes;
			},
			close: async () => {
				rollouts.stop();
				await seats.close().catch((error: Error) => console.error(error.message));
				await store.close();
			}
		},
		doors,
		lastRead: new LastRead(),
		people,
		signIns,
		links,
		setups,
		strata: new Strata(db, { people, profiles, setups }),
		profiles,
		blames,
		history: new History(db, profiles),
		proposals: new Proposals(db, profiles),
		signing,
		rollouts,
		releases,
		seats,
		enrolments: new Enrolments(db, seats, signing, store.secret),
		checking: new Checking(profiles, releases, seats, setups),
		recipes: new Recipes(db, profiles),
		folders: new Folders(db, profiles),
		backups: new Backups(store, () => stateOf(db)),
		live
	};
}

/** Small tables that nothing changes but people. */
const SMALL = [
	...['people', 'credentials', 'tokens', 'invitations', 'layers', 'setups', 'proposals'],
	...['rollouts', 'recipes', 'search_paths', 'signing_keys', 'settings']
];

/**
 * A text that differs when anything of the office has come, gone or changed that a back-up should have: not when seats were heard, when
 * somebody signs in, or when the server has renewed what it signs by itself.
 */
async function stateOf(db: OpenDatabase['db']): Promise<string> {
	const counted = await db.execute<{ state: string }>(sql`select concat_ws(' ',
		(select md5(string_agg(id || revision || coalesce(channel, 0) || body::text, '' order by id)) from applications),
		(select count(*) from releases),
		(select md5(string_agg(concat_ws(' ', id, note, desk, ring, key, person, setup, trouble), '' order by id)) from seats),
		(select md5(string_agg(role || version, ' ' order by role, version)) from metadata where role not in ('timestamp', 'snapshot')),
		${sql.join(
			SMALL.map((table) => sql`(select md5(string_agg(t::text, '' order by t::text)) from ${sql.identifier(table)} t)`),
			sql`, `
		)}) as state`);
	return counted.rows[0]!.state;
}

/** How far a verification has come. */
export interface Verifying {
	readonly application: string;
	readonly revision: number;
	readonly of: number;
}

/**
 * Compares each application with its edits, one after the other and without haste; gives what differs, a table that cannot be read
 * among it. With `isWhole` all edits count, else those that are new since it was found sound. Throws the reason of `signal`.
 */
export async function verifyAll(
	{ profiles, store }: Pick<Office, 'profiles' | 'store'>,
	{
		isWhole = true,
		progress = () => {},
		signal
	}: { isWhole?: boolean; progress?: (at: Verifying) => void; signal?: AbortSignal } = {}
): Promise<string[]> {
	const differing: string[] = isWhole ? await unreadable(store) : [];
	for (const { id: application } of await profiles.list())
		try {
			const found = await profiles.verify(application, isWhole, (revision, of) => {
				signal?.throwIfAborted();
				progress({ application, revision, of });
			});
			differing.push(...found);
		} catch (error) {
			signal?.throwIfAborted();
			differing.push(`${application} cannot be read: ${(error as Error).message}`);
		}
	return differing;
}

/** Looks after the office from now on: what differs from the edits is said in the log, and back-ups are kept. */
async function lookAfter(office: Office): Promise<void> {
	await office.backups.start();
	for (const line of await verifyAll(office, { isWhole: false })) console.error(`Verify: ${line}`);
}

/** The database that `DATABASE_URL` names, or the one in the data folder. */
async function openStore(folder: string, options: { migrations: string; address: string | undefined }): Promise<OpenDatabase> {
	const url = process.env.DATABASE_URL;
	if (!url) return openDatabase(folder, options);
	const { openShared } = await import('./db/shared.ts');
	return openShared(url, folder, options);
}

/** Where scripts/serve.mjs finds what answers seats from memory, before the application is asked. */
const FRONT = Symbol.for('skarn.front');
const UPDATES = '/api/updates/';

/**
 * Most that is asked of an office is whether there is anything new, and when there is, everybody asks for the same: that is known.
 * A text or bytes are the answer, null says that there is no such thing, undefined that the application is to be asked.
 */
function answerInFront({ people, doors, seats, enrolments, signing }: Office): void {
	const known = (
		path: string,
		authorization: string,
		line: string,
		headers: () => Pick<Headers, 'has'>
	): string | Buffer | null | undefined => {
		if (!people.isOpen && !doors.isHere(line, headers())) return undefined;
		const of = enrolments.known(authorization);
		if (of === undefined || of.key !== seats.knownKey(of.seat)) return undefined;
		if (path === of.checkIn) return seats.knownCheckIn(of.seat);
		return path.startsWith(UPDATES) ? signing.known(path.slice(UPDATES.length)) : undefined;
	};
	(globalThis as { [FRONT]?: typeof known })[FRONT] = known;
}

/** Where the server is asked from its own machine, whatever it is called elsewhere; undefined where it does not listen. */
function localAddress({ HOST, PORT }: NodeJS.ProcessEnv): string | undefined {
	if (PORT === undefined) return undefined;
	const host = HOST === undefined || ['0.0.0.0', '::', 'localhost'].includes(HOST) ? '127.0.0.1' : HOST;
	return `http://${host.includes(':') ? `[${host}]` : host}:${PORT}`;
}

let opened: Promise<Office> | undefined;

/** The office of this process, opened once. `SKARN_DATA` names the data folder. */
export function officeOf(): Promise<Office> {
	opened ??= openStore(process.env.SKARN_DATA ?? 'data', {
		migrations: process.env.SKARN_MIGRATIONS ?? 'migrations',
		address: localAddress(process.env)
	}).then(async (store) => {
		const office = officeOn(store);
		await office.people.start().catch((error: unknown) => {
			// the start ends with what to do
			throw ofDatabase(error, store.folder) ?? error;
		});
		if (office.doors.isReachable && (!office.people.isOpen || isDemo())) office.doors.sayCode();
		office.rollouts.start();
		answerInFront(office);
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
