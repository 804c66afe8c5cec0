import { sql } from 'drizzle-orm';
import { boolean, index, integer, jsonb, pgTable, primaryKey, serial, text, timestamp, unique } from 'drizzle-orm/pg-core';
import type { Application } from '../../../../core/application/application.ts';
import type { Command } from '../../../../core/application/command.ts';
import type { AnyChange } from '../../../../core/chapter/chapter.ts';
import type { EntryOp } from '../../../../core/strata/entry.ts';
import type { SearchPaths } from '../../../../core/folders/search.ts';
import type { StratumState } from '../../../../core/people/may.ts';
import type { Audience } from '../../../../core/people/setup.ts';
import type { Recipe } from '../../../../core/recipe/recipe.ts';
import type { Role } from '../../../../core/strata/role.ts';
import type { DeskSetup } from '../../../../core/keyboard/desk.ts';
import type { StratumWire } from '../../../../core/profile/wire.ts';
import type { StratumId, StratumKind } from '../../../../core/strata/stratum.ts';
import type { SeatReport, Trouble } from '../../../../core/release/release.ts';
import type { Course, Ring, RingId } from '../../../../core/release/rings.ts';

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'string' });

export const applications = pgTable('applications', {
	id: text('id').primaryKey(),
	body: jsonb('body').$type<Application>().notNull(),
	/** Counts the edits; an edit is taken only against the revision that stands here. */
	revision: integer('revision').notNull().default(0),
	/** The release that seats follow. */
	channel: integer('channel'),
	createdAt: at('created_at').notNull().defaultNow()
});

const application = () =>
	text('application')
		.notNull()
		.references(() => applications.id);

export const commands = pgTable(
	'commands',
	{
		application: application(),
		id: text('id').notNull(),
		position: integer('position').notNull(),
		body: jsonb('body').$type<Command>().notNull()
	},
	(t) => [primaryKey({ columns: [t.application, t.id] })]
);

/** The strata of the office; each holds content for any application. */
export const layers = pgTable('layers', {
	id: text('id').primaryKey(),
	kind: text('kind').$type<StratumKind>().notNull(),
	name: text('name').notNull(),
	/** Whose it is; null for one of the office. */
	person: text('person'),
	/** In which order those of a kind lie on each other. */
	position: serial('position').notNull(),
	/** Whether no setup may leave it out. */
	isRequired: boolean('is_required').notNull().default(false),
	/** One that is archived or deleted is in no profile; what it says and the setups that name it stay, so that it can come back. */
	state: text('state').$type<StratumState>().notNull().default('used')
});

/** What holds content for which application. */
export const strata = pgTable(
	'strata',
	{
		application: application(),
		id: text('id')
			.notNull()
			.references(() => layers.id),
		/** The last edit that changed it; an edit is taken only if none has since the one that it was made on. */
		revision: integer('revision').notNull().default(0)
	},
	(t) => [primaryKey({ columns: [t.application, t.id] })]
);

/** What the strata say now, entry by entry; always the outcome of the first entries and all edits. */
export const entries = pgTable(
	'entries',
	{
		application: application(),
		stratum: text('stratum').notNull(),
		chapter: text('chapter').notNull(),
		/** What the entry is about; a lock stands beside what is set or removed under the same key. */
		key: text('key').notNull(),
		isLock: boolean('is_lock').notNull(),
		op: text('op').$type<EntryOp>().notNull(),
		/** What the entry says besides its op and its place. */
		value: jsonb('value').$type<Record<string, unknown>>().notNull(),
		rank: integer('rank').notNull()
	},
	(t) => [
		primaryKey({ columns: [t.application, t.stratum, t.chapter, t.key, t.isLock] }),
		// the order of the list decides what happens
		unique('one_entry_a_rank').on(t.application, t.stratum, t.chapter, t.rank)
	]
);

/** What the strata say now in chapters that are a text each. */
export const texts = pgTable(
	'texts',
	{
		application: application(),
		stratum: text('stratum').notNull(),
		chapter: text('chapter').notNull(),
		body: jsonb('body').$type<Record<string, unknown>>().notNull()
	},
	(t) => [primaryKey({ columns: [t.application, t.stratum, t.chapter] })]
);

