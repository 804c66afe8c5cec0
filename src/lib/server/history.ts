import { stringify } from 'csv-stringify/sync';
import { and, desc, eq, getTableColumns, gte, ilike, inArray, lt, lte, or, sql, type SQL } from 'drizzle-orm';
import { chapterOf } from '../../../core/profile/chapters.ts';
import { namesOf, type AnyChange, type Names } from '../../../core/chapter/chapter.ts';
import { indexOf } from '../../../core/profile/circumstances.ts';
import { restoring } from '../../../core/profile/restore.ts';
import type { StratumId } from '../../../core/strata/stratum.ts';
import type { Database } from './db/open.ts';
import { edits } from './db/schema.ts';
import { pauses } from './pauses.ts';
import { Problem } from './problem.ts';
import type { Edit } from '../../../core/profile/edit.ts';
import { inParts } from './profile/parts.ts';
import { editOf, headOfEdit, type EditHead, type Workspace } from './profile/workspace.ts';
import type { Profiles } from './profiles.ts';

/** What is looked for in a history; what is left out is no condition. */
export interface Wanted {
	/** Words of the label, of a command, a key, or anything else that an edit says. */
	readonly words?: string | undefined;
	/** Who wrote it. */
	readonly by?: string | undefined;
	/** The stratum that it changes. */
	readonly stratum?: string | undefined;
	/** The first and the last day, as in 2026-11-30. */
	readonly from?: string | undefined;
	readonly to?: string | undefined;
}

/** One change of an edit, in words. */
export interface Line {
	readonly kind: 'added' | 'removed' | 'changed';
	readonly about: string;
	readonly stratum: string;
}

/** An edit as its list shows it: with those of its changes that are looked for first, and not all of many. */
export interface HistoryEdit extends EditHead {
	/** How many changes it has. */
	readonly count: number;
	/** How many of them are what is looked for; all where nothing is. */
	readonly matching: number;
	readonly strata: readonly string[];
	readonly lines: readonly Line[];
}

/** A part of a history, the newest first; `before` asks for the next part, null at the end. */
export interface HistoryPage {
	readonly edits: readonly HistoryEdit[];
	readonly before: number | null;
}

/** So many changes of an edit are shown in a list. */
const LINES = 6;
/** So many edits are looked through in one question to the database, which others wait for. */
const WINDOW = 1_000;

/** What was changed of each program, read and searched in parts. */
export class History {
	readonly #db: Database;
	readonly #profiles: Profiles;

	constructor(db: Database, profiles: Profiles) {
		this.#db = db;
		this.#profiles = profiles;
	}

	/** The newest edits that are wanted, before a revision. Throws `Problem` 404. */
	async page(application: string, wanted: Wanted, most: number, before?: number): Promise<HistoryPage> {
		const workspace = await this.#profiles.load(application);
		const look = lookFor(workspace, wanted);
		const found: HistoryEdit[] = [];
		const rest = pauses();
		for (let end = before ?? workspace.revision + 1; ;) {
			const start = Math.max(0, end - WINDOW);
			for (const revisions of await this.#matching(application, look.where, start, end)) {
				for (const edit of await this.#read(application, revisions)) {
					const shown = look.shown(edit);
					await rest();
					if (!shown) continue;
					found.push(shown);
					if (found.length === most) return { edits: found, before: edit.revision > 1 ? edit.revision : null };
				}
			}
			if (start === 0) return { edits: found, before: null };
			end = start;
		}
	}

	/** The newest edits without what they change. */
	async heads(application: string, most: number): Promise<EditHead[]> {
		const { changes: _, ...columns } = getTableColumns(edits);
		const rows = await this.#db
			.select(columns)
			.from(edits)
			.where(eq(edits.application, application))
			.orderBy(desc(edits.revision))
			.limit(most);
		return rows.map(headOfEdit);
	}

