import { and, asc, count, desc, eq, gt, inArray, sql, type AnyColumn } from 'drizzle-orm';
import type { AliasInput } from '../../../core/application/command-line.ts';
import {
	Application,
	type ApplicationId,
	catalogueOf,
	CatalogueError,
	type Catalogue,
	type OpenApplication
} from '../../../core/application/application.ts';
import type { Command } from '../../../core/application/command.ts';
import { indexOf } from '../../../core/profile/circumstances.ts';
import { contextSpace, type ContextSpace } from '../../../core/context/space.ts';
import { canonicalText } from '../../../core/format/canonical.ts';
import { stratumFrom } from '../../../core/hand-over/profile-file.ts';
import { ACCEPTANCES, type AcceptanceEntry } from '../../../core/chapters/acceptances/acceptance.ts';
import { FactoryWriteError, StaleChangeError, type KeyedChange } from '../../../core/strata/change.ts';
import { namesOf, type AnyChange } from '../../../core/chapter/chapter.ts';
import { ALL_CHAPTERS, byChapter } from '../../../core/profile/chapters.ts';
import {
	applyAnywhere,
	applyEdit,
	inverseEdit,
	placedEdit,
	touchedBy,
	undoable,
	type Edit,
	type ProposedEdit
} from '../../../core/profile/edit.ts';
import { followingRenames, type Renames } from '../../../core/profile/renames.ts';
import { groundFor, problemsOf } from '../../../core/profile/problems.ts';
import { mayWrite, whose, type OwnedHead } from '../../../core/people/may.ts';
import { FIRST, type Person } from '../../../core/people/person.ts';
import { inUsualOrder, profileOf } from '../../../core/people/setup.ts';
import { reaches, writingAs, type Role } from '../../../core/strata/role.ts';
import { stratumOfWire } from '../../../core/profile/wire.ts';
import {
	headOf,
	stratumById,
	type Profile,
	type Stratum,
	type StratumHead,
	type StratumId
} from '../../../core/strata/stratum.ts';
import { parseKeys, type Keys } from '../../../core/stroke/stroke.ts';
import type { Database } from './db/open.ts';
import { Turns } from './db/turns.ts';
import {
	applications,
	commands,
	edits,
	entries,
	layers,
	proposals,
	recipes,
	releases,
	rollouts,
	drifts,
	reports,
	searchPaths,
	seats,
	setups,
	strata,
	texts
} from './db/schema.ts';
import { Problem } from './problem.ts';

type Step = Pick<Edit, 'revision' | 'by' | 'stratum' | 'undoes' | 'redoes'>;

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
	readonly revision: number;
	/** The last edit that changed each stratum. */
	readonly revisions: ReadonlyMap<StratumId, number>;
	readonly steps: readonly Step[];
}

/** Who writes, and which strata they look at: the profile that a change is judged on. All strata when left out. */
export interface Writing {
	readonly person: Person;
	readonly seen?: readonly StratumId[] | undefined;
}

const BY_FIRST: Writing = { person: FIRST };

/** The strata of an application with whose they are. */
export const ownedHeads = ({ profile, owners }: Pick<Workspace, 'profile' | 'owners'>): OwnedHead[] =>
	profile.map((stratum) => ({ ...headOf(stratum), person: owners.get(stratum.id) ?? null }));

export interface NewApplication {
	readonly application: Application;
	readonly commands: readonly Command[];
	readonly strata: readonly StratumHead[];
	/** What the factory says, by chapter. */
	readonly factory: Readonly<Record<string, readonly unknown[]>>;
}

const stepsOf = (steps: readonly Step[], person: Pick<Person, 'id'>): Step[] => steps.filter(({ by }) => by === person.id);

const CHUNK = 1000;
const inChunks = <T>(rows: readonly T[]): T[][] =>
	Array.from({ length: Math.ceil(rows.length / CHUNK) }, (_, i) => rows.slice(i * CHUNK, (i + 1) * CHUNK));

