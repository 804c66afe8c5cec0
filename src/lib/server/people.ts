import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { and, asc, eq, gt, isNull, lt } from 'drizzle-orm';
import { hashPassword } from 'better-auth/crypto';
import { FIRST, PersonName, type Person } from '../../../core/people/person.ts';
import type { Role } from '../../../core/strata/role.ts';
import type { StratumId } from '../../../core/strata/stratum.ts';
import { accountsOn, addressOf, PASSWORD, type Accounts } from './accounts.ts';
import type { Database } from './db/open.ts';
import { credentials, invitations, layers, people, seats, sessions, tokens } from './db/schema.ts';
import { Problem } from './problem.ts';
import { addLayer } from './profile/tables.ts';
import { Throttle } from './throttle.ts';

const digestOf = (secret: string) => createHash('sha256').update(secret).digest('hex');
const DAY = 24 * 3600_000;

/** Somebody as the list of people shows them. */
export interface Listed extends Person {
	readonly leftAt: string | null;
}

/** What somebody is invited as. */
export type Invited = Pick<Person, 'name' | 'role' | 'leads'>;

/**
 * Who works in the office. Without accounts it is one person alone, who asks from this machine; `open` turns accounts on and makes
 * that person the first steward.
 */
export class People {
	readonly #db: Database;
	readonly #accounts: Accounts;
	readonly #throttle = new Throttle();
	readonly #changed: () => void;
	#isOpen = false;

	/** `changed` is called when strata have come or gone over to somebody. */
	constructor(db: Database, secret: string, address: string | undefined, changed: () => void) {
		this.#db = db;
		this.#accounts = accountsOn(db, secret, address);
		this.#changed = changed;
	}

	/** Looks whether there are accounts; before anybody is asked who they are. */
	async start(): Promise<void> {
		this.#isOpen = (await this.#db.select({ id: people.id }).from(people).limit(1)).length > 0;
	}

	/** Whether people sign in. */
	get isOpen(): boolean {
		return this.#isOpen;
	}

	/** Who asks: by their session's cookie or a terminal's token; the one person while the office has no accounts; null for nobody. */
	async who(headers: Headers): Promise<Person | null> {
		if (!this.#isOpen) return FIRST;
		const bearer = /^Bearer (\S+)$/.exec(headers.get('authorization') ?? '')?.[1];
		const id = bearer ? await this.#ofToken(bearer) : (await this.#accounts.api.getSession({ headers }))?.user.id;
		return id === undefined ? null : this.#there(id);
	}

	async #ofToken(token: string): Promise<string | undefined> {
		const [row] = await this.#db
			.select()
			.from(tokens)
			.where(eq(tokens.digest, digestOf(token)));
		return row?.person;
	}

	async #there(id: string): Promise<Person | null> {
		const [row] = await this.#db
			.select()
			.from(people)
			.where(and(eq(people.id, id), isNull(people.leftAt)));
		return row ? personOf(row) : null;
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