	/** All that is wanted as a table (RFC 4180), a part at a time: a line for each change. */
	async *csv(application: string, wanted: Wanted, nameOf: (person: string) => string): AsyncGenerator<string> {
		const workspace = await this.#profiles.load(application);
		const look = lookFor(workspace, wanted);
		const levels = new Map(workspace.profile.map(({ id, name }) => [id as string, name]));
		yield stringify([['revision', 'at', 'by', 'role', 'edit', 'level', 'change', 'of']]);
		for (let end = workspace.revision + 1; end > 0; end -= WINDOW)
			for (const revisions of await this.#matching(application, look.where, Math.max(0, end - WINDOW), end))
				for (const edit of await this.#read(application, revisions)) {
					const shown = look.shown(edit, Infinity);
					if (!shown) continue;
					yield stringify(
						shown.lines.map(({ kind, about, stratum }) => [
							...[edit.revision, edit.at, nameOf(edit.by), edit.role, edit.label],
							...[levels.get(stratum) ?? stratum, kind, about]
						]),
						{ escape_formulas: true }
					);
				}
	}

	/** Changes of one edit in words, from one on. Throws `Problem` 404. */
	async lines(application: string, revision: number, wanted: Wanted, from: number, most: number): Promise<readonly Line[]> {
		const workspace = await this.#profiles.load(application);
		const [edit] = await this.#read(application, [revision]);
		if (!edit) throw new Problem(404, 'not-found', `${application} has no edit ${revision}.`);
		return lookFor(workspace, wanted)
			.lines(edit)
			.slice(from, from + most);
	}

	/** The changes that make a stratum what it was after a revision. Throws `Problem` 404 and 422. */
	async restoring(application: string, stratum: StratumId, revision: number): Promise<AnyChange[]> {
		const workspace = await this.#profiles.load(application);
		if (!workspace.profile.some(({ id }) => id === stratum))
			throw new Problem(422, 'not-sound', `There is no level "${stratum}" in ${application}.`);
		const since: Pick<Edit, 'changes'>[] = [];
		for (let end = workspace.revision + 1; end > revision + 1; end -= WINDOW)
			for (const revisions of await this.#matching(
				application,
				sql`${edits.changes} @> ${JSON.stringify([{ stratum }])}::jsonb`,
				Math.max(revision + 1, end - WINDOW),
				end
			))
				for (const { changes } of await this.#read(application, revisions)) since.push({ changes });
		return restoring(workspace.profile, stratum, since);
	}

	/** The revisions in [from, to) of which the condition holds, the newest first, in parts that are not too large to be read at once. */
	async #matching(application: string, where: SQL | undefined, from: number, to: number): Promise<number[][]> {
		const rows = await this.#db
			.select({ revision: edits.revision, size: sql<number>`pg_column_size(${edits.changes})` })
			.from(edits)
			.where(and(eq(edits.application, application), gte(edits.revision, from), lt(edits.revision, to), where))
			.orderBy(desc(edits.revision));
		return inParts(rows);
	}

	async #read(application: string, revisions: readonly number[]): Promise<Edit[]> {
		const rows = await this.#db
			.select()
			.from(edits)
			.where(and(eq(edits.application, application), inArray(edits.revision, [...revisions])))
			.orderBy(desc(edits.revision));
		return rows.map(editOf);
	}
}

const kindOf = (change: AnyChange): Line['kind'] => {
	const { before, after, from, to } = change as { before?: unknown; after?: unknown; from?: unknown; to?: unknown };
	const [was, is] = chapterOf(change.chapter).form === 'text' ? [from, to] : [before, after];
	return was ? (is ? 'changed' : 'removed') : 'added';
};

const lineOf = (change: AnyChange, names: Names): Line => ({
	kind: kindOf(change),
	about: chapterOf(change.chapter).about(change, names),
	stratum: change.stratum
});

/** Texts as LIKE of PostgreSQL takes them. */
const like = (text: string): string => `%${text.replace(/[\\%_]/g, '\\$&')}%`;

/** What the wanted means: a condition for the database, and what is shown of an edit for which it may hold. */
function lookFor(workspace: Workspace, { words = '', by, stratum, from, to }: Wanted) {
	const names = namesOf(indexOf(workspace, workspace.profile));
	const sought = words.trim().toLowerCase();
	const commands = sought === '' ? [] : workspace.commands.filter(({ label }) => label.toLowerCase().includes(sought));
	const options =
		sought === '' ? [] : (workspace.application.rules.options ?? []).filter(({ label }) => label.toLowerCase().includes(sought));
	const ids = [...commands.map(({ id }) => id as string), ...options.map(({ path }) => path as string)];
	const inChanges = sql`${edits.changes}::text`;
	const where = and(
		by === undefined ? undefined : eq(edits.by, by),
		stratum === undefined ? undefined : sql`${edits.changes} @> ${JSON.stringify([{ stratum }])}::jsonb`,
		from === undefined ? undefined : gte(edits.at, `${from}T00:00:00Z`),
		to === undefined ? undefined : lte(edits.at, `${to}T23:59:59.999Z`),
		sought === ''
			? undefined
			: or(
					ilike(edits.label, like(sought)),
					sql`${inChanges} ilike ${like(JSON.stringify(sought).slice(1, -1))}`,
					...(ids.length > 0
						? [
								sql`${inChanges} like any(array[${sql.join(
									ids.map((id) => sql`${like(JSON.stringify(id))}`),
									sql`, `
								)}])`
							]
						: [])
				)
	);
	const isHit = (line: Line): boolean => line.about.toLowerCase().includes(sought);
	const isWanted = (change: AnyChange): boolean => stratum === undefined || change.stratum === stratum;
	const linesOf = (edit: Edit): { lines: Line[]; hits: Line[] } => {
		const lines = edit.changes.filter(isWanted).map((change) => lineOf(change, names));
		return { lines, hits: sought === '' ? lines : lines.filter(isHit) };
	};
	return {
		where,
		/** The changes of an edit, those that are looked for first. */
		lines(edit: Edit): Line[] {
			const { lines, hits } = linesOf(edit);
			return sought === '' ? lines : [...hits, ...lines.filter((line) => !isHit(line))];
		},
		shown(edit: Edit, most = LINES): HistoryEdit | undefined {
			const { lines, hits } = linesOf(edit);
			const isLabelled = edit.label.toLowerCase().includes(sought);
			if (lines.length === 0 || (hits.length === 0 && !isLabelled)) return undefined;
			const { changes, ...head } = edit;
			return {
				...head,
				count: changes.length,
				matching: hits.length,
				strata: [...new Set(changes.map((change) => change.stratum))],
				lines: (hits.length > 0 ? hits : lines).slice(0, most)
			};
		}
	};
}