/** Applications, their strata and edits. Edits of one application are taken one after the other. */
export class Profiles {
	readonly #db: Database;
	readonly #loaded = new Map<string, Promise<Workspace>>();
	readonly #turns: Turns;

	readonly #gone: () => void;

	/** `gone` is called when an application is there no more. */
	constructor(db: Database, gone: () => void = () => {}, turns: Turns = new Turns()) {
		this.#db = db;
		this.#gone = gone;
		this.#turns = turns;
	}

	async list(): Promise<Pick<Application, 'id' | 'name' | 'version'>[]> {
		const rows = await this.#db
			.select({ id: applications.id, body: applications.body })
			.from(applications)
			.orderBy(asc(applications.createdAt));
		// of one that cannot be read at least the id is known
		return rows.map(({ id, body }) => ({ id: id as ApplicationId, name: body.name ?? id, version: body.version ?? '' }));
	}

	/** Throws `Problem` 404 for an application that is not here. */
	load(id: string): Promise<Workspace> {
		let loading = this.#loaded.get(id);
		if (!loading) {
			loading = this.#read(id);
			this.#loaded.set(id, loading);
			loading.catch(() => this.#loaded.delete(id));
		}
		return loading;
	}

	async #read(id: string): Promise<Workspace> {
		const [row] = await this.#db.select().from(applications).where(eq(applications.id, id));
		if (!row) return this.#missing(id);
		const ofThis = <T extends { application: AnyColumn }>(table: T) => eq(table.application, id);
		const [commandRows, heads, entryRows, textRows, steps] = await Promise.all([
			this.#db.select({ body: commands.body }).from(commands).where(ofThis(commands)).orderBy(asc(commands.position)),
			this.#db
				.select({ id: layers.id, kind: layers.kind, name: layers.name, person: layers.person, revision: strata.revision })
				.from(strata)
				.innerJoin(layers, eq(layers.id, strata.id))
				.where(ofThis(strata))
				.orderBy(asc(layers.position)),
			this.#db
				.select()
				.from(entries)
				.where(ofThis(entries))
				.orderBy(asc(entries.stratum), asc(entries.chapter), asc(entries.rank)),
			this.#db.select().from(texts).where(ofThis(texts)),
			this.#db
				.select({ revision: edits.revision, by: edits.by, stratum: edits.stratum, undoes: edits.undoes, redoes: edits.redoes })
				.from(edits)
				.where(ofThis(edits))
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
			revision: row.revision,
			revisions: new Map(heads.map((head) => [head.id as StratumId, head.revision])),
			steps: steps.map(stepOf)
		};
	}

	/**
	 * Adds an application with its catalogue and strata; strata that the office has not yet come to it, one's own to the person.
	 * Throws `Problem` 409 for an id that is taken, 422 for what does not fit together.
	 */
	async add(
		{ application, commands: list, strata: heads, factory }: NewApplication,
		{ id: owner }: Person = FIRST
	): Promise<void> {
		const base = refuseUnsound({ application, commands: list, strata: heads, factory });
		const id = application.id;
		const [taken] = await this.#db.select({ id: applications.id }).from(applications).where(eq(applications.id, id));
		if (taken) throw new Problem(409, 'taken', `There is an application "${id}" already. Give this one another name or version.`);
		await this.#db.transaction(async (tx) => {
			await tx.insert(applications).values({ id, body: application });
			await addLayers(tx, heads, owner);
			const lowest = heads.find(({ kind }) => kind === 'factory')!.id;
			await tx.execute(
				sql`insert into strata (application, id) select ${id}, id from layers where kind <> 'factory' or id = ${lowest}`
			);
			await writeCommands(tx, id, list);
			await writeContents(tx, id, base);
		});
	}

	/**
	 * Changes what an application is: its name, version, rules, contexts and catalogue. What its strata say stays; commands that
	 * are gone are told by the check; of renamed ones the factory speaks by their new ids. Throws `Problem` 404, or 422 if a stratum
	 * speaks of contexts that would be gone.
	 */
	change(
		id: string,
		{ application, commands: list }: Pick<NewApplication, 'application' | 'commands'>,
		renamed: Renames = new Map()
	): Promise<void> {
		return this.#inTurn(id, async () => {
			const { profile } = await this.load(id);
			if (application.id !== id)
				throw new Problem(422, 'not-sound', `The id stays: expected "${id}", found "${application.id}".`);
			// shortcuts of commands that are gone stay, and are told as orphans
			refuseUnsound({ application, commands: list, strata: profile, factory: {} });
			const space = contextSpace(application.axes, application.reachable);
			for (const stratum of profile)
				for (const chapter of ALL_CHAPTERS)
					for (const said of chapter.list(chapter.contentIn(stratum))) refuseForeignScope(space, chapter, said, stratum.name);
			await this.#db.transaction(async (tx) => {
				await tx.update(applications).set({ body: application }).where(eq(applications.id, id));
				await tx.delete(commands).where(eq(commands.application, id));
				await writeCommands(tx, id, list);
				for (const factory of profile.filter((s) => s.kind === 'factory')) {
					const changes = followingRenames(factory, renamed);
					await writeOutcome(tx, id, applyAnywhere([factory], changes), changes);
				}
			});
			this.#loaded.delete(id);
		});
	}

	/** How much of each kind there is of an application. Throws `Problem` 404. */
	async holdings(id: string): Promise<Record<string, number>> {
		const [row] = await this.#db.select({ id: applications.id }).from(applications).where(eq(applications.id, id));
		if (!row) await this.#missing(id);
		const many = async (table: (typeof OF_APPLICATION)[keyof typeof OF_APPLICATION]) =>
			(await this.#db.select({ n: count() }).from(table).where(eq(table.application, id)))[0]!.n;
		const found: Record<string, number> = {};
		for (const [name, table] of Object.entries(OF_APPLICATION)) found[name] = await many(table);
		return found;
	}

	/** Deletes an application with all that there is of it. Throws `Problem` 404. */
	remove(id: string): Promise<void> {
		return this.#inTurn(id, async () => {
			await this.holdings(id);
			await this.#db.transaction(async (tx) => {
				const own = await tx.select({ id: seats.id }).from(seats).where(eq(seats.application, id));
				const ids = own.map((s) => s.id);
				for (const table of [reports, drifts]) if (ids.length > 0) await tx.delete(table).where(inArray(table.seat, ids));
				for (const table of Object.values(OF_APPLICATION)) await tx.delete(table).where(eq(table.application, id));
				await tx.delete(applications).where(eq(applications.id, id));
			});
			this.#loaded.delete(id);
			this.#gone();
		});
	}

	/**
	 * Compares what stands in the tables with what all edits come to, one after the other. Gives what differs in words; nothing
	 * if all is well.
	 */
	async verify(id: string): Promise<string[]> {
		const { profile } = await this.load(id);
		let folded: Profile = profile.map((stratum) => (stratum.kind === 'factory' ? stratum : { ...stratum, contents: {} }));
		const differing: string[] = [];
		let revision = 0;
		for (;;) {
			const some = await this.#db
				.select()
				.from(edits)
				.where(and(eq(edits.application, id), gt(edits.revision, revision)))
				.orderBy(asc(edits.revision))
				.limit(200);
			if (some.length === 0) break;
			for (const edit of some) {
				revision = edit.revision;
				try {
					folded = applyEdit(folded, edit.changes);
				} catch (error) {
					differing.push(`${id}: edit ${revision} does not fit on those before it: ${(error as Error).message}`);
					return differing;
				}
			}
		}
		const stored = await this.#read(id);
		for (const [i, stratum] of stored.profile.entries()) differing.push(...stratumDifferences(id, stratum, folded[i]!));
		return differing;
	}

	async #missing(id: string): Promise<never> {
		const known = (await this.list()).map((a) => a.id).join(', ') || 'none yet';
		throw new Problem(404, 'not-found', `There is no application "${id}". Known: ${known}.`);
	}

	/** Sets how the application's command line takes typed names; null takes the command line away. Throws `Problem` 404. */
	setAliasInput(id: string, input: AliasInput | null): Promise<Application> {
		return this.#inTurn(id, async () => {
			const workspace = await this.load(id);
			const { aliases: _, ...rules } = workspace.application.rules;
			const application: Application = { ...workspace.application, rules: { ...rules, ...(input && { aliases: input }) } };
			await this.#db.update(applications).set({ body: application }).where(eq(applications.id, id));
			this.#loaded.set(id, Promise.resolve({ ...workspace, application }));
			return application;
		});
	}

	/**
	 * Takes an edit if none of the strata that it changes has changed since the revision it is made against. Throws `Problem` 409 with
	 * what happened since, 403 or 422.
	 */
	edit(
		id: string,
		proposed: ProposedEdit,
		{ person, seen }: Writing = BY_FIRST,
		now = new Date()
	): Promise<{ edit: Edit } & Reach> {
		return this.#inTurn(id, async () => {
			const workspace = await this.load(id);
			await this.#refuseStale(workspace, proposed.base, proposed.changes);
			const from = refuseForeign(workspace, person, proposed.stratum, proposed.changes);
			const role = writingAs(person.role, from.kind);
			const said = inOwnRole(proposed.changes, role);
			this.#applied(workspace, () => applyEdit(workspace.profile, said));
			refuseProblems(workspace, seenWith(workspace, seen, said), said);
			const changes = placedEdit(workspace.profile, said);
			return this.#append(id, workspace, { role, by: person.id, stratum: from.id, label: proposed.label, changes }, now, {});
		});
	}

	/**
	 * Takes the person's last edit back that was written from this stratum, or brings the last undone one again. Throws `Problem` 409 when
	 * stale, when there is none, or when somebody has written over it since.
	 */
	step(
		id: string,
		direction: 'undo' | 'redo',
		base: number,
		stratum: StratumId,
		person: Person = FIRST,
		now = new Date()
	): Promise<{ edit: Edit } & Reach> {
		return this.#inTurn(id, async () => {
			const workspace = await this.load(id);
			const from = refuseForeign(workspace, person, stratum, []);
			await this.#refuseStale(workspace, base, [], from.id);
			const target = undoable(stepsOf(workspace.steps, person), from.id)[direction].at(-1);
			if (target === undefined) throw new Problem(409, 'nothing-to-do', `There is nothing of ${from.name} to ${direction}.`);
			const [edit] = await this.#db
				.select()
				.from(edits)
				.where(and(eq(edits.application, id), eq(edits.revision, target)));
			const changes = direction === 'undo' ? inverseEdit(edit!.changes) : [...edit!.changes];
			refuseForeign(workspace, person, from.id, changes);
			await this.#refuseOverwritten(workspace, edit!, direction, changes);
			const label = `${direction === 'undo' ? 'Undo' : 'Redo'}: ${edit!.label}`;
			return this.#append(
				id,
				workspace,
				{ role: writingAs(person.role, from.kind), by: person.id, stratum: from.id, label: label.slice(0, 200), changes },
				now,
				direction === 'undo' ? { undoes: target } : { redoes: target }
			);
		});
	}

	/** Throws `Problem` 409 that names who has written over what the step would take back or bring again. */
	async #refuseOverwritten(
		workspace: Workspace,
		edit: Pick<Edit, 'revision' | 'label'>,
		direction: string,
		changes: readonly AnyChange[]
	): Promise<void> {
		try {
			applyEdit(workspace.profile, changes);
		} catch (error) {
			if (!(error instanceof StaleChangeError)) throw error;
			const names = namesOf(indexOf(workspace, workspace.profile));
			const since = await this.editsSince(workspace.application.id, edit.revision);
			const over = since.findLast((later) => touchedBy(changes, later.changes, names).length > 0);
			const what = over ? touchedBy(changes, over.changes, names).slice(0, 3).join(', ') : error.message;
			const who = over ? `“${over.label}” by the ${over.role} (revision ${over.revision})` : 'a later edit';
			throw new Problem(
				409,
				'written-over',
				`“${edit.label}” cannot be ${direction === 'undo' ? 'undone' : 'redone'}: ${who} has changed ${what} since. Change it by hand if you still want to.`
			);
		}
	}

	/** What the person can undo and redo from each stratum. */
	reach(workspace: Pick<Workspace, 'steps' | 'profile'>, person: Person = FIRST): Reach {
		return reachOf(stepsOf(workspace.steps, person), workspace.profile);
	}

	/** Strata have come, gone, or changed their name or owner: all is read anew when it is asked for next. */
	forget(): void {
		this.#loaded.clear();
	}

	/** The edits after a revision, oldest first. */
	async editsSince(id: string, revision: number): Promise<Edit[]> {
		const rows = await this.#db
			.select()
			.from(edits)
			.where(and(eq(edits.application, id), gt(edits.revision, revision)))
			.orderBy(asc(edits.revision));
		return rows.map(editOf);
	}

	/** The newest edits first, for the history. */
	async latestEdits(id: string, most: number): Promise<Edit[]> {
		const rows = await this.#db.select().from(edits).where(eq(edits.application, id)).orderBy(desc(edits.revision)).limit(most);
		return rows.map(editOf);
	}

	async #refuseStale(workspace: Workspace, base: number, changes: readonly AnyChange[], from?: StratumId): Promise<void> {
		const { revision, revisions } = workspace;
		if (base > revision)
			throw new Problem(409, 'stale-revision', `Revision ${base} does not exist; the profile stands at ${revision}. Reload.`, {
				revision,
				since: [],
				touched: []
			});
		const written = from === undefined ? changes.map(({ stratum }) => stratum) : [from];
		if (written.every((stratum) => (revisions.get(stratum) ?? 0) <= base)) return;
		const since = await this.editsSince(workspace.application.id, base);
		const touched = touchedBy(
			changes,
			since.flatMap((e) => e.changes),
			namesOf(indexOf(workspace, workspace.profile))
		);
		throw new Problem(
			409,
			'stale-revision',
			`The profile was at revision ${base} when you made this change and stands at ${revision} now. Nothing was written.`,
			{ revision, since, touched }
		);
	}

	/** The profile after it. Throws `Problem` 409 where something is not as the edit expects it, 422 for what cannot be. */
	#applied({ revision }: Workspace, apply: () => Profile): Profile {
		try {
			return apply();
		} catch (error) {
			if (error instanceof StaleChangeError)
				throw new Problem(409, 'stale-revision', error.message, { revision, since: [], touched: [] });
			if (error instanceof FactoryWriteError || error instanceof RangeError) throw new Problem(422, 'not-sound', error.message);
			throw error;
		}
	}

	async #append(
		id: string,
		workspace: Workspace,
		said: Pick<Edit, 'role' | 'by' | 'stratum' | 'label' | 'changes'>,
		now: Date,
		of: { undoes?: number; redoes?: number }
	): Promise<{ edit: Edit } & Reach> {
		const profile = this.#applied(workspace, () => applyEdit(workspace.profile, said.changes));
		const edit: Edit = { revision: workspace.revision + 1, at: now.toISOString(), ...said, ...of };
		const written = [...new Set(said.changes.map(({ stratum }) => stratum))];
		await this.#db.transaction(async (tx) => {
			const moved = await tx
				.update(applications)
				.set({ revision: edit.revision })
				.where(and(eq(applications.id, id), eq(applications.revision, workspace.revision)))
				.returning({ id: applications.id });
			if (moved.length === 0) throw new Problem(409, 'stale-revision', 'Another process wrote this profile. Reload.');
			await tx.insert(edits).values({ ...edit, application: id });
			await writeOutcome(tx, id, profile, said.changes);
			await tx
				.update(strata)
				.set({ revision: edit.revision })
				.where(and(eq(strata.application, id), inArray(strata.id, written)));
		});
		const revisions = new Map([...workspace.revisions, ...written.map((stratum) => [stratum, edit.revision] as const)]);
		const steps = [...workspace.steps, stepOf({ ...edit, undoes: of.undoes ?? null, redoes: of.redoes ?? null })];
		// strata may have come or gone meanwhile: then it is read anew
		if ((await this.#loaded.get(id)) === workspace)
			this.#loaded.set(id, Promise.resolve({ ...workspace, profile, revision: edit.revision, revisions, steps }));
		else this.#loaded.delete(id);
		return {
			edit,
			...reachOf(
				steps.filter(({ by }) => by === said.by),
				profile
			)
		};
	}

	/** Runs the work after all earlier work on the same application has ended. */
	#inTurn<T>(id: string, work: () => Promise<T>): Promise<T> {
		return this.#turns.take(`profile ${id}`, async () => {
			if (this.#turns.areShared) await this.#forgetStale(id);
			return work();
		});
	}

	/** What another server has written since is read anew. */
	async #forgetStale(id: string): Promise<void> {
		const loaded = await this.#loaded.get(id)?.catch(() => undefined);
		if (!loaded) return;
		const [row] = await this.#db.select({ revision: applications.revision }).from(applications).where(eq(applications.id, id));
		if (row?.revision !== loaded.revision) this.#loaded.delete(id);
	}
}

