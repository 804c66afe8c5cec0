import { and, asc, eq, gt, sql, type AnyColumn } from 'drizzle-orm';
import { Application, catalogueOf, type Catalogue } from '../../../../core/application/application.ts';
import type { Command } from '../../../../core/application/command.ts';
import { contextSpace, type ContextSpace } from '../../../../core/context/space.ts';
import type { OwnedHead } from '../../../../core/people/may.ts';
import type { Person } from '../../../../core/people/person.ts';
import { inUsualOrder } from '../../../../core/people/setup.ts';
import { ALL_CHAPTERS } from '../../../../core/profile/chapters.ts';
import { undoable, type Edit } from '../../../../core/profile/edit.ts';
import { stratumOfWire } from '../../../../core/profile/wire.ts';
import { headOf, type Profile, type StratumId } from '../../../../core/strata/stratum.ts';
import type { Database } from '../db/open.ts';
import { pause } from '../pauses.ts';
import { commands, edits, entries, layers, strata, texts, type applications } from '../db/schema.ts';

export type Step = Pick<Edit, 'revision' | 'by' | 'stratum' | 'undoes' | 'redoes'>;

/** An application with its profile as it stands now, kept in memory: this process alone writes the data folder. */
export interface Workspace {
	readonly application: Application;
	readonly commands: readonly Command[];
	readonly catalogue: Catalogue;
	readonly space: ContextSpace;
	/** All strata that hold content for it, of everybody, in their usual order. */
	readonly profile: Profile;
	/** Whose they are. */
	readonly owners: ReadonlyMap<StratumId, string | null>;
	/** Those that no setup may leave out. */
	readonly required: ReadonlySet<StratumId>;
	readonly revision: number;
	/** The last edit that changed each stratum. */
	readonly revisions: ReadonlyMap<StratumId, number>;
	readonly steps: readonly Step[];
}

/** The strata of an application with whose they are. */
export const ownedHeads = ({ profile, owners, required }: Pick<Workspace, 'profile' | 'owners' | 'required'>): OwnedHead[] =>
	profile.map((stratum) => ({
		...headOf(stratum),
		person: owners.get(stratum.id) ?? null,
		isRequired: required.has(stratum.id)
	}));

/** The workspace of an application as it stands in the tables; `isWhole` with what is archived or deleted. */
export async function readWorkspace(db: Database, row: typeof applications.$inferSelect, isWhole = false): Promise<Workspace> {
	const { id } = row;
	const ofThis = <T extends { application: AnyColumn }>(table: T) => eq(table.application, id);
	const [commandRows, heads, entryRows, textRows, steps] = await Promise.all([
		db.select({ body: commands.body }).from(commands).where(ofThis(commands)).orderBy(asc(commands.position)),
		db
			.select({
				...{ id: layers.id, kind: layers.kind, name: layers.name, person: layers.person },
				...{ isRequired: layers.isRequired, revision: strata.revision }
			})
			.from(strata)
			.innerJoin(layers, eq(layers.id, strata.id))
			.where(isWhole ? ofThis(strata) : and(ofThis(strata), eq(layers.state, 'used')))
			.orderBy(asc(layers.position)),
		readEntries(db, id),
		db.select().from(texts).where(ofThis(texts)),
		db
			.select({ revision: edits.revision, by: edits.by, stratum: edits.stratum, undoes: edits.undoes, redoes: edits.redoes })
			.from(edits)
			.where(and(ofThis(edits), gt(edits.revision, row.revision - STEPS)))
			.orderBy(asc(edits.revision))
	]);
	// as stored by an older version it may lack what was added since
	const application = Application.parse(row.body);
	const space = contextSpace(application.axes, application.reachable);
	const catalogue = catalogueOf(
		commandRows.map((c) => c.body),
		space
	);
	const said = groupBy(entryRows, (row) => `${row.stratum}\n${row.chapter}`);
	const bodies = new Map(textRows.map((row) => [`${row.stratum}\n${row.chapter}`, row.body]));
	const contentsOf = (stratum: string) =>
		Object.fromEntries(
			ALL_CHAPTERS.map(({ id: chapter }) => {
				const place = `${stratum}\n${chapter}`;
				const body = bodies.get(place);
				const list = (said.get(place) ?? []).map(({ op, value, rank }) => ({ op, ...value, rank }));
				return [chapter, body ? [body] : list] as const;
			})
		);
	return {
		application,
		commands: [...catalogue.values()],
		catalogue,
		space,
		profile: inUsualOrder(heads).map(({ id: stratum, kind, name }) =>
			stratumOfWire({ id: stratum as StratumId, kind, name, contents: contentsOf(stratum) })
		),
		owners: new Map(heads.map(({ id: stratum, person }) => [stratum as StratumId, person])),
		required: new Set(heads.flatMap(({ id: stratum, isRequired }) => (isRequired ? [stratum as StratumId] : []))),
		revision: row.revision,
		revisions: new Map(heads.map((head) => [head.id as StratumId, head.revision])),
		steps: steps.map(stepOf)
	};
}

