import { randomBytes, randomUUID } from 'node:crypto';
import { and, desc, eq, gt, inArray, isNull, lt } from 'drizzle-orm';
import type { Person } from '../../../../core/people/person.ts';
import { looksLike } from '../../../../core/text/look-alike.ts';
import { digestOf } from '../codes.ts';
import type { Database } from '../db/open.ts';
import { invitations, people as table, sessions, tokens } from '../db/schema.ts';
import { Problem } from '../problem.ts';
import { passwordFor } from './passwords.ts';
import { refuseTwin, type People } from './people.ts';
import { CONSOLE_PERSON } from './sign-in.ts';

const DAY = 24 * 3600_000;

/** What somebody is invited as. */
export interface Invited extends Pick<Person, 'name' | 'role' | 'leads'> {
	readonly member?: Person['member'];
	readonly site?: string;
	/** The name of a recommended setup that they begin with. */
	readonly setup?: string;
}

/** A link that was made: its secret is told this once. */
export interface Made {
	readonly name: string;
	readonly secret: string;
	readonly expiresAt: string;
}

/** A link as its list shows it. */
export interface ListedLink extends Invited {
	readonly id: string;
	/** Whether somebody joins by it, or takes another password. */
	readonly does: 'join' | 'password';
	readonly by: string;
	readonly createdAt: string;
	readonly expiresAt: string;
}

type Row = typeof invitations.$inferSelect;

/** Links into the office, each good once and for a time: for who joins, and for who has forgotten a password. */
export class Links {
	readonly #db: Database;
	readonly #people: People;
	readonly #ended: (person: string) => void;
	readonly #firstSetups: (person: Person, setup: string) => Promise<(tx: Pick<Database, 'insert'>) => Promise<void>>;

	/** `firstSetups` gives what writes the setups that somebody begins with; `ended` is called when sessions of somebody have ended. */
	constructor(
		db: Database,
		people: People,
		firstSetups: (person: Person, setup: string) => Promise<(tx: Pick<Database, 'insert'>) => Promise<void>>,
		ended: (person: string) => void
	) {
		this.#db = db;
		this.#people = people;
		this.#firstSetups = firstSetups;
		this.#ended = ended;
	}