/** The tables with rows of applications, in the order in which they can be emptied. */
const OF_APPLICATION = {
	seats,
	rollouts,
	releases,
	recipes,
	searchPaths,
	setups,
	proposals,
	edits,
	entries,
	texts,
	strata,
	commands
};

async function writeCommands(tx: Pick<Database, 'insert'>, id: string, list: readonly Command[]): Promise<void> {
	for (const chunk of inChunks(list.map((body, position) => ({ application: id, id: body.id as string, position, body }))))
		await tx.insert(commands).values(chunk);
}

const notSound = (problems: readonly string[]) =>
	new Problem(422, 'not-sound', problems[0]!, { errors: problems.slice(0, 50).map((detail) => ({ detail })) });

function refuseForeignScope(
	space: ContextSpace,
	{ scopeOf, words }: (typeof ALL_CHAPTERS)[number],
	said: unknown,
	where: string
): void {
	const scope = scopeOf?.(said);
	if (!scope) return;
	try {
		space.bitsOf(scope);
	} catch (error) {
		throw notSound([`${where}, a ${words.one}: ${(error as Error).message}`]);
	}
}

function refuseUncanonical(keys: Keys, where: string): void {
	let canonical: Keys;
	try {
		canonical = parseKeys(keys);
	} catch (error) {
		throw notSound([`${where}: ${(error as Error).message}`]);
	}
	if (canonical !== keys) throw notSound([`${where}: the keys must be written ${canonical}`]);
}

