import { and, asc, eq, inArray, isNull } from 'drizzle-orm';
import { FIRST, type Person } from '../../../../core/people/person.ts';
import type { Role } from '../../../../core/strata/role.ts';
import type { StratumId } from '../../../../core/strata/stratum.ts';
import { looksLike } from '../../../../core/text/look-alike.ts';
import type { Database } from '../db/open.ts';
import { layers, people, seats, sessions, tokens } from '../db/schema.ts';
import { Problem } from '../problem.ts';
import { addLayer } from '../profile/tables.ts';
import { addressOf } from './accounts.ts';
import { passwordFor } from './passwords.ts';

/** Somebody as the list of people shows them. */
export interface Listed extends Person {
	readonly leftAt: string | null;
}

/** What is changed of somebody; what is left out stays. */
export interface PersonChange {
	readonly name?: string | undefined;
	readonly role?: Role | undefined;
	readonly leads?: readonly StratumId[] | undefined;
	readonly member?: readonly StratumId[] | undefined;
	readonly site?: string | undefined;
}

type Writing = Pick<Database, 'select' | 'insert' | 'update' | 'delete'>;

/**
 * Who works in the office. Without accounts it is one person alone, who asks from this machine; `open` turns accounts on and makes
 * that person the first steward.
 */
export class People {
	readonly #db: Database;
	readonly #changed: () => void;
	readonly #ended: (person: string) => void;
	#isOpen = false;

	/** `changed` is called when strata have come or gone over to somebody, `ended` when somebody's sessions have ended. */
	constructor(db: Database, changed: () => void, ended: (person: string) => void) {
		this.#db = db;
		this.#changed = changed;
		this.#ended = ended;
	}

	/** Looks whether there are accounts; before anybody is asked who they are. */
	async start(): Promise<void> {
		this.#isOpen = (await this.#db.select({ id: people.id }).from(people).limit(1)).length > 0;
	}

	/** Whether people sign in. */
	get isOpen(): boolean {
		return this.#isOpen;
	}

	/** Throws `Problem` 409 while nobody signs in. */
	refuseAlone(): void {
		if (!this.#isOpen) throw new Problem(409, 'alone', 'There are no accounts yet. Open Skarn to your office in People first.');
	}

	async list(): Promise<Listed[]> {
		if (!this.#isOpen) return [{ ...FIRST, leftAt: null }];
		const rows = await this.#db.select().from(people).orderBy(asc(people.createdAt));
		return rows.map((row) => ({ ...personOf(row), leftAt: row.leftAt && new Date(row.leftAt).toISOString() }));
	}

	/** Those who have not left. */
	async here(): Promise<Listed[]> {
		return (await this.list()).filter(({ leftAt }) => leftAt === null);
	}

	/** Somebody who is here, or null. */
	async find(id: string): Promise<Person | null> {
		if (!this.#isOpen) return id === FIRST.id ? FIRST : null;
		const [row] = await this.#db
			.select()
			.from(people)
			.where(and(eq(people.id, id), isNull(people.leftAt)));
		return row ? personOf(row) : null;
	}

	/** Somebody who is here. Throws `Problem` 404. */
	async known(id: string): Promise<Person> {
		const person = await this.find(id);
		if (!person) throw new Problem(404, 'not-found', 'There is no member with this id.');
		return person;
	}

	/** Turns accounts on: who was alone becomes the first steward. Throws `Problem` 409 or 422. */
	async open(name: string, password: string): Promise<Person> {
		if (this.#isOpen)
			throw new Problem(409, 'nothing-to-do', 'This office has accounts already. Sign in, or ask a steward to invite you.');
		const person: Person = { ...FIRST, name };
		const write = await passwordFor(person, password);
		await this.#db.transaction(async (tx) => {
			await this.add(tx, person);
			await write(tx);
		});
		this.#isOpen = true;
		this.#changed();
		return person;
	}

	/** Writes a person and a stratum of their own; after the transaction, `changed` has to be called. Throws `Problem` 409. */
	async add(tx: Writing, { id, name, role, leads, member = [], site = '' }: Person): Promise<void> {
		await refuseTwin(tx, name);
		await tx.insert(people).values({ id, name, email: addressOf(name), role, leads: [...leads], member: [...member], site });
		const own = await tx.select().from(layers).where(eq(layers.person, id));
		if (own.length === 0) await addLayer(tx, { id: `own-${id.toLowerCase()}` as StratumId, kind: 'personal', name }, id);
	}

	/** What is kept in memory of strata is read anew. */
	added(): void {
		this.#isOpen = true;
		this.#changed();
	}

	/** Changes several people at once, all or none; gives what each was before. Throws `Problem` 404, or 409 if no steward would be left. */
	async change(changes: readonly ({ readonly id: string } & PersonChange)[]): Promise<({ id: string } & PersonChange)[]> {
		return this.#db.transaction(async (tx) => {
			const was: ({ id: string } & PersonChange)[] = [];
			for (const { id, name, role, leads, member, site } of changes) {
				const [row] = await tx
					.select()
					.from(people)
					.where(and(eq(people.id, id), isNull(people.leftAt)));
				if (!row) throw new Problem(404, 'not-found', 'There is no member with this id.');
				const before = personOf(row);
				was.push({
					id,
					...(name !== undefined && { name: before.name }),
					...(role !== undefined && { role: before.role }),
					...(leads && { leads: before.leads }),
					...(member && { member: before.member ?? [] }),
					...(site !== undefined && { site: before.site ?? '' })
				});
				if (name !== undefined && name !== row.name) await refuseTwin(tx, name, id);
				const set = {
					...(name !== undefined && { name, email: addressOf(name) }),
					...(role !== undefined && { role }),
					...(leads && { leads: [...leads] }),
					...(member && { member: [...member] }),
					...(site !== undefined && { site })
				};
				if (Object.keys(set).length > 0) await tx.update(people).set(set).where(eq(people.id, id));
			}
			await refuseNoSteward(tx);
			return was;
		});
	}