	/** Turns accounts on: who was alone becomes the first steward. Throws `Problem` 409 or 422. */
	async open(name: string, password: string): Promise<Person> {
		if (this.#isOpen)
			throw new Problem(409, 'nothing-to-do', 'This office has accounts already. Sign in, or ask a steward to invite you.');
		const person: Person = { ...FIRST, name };
		await this.#add(person, password);
		this.#isOpen = true;
		return person;
	}

	/** Writes a person, their password and a stratum of their own. */
	async #add({ id, name, role, leads }: Person, password: string): Promise<void> {
		refuseWeak(password, name);
		const hash = await hashPassword(password);
		await this.#db.transaction(async (tx) => {
			const [taken] = await tx
				.select()
				.from(people)
				.where(eq(people.email, addressOf(name)));
			if (taken) throw new Problem(409, 'taken', `There is somebody called “${taken.name}” already. Take another name.`);
			await tx.insert(people).values({ id, name, email: addressOf(name), role, leads: [...leads] });
			await tx
				.insert(credentials)
				.values({ id: randomUUID(), userId: id, accountId: id, providerId: 'credential', password: hash });
			const own = await tx.select().from(layers).where(eq(layers.person, id));
			if (own.length === 0) await addLayer(tx, { id: `own-${id.toLowerCase()}` as StratumId, kind: 'personal', name }, id);
		});
		this.#changed();
	}

	/** Signs somebody in; gives the cookies to set. Throws `Problem` 401 for a wrong name or password, 429 for too many tries. */
	async signIn(
		name: string,
		password: string,
		address: string,
		headers: Headers
	): Promise<{ person: Person; cookies: string[] }> {
		const email = addressOf(name);
		const tried = [`name ${email}`, `address ${address}`];
		const wait = this.#throttle.wait(tried);
		if (wait > 0)
			throw new Problem(429, 'too-often', `Too many wrong tries. Try again in ${Math.ceil(wait / 1000)} s.`, {
				wait: Math.ceil(wait / 1000)
			});
		// counted before it is looked at, so that many at once are not all free
		this.#throttle.failed(tried);
		const response = await this.#accounts.api.signInEmail({ body: { email, password }, headers, asResponse: true });
		const { user } = (response.ok ? await response.json() : {}) as { user?: { id: string } };
		const person = user && (await this.#there(user.id));
		if (!person) {
			if (user) await this.#db.delete(sessions).where(eq(sessions.userId, user.id));
			throw new Problem(401, 'sign-in', 'The name or the password is wrong.');
		}
		for (const one of tried) this.#throttle.passed(one);
		return { person, cookies: response.headers.getSetCookie() };
	}

	/** Ends the session that asks, or all of the person. Gives the cookies to set. */
	async signOut(headers: Headers, everywhere: boolean): Promise<string[]> {
		const session = await this.#accounts.api.getSession({ headers });
		if (session && everywhere) await this.#db.delete(sessions).where(eq(sessions.userId, session.user.id));
		const response = await this.#accounts.api.signOut({ headers, asResponse: true });
		return response.headers.getSetCookie();
	}

	/** Another password; all other sessions end. Throws `Problem` 401 or 422. */
	async changePassword(person: Person, current: string, next: string, headers: Headers): Promise<string[]> {
		const { cookies } = await this.signIn(person.name, current, `own ${person.id}`, headers);
		refuseWeak(next, person.name);
		const password = await hashPassword(next);
		await this.#db.update(credentials).set({ password }).where(eq(credentials.userId, person.id));
		const [newest] = (await this.#db.select().from(sessions).where(eq(sessions.userId, person.id))).sort(
			(a, b) => Number(b.createdAt) - Number(a.createdAt)
		);
		if (newest)
			await this.#db.delete(sessions).where(and(eq(sessions.userId, person.id), lt(sessions.createdAt, newest.createdAt)));
		return cookies;
	}

	/** A link's secret, good for so many days, for one person. */
	async invite(
		by: Person,
		{ name, role, leads }: Invited,
		days: number,
		now = new Date()
	): Promise<{ secret: string; expiresAt: string }> {
		this.#refuseAlone();
		const [taken] = await this.#db
			.select()
			.from(people)
			.where(eq(people.email, addressOf(name)));
		if (taken) throw new Problem(409, 'taken', `There is somebody called “${taken.name}” already. Take another name.`);
		const secret = randomBytes(24).toString('base64url');
		const expiresAt = new Date(now.getTime() + days * DAY).toISOString();
		await this.#db.delete(invitations).where(lt(invitations.expiresAt, now.toISOString()));
		await this.#db.insert(invitations).values({ digest: digestOf(secret), name, role, leads: [...leads], by: by.id, expiresAt });
		return { secret, expiresAt };
	}

	/** What an invitation is for. Throws `Problem` 404 for one that was used, has expired or never was. */
	async invitation(secret: string, now = new Date()): Promise<Invited & { expiresAt: string }> {
		const [row] = await this.#db
			.select()
			.from(invitations)
			.where(and(eq(invitations.digest, digestOf(secret)), gt(invitations.expiresAt, now.toISOString())));
		if (!row)
			throw new Problem(404, 'not-found', 'This invitation was used, or its time is over. Ask a steward for another one.');
		return { name: row.name, role: row.role, leads: row.leads, expiresAt: new Date(row.expiresAt).toISOString() };
	}

	/** Takes an invitation: the person is there from now on. Each is good once. Throws as `invitation`, 409 and 422. */
	async join(secret: string, password: string, now = new Date()): Promise<Person> {
		const { name, role, leads } = await this.invitation(secret, now);
		const person: Person = { id: randomUUID(), name, role, leads: [...leads] };
		refuseWeak(password, name);
		const used = await this.#db
			.delete(invitations)
			.where(eq(invitations.digest, digestOf(secret)))
			.returning();
		if (used.length === 0) throw new Problem(404, 'not-found', 'This invitation was used just now.');
		try {
			await this.#add(person, password);
		} catch (error) {
			await this.#db.insert(invitations).values(used[0]!);
			throw error;
		}
		return person;
	}

	/** Changes what somebody may. Throws `Problem` 404, or 409 if no steward would be left. */
	async change(
		id: string,
		{ role, leads }: { role?: Role | undefined; leads?: readonly StratumId[] | undefined }
	): Promise<void> {
		const person = await this.known(id);
		if (role !== undefined && role !== 'steward') await this.#refuseLast(person);
		await this.#db
			.update(people)
			.set({ ...(role !== undefined && { role }), ...(leads && { leads: [...leads] }) })
			.where(eq(people.id, id));
	}

	/** Somebody leaves: their sessions and tokens end at once, their strata stay. Throws `Problem` 404 or 409. */
	async leave(id: string, now = new Date()): Promise<void> {
		await this.#refuseLast(await this.known(id));
		await this.#db.transaction(async (tx) => {
			await tx.update(people).set({ leftAt: now.toISOString() }).where(eq(people.id, id));
			await tx.delete(sessions).where(eq(sessions.userId, id));
			await tx.delete(tokens).where(eq(tokens.person, id));
			await tx.update(seats).set({ person: null, setup: null }).where(eq(seats.person, id));
		});
	}

	/** A secret that a terminal signs in with as this person. */
	async token(person: Person, name: string): Promise<string> {
		this.#refuseAlone();
		const token = `skarn-${randomBytes(24).toString('base64url')}`;
		await this.#db.insert(tokens).values({ digest: digestOf(token), person: person.id, name });
		return token;
	}

	/** Signs somebody in without a password: of the demo only. */
	async enter(id: string, headers: Headers): Promise<string[]> {
		const person = await this.known(id);
		const password = randomBytes(24).toString('base64url');
		await this.#db
			.update(credentials)
			.set({ password: await hashPassword(password) })
			.where(eq(credentials.userId, id));
		return (await this.signIn(person.name, password, 'the demo', headers)).cookies;
	}

	#refuseAlone(): void {
		if (!this.#isOpen) throw new Problem(409, 'alone', 'There are no accounts yet. Open Skarn to the office first, in People.');
	}

	/** Somebody who is here. Throws `Problem` 404. */
	async known(id: string): Promise<Person> {
		const person = await this.#there(id);
		if (!person) throw new Problem(404, 'not-found', 'There is nobody of this id in the office.');
		return person;
	}

	async #refuseLast(person: Person): Promise<void> {
		if (person.role !== 'steward') return;
		const stewards = await this.#db
			.select({ id: people.id })
			.from(people)
			.where(and(eq(people.role, 'steward'), isNull(people.leftAt)));
		if (stewards.length <= 1)
			throw new Problem(409, 'last-steward', `${person.name} is the only steward. Make somebody else one first.`);
	}
}