/** Throws `Problem` 422 if the application, its catalogue, strata and factory do not fit together; gives the factory's stratum. */
function refuseUnsound({
	application,
	commands: list,
	strata: heads,
	factory
}: Pick<NewApplication, 'application' | 'commands' | 'strata' | 'factory'>): Stratum {
	const space = contextSpace(application.axes, application.reachable);
	const twice = heads.find((head, i) => heads.findIndex((h) => h.id === head.id) !== i);
	if (twice) throw notSound([`two strata are called "${twice.id}"; expected a different id for each`]);
	const factories = heads.filter((head) => head.kind === 'factory');
	if (factories.length !== 1) throw notSound([`expected one factory stratum, found ${factories.length}`]);
	if (heads[0]!.kind !== 'factory') throw notSound(['the factory stratum stands first, below all others']);
	let catalogue: Catalogue;
	try {
		catalogue = catalogueOf(list, space);
	} catch (error) {
		if (!(error instanceof CatalogueError)) throw error;
		throw new Problem(422, 'not-sound', error.message, { errors: error.problems.slice(0, 50).map((detail) => ({ detail })) });
	}
	for (const { keys, does } of application.rules.hardwired) refuseUncanonical(keys, `the kept key that ${does}`);
	const base = stratumFrom(factories[0]!, (chapter) => factory[chapter] ?? []);
	const empty: Profile = [{ ...base, contents: {} }];
	const index = indexOf({ application, space, catalogue }, empty);
	for (const chapter of ALL_CHAPTERS) {
		const said = factory[chapter.id] ?? [];
		const seen = new Set<string>();
		for (const one of chapter.form === 'keyed' ? said : []) {
			const { op } = one as { op: string };
			const { key } = chapter.keyOf(one);
			const named = `the factory ${chapter.words.one} ${key.replaceAll('\n', ' ').trim()}`;
			if (op !== 'set') throw notSound([`${named}: expected the op set, found ${op}`]);
			if (seen.has(key)) throw notSound([`${named} stands there twice`]);
			seen.add(key);
		}
		const changes = said.map((one) =>
			chapter.form === 'keyed' ? { stratum: base.id, before: null, after: one } : { stratum: base.id, from: null, to: one }
		);
		const [problem] = changes.length > 0 ? chapter.problems(changes, { index, profile: empty }) : [];
		if (problem) throw notSound([`the factory ${chapter.words.one}: ${problem.message}`]);
	}
	return base;
}

