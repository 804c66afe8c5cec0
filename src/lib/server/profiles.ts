import { and, asc, count, eq, gt, inArray, lte, sql } from 'drizzle-orm';
import type { AliasInput } from '../../../core/application/command-line.ts';
import type { Application, ApplicationId } from '../../../core/application/application.ts';
import { namesOf, type AnyChange } from '../../../core/chapter/chapter.ts';
import { FIRST, type Person } from '../../../core/people/person.ts';
import { chapterOf } from '../../../core/profile/chapters.ts';
import { rebased } from '../../../core/profile/rebase.ts';
import { indexOf } from '../../../core/profile/circumstances.ts';
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
import { stratumOfWire, wireOf } from '../../../core/profile/wire.ts';
import { FactoryWriteError, StaleChangeError } from '../../../core/strata/change.ts';
import { writingAs } from '../../../core/strata/role.ts';
import type { Profile, StratumHead, StratumId } from '../../../core/strata/stratum.ts';
import type { RowTransaction } from './db/database.ts';
import type { Database } from './db/open.ts';
import { Turns } from './db/turns.ts';
import {
	applications,
	commands,
	edits,
	entries,
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
	texts,
	soundStates
} from './db/schema.ts';
import { pause } from './pauses.ts';
import { inParts } from './profile/parts.ts';
import { Problem } from './problem.ts';
import {
	applicationChange,
	writeApplicationChange,
	type ApplicationChange,
	type ChangedApplication
} from './profile/catalogue.ts';
import { refuseProblems, refuseUnsound, type NewApplication } from './profile/sound.ts';
import { addLayers, writeCommands, writeContents, writeEdit } from './profile/tables.ts';
import { differencesFromEdits, type SoundState } from './profile/verify.ts';
import { editOf, reachOf, readWorkspace, stepOf, stepsOf, type Reach, type Workspace } from './profile/workspace.ts';
import { inOwnRole, refuseForeign, seenWith, type Writing } from './profile/writing.ts';

