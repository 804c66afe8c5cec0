import { and, eq, inArray, sql } from 'drizzle-orm';
import type { Command } from '../../../../core/application/command.ts';
import type { AnyChange } from '../../../../core/chapter/chapter.ts';
import { ALL_CHAPTERS, byChapter } from '../../../../core/profile/chapters.ts';
import type { Edit } from '../../../../core/profile/edit.ts';
import { stratumById, type Profile, type Stratum, type StratumHead } from '../../../../core/strata/stratum.ts';
import type { Database } from '../db/open.ts';
import { pause } from '../pauses.ts';
import { applications, commands, edits, entries, layers, strata, texts } from '../db/schema.ts';
import { notSound } from './sound.ts';

export type Tables = Pick<Database, 'delete' | 'insert' | 'execute'>;
type WholeTables = Pick<Database, 'delete' | 'insert' | 'update' | 'execute'>;

const CHUNK = 1000;
const inChunks = <T>(rows: readonly T[]): T[][] =>
	Array.from({ length: Math.ceil(rows.length / CHUNK) }, (_, i) => rows.slice(i * CHUNK, (i + 1) * CHUNK));

export async function writeCommands(tx: Pick<Database, 'insert'>, id: string, list: readonly Command[]): Promise<void> {
	for (const chunk of inChunks(list.map((body, position) => ({ application: id, id: body.id as string, position, body }))))
		await tx.insert(commands).values(chunk);
}

/** A part of an edit in a keyed chapter. */
type KeyedPart = AnyChange & { readonly before: unknown; readonly after: unknown };

/** A row of the table of entries. */
function rowOf(
	application: string,
	stratum: string,
	chapter: (typeof ALL_CHAPTERS)[number],
	said: unknown
): typeof entries.$inferInsert {
	const { key, isLock } = chapter.keyOf(said);
	const { op, rank, ...value } = said as { op: typeof entries.$inferInsert.op; rank: number };
	return { application, stratum, chapter: chapter.id, key, isLock, op, value, rank };
}

/** Writes rows, a thousand in one parameter: to name each of their values takes ten times as long. */
async function insertEntries(tx: Pick<Database, 'execute'>, rows: readonly (typeof entries.$inferInsert)[]): Promise<void> {
	for (const chunk of inChunks(rows)) {
		await tx.execute(sql`insert into entries (application, stratum, chapter, key, is_lock, op, value, rank)
			select application, stratum, chapter, key, "isLock", op, value, rank from jsonb_to_recordset(${JSON.stringify(chunk)}::jsonb)
			as row (application text, stratum text, chapter text, key text, "isLock" boolean, op text, value jsonb, rank integer)`);
		await pause();
	}
}

/** Writes all that a stratum holds into tables that have nothing of it. */
export async function writeContents(tx: Tables, id: string, stratum: Stratum): Promise<void> {
	for (const chapter of ALL_CHAPTERS) {
		const said = chapter.list(chapter.contentIn(stratum));
		if (chapter.form === 'text') await writeText(tx, id, stratum.id, chapter.id, said[0]);
		else
			await insertEntries(
				tx,
				said.map((one) => rowOf(id, stratum.id, chapter, one))
			);
	}
}

async function writeText(tx: Tables, application: string, stratum: string, chapter: string, body: unknown): Promise<void> {
	await tx.delete(texts).where(and(eq(texts.application, application), eq(texts.stratum, stratum), eq(texts.chapter, chapter)));
	if (body) await tx.insert(texts).values({ application, stratum, chapter, body: body as Record<string, unknown> });
}

/**
 * Brings the tables to where the changes lead: of entries first all that was there goes, so that places are free, then what is
 * there comes; texts are written whole.
 */
export async function writeOutcome(tx: Tables, id: string, after: Profile, changes: readonly AnyChange[]): Promise<void> {
	for (const { chapter, changes: own } of byChapter(changes))
		for (const stratum of new Set(own.map((change) => change.stratum))) {
			if (chapter.form === 'text') {
				await writeText(tx, id, stratum, chapter.id, chapter.list(chapter.contentIn(stratumById(after, stratum)))[0]);
				continue;
			}
			const gone = new Map<string, typeof entries.$inferInsert>();
			const come = new Map<string, typeof entries.$inferInsert>();
			for (const change of own as KeyedPart[]) {
				if (change.stratum !== stratum) continue;
				const row = rowOf(id, stratum, chapter, change.before ?? change.after);
				const place = `${row.isLock}\n${row.key}`;
				if (!gone.has(place) && !come.has(place) && change.before) gone.set(place, row);
				if (change.after) come.set(place, rowOf(id, stratum, chapter, change.after));
				else come.delete(place);
			}
			const of = and(eq(entries.application, id), eq(entries.stratum, stratum), eq(entries.chapter, chapter.id));
			for (const isLock of [false, true])
				for (const chunk of inChunks([...gone.values()].filter((row) => row.isLock === isLock).map((row) => row.key)))
					await tx.delete(entries).where(and(of, eq(entries.isLock, isLock), inArray(entries.key, chunk)));
			await insertEntries(tx, [...come.values()]);
		}
}

/** Writes an edit into the history, and what it comes to; the application's own revision is the caller's. */
export async function writeEdit(tx: WholeTables, application: string, edit: Edit, after: Profile): Promise<void> {
	const { revision, changes } = edit;
	await tx.insert(edits).values({ ...edit, application });
	await writeOutcome(tx, application, after, changes);
	const written = [...new Set(changes.map(({ stratum }) => stratum))];
	await tx
		.update(strata)
		.set({ revision })
		.where(and(eq(strata.application, application), inArray(strata.id, written)));
}

/** Adds the strata that the office has not yet. Throws `Problem` 422 for one that it has as another kind. */
export async function addLayers(
	tx: Pick<Database, 'insert' | 'select'>,
	heads: readonly StratumHead[],
	owner: string
): Promise<void> {
	const known = await tx.select().from(layers);
	for (const { id, kind, name } of heads) {
		const there = known.find((layer) => layer.id === id);
		if (there && there.kind !== kind) throw notSound([`the stratum "${id}" is of the kind ${there.kind} here, not ${kind}`]);
		if (!there) await tx.insert(layers).values({ id, kind, name, person: kind === 'personal' ? owner : null });
	}
}

/** Adds a stratum to the office, somebody's own or null; every application has content for it from now on. */
export async function addLayer(
	tx: Pick<Database, 'insert' | 'select'>,
	{ id, kind, name }: StratumHead,
	person: string | null
): Promise<void> {
	await tx.insert(layers).values({ id, kind, name, person });
	const programs = await tx.select({ application: applications.id }).from(applications);
	if (programs.length > 0) await tx.insert(strata).values(programs.map(({ application }) => ({ application, id })));
}
