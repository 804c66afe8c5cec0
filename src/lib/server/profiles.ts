import { and, asc, desc, eq, gt } from 'drizzle-orm';
import { changeProblems } from '../../../core/answer/validate.ts';
import { Application, catalogueOf, CatalogueError, type Catalogue } from '../../../core/application/application.ts';
import type { Command } from '../../../core/application/command.ts';
import { indexOf } from '../../../core/check/circumstances.ts';
import { contextSpace, type ContextSpace } from '../../../core/context/space.ts';
import {
	FactoryWriteError,
	StaleChangeError,
	applyEdit,
	inverseEdit,
	keyOfChange,
	undoable,
	type Change,
	type Edit,
	type ProposedEdit,
	type Said
} from '../../../core/profile/edit.ts';
import { type Role } from '../../../core/profile/role.ts';
import { entryKey, type Entry } from '../../../core/profile/entry.ts';
import { stratumOf, type Profile, type StratumHead } from '../../../core/profile/stratum.ts';
import { StaleAliasError } from '../../../core/profile/alias-change.ts';
import { applyMacroChanges, StaleMacroError } from '../../../core/profile/macro-change.ts';
import type { AliasInput } from '../../../core/alias/input.ts';
import type { AliasFile } from '../../../core/alias/file.ts';
import type { Database } from './db/open.ts';
import { applications, commands, edits, entries, strata } from './db/schema.ts';
import { Problem } from './problem.ts';

type Step = Pick<Edit, 'revision' | 'undoes' | 'redoes'>;

/** An application with its profile as it stands now, kept in memory: this process alone writes the data folder. */
export interface Workspace {
	readonly application: Application;
	readonly commands: readonly Command[];
	readonly catalogue: Catalogue;
	readonly space: ContextSpace;
	readonly profile: Profile;
	readonly revision: number;
	readonly steps: readonly Step[];
}

export interface NewApplication {
	readonly application: Application;
	readonly commands: readonly Command[];
	readonly strata: readonly StratumHead[];
	readonly factory: readonly Entry[];
	/** The factory's alias file. */
	readonly aliases?: AliasFile | undefined;
}

const CHUNK = 1000;
const inChunks = <T>(rows: readonly T[]): T[][] =>
	Array.from({ length: Math.ceil(rows.length / CHUNK) }, (_, i) => rows.slice(i * CHUNK, (i + 1) * CHUNK));

/** Applications, their strata and edits. Edits of one application are taken one after the other. */
export class Profiles {
	readonly #db: Database;
	readonly #loaded = new Map<string, Promise<Workspace>>();
	readonly #tail = new Map<string, Promise<unknown>>();

	constructor(db: Database) {
		this.#db = db;
	}

	async list(): Promise<Pick<Application, 'id' | 'name' | 'version'>[]> {
		const rows = await this.#db.select({ body: applications.body }).from(applications).orderBy(asc(applications.createdAt));
		return rows.map(({ body: { id, name, version } }) => ({ id, name, version }));
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
		if (!row) {
			const known = (await this.list()).map((a) => a.id).join(', ') || 'none yet';
			throw new Problem(404, 'not-found', `There is no application "${id}". Known: ${known}.`);
		}
		const [commandRows, heads, entryRows, steps] = await Promise.all([
			this.#db.select({ body: commands.body }).from(commands).where(eq(commands.application, id)).orderBy(asc(commands.position)),
			this.#db.select().from(strata).where(eq(strata.application, id)).orderBy(asc(strata.position)),
			this.#db.select().from(entries).where(eq(entries.application, id)),
			this.#db
				.select({ revision: edits.revision, undoes: edits.undoes, redoes: edits.redoes })
				.from(edits)
				.where(eq(edits.application, id))
				.orderBy(asc(edits.revision))
		]);
		// as stored by an older version it may lack what was added since
		const application = Application.parse(row.body);
		const space = contextSpace(application.axes, application.reachable);
		const catalogue = catalogueOf(
			commandRows.map((c) => c.body),
			space
		);
		const byStratum = groupBy(entryRows, (e) => e.stratum);
		return {
			application,
			commands: [...catalogue.values()],
			catalogue,
			space,
			profile: heads.map((head) =>
				stratumOf(
					{ id: head.id, kind: head.kind, name: head.name } as StratumHead,
					(byStratum.get(head.id) ?? []).map(
						({ op, command, keys, scope, rank, acceptance }) =>
							({ op, command, keys, scope, rank, ...(acceptance && { acceptance }) }) as Entry
					),
					head.aliases,
					head.macros
				)
			),
			revision: row.revision,
			steps: steps.map(stepOf)
		};
	}

