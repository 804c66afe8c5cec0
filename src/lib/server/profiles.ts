import { and, asc, count, desc, eq, gt, inArray } from 'drizzle-orm';
import { changeProblems } from '../../../core/answer/validate.ts';
import {
	Application,
	type ApplicationId,
	catalogueOf,
	CatalogueError,
	type Catalogue
} from '../../../core/application/application.ts';
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
import { withOwnRanks } from '../../../core/chapters/shortcuts/ranks.ts';
import { type Role } from '../../../core/profile/role.ts';
import { entryKey, type Entry } from '../../../core/chapters/shortcuts/entry.ts';
import { stratumOf, type Profile, type Stratum, type StratumHead } from '../../../core/profile/stratum.ts';
import { parseKeys, type Keys } from '../../../core/stroke/stroke.ts';
import { canonicalText } from '../../../core/format/canonical.ts';
import { StaleAliasError } from '../../../core/profile/alias-change.ts';
import { applyMacroChanges, StaleMacroError } from '../../../core/profile/macro-change.ts';
import type { AliasInput } from '../../../core/chapters/aliases/input.ts';
import type { AliasFile } from '../../../core/chapters/aliases/file.ts';
import type { Database } from './db/open.ts';
import { applications, commands, edits, entries, recipes, releases, reports, searchPaths, seats, strata } from './db/schema.ts';
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
		const [commandRows, heads, entryRows, steps] = await Promise.all([
			this.#db.select({ body: commands.body }).from(commands).where(eq(commands.application, id)).orderBy(asc(commands.position)),
			this.#db.select().from(strata).where(eq(strata.application, id)).orderBy(asc(strata.position)),
			this.#db.select().from(entries).where(eq(entries.application, id)).orderBy(asc(entries.stratum), asc(entries.rank)),
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
			const workspace = await this.load(other.id).catch((error: Error) => {
				// one that cannot be read says nothing, and harms no other
				console.error(`The application ${other.id} cannot be read: ${error.message}`);
				return undefined;
			});
			if (!workspace) continue;
			const index = indexOf(workspace, workspace.profile);
			for (const { id: command, action } of workspace.commands)
				if (action !== undefined)
					for (const { keys } of index.of(command)) (actions[action] ??= []).push({ keys, application: other.name });
		}
		return actions;
	}

	/** Adds an application with its catalogue and strata. Throws `Problem` 409 for an id that is taken, 422 for what does not fit together. */
	async add({ application, commands: list, strata: heads, factory, aliases }: NewApplication): Promise<void> {
		const base = refuseUnsound({ application, commands: list, strata: heads, factory });
		const id = application.id;
		const [taken] = await this.#db.select({ id: applications.id }).from(applications).where(eq(applications.id, id));
		if (taken) throw new Problem(409, 'taken', `There is an application "${id}" already. Give this one another name or version.`);
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
			await writeCommands(tx, id, list);
			// the order of the list is what counts; two places may have been called the same
			const inPlace = [...factory].sort((a, b) => a.rank - b.rank).map((e, rank) => ({ ...e, rank }));
			for (const chunk of inChunks(
				inPlace.map((e) => ({ ...e, application: id, stratum: base.id as string, key: entryKey(e) as string }))
			))
				await tx.insert(entries).values(chunk);
		});
	}

	/**
	 * Changes what an application is: its name, version, rules, contexts and catalogue. What its strata say stays; commands that
	 * are gone are told by the check. Throws `Problem` 404, or 422 if a stratum speaks of contexts that would be gone.
	 */
	change(id: string, { application, commands: list }: Pick<NewApplication, 'application' | 'commands'>): Promise<void> {
		return this.#inTurn(id, async () => {
			const { profile } = await this.load(id);
			if (application.id !== id)
				throw new Problem(422, 'not-sound', `The id stays: expected "${id}", found "${application.id}".`);
			// shortcuts of commands that are gone stay, and are told as orphans
			refuseUnsound({ application, commands: list, strata: profile, factory: [] });
			const space = contextSpace(application.axes, application.reachable);
			for (const stratum of profile) for (const entry of stratum.entries.values()) refuseForeignScope(space, entry, stratum.name);
			await this.#db.transaction(async (tx) => {
				await tx.update(applications).set({ body: application }).where(eq(applications.id, id));
				await tx.delete(commands).where(eq(commands.application, id));
				await writeCommands(tx, id, list);
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
				if (own.length > 0)
					await tx.delete(reports).where(
						inArray(
							reports.seat,
							own.map((s) => s.id)
						)
					);
				for (const table of Object.values(OF_APPLICATION)) await tx.delete(table).where(eq(table.application, id));
				await tx.delete(applications).where(eq(applications.id, id));
			});
			this.#loaded.delete(id);
		});
	}

	/**
	 * Compares what stands in the tables with what all edits come to, one after the other. Gives what differs in words; nothing
	 * if all is well.
	 */
	async verify(id: string): Promise<string[]> {
		const { profile } = await this.load(id);
		let folded: Profile = profile.map(({ entries: own, aliases, macros, ...head }) =>
			head.kind === 'factory'
				? { ...head, entries: own, ...(aliases && { aliases }), ...(macros && { macros }) }
				: { ...head, entries: new Map() }
		);
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
					folded = applyEdit(folded, edit);
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
			return this.#append(id, workspace, { ...proposed, changes: withOwnRanks(workspace.profile, proposed.changes) }, now, {});
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
			await writeEntries(tx, id, outcomeOf(changes));
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

/** The tables with rows of applications, in the order in which they can be emptied. */
const OF_APPLICATION = { seats, releases, recipes, searchPaths, edits, entries, strata, commands };

async function writeCommands(tx: Pick<Database, 'insert'>, id: string, list: readonly Command[]): Promise<void> {
	for (const chunk of inChunks(list.map((body, position) => ({ application: id, id: body.id as string, position, body }))))
		await tx.insert(commands).values(chunk);
}

const notSound = (problems: readonly string[]) =>
	new Problem(422, 'not-sound', problems[0]!, { errors: problems.slice(0, 50).map((detail) => ({ detail })) });

function refuseForeignScope(space: ContextSpace, { keys, command, scope }: Entry, where: string): void {
	try {
		space.bitsOf(scope);
	} catch (error) {
		throw notSound([`${where}, ${keys} for ${command}: ${(error as Error).message}`]);
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
}: Pick<NewApplication, 'application' | 'commands' | 'strata' | 'factory'>): StratumHead {
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
	const seen = new Set<string>();
	for (const entry of factory) {
		const { op, keys, command } = entry;
		const said = `the factory shortcut ${keys} for ${command}`;
		if (op !== 'set') throw notSound([`${said}: expected the op set, found ${op}`]);
		if (!catalogue.has(command)) throw notSound([`the factory shortcut ${keys} names ${command}, which is not in the catalogue`]);
		refuseForeignScope(space, entry, 'the factory');
		refuseUncanonical(keys, said);
		const key = entryKey(entry);
		if (seen.has(key)) throw notSound([`${said} stands there twice`]);
		seen.add(key);
	}
	return factories[0]!;
}

/** How two states of a stratum differ, in words. */
function stratumDifferences(id: string, stored: Stratum, folded: Stratum): string[] {
	const where = `${id}, ${stored.name}`;
	const said = (entry: Entry | undefined) => entry && canonicalText(entry);
	const found: string[] = [];
	for (const key of new Set([...stored.entries.keys(), ...folded.entries.keys()])) {
		const [have, want] = [stored.entries.get(key), folded.entries.get(key)];
		if (said(have) === said(want)) continue;
		const { op, keys, command } = (have ?? want)!;
		const how = !want
			? 'stands in the table and no edit says it'
			: !have
				? 'is said by the edits and is not in the table'
				: 'is otherwise in the table than the edits say';
		found.push(`${where}: ${op} ${keys} for ${command} ${how}`);
	}
	if ((stored.aliases?.text ?? '') !== (folded.aliases?.text ?? ''))
		found.push(`${where}: the alias file is otherwise than the edits say`);
	const macros = ({ macros: own }: Stratum) => canonicalText([...(own?.values() ?? [])].sort((a, b) => (a.id < b.id ? -1 : 1)));
	if (macros(stored) !== macros(folded)) found.push(`${where}: the macros are otherwise than the edits say`);
	return found;
}

/** What the changes come to for each entry that they touch: how it was before the first and is after the last of them. */
function outcomeOf(changes: readonly Change[]): Change[] {
	const outcome = new Map<string, Change>();
	for (const change of changes) {
		const place = `${change.stratum}\n${keyOfChange(change)}`;
		outcome.set(place, { ...change, before: (outcome.get(place) ?? change).before });
	}
	return [...outcome.values()];
}

/** Brings the table to where the changes lead: first all that was there goes, so that places are free, then what is there comes. */
async function writeEntries(tx: Pick<Database, 'delete' | 'insert'>, id: string, changes: readonly Change[]): Promise<void> {
	const byStratum = groupBy(
		changes.filter((c) => c.before),
		(c) => c.stratum
	);
	for (const [stratum, gone] of byStratum)
		for (const chunk of inChunks(gone.map((c) => keyOfChange(c) as string)))
			await tx.delete(entries).where(and(eq(entries.application, id), eq(entries.stratum, stratum), inArray(entries.key, chunk)));
	const written = changes.flatMap((c) =>
		c.after ? [{ ...c.after, application: id, stratum: c.stratum as string, key: keyOfChange(c) as string }] : []
	);
	for (const chunk of inChunks(written)) await tx.insert(entries).values(chunk);
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