const BY_FIRST: Writing = { person: FIRST };

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

	async #read(id: string, isWhole = false): Promise<Workspace> {
		const [row] = await this.#db.select().from(applications).where(eq(applications.id, id));
		if (!row) return this.#missing(id);
		return readWorkspace(this.#db, row, isWhole);
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
		if (taken) throw new Problem(409, 'taken', `There is already a program "${id}". Use another name or version.`);
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
	 * Changes what an application is: its name, version, rules, contexts and catalogue. What all strata and the factory say of
	 * renamed commands follows, stratum by stratum as an edit; what they say of commands that are gone stays, and is told by the check.
	 * All of it or nothing, after `before`. Throws `Problem` 404, or 422 for what does not fit together.
	 */
	change(
		id: string,
		changed: ChangedApplication,
		{ person = FIRST, before = async () => {} }: { person?: Person; before?: (change: ApplicationChange) => Promise<void> } = {},
		now = new Date()
	): Promise<ApplicationChange> {
		return this.#inTurn(id, async () => {
			const change = applicationChange(await this.#read(id, true), changed, person, now);
			await before(change);
			await this.#db.transaction((tx) => writeApplicationChange(tx, id, change));
			this.#loaded.delete(id);
			return change;
		});
	}

	/** What `change` would do. Throws as it does. */
	async wouldChange(id: string, changed: ChangedApplication, person = FIRST): Promise<ApplicationChange> {
		return applicationChange(await this.#read(id, true), changed, person, new Date());
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
	 * if all is well, and then keeps the state. With `isWhole` all edits count, else those after the state that was kept last.
	 */
	async verify(id: string, isWhole = true, progress?: (revision: number, of: number) => void): Promise<readonly string[]> {
		const whole = () => this.#read(id, true);
		const first = await whole();
		const since = isWhole ? undefined : await this.#soundState(id, first);
		const { differing, sound } = await differencesFromEdits(this.#db, id, first, whole, since, (at) =>
			progress?.(at, first.revision)
		);
		if (differing.length === 0 && (isWhole || sound.revision > (since?.revision ?? -1))) await this.#keepSound(id, sound);
		return differing;
	}

	/** The state that was found sound last, if it is of these strata; undefined for none. */
	async #soundState(id: string, { profile, revision }: Pick<Workspace, 'profile' | 'revision'>): Promise<SoundState | undefined> {
		const [row] = await this.#db.select().from(soundStates).where(eq(soundStates.application, id));
		if (!row || row.revision > revision) return undefined;
		const kept = new Map(row.strata.map((wire) => [wire.id, wire]));
		// a stratum that is new since then begins with nothing
		const heads = profile.filter(({ id: one, kind }) => kind !== 'factory' && kept.has(one));
		return { revision: row.revision, profile: heads.map(({ id: one }) => stratumOfWire(kept.get(one)!)) };
	}

	async #keepSound(id: string, { revision, profile }: SoundState): Promise<void> {
		const strata = JSON.stringify(profile.filter(({ kind }) => kind !== 'factory').map(wireOf));
		await pause();
		await this.#db
			.execute(sql`insert into sound_states (application, revision, strata) values (${id}, ${revision}, ${strata}::jsonb)
			on conflict (application) do update set revision = excluded.revision, strata = excluded.strata`);
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
		{ person, seen, also }: Writing = BY_FIRST,
		now = new Date()
	): Promise<{ edit: Edit } & Reach> {
		return this.#inTurn(id, async () => {
			const workspace = await this.load(id);
			await this.#refuseStale(workspace, proposed.base, proposed.changes);
			const from = refuseForeign(workspace, person, proposed.stratum, proposed.changes);
			const role = writingAs(person.role, from.kind);
			const said = inOwnRole(proposed.changes, role);
			await pause();
			this.#applied(workspace, () => applyEdit(workspace.profile, said));
			await pause();
			await refuseProblems(workspace, seenWith(workspace, seen, said), said);
			const changes = placedEdit(workspace.profile, said);
			await pause();
			return this.#append(
				id,
				workspace,
				{ role, by: person.id, stratum: from.id, label: proposed.label, changes },
				now,
				{},
				also
			);
		});
	}

	/**
	 * Writes edits, and what belongs to them, in one transaction: `first`, the edits, `last`. `heads` are strata that `first` makes.
	 * What has no changes is no edit. Throws what the plan throws.
	 */
	together<T>(
		id: string,
		person: Person,
		plan: (workspace: Workspace) => Promise<{
			readonly heads: readonly StratumHead[];
			readonly edits: readonly Pick<Edit, 'stratum' | 'label' | 'changes'>[];
			readonly first: (tx: RowTransaction) => Promise<void>;
			readonly last: (tx: RowTransaction) => Promise<void>;
			readonly result: T;
		}>,
		now = new Date()
	): Promise<T> {
		return this.#inTurn(id, async () => {
			const workspace = await this.load(id);
			const { heads, edits: said, first, last, result } = await plan(workspace);
			let after: Profile = [...workspace.profile, ...heads.map((head) => ({ ...head, contents: {} }))];
			let { revision } = workspace;
			const written = said
				.filter(({ changes }) => changes.length > 0)
				.map((edit): Edit => {
					after = this.#applied(workspace, () => applyEdit(after, edit.changes));
					const { kind } = after.find((stratum) => stratum.id === edit.stratum)!;
					return { ...edit, revision: ++revision, at: now.toISOString(), role: writingAs(person.role, kind), by: person.id };
				});
			await this.#db.transaction(async (tx) => {
				await first(tx);
				await this.#number(tx, id, workspace.revision, revision);
				for (const edit of written) await writeEdit(tx, id, edit, after);
				await last(tx);
			});
			if (heads.length > 0) this.forget();
			else this.#loaded.delete(id);
			return result;
		});
	}

	/** Counts the application's edits on. Throws `Problem` 409 if another process has. */
	async #number(tx: Pick<RowTransaction, 'update'>, id: string, from: number, to: number): Promise<void> {
		const moved = await tx
			.update(applications)
			.set({ revision: to })
			.where(and(eq(applications.id, id), eq(applications.revision, from)))
			.returning({ id: applications.id });
		if (moved.length === 0) throw new Problem(409, 'stale-revision', 'Another process wrote this profile. Reload.');
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
			if (target === undefined) throw new Problem(409, 'nothing-to-do', `There is nothing in ${from.name} to ${direction}.`);
			const [edit] = await this.#db
				.select()
				.from(edits)
				.where(and(eq(edits.application, id), eq(edits.revision, target)));
			const made = direction === 'undo' ? inverseEdit(edit!.changes) : [...edit!.changes];
			refuseForeign(workspace, person, from.id, made);
			await this.#refuseOverwritten(workspace, edit!, direction, made);
			const changes = await this.#stepNow(workspace, edit!, direction, made);
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

	/**
	 * The changes of a step as they fit what stands now: texts in which others have written since are merged by lines, as for any edit on
	 * an older text, since a place in a text says nothing by itself. Throws `Problem` 409 where both touch the same lines.
	 */
	async #stepNow(
		workspace: Workspace,
		edit: Pick<Edit, 'revision' | 'label'>,
		direction: 'undo' | 'redo',
		changes: readonly AnyChange[]
	): Promise<AnyChange[]> {
		const isText = ({ chapter }: AnyChange) => chapterOf(chapter).form === 'text';
		const texts = changes.filter(isText);
		if (texts.length === 0) return [...changes];
		// what the step was made on: the state after the edit that is undone, or before the one that comes again
		const since = await this.editsSince(workspace.application.id, edit.revision - (direction === 'undo' ? 0 : 1));
		const base = since.reduceRight((profile, later) => applyAnywhere(profile, inverseEdit(later.changes)), workspace.profile);
		const { changes: placed, lost, conflicts } = rebased(workspace.profile, texts, base);
		if (lost.length === 0 && conflicts.length === 0 && placed.length > 0)
			return [...changes.filter((change) => !isText(change)), ...placed];
		throw await this.#writtenOver(workspace, edit, direction, texts, 'a later edit has changed the same lines');
	}

	/** Throws `Problem` 409 that names who has written over what the step would take back or bring again. */
	async #refuseOverwritten(
		workspace: Workspace,
		edit: Pick<Edit, 'revision' | 'label'>,
		direction: string,
		changes: readonly AnyChange[]
	): Promise<void> {
		try {
			applyEdit(
				workspace.profile,
				changes.filter(({ chapter }) => chapterOf(chapter).form === 'keyed')
			);
		} catch (error) {
			if (!(error instanceof StaleChangeError)) throw error;
			throw await this.#writtenOver(workspace, edit, direction, changes, error.message);
		}
	}

	/** The refusal of a step, with who has written over it. */
	async #writtenOver(
		workspace: Workspace,
		edit: Pick<Edit, 'revision' | 'label'>,
		direction: string,
		changes: readonly AnyChange[],
		otherwise: string
	): Promise<Problem> {
		const names = namesOf(indexOf(workspace, workspace.profile));
		const since = await this.editsSince(workspace.application.id, edit.revision);
		const over = since.findLast((later) => touchedBy(changes, later.changes, names).length > 0);
		const what = over ? touchedBy(changes, over.changes, names).slice(0, 3).join(', ') : otherwise;
		const who = over ? `“${over.label}” by the ${over.role} (revision ${over.revision})` : 'a later edit';
		return new Problem(
			409,
			'written-over',
			`“${edit.label}” cannot be ${direction === 'undo' ? 'undone' : 'redone'}: ${who} has changed ${what} since. Change it by hand if you still want to.`
		);
	}

	/** What the person can undo and redo from each stratum. */
	reach(workspace: Pick<Workspace, 'steps' | 'profile'>, person: Person = FIRST): Reach {
		return reachOf(stepsOf(workspace.steps, person), workspace.profile);
	}

	/** Strata have come, gone, or changed their name or owner: all is read anew when it is asked for next. */
	forget(): void {
		this.#loaded.clear();
	}

	/** The edits after a revision, oldest first; read in parts, so that others are let in. */
	async editsSince(id: string, revision: number): Promise<Edit[]> {
		const all: Edit[] = [];
		for (let next: number | null = revision; next !== null;) {
			const part: { edits: Edit[]; next: number | null } = await this.editsAfter(id, next, 500);
			for (const edit of part.edits) all.push(edit);
			next = part.next;
			await pause();
		}
		return all;
	}

	/** Edits after a revision, the oldest first, as far as they are read at once; `next` asks for those after them, null at the end. */
	async editsAfter(id: string, revision: number, most: number): Promise<{ edits: Edit[]; next: number | null }> {
		const after = and(eq(edits.application, id), gt(edits.revision, revision));
		const rows = await this.#db
			.select({ revision: edits.revision, size: sql<number>`pg_column_size(${edits.changes})` })
			.from(edits)
			.where(after)
			.orderBy(asc(edits.revision))
			.limit(most + 1);
		const [part = []] = inParts(rows, most);
		const last = part.at(-1);
		if (last === undefined) return { edits: [], next: null };
		const read = await this.#db
			.select()
			.from(edits)
			.where(and(after, lte(edits.revision, last)))
			.orderBy(asc(edits.revision));
		return { edits: read.map(editOf), next: part.length < rows.length ? last : null };
	}

	async #refuseStale(workspace: Workspace, base: number, changes: readonly AnyChange[], from?: StratumId): Promise<void> {
		const { revision, revisions } = workspace;
		if (base > revision)
			throw new Problem(
				409,
				'stale-revision',
				`Revision ${base} does not exist; the profile is at revision ${revision}. Reload.`,
				{
					revision,
					since: [],
					touched: []
				}
			);
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
			`The profile has changed (revision ${revision}, you started from ${base}). Nothing was saved.`,
			{ revision, since: since.slice(-MOST_SINCE), touched }
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
		of: { undoes?: number; redoes?: number },
		also: Writing['also'] = async () => {}
	): Promise<{ edit: Edit } & Reach> {
		const profile = this.#applied(workspace, () => applyEdit(workspace.profile, said.changes));
		const edit: Edit = { revision: workspace.revision + 1, at: now.toISOString(), ...said, ...of };
		const written = [...new Set(said.changes.map(({ stratum }) => stratum))];
		await this.#db.transaction(async (tx) => {
			await this.#number(tx, id, workspace.revision, edit.revision);
			await writeEdit(tx, id, edit, profile);
			await also(tx, edit);
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

/** So many of the edits since are told to who has missed them; what they touch is told of all. */
const MOST_SINCE = 500;

/** The tables with rows of applications, in the order in which they can be emptied. */
const OF_APPLICATION = {
	seats,
	rollouts,
	releases,
	recipes,
	searchPaths,
	setups,
	proposals,
	soundStates,
	edits,
	entries,
	texts,
	strata,
	commands
};