	/** People leave: their sessions and tokens end at once, their strata stay. All or nobody. Throws `Problem` 404 or 409. */
	async leave(ids: readonly string[], now = new Date()): Promise<void> {
		await this.#db.transaction(async (tx) => {
			const gone = await tx
				.update(people)
				.set({ leftAt: now.toISOString() })
				.where(and(inArray(people.id, [...ids]), isNull(people.leftAt)))
				.returning();
			if (gone.length < new Set(ids).size) throw new Problem(404, 'not-found', 'There is no member with this id.');
			await refuseNoSteward(tx, gone[0]!.name);
			await tx.delete(sessions).where(inArray(sessions.userId, [...ids]));
			await tx.delete(tokens).where(inArray(tokens.person, [...ids]));
			await tx
				.update(seats)
				.set({ person: null, setup: null })
				.where(inArray(seats.person, [...ids]));
		});
		for (const id of ids) this.#ended(id);
	}
}

export const personOf = ({ id, name, role, leads, member, site }: typeof people.$inferSelect): Person => ({
	...{ id, name, role, leads },
	...(member.length > 0 && { member }),
	...(site !== '' && { site })
});

/** Throws `Problem` 409 for a name that looks like that of somebody else, be they here or not. */
export async function refuseTwin(tx: Pick<Database, 'select'>, name: string, but?: string): Promise<void> {
	const all = await tx.select({ id: people.id, name: people.name, leftAt: people.leftAt }).from(people);
	const taken = all.find((one) => one.id !== but && looksLike(one.name, name));
	if (!taken) return;
	const who =
		taken.name === name ? `There is already a member called “${name}”` : `“${name}” looks too similar to “${taken.name}”`;
	throw new Problem(409, 'taken', `${who}${taken.leftAt === null ? '' : ', who has left'}. Choose another name.`);
}

/** Throws `Problem` 409 where no steward is left. */
async function refuseNoSteward(tx: Pick<Database, 'select'>, name = 'This person'): Promise<void> {
	const [one] = await tx
		.select({ id: people.id })
		.from(people)
		.where(and(eq(people.role, 'steward'), isNull(people.leftAt)))
		.limit(1);
	if (!one) throw new Problem(409, 'last-steward', `${name} is the only steward. Give someone else this role first.`);
}
