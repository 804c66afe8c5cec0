import { createHmac, randomBytes } from 'node:crypto';
import { and, desc, eq, gt, ne } from 'drizzle-orm';
import { FIRST, type Person } from '../../../../core/people/person.ts';
import { digestOf, isSame } from '../codes.ts';
import type { Database } from '../db/open.ts';
import { sessions, tokens } from '../db/schema.ts';
import { Problem } from '../problem.ts';
import { accountsOn, addressOf, ASKER, type Accounts } from './accounts.ts';
import { passwordFor } from './passwords.ts';
import type { People } from './people.ts';
import { spend, Tries } from './tries.ts';

const DAY = 24 * 3600_000;
/** When a token was used last is noted to the minute. */
const MINUTE = 60_000;
/** What the console shows itself with is good for so long. */
const CONSOLE = 60_000;

/** Who asks from the server's own console, and can read the office's secret there. */
export const CONSOLE_PERSON: Person = { id: 'console', name: 'the server’s console', role: 'steward', leads: [] };

/** Something that somebody has signed in with and can withdraw. */
export interface Access {
	readonly id: string;
	readonly name: string;
	readonly createdAt: string;
	readonly lastUsedAt: string | null;
	readonly expiresAt: string;
	/** Whether it is the one that asks. */
	readonly isThis: boolean;
}

/** Where and as whom somebody signs in. */
export interface SigningIn {
	readonly name: string;
	readonly password: string;
	readonly address: string;
	readonly headers: Headers;
	/** Work that was done for this try, where it was asked for. */
	readonly work?: string | undefined;
}

const iso = (date: Date | string) => new Date(date).toISOString();

const consoleMac = (secret: string, said: string): string =>
	createHmac('sha256', secret).update(`console\n${said}`).digest('base64url');

/** What the console of the server's machine shows itself with: good once, for a minute. `secret` is the office's. */
export function consoleToken(secret: string, now = Date.now()): string {
	const until = `${now + CONSOLE}.${randomBytes(9).toString('base64url')}`;
	return `${until}.${consoleMac(secret, until)}`;
}

/** How people show who they are: by a password, and then by a session's cookie or by a token for terminals. */
export class SignIns {
	readonly #db: Database;
	readonly #accounts: Accounts;
	readonly #people: People;
	readonly #tries: Tries;
	readonly #secret: string;
	readonly #ended: (person: string) => void;
	/** When each token was noted as used. */
	readonly #noted = new Map<string, number>();

	/** `ended` is called when sessions of somebody have ended. */
	constructor(db: Database, secret: string, address: string | undefined, people: People, ended: (person: string) => void) {
		this.#db = db;
		this.#secret = secret;
		this.#accounts = accountsOn(db, secret, address);
		this.#people = people;
		this.#tries = new Tries(db, secret);
		this.#ended = ended;
	}

