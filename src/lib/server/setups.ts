import { randomUUID } from 'node:crypto';
import { and, asc, eq } from 'drizzle-orm';
import type { Person } from '../../../core/people/person.ts';
import { profileOf, usualStrata, type Setup } from '../../../core/people/setup.ts';
import type { Profile, StratumId } from '../../../core/strata/stratum.ts';
import type { Database } from './db/open.ts';
import { setups } from './db/schema.ts';
import { Problem } from './problem.ts';
import { ownedHeads, type Workspace } from './profile/workspace.ts';
import type { Profiles } from './profiles.ts';

/** What a setup is made of when it is made or changed; what is left out stays. */
export interface SetupChange {
	readonly name?: string | undefined;
	readonly strata?: readonly StratumId[] | undefined;
	readonly isStart?: true | undefined;
	readonly isRecommended?: boolean | undefined;
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
		const workspace = await this.#profiles.load(application);
		const own = (await this.all(application)).filter((setup) => setup.person === person.id);
		return own.length > 0 ? own : [this.#usual(workspace, person)];
	}

	/** The setups of everybody who is here. */
	async ofAll(application: string, people: readonly Person[]): Promise<Setup[]> {
		const workspace = await this.#profiles.load(application);
		const all = await this.all(application);
		return people.flatMap((person) => {
			const own = all.filter((setup) => setup.person === person.id);
			return own.length > 0 ? own : [this.#usual(workspace, person)];
		});
	}

	#usual(workspace: Workspace, person: Person): Setup {
		const strata = usualStrata(person, ownedHeads(workspace), this.#isAlone());
		return { id: 'usual', name: 'Everyday', person: person.id, isStart: true, isRecommended: false, strata };
	}

	/**
	 * Keeps the usual setup of the person in every program where they have made none, so that a stratum which comes to them afterwards is in
	 * no setup until they put it there.
	 */
	async keepUsual(person: Person): Promise<void> {
		for (const { id } of await this.#profiles.list()) {
			const own = (await this.all(id)).some((setup) => setup.person === person.id);
			if (!own) await keepUsual(this.#db, id, this.#usual(await this.#profiles.load(id), person));
		}
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
		const own = (await this.all(application)).filter((setup) => setup.person === person.id);
		refuseName(own.length > 0 ? own : [this.#usual(workspace, person)], name);
		if (own.length >= MOST) throw new Problem(422, 'not-sound', `There are ${MOST} setups of yours already. Remove one first.`);
		const made = {
			...{ id: randomUUID(), application, person: person.id, name, strata: [...strata] },
			...{ isStart: false, isRecommended: false }
		};
		await this.#db.transaction(async (tx) => {
			// what one had without choosing becomes the first
			if (own.length === 0) await keepUsual(tx, application, this.#usual(workspace, person));
			await tx.insert(setups).values(made);
		});
		const { application: _, ...setup } = made;
		return setup;
	}

	/** Changes one of the person's own. Throws `Problem` 404 or 422. */
	async change(application: string, person: Person, id: string, change: SetupChange): Promise<Setup> {
		const workspace = await this.#profiles.load(application);
		if (id === 'usual' && !(await this.#owned(application, person, id)))
			id = await keepUsual(this.#db, application, this.#usual(workspace, person));
		await this.#mine(application, person, id);
		const { name, strata, isStart, isRecommended } = change;
		if (strata) refuseStrata(workspace, person, strata);
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
				...(isRecommended !== undefined && { isRecommended })
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
			throw new Problem(409, 'nothing-to-do', 'This is your only setup of the program. Make another one first.');
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
		if (!setup)
			throw new Problem(404, 'not-found', 'You have no such setup; it may be somebody else’s. Make one from it instead.');
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
				errors: [{ pointer: `/strata/${i}`, detail: 'expected a stratum of the office or of yours' }]
			});
		if (!head) throw refuse(`There is no stratum "${id}"; there are ${[...heads.keys()].join(', ')}.`);
		if (head.kind === 'factory') throw refuse('The factory lies below every setup and is not named in one.');
		if (head.kind === 'personal' && head.person !== person.id)
			throw refuse(`${head.name} is a colleague’s own. Borrow from it instead: what you take over becomes yours.`);
	});
}

function refuseName(others: readonly Setup[], name: string): void {
	if (others.some((setup) => setup.name.toLocaleLowerCase() === name.toLocaleLowerCase()))
		throw new Problem(409, 'taken', `You have a setup called “${name}” already.`);
}