/** Append-only: rows are never changed or deleted. */
export const edits = pgTable(
	'edits',
	{
		application: application(),
		revision: integer('revision').notNull(),
		at: at('at').notNull(),
		role: text('role').$type<Role>().notNull(),
		/** Who wrote it. */
		by: text('by').notNull().default('first'),
		/** The stratum that was written to. */
		stratum: text('stratum').$type<StratumId>().notNull(),
		label: text('label').notNull(),
		changes: jsonb('changes').$type<readonly AnyChange[]>().notNull(),
		undoes: integer('undoes'),
		redoes: integer('redoes')
	},
	(t) => [primaryKey({ columns: [t.application, t.revision] })]
);

/** What the strata of a program came to when they were last compared with all edits: a start looks at what is newer alone. */
export const soundStates = pgTable('sound_states', {
	application: application().primaryKey(),
	revision: integer('revision').notNull(),
	strata: jsonb('strata').$type<readonly StratumWire[]>().notNull()
});

/** In which order the seats' programs search for their files, one document an application. */
export const searchPaths = pgTable('search_paths', {
	application: application().primaryKey(),
	body: jsonb('body').$type<SearchPaths>().notNull()
});

/** Recipes for text formats that the office has made for its programs. */
export const recipes = pgTable(
	'recipes',
	{
		application: application(),
		name: text('name').notNull(),
		body: jsonb('body').$type<Recipe>().notNull()
	},
	(t) => [primaryKey({ columns: [t.application, t.name] })]
);

export const releases = pgTable(
	'releases',
	{
		application: application(),
		number: integer('number').notNull(),
		at: at('at').notNull(),
		role: text('role').$type<Role>().notNull(),
		by: text('by').notNull().default('first'),
		notes: text('notes').notNull(),
		sha256: text('sha256').notNull(),
		bytes: integer('bytes').notNull(),
		entries: integer('entries').notNull(),
		/** The strata that it freezes, the lowest first; of one made before there were several, the office's. */
		strata: jsonb('strata')
			.$type<StratumId[]>()
			.notNull()
			.default(['office' as StratumId]),
		file: text('file').notNull()
	},
	(t) => [primaryKey({ columns: [t.application, t.number] })]
);

export const seats = pgTable('seats', {
	id: text('id').primaryKey(),
	application: application(),
	note: text('note').notNull(),
	/** Where it stands; empty if not said. */
	site: text('site').notNull().default(''),
	/** System, board, layout and the hand of the mouse; what is usual is assumed of a seat that has not said. */
	desk: jsonb('desk').$type<DeskSetup>(),
	lastSeen: at('last_seen'),
	report: jsonb('report').$type<SeatReport>(),
	/** What somebody has reported of it and nobody has settled. */
	trouble: jsonb('trouble').$type<Trouble>(),
	restore: boolean('restore').notNull().default(false),
	/** The ring that it is in; null is the last one, everyone. */
	ring: text('ring').$type<RingId>(),
	/** The public half of its own key (Ed25519, hexadecimal); null until it has enrolled. */
	key: text('key'),
	/** Who sits there, and with which setup. */
	person: text('person'),
	setup: text('setup')
});

/** Codes by which workstations become seats; of each only its digest is kept. */
export const enrolments = pgTable('enrolments', {
	digest: text('digest').primaryKey(),
	seat: text('seat')
		.notNull()
		.references(() => seats.id, { onDelete: 'cascade' }),
	/** The version of the root metadata that the code speaks of. */
	root: integer('root').notNull(),
	expiresAt: at('expires_at').notNull()
});

/** In which rings releases reach the seats, and how far the latest has come. */
export const rollouts = pgTable('rollouts', {
	application: application().primaryKey(),
	rings: jsonb('rings').$type<readonly Ring[]>().notNull(),
	course: jsonb('course').$type<Course>()
});

/** Private halves of the keys that the server signs with by itself (PKCS#8, PEM); that of root is never among them. */
export const signingKeys = pgTable('signing_keys', {
	role: text('role').primaryKey(),
	id: text('id').notNull(),
	pem: text('pem').notNull()
});

