import { boolean, index, integer, jsonb, pgTable, primaryKey, serial, text, timestamp, unique } from 'drizzle-orm/pg-core';
import type { Application } from '../../../../core/application/application.ts';
import type { Command } from '../../../../core/application/command.ts';
import type { AnyChange } from '../../../../core/chapter/chapter.ts';
import type { EntryOp } from '../../../../core/strata/entry.ts';
import type { SearchPaths } from '../../../../core/folders/search.ts';
import type { Recipe } from '../../../../core/recipe/recipe.ts';
import type { Role } from '../../../../core/strata/role.ts';
import type { DeskSetup } from '../../../../core/keyboard/desk.ts';
import type { StratumId, StratumKind } from '../../../../core/strata/stratum.ts';
import type { SeatReport } from '../../../../core/release/release.ts';

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

export const strata = pgTable(
	'strata',
	{
		application: application(),
		id: text('id').notNull(),
		position: integer('position').notNull(),
		kind: text('kind').$type<StratumKind>().notNull(),
		name: text('name').notNull()
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
		/** The stratum that was written to. */
		stratum: text('stratum').$type<StratumId>().notNull(),
		label: text('label').notNull(),
		changes: jsonb('changes').$type<readonly AnyChange[]>().notNull(),
		undoes: integer('undoes'),
		redoes: integer('redoes')
	},
	(t) => [primaryKey({ columns: [t.application, t.revision] })]
);

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
		notes: text('notes').notNull(),
		sha256: text('sha256').notNull(),
		bytes: integer('bytes').notNull(),
		entries: integer('entries').notNull(),
		file: text('file').notNull()
	},
	(t) => [primaryKey({ columns: [t.application, t.number] })]
);

export const seats = pgTable('seats', {
	id: text('id').primaryKey(),
	application: application(),
	note: text('note').notNull(),
	/** System, board, layout and the hand of the mouse; what is usual is assumed of a seat that has not said. */
	desk: jsonb('desk').$type<DeskSetup>(),
	lastSeen: at('last_seen'),
	report: jsonb('report').$type<SeatReport>(),
	restore: boolean('restore').notNull().default(false)
});

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