/** How two states of a stratum differ, in words. */
function stratumDifferences(id: string, stored: Stratum, folded: Stratum): string[] {
	const where = `${id}, ${stored.name}`;
	return ALL_CHAPTERS.flatMap((chapter) => {
		const byKey = (stratum: Stratum) =>
			new Map(
				chapter.list(chapter.contentIn(stratum)).map((said) => {
					const { key, isLock } = chapter.keyOf(said);
					return [`${isLock ? 'lock of ' : ''}${key.replaceAll('\n', ' ').trim()}`, canonicalText(said)] as const;
				})
			);
		const [have, want] = [byKey(stored), byKey(folded)];
		return [...new Set([...have.keys(), ...want.keys()])].flatMap((key) => {
			if (have.get(key) === want.get(key)) return [];
			const how = !want.has(key)
				? 'stands in the table and no edit says it'
				: !have.has(key)
					? 'is said by the edits and is not in the table'
					: 'is otherwise in the table than the edits say';
			return [`${where}: the ${[chapter.words.one, key].filter((text) => text !== '').join(' ')} ${how}`];
		});
	});
}

type Tables = Pick<Database, 'delete' | 'insert'>;

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

/** Writes all that a stratum holds into tables that have nothing of it. */
async function writeContents(tx: Tables, id: string, stratum: Stratum): Promise<void> {
	for (const chapter of ALL_CHAPTERS) {
		const said = chapter.list(chapter.contentIn(stratum));
		if (chapter.form === 'text') await writeText(tx, id, stratum.id, chapter.id, said[0]);
		else
			for (const chunk of inChunks(said.map((one) => rowOf(id, stratum.id, chapter, one))))
				await tx.insert(entries).values(chunk);
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
async function writeOutcome(tx: Tables, id: string, after: Profile, changes: readonly AnyChange[]): Promise<void> {
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
			for (const chunk of inChunks([...come.values()])) await tx.insert(entries).values(chunk);
		}
}

/** Throws `Problem` 422 with all that stands against the changes on the profile that their writer looks at. */
export function refuseProblems(application: OpenApplication, profile: Profile, changes: readonly AnyChange[]): void {
	const problems = problemsOf(changes, groundFor(application, profile, changes));
	if (problems.length > 0)
		throw new Problem(422, 'not-sound', problems[0]!.message, {
			errors: problems.slice(0, 50).map((p) => ({ pointer: `/changes/${p.index}`, detail: p.message }))
		});
}

/** The stratum that is written to. Throws `Problem` 422 for one that is not there or is never written. */
export function writableStratum(profile: Profile, id: StratumId): StratumHead {
	const stratum = profile.find((s) => s.id === id);
	if (!stratum)
		throw new Problem(422, 'not-sound', `there is no stratum "${id}"; this profile has ${profile.map((s) => s.id).join(', ')}`);
	if (stratum.kind === 'factory') throw new Problem(422, 'not-sound', new FactoryWriteError().message);
	return stratum;
}

/**
 * Gives the stratum that is written to. Throws `Problem` 403 if the person may not write it, or something of the changes, or if a
 * change reaches from a stratum of one's own into a common one.
 */
export function refuseForeign(
	{ profile, owners }: Pick<Workspace, 'profile' | 'owners'>,
	person: Person,
	stratum: StratumId,
	changes: readonly AnyChange[]
): StratumHead {
	const refuse = (pointer: string, detail: string, expected: string) =>
		new Problem(403, 'not-yours', detail, { errors: [{ pointer, detail: expected }] });
	const mine = (head: StratumHead) => mayWrite(person, { ...headOf(head), person: owners.get(head.id) ?? null });
	const from = writableStratum(profile, stratum);
	if (!mine(from))
		throw refuse(
			'/stratum',
			`${from.name} is not yours: it is written by ${whose(from)}.`,
			'expected a stratum that you may write'
		);
	changes.forEach((change, i) => {
		const to = writableStratum(profile, change.stratum);
		const pointer = `/changes/${i}/stratum`;
		if (!reaches(from.kind, to.kind))
			throw refuse(
				pointer,
				`${to.name} is the steward's; you write to ${from.name}. Write to ${to.name} to change it.`,
				`expected a stratum that ${from.name} may write`
			);
		if (!mine(to))
			throw refuse(pointer, `${to.name} is not yours: it is written by ${whose(to)}.`, 'expected a stratum that you may write');
	});
	return from;
}

/** The profile that the writer looks at, with all that they change. */
function seenWith({ profile }: Workspace, seen: readonly StratumId[] | undefined, changes: readonly AnyChange[]): Profile {
	if (!seen) return profile;
	const missing = new Set(changes.map(({ stratum }) => stratum).filter((stratum) => !seen.includes(stratum)));
	const looked = profileOf(profile, seen);
	return missing.size === 0 ? looked : inUsualOrder([...looked, ...profile.filter(({ id }) => missing.has(id))]);
}

/** What is let stand is let stand in the role of who says so, whatever the request says. */
function inOwnRole(changes: readonly AnyChange[], role: Role): readonly AnyChange[] {
	return changes.map((change) => {
		if (change.chapter !== ACCEPTANCES || role === 'steward') return change;
		const { before, after } = change as unknown as KeyedChange<AcceptanceEntry>;
		return !before && after?.op === 'set' && after.role !== role ? { ...change, after: { ...after, role } } : change;
	});
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

/** What can be undone and redone, by the stratum that it was written from. */
export interface Reach {
	readonly undo: Readonly<Record<string, readonly number[]>>;
	readonly redo: Readonly<Record<string, readonly number[]>>;
}

function reachOf(steps: readonly Step[], profile: Profile): Reach {
	const undo: Record<string, number[]> = {};
	const redo: Record<string, number[]> = {};
	for (const { id, kind } of profile) if (kind !== 'factory') ({ undo: undo[id], redo: redo[id] } = undoable(steps, id));
	return { undo, redo };
}

function stepOf({
	revision,
	by,
	stratum,
	undoes,
	redoes
}: Pick<Step, 'revision' | 'by' | 'stratum'> & { undoes: number | null; redoes: number | null }): Step {
	return { revision, by, stratum, ...(undoes !== null && { undoes }), ...(redoes !== null && { redoes }) };
}

function editOf(row: typeof edits.$inferSelect): Edit {
	const { application: _, undoes, redoes, at, ...rest } = row;
	return { ...rest, at: new Date(at).toISOString(), ...stepOf({ ...row, undoes, redoes }) };
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
