import { randomUUID } from 'node:crypto';
import { and, asc, eq } from 'drizzle-orm';
import type { Person } from '../../../core/people/person.ts';
import type { OwnedHead } from '../../../core/people/may.ts';
import {
	type Audience,
	isFor,
	isNarrow,
	profileOf,
	requiredStrata,
	usualStrata,
	withRequired,
	type Setup
} from '../../../core/people/setup.ts';
import { changesBetween } from '../../../core/profile/restore.ts';
import { stratumById, type Profile, type StratumId } from '../../../core/strata/stratum.ts';
import { listed } from '../../../core/text/listed.ts';
import { looksLike } from '../../../core/text/look-alike.ts';
import { freeSlug } from '../../../core/text/slug.ts';
import type { Database } from './db/open.ts';
import { layers, setups } from './db/schema.ts';
import { Problem } from './problem.ts';
import { addLayer } from './profile/tables.ts';
import { ownedHeads, type Workspace } from './profile/workspace.ts';
import type { Profiles } from './profiles.ts';

/** What a setup is made of when it is made or changed; what is left out stays. */
export interface SetupChange {
	readonly name?: string | undefined;
	readonly strata?: readonly StratumId[] | undefined;
	readonly isStart?: true | undefined;
	readonly isRecommended?: boolean | undefined;
	readonly isRequired?: boolean | undefined;
	readonly audience?: Audience | undefined;
}

/** A setup that lacks what is required. */
export interface Without extends Pick<Setup, 'name' | 'person' | 'isStart'> {
	readonly setup: Setup['id'];
	/** The names of the strata that it lacks. */
	readonly missing: readonly string[];
}

/** A setup that was made from another one, with what became of strata of somebody's own, by their names. */
export interface MadeSetup {
	readonly setup: Setup;
	readonly copied: readonly { readonly from: string; readonly into: string }[];
	/** In both setups. */
	readonly shared: readonly string[];
}

/** So many setups somebody has for one application. */
const MOST = 40;

/** Named, ordered choices of strata: each person's own, by application. */
export class Setups {
	readonly #db: Database;
	readonly #profiles: Profiles;
	readonly #isAlone: () => boolean;

	constructor(db: Database, profiles: Profiles, isAlone: () => boolean) {
		this.#db = db;
		this.#profiles = profiles;
		this.#isAlone = isAlone;
	}

	/** All of everybody for the application, as they were made. */
	async all(application: string): Promise<Setup[]> {
		const rows = await this.#db.select().from(setups).where(eq(setups.application, application)).orderBy(asc(setups.position));
		return rows.map(({ application: _, position: __, ...setup }) => setup);
	}

	/** The person's own; one who has made none has the usual one. */
	async of(application: string, person: Person): Promise<Setup[]> {
		return this.ofAll(application, [person]);
	}