	/**
	 * Invites people, all or nobody: gives the secret of each link. Who was invited before and has not joined gets a new link for the
	 * former one. Throws `Problem` 409 for names that are there already, with the place of each.
	 */
	async invite(by: Person, invited: readonly Invited[], days: number, now = new Date()): Promise<Made[]> {
		this.#people.refuseAlone();
		await this.#db.transaction(async (tx) => {
			for (const [i, { name }] of invited.entries()) {
				const twin = invited.slice(0, i).find((other) => looksLike(other.name, name));
				if (twin) throw new Problem(409, 'taken', `“${name}” and “${twin.name}” in the list look too similar.`);
				await refuseTwin(tx, name);
			}
		});
		const open = await this.#db.select().from(invitations).where(isNull(invitations.person));
		const replaced = open.filter((row) => invited.some(({ name }) => looksLike(row.name, name)));
		return this.#make(
			by,
			invited.map((one) => ({ ...one, person: null })),
			days,
			now,
			replaced.map(({ digest }) => digest)
		);
	}

	/** A link by which somebody takes another password; those of before are good no more. Throws `Problem` 404. */
	async forPassword(by: Person, id: string, days: number, now = new Date()): Promise<Made> {
		const { name, role, leads } = await this.#people.known(id);
		const former = await this.#db.select().from(invitations).where(eq(invitations.person, id));
		const [made] = await this.#make(
			by,
			[{ name, role, leads, person: id }],
			days,
			now,
			former.map(({ digest }) => digest)
		);
		return made!;
	}

	async #make(
		by: Person,
		links: readonly (Invited & { readonly person: string | null })[],
		days: number,
		now: Date,
		replaced: readonly string[]
	): Promise<Made[]> {
		const expiresAt = new Date(now.getTime() + days * DAY).toISOString();
		const made = links.map((link) => ({ link, secret: randomBytes(24).toString('base64url') }));
		await this.#db.transaction(async (tx) => {
			await tx.delete(invitations).where(lt(invitations.expiresAt, now.toISOString()));
			if (replaced.length > 0) await tx.delete(invitations).where(inArray(invitations.digest, [...replaced]));
			for (const { link, secret } of made) {
				const { name, role, leads, member = [], site = '', setup = '', person } = link;
				await tx.insert(invitations).values({
					...{ digest: digestOf(secret), name, role, site, setup, person },
					...{ leads: [...leads], member: [...member], by: by.id, createdAt: now.toISOString(), expiresAt }
				});
			}
		});
		return made.map(({ link, secret }) => ({ name: link.name, secret, expiresAt }));
	}

	/** Those that are good, the newest first. */
	async list(now = new Date()): Promise<ListedLink[]> {
		const rows = await this.#db
			.select()
			.from(invitations)
			.where(gt(invitations.expiresAt, now.toISOString()))
			.orderBy(desc(invitations.createdAt), invitations.name);
		const stewards = await this.#stewards(this.#db);
		return rows.flatMap((row) => {
			const by = stewards.get(row.by);
			if (by === undefined) return [];
			const { digest: id, createdAt, expiresAt } = row;
			const does = row.person === null ? 'join' : 'password';
			return [{ id, does, by, ...invitedOf(row), createdAt: iso(createdAt), expiresAt: iso(expiresAt) }];
		});
	}

	/** Withdraws a link. Throws `Problem` 404. */
	async withdraw(id: string): Promise<void> {
		const gone = await this.#db.delete(invitations).where(eq(invitations.digest, id)).returning();
		if (gone.length === 0) throw new Problem(404, 'not-found', 'This link was already used or withdrawn.');
	}

	/** What a link is for. Throws `Problem` 404 for one that was used, has expired, never was, or whose maker is no steward any more. */
	async look(secret: string, now = new Date()): Promise<Invited & Pick<ListedLink, 'does' | 'expiresAt'>> {
		const row = await this.#good(this.#db, secret, now);
		return { ...invitedOf(row), does: row.person === null ? 'join' : 'password', expiresAt: iso(row.expiresAt) };
	}

	/**
	 * Uses a link: the person is there from now on, or has another password and no session and token any more. It is used up only
	 * when that is written. Throws as `look`, 409 and 422.
	 */
	async use(secret: string, password: string, now = new Date()): Promise<Person> {
		const row = await this.#good(this.#db, secret, now);
		const { name, role, leads, member = [], site = '', setup = '' } = invitedOf(row);
		const person: Person =
			row.person === null ? { id: randomUUID(), name, role, leads, member, site } : await this.#people.known(row.person);
		const writePassword = await passwordFor(person, password);
		const writeSetups = row.person === null ? await this.#firstSetups(person, setup) : undefined;
		await this.#db.transaction(async (tx) => {
			await this.#good(tx, secret, now);
			const used = await tx.delete(invitations).where(eq(invitations.digest, row.digest)).returning();
			if (used.length === 0) throw new Problem(404, 'not-found', 'This link was already used.');
			if (row.person === null) await this.#people.add(tx, person);
			else {
				await tx.delete(sessions).where(eq(sessions.userId, person.id));
				await tx.delete(tokens).where(eq(tokens.person, person.id));
			}
			await writePassword(tx);
			await writeSetups?.(tx);
		});
		if (row.person === null) this.#people.added();
		else this.#ended(person.id);
		return person;
	}

	/** The link of that secret, if it is good. */
	async #good(tx: Pick<Database, 'select'>, secret: string, now: Date): Promise<Row> {
		const [row] = await tx
			.select()
			.from(invitations)
			.where(and(eq(invitations.digest, digestOf(secret)), gt(invitations.expiresAt, now.toISOString())));
		if (!row || !(await this.#stewards(tx)).has(row.by))
			throw new Problem(404, 'not-found', 'This link was used, was withdrawn, or has expired. Ask a steward for a new one.');
		return row;
	}

	/** The names of those whose links are good, by their ids: a link dies with the rights of who made it. */
	async #stewards(tx: Pick<Database, 'select'>): Promise<Map<string, string>> {
		const rows = await tx
			.select({ id: table.id, name: table.name })
			.from(table)
			.where(and(eq(table.role, 'steward'), isNull(table.leftAt)));
		return new Map([CONSOLE_PERSON, ...rows].map(({ id, name }) => [id, name]));
	}
}

const iso = (date: string) => new Date(date).toISOString();

const invitedOf = ({ name, role, leads, member, site, setup }: Row): Invited => ({
	...{ name, role, leads },
	...(member.length > 0 && { member }),
	...(site !== '' && { site }),
	...(setup !== '' && { setup })
});