/** All entries of an application as they stand in their lists, a part at a time: others are let in between. */
async function readEntries(db: Database, application: string): Promise<(typeof entries.$inferSelect)[]> {
	const rows: (typeof entries.$inferSelect)[] = [];
	const order = [entries.stratum, entries.chapter, entries.rank] as const;
	for (;;) {
		const last = rows.at(-1);
		const after = last && sql`(${order[0]}, ${order[1]}, ${order[2]}) > (${last.stratum}, ${last.chapter}, ${last.rank})`;
		const part = await db
			.select()
			.from(entries)
			.where(and(eq(entries.application, application), after))
			.orderBy(...order.map((column) => asc(column)))
			.limit(PART);
		rows.push(...part);
		if (part.length < PART) return rows;
		await pause();
	}
}
const PART = 2_000;
/** So many of the newest edits can be undone. */
const STEPS = 5_000;

export const stepsOf = (steps: readonly Step[], person: Pick<Person, 'id'>): Step[] => steps.filter(({ by }) => by === person.id);

/** What can be undone and redone, by the stratum that it was written from. */
export interface Reach {
	readonly undo: Readonly<Record<string, readonly number[]>>;
	readonly redo: Readonly<Record<string, readonly number[]>>;
}

export function reachOf(steps: readonly Step[], profile: Profile): Reach {
	const undo: Record<string, number[]> = {};
	const redo: Record<string, number[]> = {};
	for (const { id, kind } of profile) if (kind !== 'factory') ({ undo: undo[id], redo: redo[id] } = undoable(steps, id));
	return { undo, redo };
}

export function stepOf({
	revision,
	by,
	stratum,
	undoes,
	redoes
}: Pick<Step, 'revision' | 'by' | 'stratum'> & { undoes: number | null; redoes: number | null }): Step {
	return { revision, by, stratum, ...(undoes !== null && { undoes }), ...(redoes !== null && { redoes }) };
}

/** An edit without its changes, of which there may be very many. */
export type EditHead = Omit<Edit, 'changes'>;
type Row = typeof edits.$inferSelect;

export const editOf = ({ changes, ...row }: Row): Edit => ({ ...headOfEdit(row), changes });

export function headOfEdit({ application: _, ...row }: Omit<Row, 'changes'>): EditHead {
	const { at, undoes, redoes, ...rest } = row;
	return { ...rest, at: new Date(at).toISOString(), ...stepOf({ ...rest, undoes, redoes }) };
}

function groupBy<T, K>(rows: readonly T[], keyOf: (row: T) => K): Map<K, T[]> {
	const groups = new Map<K, T[]>();
	for (const row of rows) {
		const group = groups.get(keyOf(row));
		if (group) group.push(row);
		else groups.set(keyOf(row), [row]);
	}
	return groups;
}