	/** Who asks: by their session's cookie or a terminal's token; the one person while the office has no accounts; null for nobody. */
	async who(headers: Headers): Promise<Person | null> {
		const [, kind, secret] = /^(Bearer|Console) (\S+)$/.exec(headers.get('authorization') ?? '') ?? [];
		if (kind === 'Console') return (await this.#isConsole(secret!)) ? CONSOLE_PERSON : null;
		if (!this.#people.isOpen) return FIRST;
		const id = secret ? await this.#ofToken(secret) : (await this.#accounts.api.getSession({ headers }))?.user.id;
		return id === undefined ? null : this.#people.find(id);
	}

	async #isConsole(token: string, now = Date.now()): Promise<boolean> {
		const [until = '', once = '', mac = ''] = token.split('.');
		if (!isSame(mac, consoleMac(this.#secret, `${until}.${once}`)) || !(Number(until) > now)) return false;
		return spend(this.#db, token, new Date(Number(until)), new Date(now));
	}

	async #ofToken(token: string, now = new Date()): Promise<string | undefined> {
		const digest = digestOf(token);
		const [row] = await this.#db
			.select()
			.from(tokens)
			.where(and(eq(tokens.digest, digest), gt(tokens.expiresAt, now.toISOString())));
		if (row && now.getTime() - (this.#noted.get(digest) ?? 0) > MINUTE) {
			if (this.#noted.size > 5_000) this.#noted.clear();
			this.#noted.set(digest, now.getTime());
			await this.#db.update(tokens).set({ lastUsedAt: now.toISOString() }).where(eq(tokens.digest, digest));
		}
		return row?.person;
	}

	/**
	 * Signs somebody in; gives the cookies to set. Throws `Problem` 401 for a wrong name or password, 429 with `work` where work has to be
	 * done before the next try.
	 */
	async signIn({ name, password, address, headers, work }: SigningIn): Promise<{ person: Person; cookies: string[] }> {
		const email = addressOf(name);
		const tried = { account: email, address };
		const wanted = await this.#tries.begin(tried, work);
		if (wanted)
			throw new Problem(
				429,
				'too-often',
				'Too many failed attempts. This one takes longer because the browser has to solve a task first.',
				{ work: wanted }
			);
		const found = await this.#enter(email, password, address, headers);
		if (!found) throw new Problem(401, 'sign-in', 'The name or the password is wrong.');
		await this.#tries.passed(tried);
		return found;
	}

	async #enter(email: string, password: string, address: string, headers: Headers) {
		const told = new Headers(headers);
		told.set(ASKER, address);
		const response = await this.#accounts.api.signInEmail({ body: { email, password }, headers: told, asResponse: true });
		const { user } = (response.ok ? await response.json() : {}) as { user?: { id: string } };
		if (!user) return null;
		const person = await this.#people.find(user.id);
		if (person) return { person, cookies: response.headers.getSetCookie() };
		await this.#db.delete(sessions).where(eq(sessions.userId, user.id));
		return null;
	}

	/** Ends the session that asks, or all of the person. Gives the cookies to set. */
	async signOut(headers: Headers, everywhere: boolean): Promise<string[]> {
		const session = await this.#accounts.api.getSession({ headers });
		if (session && everywhere) await this.#db.delete(sessions).where(eq(sessions.userId, session.user.id));
		const response = await this.#accounts.api.signOut({ headers, asResponse: true });
		if (session && everywhere) this.#ended(session.user.id);
		return response.headers.getSetCookie();
	}

	/**
	 * Another password; all other sessions end, and with `endTokens` the tokens too. Gives the cookies of the session that goes on. Throws
	 * `Problem` 401, 422 or 429.
	 */
	async changePassword(
		person: Person,
		{
			current,
			next,
			endTokens,
			...from
		}: Omit<SigningIn, 'name' | 'password'> & { current: string; next: string; endTokens: boolean }
	): Promise<string[]> {
		await this.signIn({ ...from, name: person.name, password: current });
		const write = await passwordFor(person, next);
		await this.#db.transaction(async (tx) => {
			await write(tx);
			await tx.delete(sessions).where(eq(sessions.userId, person.id));
			if (endTokens) await tx.delete(tokens).where(eq(tokens.person, person.id));
		});
		this.#ended(person.id);
		return (await this.#enter(addressOf(person.name), next, from.address, from.headers))!.cookies;
	}

	/** The sessions of somebody, the newest first. */
	async sessions(person: Person, headers: Headers, now = new Date()): Promise<Access[]> {
		const current = (await this.#accounts.api.getSession({ headers }))?.session.id;
		const rows = await this.#db
			.select()
			.from(sessions)
			.where(and(eq(sessions.userId, person.id), gt(sessions.expiresAt, now)))
			.orderBy(desc(sessions.createdAt));
		return rows.map(({ id, ipAddress, userAgent, createdAt, updatedAt, expiresAt }) => ({
			id,
			name: [programOf(userAgent), ipAddress].filter(Boolean).join(', '),
			...{ createdAt: iso(createdAt), lastUsedAt: iso(updatedAt), expiresAt: iso(expiresAt) },
			isThis: id === current
		}));
	}

	/** Ends one session of somebody, or all but the one that asks. Throws `Problem` 404. */
	async endSession(person: Person, id: string | 'others', headers: Headers): Promise<void> {
		const mine = eq(sessions.userId, person.id);
		const current = (await this.#accounts.api.getSession({ headers }))?.session.id ?? '';
		const which = id === 'others' ? ne(sessions.id, current) : eq(sessions.id, id);
		const gone = await this.#db.delete(sessions).where(and(mine, which)).returning();
		if (gone.length === 0 && id !== 'others') throw new Problem(404, 'not-found', 'This session has ended already.');
		this.#ended(person.id);
	}

	/** A secret that a terminal signs in with as this person, good for so many days. Throws `Problem` 409. */
	async token(person: Person, name: string, days: number, now = new Date()): Promise<{ token: string; expiresAt: string }> {
		this.#people.refuseAlone();
		const token = `skarn-${randomBytes(24).toString('base64url')}`;
		const expiresAt = new Date(now.getTime() + days * DAY).toISOString();
		await this.#db.insert(tokens).values({ digest: digestOf(token), person: person.id, name, expiresAt });
		return { token, expiresAt };
	}

	/** The tokens of somebody, the newest first. */
	async tokens(person: Person, now = new Date()): Promise<Access[]> {
		const rows = await this.#db
			.select()
			.from(tokens)
			.where(and(eq(tokens.person, person.id), gt(tokens.expiresAt, now.toISOString())))
			.orderBy(desc(tokens.createdAt));
		return rows.map(({ digest, name, createdAt, lastUsedAt, expiresAt }) => ({
			...{ id: digest, name, createdAt: iso(createdAt), lastUsedAt: lastUsedAt && iso(lastUsedAt), expiresAt: iso(expiresAt) },
			isThis: false
		}));
	}

	/** Withdraws a token. Throws `Problem` 404. */
	async withdrawToken(person: Person, id: string): Promise<void> {
		const gone = await this.#db
			.delete(tokens)
			.where(and(eq(tokens.person, person.id), eq(tokens.digest, id)))
			.returning();
		if (gone.length === 0) throw new Problem(404, 'not-found', 'You have no such token. It may have been withdrawn.');
	}

	/** Signs somebody in without a password: of the demo only. */
	async enter(id: string, address: string, headers: Headers): Promise<string[]> {
		const person = await this.#people.known(id);
		const password = randomBytes(24).toString('base64url');
		const write = await passwordFor(person, password);
		await this.#db.transaction(write);
		return (await this.#enter(addressOf(person.name), password, address, headers))!.cookies;
	}
}

/** The browser and the system as a user agent says them, in short. */
function programOf(agent: string | null): string {
	const browser = /(Firefox|Edg|OPR|Chrome|Safari|node)\b/.exec(agent ?? '')?.[1] ?? 'Unknown browser';
	const system = /(Windows|Mac OS X|Android|iPhone|Linux)/.exec(agent ?? '')?.[1];
	const names: Record<string, string> = { Edg: 'Edge', OPR: 'Opera', 'Mac OS X': 'macOS', node: 'A script' };
	return [names[browser] ?? browser, system && (names[system] ?? system)].filter(Boolean).join(' on ');
}
