import { createHmac, verify } from 'node:crypto';
import { and, eq, gt, inArray, lt } from 'drizzle-orm';
import { FINGERPRINT, signInText, type Enrolled, type Enrolment } from '../../../core/release/updates.ts';
import type { ApplicationId } from '../../../core/application/application.ts';
import { digestOf, grouped, isSame, plainCode, signs } from './codes.ts';
import type { Database } from './db/open.ts';
import { enrolments, seats as table } from './db/schema.ts';
import { Problem } from './problem.ts';
import type { Seats } from './seats.ts';
import { publicKeyOf } from './signing/keys.ts';
import type { Signing } from './signing/signing.ts';
import { spend } from './people/tries.ts';

/** A code is good for so long, a challenge, and what a seat has signed in with, in milliseconds. */
const CODE = 24 * 3600_000;
const CHALLENGE = 60_000;
const TOKEN = 3600_000;

/** A seat that has signed in. */
export interface SignedIn {
	readonly seat: string;
	readonly until: number;
	/** The public half of the key that it has shown. */
	readonly key: string;
	/** Where it asks whether there is anything new. */
	readonly checkIn: string;
}

/**
 * How workstations become seats, and show afterwards that they are: with a code that is good once they give the office the public
 * half of a key of their own; signing in, they sign what the office has just said with it.
 */
export class Enrolments {
	readonly #db: Database;
	readonly #seats: Seats;
	readonly #signing: Signing;
	readonly #secret: string;
	/** By the header that they send. */
	readonly #known = new Map<string, SignedIn>();

	/** `secret` is what all servers of the office have in common. */
	constructor(db: Database, seats: Seats, signing: Signing, secret: string) {
		this.#db = db;
		this.#seats = seats;
		this.#signing = signing;
		this.#secret = secret;
	}

	/** A code for the seat: the secret, and the fingerprint of the root by which the workstation knows the office. Throws `Problem` 404 or 409. */
	async code(seat: string, now = new Date()): Promise<{ code: string; expiresAt: string }> {
		const [made] = await this.codes([seat], now);
		return { code: made!.code, expiresAt: made!.expiresAt };
	}

	/** Codes for several seats, all or none. Throws as `code`. */
	async codes(seats: readonly string[], now = new Date()): Promise<{ seat: string; code: string; expiresAt: string }[]> {
		for (const seat of seats) await this.#seats.applicationOf(seat);
		const root = await this.#signing.root();
		const expiresAt = new Date(now.getTime() + CODE).toISOString();
		const made = seats.map((seat) => ({ seat, secret: signs(12) }));
		await this.#db.transaction(async (tx) => {
			await tx.delete(enrolments).where(lt(enrolments.expiresAt, now.toISOString()));
			await tx.delete(enrolments).where(inArray(enrolments.seat, [...seats]));
			await tx
				.insert(enrolments)
				.values(made.map(({ seat, secret }) => ({ digest: digestOf(secret), seat, root: root.version, expiresAt })));
		});
		const print = digestOf(root.body).slice(0, FINGERPRINT);
		return made.map(({ seat, secret }) => ({ seat, code: `${grouped(secret)}-${print}`, expiresAt }));
	}

	/** The workstation is the seat from now on. A former one with the same id is it no more. Throws `Problem` 404. */
	async enrol({ code, key }: Enrolment, now = new Date()): Promise<Enrolled> {
		const secret = plainCode(code).slice(0, 12);
		// the code is used up only with the key that is kept for it
		const used = await this.#db.transaction(async (tx) => {
			const [row] = await tx
				.delete(enrolments)
				.where(and(eq(enrolments.digest, digestOf(secret)), gt(enrolments.expiresAt, now.toISOString())))
				.returning();
			if (row) await tx.update(table).set({ key, report: null }).where(eq(table.id, row.seat));
			return row;
		});
		// a code has 60 bits: it is not guessed, however often it is tried, and nobody's wrong ones stand in the way of others
		if (!used)
			throw new Problem(404, 'not-found', 'This code was already used or has expired. Ask a steward for a new one from Rollout.');
		const root = await this.#signing.root(used.root);
		this.#seats.forget();
		return { seat: used.seat, application: (await this.#seats.applicationOf(used.seat)) as ApplicationId, root: root.body };
	}

	#mac(...said: (string | number)[]): string {
		return createHmac('sha256', this.#secret).update(said.join('\n')).digest('base64url');
	}

	/** What the seat has to sign to sign in; good once, for a minute. */
	challenge(seat: string, now = Date.now()): string {
		const until = now + CHALLENGE;
		const once = signs(16);
		return `${until}.${once}.${this.#mac('challenge', seat, until, once)}`;
	}

	/** Signs a seat in by its own key; gives its token and how long it is good. Throws `Problem` 401. */
	async signIn(seat: string, challenge: string, signature: string, now = Date.now()): Promise<{ token: string; until: string }> {
		const refuse = (why: string) => new Problem(401, 'sign-in', why);
		const [until = '', once = '', mac = ''] = challenge.split('.');
		if (!isSame(mac, this.#mac('challenge', seat, until, once)) || Number(until) < now)
			throw refuse('This challenge is not from this office or has expired. Request a new one.');
		const key = await this.#seats.keyOf(seat);
		if (key === null) throw refuse(`${seat} has not enrolled yet. A steward can create a code for it in Rollout.`);
		const isIt =
			/^[0-9a-f]{128}$/.test(signature) &&
			verify(null, Buffer.from(signInText(seat, challenge)), publicKeyOf(key), Buffer.from(signature, 'hex'));
		if (!isIt) throw refuse(`This is not the key of ${seat}. If the workstation was set up again, it needs a new code.`);
		if (!(await spend(this.#db, challenge, new Date(Number(until)), new Date(now))))
			throw refuse('This challenge was already answered. Request a new one.');
		const end = now + TOKEN;
		return { token: `${seat}.${end}.${this.#mac('seat', seat, key, end)}`, until: new Date(end).toISOString() };
	}

	/** The seat whose token it is; null for none, and for a seat that is not known any more or has another key by now. */
	async who(token: string, now = Date.now()): Promise<string | null> {
		const known = this.#known.get(`Seat ${token}`);
		const [seat = '', end = '', mac = ''] = token.split('.');
		if (!known && !(Number(end) > now)) return null;
		const key = await this.#seats.keyOf(seat);
		if (key === null) return null;
		if (known) return known.until > now && known.key === key ? known.seat : null;
		if (!isSame(mac, this.#mac('seat', seat, key, end))) return null;
		if (this.#known.size > 20_000) this.#known.clear();
		this.#known.set(`Seat ${token}`, { seat, until: Number(end), key, checkIn: `/api/seats/${seat}/check-in` });
		return seat;
	}

	/** Whose token was looked at before, by the whole header; without asking anybody. */
	known(authorization: string, now = Date.now()): SignedIn | undefined {
		const known = this.#known.get(authorization);
		return known && known.until > now ? known : undefined;
	}
}