	/** For each action, the inputs that have it in the other applications of the office. */
	async actionsElsewhere(id: string): Promise<Record<string, { keys: string; application: string }[]>> {
		const actions: Record<string, { keys: string; application: string }[]> = {};
		for (const other of await this.list()) {
			if (other.id === id) continue;
			const workspace = await this.load(other.id);
			const index = indexOf(workspace, workspace.profile);
			for (const { id: command, action } of workspace.commands)
				if (action !== undefined)
					for (const { keys } of index.of(command)) (actions[action] ??= []).push({ keys, application: other.name });
		}
		return actions;
	}

	/** Adds an application with its catalogue and strata. Throws `Problem` 409 for an id that is taken, 422 for a catalogue that does not fit. */
	async add({ application, commands: list, strata: heads, factory, aliases }: NewApplication): Promise<void> {
		const space = contextSpace(application.axes, application.reachable);
		try {
			const catalogue = catalogueOf(list, space);
			const missing = factory.find((entry) => !catalogue.has(entry.command));
			if (missing)
				throw new CatalogueError([
					`the factory shortcut ${missing.keys} names ${missing.command}, which is not in the catalogue`
				]);
		} catch (error) {
			if (!(error instanceof CatalogueError)) throw error;
			throw new Problem(422, 'not-sound', error.message, { errors: error.problems.slice(0, 50).map((detail) => ({ detail })) });
		}
		const id = application.id;
		const [taken] = await this.#db.select({ id: applications.id }).from(applications).where(eq(applications.id, id));
		if (taken) throw new Problem(409, 'taken', `There is an application "${id}" already. Give this one another name or version.`);
		const base = heads.find((h) => h.kind === 'factory');
		await this.#db.transaction(async (tx) => {
			await tx.insert(applications).values({ id, body: application });
			await tx.insert(strata).values(
				heads.map((head, position) => ({
					...head,
					application: id,
					position,
					...(head.kind === 'factory' && aliases && { aliases })
				}))
			);
			for (const chunk of inChunks(list.map((body, position) => ({ application: id, id: body.id as string, position, body }))))
				await tx.insert(commands).values(chunk);
			if (base)
				for (const chunk of inChunks(
					factory.map((e) => ({ ...e, application: id, stratum: base.id as string, key: entryKey(e) as string }))
				))
					await tx.insert(entries).values(chunk);
		});
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

	/** Takes an edit if it is made against the revision that stands. Throws `Problem` 409 with what happened since, or 422. */
	edit(id: string, proposed: ProposedEdit, now = new Date()): Promise<{ edit: Edit; undo: number[]; redo: number[] }> {
		return this.#inTurn(id, async () => {
			const workspace = await this.load(id);
			await this.#refuseStale(workspace, proposed.base, proposed.changes);
			// an edit may bring a macro and its shortcut together
			const profile = this.#applied(workspace, () => applyMacroChanges(workspace.profile, proposed.macros));
			const problems = changeProblems(indexOf(workspace, profile), workspace.profile, proposed.changes);
			if (problems.length > 0)
				throw new Problem(422, 'not-sound', problems[0]!.message, {
					errors: problems.slice(0, 50).map((p) => ({ pointer: `/changes/${p.index}`, detail: p.message }))
				});
			return this.#append(id, workspace, proposed, now, {});
		});
	}

	/** Takes the last edit back, or brings the last undone one again. Throws `Problem` 409 when stale or when there is none. */
	step(id: string, direction: 'undo' | 'redo', base: number, role: Role, now = new Date()) {
		return this.#inTurn(id, async () => {
			const workspace = await this.load(id);
			await this.#refuseStale(workspace, base, []);
			const target = undoable(workspace.steps)[direction].at(-1);
			if (target === undefined) throw new Problem(409, 'nothing-to-do', `There is nothing to ${direction}.`);
			const [edit] = await this.#db
				.select()
				.from(edits)
				.where(and(eq(edits.application, id), eq(edits.revision, target)));
			const said = direction === 'undo' ? inverseEdit(edit!) : edit!;
			const label = `${direction === 'undo' ? 'Undo' : 'Redo'}: ${edit!.label}`;
			return this.#append(
				id,
				workspace,
				{ ...said, role, label },
				now,
				direction === 'undo' ? { undoes: target } : { redoes: target }
			);
		});
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

	async #refuseStale(workspace: Workspace, base: number, changes: readonly Change[]): Promise<void> {
		if (base === workspace.revision) return;
		if (base > workspace.revision)
			throw new Problem(
				409,
				'stale-revision',
				`Revision ${base} does not exist; the profile stands at ${workspace.revision}. Reload.`,
				{
					revision: workspace.revision,
					since: [],
					touched: []
				}
			);
		const since = await this.editsSince(workspace.application.id, base);
		const mine = new Set(changes.map((c) => `${c.stratum}\n${keyOfChange(c)}`));
		const touched = since.flatMap((e) => e.changes).filter((c) => mine.has(`${c.stratum}\n${keyOfChange(c)}`));
		throw new Problem(
			409,
			'stale-revision',
			`The profile was at revision ${base} when you made this change and stands at ${workspace.revision} now. Nothing was written.`,
			{ revision: workspace.revision, since, touched }
		);
	}

	/** The profile after it. Throws `Problem` 409 where something is not as the edit expects it, 422 for what cannot be. */
	#applied({ revision }: Workspace, apply: () => Profile): Profile {
		try {
			return apply();
		} catch (error) {
			const stale = (touched: readonly Change[]) =>
				new Problem(409, 'stale-revision', (error as Error).message, { revision, since: [], touched });
			if (error instanceof StaleChangeError) throw stale([error.change]);
			if (error instanceof StaleAliasError || error instanceof StaleMacroError) throw stale([]);
			if (error instanceof FactoryWriteError || error instanceof RangeError) throw new Problem(422, 'not-sound', error.message);
			throw error;
		}
	}

	async #append(
		id: string,
		workspace: Workspace,
		{ role, label, changes, aliases, macros }: Said & Pick<Edit, 'role' | 'label'>,
		now: Date,
		of: { undoes?: number; redoes?: number }
	) {
		const profile = this.#applied(workspace, () => applyEdit(workspace.profile, { changes, aliases, macros }));
		const edit: Edit = {
			revision: workspace.revision + 1,
			at: now.toISOString(),
			role,
			label,
			changes: [...changes],
			aliases: [...aliases],
			macros: [...macros],
			...of
		};
		await this.#db.transaction(async (tx) => {
			const moved = await tx
				.update(applications)
				.set({ revision: edit.revision })
				.where(and(eq(applications.id, id), eq(applications.revision, workspace.revision)))
				.returning({ id: applications.id });
			if (moved.length === 0) throw new Problem(409, 'stale-revision', 'Another process wrote this profile. Reload.');
			await tx.insert(edits).values({ ...edit, application: id });
			for (const change of changes.filter((c) => c.before))
				await tx
					.delete(entries)
					.where(and(eq(entries.application, id), eq(entries.stratum, change.stratum), eq(entries.key, keyOfChange(change))));
			const written = changes
				.filter((c) => c.after)
				.map((c) => ({ ...c.after!, application: id, stratum: c.stratum as string, key: keyOfChange(c) as string }));
			for (const chunk of inChunks(written)) await tx.insert(entries).values(chunk);
			for (const stratum of new Set([...aliases, ...macros].map((change) => change.stratum))) {
				const { aliases: file, macros: list } = profile.find((s) => s.id === stratum)!;
				await tx
					.update(strata)
					.set({ aliases: file ?? null, macros: list ? [...list.values()] : null })
					.where(and(eq(strata.application, id), eq(strata.id, stratum)));
			}
		});
		const steps = [...workspace.steps, stepOf({ revision: edit.revision, undoes: of.undoes ?? null, redoes: of.redoes ?? null })];
		this.#loaded.set(id, Promise.resolve({ ...workspace, profile, revision: edit.revision, steps }));
		return { edit, ...undoable(steps) };
	}

	/** Runs the work after all earlier work on the same application has ended. */
	#inTurn<T>(id: string, work: () => Promise<T>): Promise<T> {
		const turn = (this.#tail.get(id) ?? Promise.resolve()).then(work, work);
		this.#tail.set(
			id,
			turn.catch(() => undefined)
		);
		return turn;
	}
}

function stepOf({ revision, undoes, redoes }: { revision: number; undoes: number | null; redoes: number | null }): Step {
	return { revision, ...(undoes !== null && { undoes }), ...(redoes !== null && { redoes }) };
}

function editOf(row: typeof edits.$inferSelect): Edit {
	const { application: _, undoes, redoes, at, ...rest } = row;
	return { ...rest, at: new Date(at).toISOString(), ...stepOf({ revision: row.revision, undoes, redoes }) };
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