/** Signed metadata, byte for byte as it goes out. */
export const metadata = pgTable(
	'metadata',
	{ role: text('role').notNull(), version: integer('version').notNull(), body: text('body').notNull() },
	(t) => [primaryKey({ columns: [t.role, t.version] })]
);

/** Signed files other than releases, by the digest of their bytes. */
export const signedFiles = pgTable('signed_files', {
	sha256: text('sha256').primaryKey(),
	path: text('path').notNull(),
	body: text('body').notNull(),
	id: serial('id').notNull()
});

/** The file of a seat at which somebody sits: what is released and what is theirs, with its signed metadata. */
export const ownFiles = pgTable('own_files', {
	seat: text('seat')
		.primaryKey()
		.references(() => seats.id, { onDelete: 'cascade' }),
	version: integer('version').notNull(),
	/** Of what it was made. */
	of: text('of').notNull(),
	metadata: text('metadata').notNull(),
	file: text('file').notNull()
});

/** What the servers of one office share besides: by name. */
export const settings = pgTable('settings', { name: text('name').primaryKey(), value: text('value').notNull() });

/** The file of a seat as it lies there after a change by hand, as the seat has sent it. */
export const drifts = pgTable('drifts', {
	seat: text('seat')
		.primaryKey()
		.references(() => seats.id),
	sha256: text('sha256').notNull(),
	text: text('text').notNull()
});

/** What seats said when it differed from what they said before. */
export const reports = pgTable(
	'reports',
	{
		id: serial('id').primaryKey(),
		seat: text('seat')
			.notNull()
			.references(() => seats.id),
		at: at('at').notNull(),
		report: jsonb('report').$type<SeatReport>().notNull()
	},
	(t) => [index('reports_by_seat').on(t.seat, t.id)]
);

/** The people of the office, as better-auth keeps users; an office without accounts has none. */
export const people = pgTable('people', {
	id: text('id').primaryKey(),
	name: text('name').notNull(),
	/** Made of the name: people sign in by it. */
	email: text('email').notNull().unique(),
	emailVerified: boolean('email_verified').notNull().default(false),
	image: text('image'),
	role: text('role').$type<Role>().notNull(),
	leads: jsonb('leads').$type<StratumId[]>().notNull().default([]),
	/** The disciplines and projects that they work in. */
	member: jsonb('member').$type<StratumId[]>().notNull().default([]),
	/** Where they work; empty if not said. */
	site: text('site').notNull().default(''),
	/** When the person left; their strata stay. */
	leftAt: at('left_at'),
	createdAt: timestamp('created_at').notNull().defaultNow(),
	updatedAt: timestamp('updated_at').notNull().defaultNow()
});

const person = () =>
	text('person')
		.notNull()
		.references(() => people.id, { onDelete: 'cascade' });

export const sessions = pgTable('sessions', {
	id: text('id').primaryKey(),
	userId: person(),
	token: text('token').notNull().unique(),
	expiresAt: timestamp('expires_at').notNull(),
	ipAddress: text('ip_address'),
	userAgent: text('user_agent'),
	createdAt: timestamp('created_at').notNull().defaultNow(),
	updatedAt: timestamp('updated_at').notNull().defaultNow()
});

/** Passwords, each as the hash that better-auth makes of it (scrypt). */
export const credentials = pgTable('credentials', {
	id: text('id').primaryKey(),
	userId: person(),
	accountId: text('account_id').notNull(),
	providerId: text('provider_id').notNull(),
	accessToken: text('access_token'),
	refreshToken: text('refresh_token'),
	idToken: text('id_token'),
	accessTokenExpiresAt: timestamp('access_token_expires_at'),
	refreshTokenExpiresAt: timestamp('refresh_token_expires_at'),
	scope: text('scope'),
	password: text('password'),
	createdAt: timestamp('created_at').notNull().defaultNow(),
	updatedAt: timestamp('updated_at').notNull().defaultNow()
});