const personOf = ({ id, name, role, leads }: typeof people.$inferSelect): Person => ({ id, name, role, leads });

/** Passwords of eight signs and more that are tried first (OWASP ASVS 5.0, 6.2.4), from memory; more than these slow nobody down that is slowed down anyhow. */
const COMMON = new Set(
	`password password1 password12 password123 passw0rd p@ssw0rd p@ssword 12345678 123456789 1234567890 87654321 987654321
	11111111 00000000 88888888 12341234 11223344 123123123 123321123 qwertyui qwertyuiop qwerty123 qwertz123 1q2w3e4r 1q2w3e4r5t 1qaz2wsx
	qazwsxedc asdfghjkl asdfasdf zaq12wsx abcd1234 abc12345 a1b2c3d4 iloveyou sunshine princess football baseball superman
	batman123 trustno1 starwars whatever computer internet letmein1 welcome1 welcome123 changeme changeme1 administrator admin123 admin1234
	master123 dragon123 monkey123 michael1 jennifer jordan23 liverpool chocolate butterfly samsung1 passwort passwort1 hallo123 geheim123
	schatzi1 sommer2026 winter2026 summer2026 autumn2026 herbst2026 default1 testtest test1234 secret123 google123 hello123 qwerty12345`.split(
		/\s+/
	)
);

/** Throws `Problem` 422 for a password that is too short, too long, or made of the name. */
function refuseWeak(password: string, name: string): void {
	const said = [...password].length;
	const refuse = (detail: string) => new Problem(422, 'not-sound', detail, { errors: [{ pointer: '/password', detail }] });
	if (said < PASSWORD.least) throw refuse(`A password has at least ${PASSWORD.least} characters; this one has ${said}.`);
	if (password.length > PASSWORD.most) throw refuse(`A password has at most ${PASSWORD.most} characters; this one has ${said}.`);
	if (COMMON.has(password.toLowerCase())) throw refuse('This password is one of those that are tried first. Take several words.');
	if (new Set(password.toLowerCase()).size < 4 || PersonName.parse(name).toLowerCase() === password.toLowerCase())
		throw refuse('This password is easily guessed. Take one that is not your name and not a sign over and over.');
}