	/** The setups of everybody who is here. */
	async ofAll(application: string, people: readonly Person[]): Promise<Setup[]> {
		const workspace = await this.#profiles.load(application);
		const all = await this.all(application);
		return people.flatMap((person) => {
			const own = all.filter((setup) => setup.person === person.id);
			return own.length > 0 ? own : [this.#usual(workspace, person, all)];
		});
	}

	#usual(workspace: Workspace, person: Person, all: readonly Setup[]): Setup {
		const heads = ownedHeads(workspace);
		const strata = withRequired(usualStrata(person, heads, this.#isAlone()), heads, requiredStrata(heads, all, person));
		return {
			...{ id: 'usual', name: 'Everyday', person: person.id, strata },
			...{ isStart: true, isRecommended: false, isRequired: false }
		};
	}

	/** The setups of these people that lack what no setup may leave out, made before it was required, with what each lacks. */
	async without(application: string, people: readonly Person[]): Promise<Without[]> {
		const heads = ownedHeads(await this.#profiles.load(application));
		const all = await this.all(application);
		const required = new Map(people.map((person) => [person.id, requiredStrata(heads, all, person)]));
		return (await this.ofAll(application, people)).flatMap(({ id, name, person, isStart, strata }) => {
			const missing = required
				.get(person)!
				.filter((head) => !strata.includes(head.id))
				.map((head) => head.name);
			return missing.length === 0 ? [] : [{ setup: id, name, person, isStart, missing }];
		});
	}

	/** The strata that no setup of the person may leave out. */
	async required(application: string, person: Person): Promise<OwnedHead[]> {
		return requiredStrata(ownedHeads(await this.#profiles.load(application)), await this.all(application), person);
	}

	/**
	 * What keeps the usual setup of the person in every program, but the one left out, where they have made none: so that a stratum which
	 * comes to them afterwards is in no setup until they put it there.
	 */
	async keepingUsual(person: Person, but?: string): Promise<(tx: Pick<Database, 'insert'>) => Promise<void>> {
		const usual: { readonly id: string; readonly setup: Setup }[] = [];
		for (const { id } of await this.#profiles.list()) {
			const all = await this.all(id);
			if (id === but || all.some((setup) => setup.person === person.id)) continue;
			usual.push({ id, setup: this.#usual(await this.#profiles.load(id), person, all) });
		}
		return async (tx) => {
			for (const { id, setup } of usual) await keepUsual(tx, id, setup);
		};
	}

	/**
	 * What writes the setups that a new person begins with: of each program the recommended or required one of that name, and those that are
	 * for people of their role and disciplines, with a stratum of their own on top. Where there is none they have the usual one.
	 */
	async first(person: Person, called: string): Promise<(tx: Pick<Database, 'insert'>) => Promise<void>> {
		const own = `own-${person.id.toLowerCase()}` as StratumId;
		const made: (typeof setups.$inferInsert)[] = [];
		for (const { id: application } of await this.#profiles.list()) {
			const heads = ownedHeads(await this.#profiles.load(application));
			const all = await this.all(application);
			const common = new Set(heads.filter(({ kind }) => kind !== 'personal').map(({ id }) => id));
			const offered = all.filter(
				(setup) =>
					(setup.isRecommended || setup.isRequired) &&
					((called !== '' && looksLike(setup.name, called)) || (isNarrow(setup.audience) && isFor(setup.audience, person)))
			);
			const named = new Map(offered.map((setup) => [setup.name, setup]));
			const first = offered.find((setup) => called !== '' && looksLike(setup.name, called)) ?? offered[0];
			for (const setup of named.values()) {
				const strata = withRequired(
					[...setup.strata.filter((id) => common.has(id)), own],
					[...heads, { id: own, kind: 'personal', name: person.name, person: person.id }],
					requiredStrata(heads, all, person)
				);
				made.push({
					...{ id: randomUUID(), application, person: person.id, name: setup.name, strata, isStart: setup === first },
					...{ isRecommended: false, isRequired: false }
				});
			}
		}
		return async (tx) => {
			if (made.length > 0) await tx.insert(setups).values(made);
		};
	}

	/** The setup of that id, whosever it is; without one, or when it is gone, the one that the person starts with. */
	async look(application: string, person: Person, id?: string | null): Promise<Setup> {
		const own = await this.of(application, person);
		const wanted = id
			? (own.find((setup) => setup.id === id) ?? (await this.all(application)).find((s) => s.id === id))
			: undefined;
		return wanted ?? own.find((setup) => setup.isStart) ?? own[0]!;
	}

	/** The profile that the person looks at under that setup. */
	async profile(application: string, person: Person, id?: string | null): Promise<Profile> {
		const { profile } = await this.#profiles.load(application);
		return profileOf(profile, (await this.look(application, person, id)).strata);
	}

	/** Makes one for the person, who keeps those that they have. Throws `Problem` 422. */
	async make(application: string, person: Person, name: string, strata: readonly StratumId[]): Promise<Setup> {
		const workspace = await this.#profiles.load(application);
		refuseStrata(workspace, person, strata);
		refuseLeftOut(await this.required(application, person), strata);
		const { setup, write } = await this.#made(workspace, person, name, strata);
		await this.#db.transaction(write);
		return setup;
	}

	/** A setup that is to be made, and what writes it. Throws `Problem` 409 or 422. */
	async #made(
		workspace: Workspace,
		person: Person,
		name: string,
		strata: readonly StratumId[]
	): Promise<{ readonly setup: Setup; readonly write: (tx: Pick<Database, 'insert'>) => Promise<void> }> {
		const application = workspace.application.id;
		const all = await this.all(application);
		const own = all.filter((setup) => setup.person === person.id);
		refuseName(own.length > 0 ? own : [this.#usual(workspace, person, all)], name);
		if (own.length >= MOST) throw new Problem(422, 'not-sound', `You already have ${MOST} setups. Remove one first.`);
		const setup: Setup = {
			...{ id: randomUUID(), person: person.id, name, strata: [...strata] },
			...{ isStart: false, isRecommended: false, isRequired: false }
		};
		return {
			setup,
			write: async (tx) => {
				// what one had without choosing becomes the first
				if (own.length === 0) await keepUsual(tx, application, this.#usual(workspace, person, all));
				await tx.insert(setups).values({ ...setup, application, strata: [...setup.strata] });
			}
		};
	}

	/**
	 * Makes one from another, be it a colleague's. What lies in strata of somebody's own comes as a copy, into a new stratum of the
	 * person's; with `shares` their own strata are the same in both. All of it or nothing. Throws `Problem` 404, 409 or 422.
	 */
	makeFrom(
		application: string,
		person: Person,
		{ name, from: wanted, shares }: { readonly name: string; readonly from: string; readonly shares: boolean }
	): Promise<MadeSetup> {
		return this.#profiles.together(application, person, async (workspace) => {
			const from = await this.look(application, person, wanted);
			if (from.id !== wanted) throw new Problem(404, 'not-found', 'The setup to copy no longer exists. Choose another one.');
			const heads = new Map(ownedHeads(workspace).map((head) => [head.id, head]));
			const held = from.strata.flatMap((id) => heads.get(id) ?? []);
			const copied = held.filter(({ kind, person: owner }) => kind === 'personal' && (owner !== person.id || !shares));
			const taken = new Set<string>((await this.#db.select({ id: layers.id }).from(layers)).map(({ id }) => id));
			const copies = copied.map((source) => {
				const called = (copied.length === 1 ? name : `${name}, ${source.name}`).slice(0, 60);
				const id = freeSlug(called, (one) => taken.has(one)) as StratumId;
				taken.add(id);
				return { source, head: { id, kind: 'personal', name: called } as const };
			});
			const intoOf = new Map(copies.map(({ source, head }) => [source.id, head.id]));
			const strata = withRequired(
				held.map(({ id }) => intoOf.get(id) ?? id),
				[...heads.values(), ...copies.map(({ head }) => ({ ...head, person: person.id }))],
				await this.required(application, person)
			);
			const { setup, write } = await this.#made(workspace, person, name, strata);
			const keep = copies.length > 0 ? await this.keepingUsual(person, application) : undefined;
			return {
				heads: copies.map(({ head }) => head),
				edits: copies.map(({ source, head }) => {
					const said = { ...stratumById(workspace.profile, source.id), id: head.id };
					return {
						stratum: head.id,
						label: `Copy of ${source.name}`.slice(0, 200),
						changes: changesBetween({ ...head, contents: {} }, said)
					};
				}),
				first: async (tx) => {
					await keep?.(tx);
					for (const { head } of copies) await addLayer(tx, head, person.id);
				},
				last: write,
				result: {
					setup,
					copied: copies.map(({ source, head }) => ({ from: source.name, into: head.name })),
					shared: held.filter(({ id, kind }) => kind === 'personal' && !intoOf.has(id)).map((head) => head.name)
				}
			};
		});
	}

	/** Changes one of the person's own. Throws `Problem` 404 or 422. */
	async change(application: string, person: Person, id: string, change: SetupChange): Promise<Setup> {
		const workspace = await this.#profiles.load(application);
		if (id === 'usual' && !(await this.#owned(application, person, id)))
			id = await keepUsual(this.#db, application, this.#usual(workspace, person, await this.all(application)));
		const before = await this.#mine(application, person, id);
		const { name, strata, isStart, isRecommended, isRequired, audience } = change;
		if (strata) {
			// what is archived keeps its place
			refuseStrata(
				workspace,
				person,
				strata.filter((stratum) => !before.strata.includes(stratum))
			);
			const required = await this.required(application, person);
			refuseLeftOut(
				required.filter((head) => before.strata.includes(head.id)),
				strata
			);
		}
		if (name !== undefined)
			refuseName(
				(await this.of(application, person)).filter((setup) => setup.id !== id),
				name
			);
		await this.#db.transaction(async (tx) => {
			const own = and(eq(setups.application, application), eq(setups.person, person.id));
			if (isStart) await tx.update(setups).set({ isStart: false }).where(own);
			const set = {
				...(name !== undefined && { name }),
				...(strata && { strata: [...strata] }),
				...(isStart && { isStart }),
				...(isRecommended !== undefined && { isRecommended }),
				...(isRequired !== undefined && { isRequired }),
				...(audience && { audience })
			};
			if (Object.keys(set).length > 0) await tx.update(setups).set(set).where(eq(setups.id, id));
		});
		return this.#mine(application, person, id);
	}

	/** Removes one of the person's own; what its strata hold stays. Throws `Problem` 404, or 409 for the last. */
	async remove(application: string, person: Person, id: string): Promise<void> {
		const setup = await this.#mine(application, person, id);
		const own = await this.of(application, person);
		if (own.length === 1)
			throw new Problem(409, 'nothing-to-do', 'This is your only setup of the program. Create another one first.');
		await this.#db.transaction(async (tx) => {
			await tx.delete(setups).where(eq(setups.id, id));
			const next = own.find((other) => other.id !== id)!;
			if (setup.isStart) await tx.update(setups).set({ isStart: true }).where(eq(setups.id, next.id));
		});
	}

	async #owned(application: string, person: Person, id: string): Promise<Setup | undefined> {
		return (await this.all(application)).find((setup) => setup.id === id && setup.person === person.id);
	}

	async #mine(application: string, person: Person, id: string): Promise<Setup> {
		const setup = await this.#owned(application, person, id);
		if (!setup) throw new Problem(404, 'not-found', 'This setup is not yours. Create a copy of it instead.');
		return setup;
	}
}

/** Keeps the setup that somebody has without having chosen; gives the id that it has from now on. */
async function keepUsual(tx: Pick<Database, 'insert'>, application: string, usual: Setup): Promise<string> {
	const id = randomUUID();
	await tx.insert(setups).values({ ...usual, id, application, strata: [...usual.strata] });
	return id;
}

/** Throws `Problem` 422 for strata that the application has not, and for a colleague's own. */
function refuseStrata(workspace: Workspace, person: Person, strata: readonly StratumId[]): void {
	const heads = new Map(ownedHeads(workspace).map((head) => [head.id, head]));
	strata.forEach((id, i) => {
		const head = heads.get(id);
		const refuse = (detail: string) =>
			new Problem(422, 'not-sound', detail, {
				errors: [{ pointer: `/strata/${i}`, detail: 'expected a level of the office or a personal one' }]
			});
		if (!head) throw refuse(`There is no level "${id}"; there are ${[...heads.keys()].join(', ')}.`);
		if (head.kind === 'factory') throw refuse('The factory level is part of every setup and is not listed.');
		if (head.kind === 'personal' && head.person !== person.id)
			throw refuse(`${head.name} is a colleague’s personal level. Copy from it instead.`);
	});
}

/** Throws `Problem` 422 for strata that leave out what is required. */
function refuseLeftOut(required: readonly OwnedHead[], strata: readonly StratumId[]): void {
	const missing = required.filter(({ id }) => !strata.includes(id));
	if (missing.length === 0) return;
	const names = listed(missing.map((head) => head.name));
	throw new Problem(
		422,
		'not-sound',
		`${names} cannot be left out: ${missing.length === 1 ? 'it is' : 'they are'} required in every setup.`,
		{ errors: [{ pointer: '/strata', detail: `expected ${missing.map(({ id }) => id).join(', ')} among them` }] }
	);
}

function refuseName(others: readonly Setup[], name: string): void {
	const taken = others.find((setup) => looksLike(setup.name, name));
	if (taken) throw new Problem(409, 'taken', `“${name}” looks too similar to “${taken.name}”, which you have already.`);
}