export const verifications = pgTable('verifications', {
	id: text('id').primaryKey(),
	identifier: text('identifier').notNull(),
	value: text('value').notNull(),
	expiresAt: timestamp('expires_at').notNull(),
	createdAt: timestamp('created_at').notNull().defaultNow(),
	updatedAt: timestamp('updated_at').notNull().defaultNow()
});

/** Links into the office, each good once; of the link only its digest is kept. */
export const invitations = pgTable('invitations', {
	digest: text('digest').primaryKey(),
	name: text('name').notNull(),
	role: text('role').$type<Role>().notNull(),
	leads: jsonb('leads').$type<StratumId[]>().notNull(),
	member: jsonb('member').$type<StratumId[]>().notNull().default([]),
	site: text('site').notNull().default(''),
	/** The name of the setup that they begin with; empty if not said. */
	setup: text('setup').notNull().default(''),
	/** Who takes another password by it; null for somebody who is not there yet. */
	person: text('person').references(() => people.id, { onDelete: 'cascade' }),
	/** Who has made it; `console` for the server's own machine. */
	by: text('by').notNull(),
	createdAt: at('created_at').notNull().defaultNow(),
	expiresAt: at('expires_at').notNull()
});

/** What a terminal signs in with; of each only its digest is kept. */
export const tokens = pgTable('tokens', {
	digest: text('digest').primaryKey(),
	person: person(),
	name: text('name').notNull(),
	createdAt: at('created_at').notNull().defaultNow(),
	/** To the minute; null where it was never used. */
	lastUsedAt: at('last_used_at'),
	expiresAt: at('expires_at')
		.notNull()
		.default(sql`now() + interval '90 days'`)
});

/** Wrong tries of passwords, by what was tried and from where. */
export const tries = pgTable('tries', {
	name: text('name').primaryKey(),
	fails: integer('fails').notNull(),
	last: at('last').notNull()
});

/** What was good once and is used: of each only its digest is kept, until it would have expired. */
export const spent = pgTable('spent', { digest: text('digest').primaryKey(), until: at('until').notNull() });

/** Named, ordered choices of strata. `person` is not a reference: who is alone has no account. */
export const setups = pgTable(
	'setups',
	{
		id: text('id').primaryKey(),
		application: application(),
		person: text('person').notNull(),
		name: text('name').notNull(),
		position: serial('position').notNull(),
		isStart: boolean('is_start').notNull().default(false),
		isRecommended: boolean('is_recommended').notNull().default(false),
		/** Whether nobody may leave out its common strata. */
		isRequired: boolean('is_required').notNull().default(false),
		/** For whom it is recommended or required: the roles and the disciplines or projects; an empty list is everybody. */
		audience: jsonb('audience').$type<Audience>().notNull().default({ roles: [], strata: [] }),
		/** The lowest first; the factory is not named. */
		strata: jsonb('strata').$type<StratumId[]>().notNull()
	},
	(t) => [index('setups_by_person').on(t.application, t.person)]
);

/** What somebody said of a proposal. */
export interface ProposalComment {
	readonly by: string;
	readonly at: string;
	readonly text: string;
}

/** Changes that somebody proposes of a stratum that is not theirs. */
export const proposals = pgTable(
	'proposals',
	{
		id: serial('id').primaryKey(),
		application: application(),
		/** Whose it is. */
		person: text('person').notNull(),
		at: at('at').notNull(),
		stratum: text('stratum').$type<StratumId>().notNull(),
		label: text('label').notNull(),
		reason: text('reason').notNull(),
		/** The revision that the changes were made on. */
		base: integer('base').notNull(),
		changes: jsonb('changes').$type<readonly AnyChange[]>().notNull(),
		state: text('state').$type<'open' | 'taken' | 'declined' | 'withdrawn'>().notNull().default('open'),
		/** Who decided, and why; what of it was taken by which edit. */
		decision: jsonb('decision').$type<{ by: string; at: string; reason: string; revision?: number; parts?: number[] }>(),
		comments: jsonb('comments').$type<readonly ProposalComment[]>().notNull().default([])
	},
	(t) => [index('proposals_by_application').on(t.application, t.id)]
);
