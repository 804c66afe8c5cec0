import { createHmac } from 'node:crypto';
import { inArray, lt, sql } from 'drizzle-orm';
import { isWork } from '../../../../core/people/work.ts';
import { digestOf, isSame } from '../codes.ts';
import type { Database } from '../db/open.ts';
import { spent, tries } from '../db/schema.ts';

/** So many wrong tries are free: of one account from one address, of one account from anywhere, from one address of any accounts. */
const FREE = { pair: 5, account: 20, address: 100 } as const;
/** Work is asked for from this many bits on, one more for each further wrong try: about a tenth of a second at first, and minutes at last. */
const LEAST = 14;
const MOST = 24;
/** Who has not tried for this long begins anew. */
const FORGOTTEN = 60 * 60_000;
/** Work is good for so long. */
const GOOD = 10 * 60_000;

/** Work that has to be done before the next try. */
export interface Work {
	readonly challenge: string;
	readonly bits: number;
}

/** What was tried and from where. */
interface Tried {
	readonly account: string;
	readonly address: string;
}

const countersOf = ({ account, address }: Tried) =>
	[
		[`pair ${account} ${address}`, FREE.pair],
		[`account ${account}`, FREE.account],
		[`address ${address}`, FREE.address]
	] as const;

/**
 * Wrong tries of passwords, counted in the database for all servers of the office. Nobody is locked out: beyond the free ones each try costs
 * work, so that who knows the password gets in whatever others do behind the same address, and who guesses pays for every guess.
 */
export class Tries {
	readonly #db: Database;
	readonly #secret: string;

	constructor(db: Database, secret: string) {
		this.#db = db;
		this.#secret = secret;
	}

	/**
	 * Counts a try before it is looked at, so that many at once are not all free. Gives the work that is still to be done, and then
	 * does not count; undefined where the try may be looked at. `work` is a challenge with its number, with a blank between them.
	 */
	async begin(tried: Tried, work: string | undefined, now = new Date()): Promise<Work | undefined> {
		const counters = countersOf(tried);
		const fails = await this.#count(
			counters.map(([name]) => name),
			now
		);
		const over = Math.max(...counters.map(([name, free]) => (fails.get(name) ?? 0) - free));
		if (over <= 0) return undefined;
		const bits = Math.min(MOST, LEAST - 1 + over);
		if (work !== undefined && (await this.#isDone(work, tried, bits, now))) return undefined;
		await this.#uncount(tried);
		const until = now.getTime() + GOOD;
		return { challenge: `${until}.${bits}.${this.#mac(tried, until, bits)}`, bits };
	}

	/** The try that was begun was right: it counts for nobody, and what the account has tried wrong from there is forgotten. */
	async passed(tried: Tried): Promise<void> {
		await this.#uncount(tried);
		const [[pair]] = countersOf(tried);
		await this.#db.delete(tries).where(inArray(tries.name, [pair]));
	}

	async #count(names: readonly string[], now: Date): Promise<Map<string, number>> {
		const at = now.toISOString();
		const forgotten = new Date(now.getTime() - FORGOTTEN).toISOString();
		await this.#db.delete(tries).where(lt(tries.last, forgotten));
		const rows = await this.#db
			.insert(tries)
			.values(names.toSorted().map((name) => ({ name, fails: 1, last: at })))
			.onConflictDoUpdate({ target: tries.name, set: { fails: sql`${tries.fails} + 1`, last: at } })
			.returning();
		return new Map(rows.map(({ name, fails }) => [name, fails]));
	}

	async #uncount(tried: Tried): Promise<void> {
		const names = countersOf(tried).map(([name]) => name);
		await this.#db
			.update(tries)
			.set({ fails: sql`greatest(0, ${tries.fails} - 1)` })
			.where(inArray(tries.name, names));
	}

	#mac(tried: Tried, until: number, bits: number): string {
		const said = ['work', tried.account, tried.address, until, bits].join('\n');
		return createHmac('sha256', this.#secret).update(said).digest('base64url');
	}

	/** Whether the work is of this office, for this try, heavy enough, done, and not used before. */
	async #isDone(work: string, tried: Tried, wanted: number, now: Date): Promise<boolean> {
		const [challenge = '', number = ''] = work.split(' ');
		const [until = '', bits = '', mac = ''] = challenge.split('.');
		if (!isSame(mac, this.#mac(tried, Number(until), Number(bits)))) return false;
		// those who fail meanwhile make it no heavier by more than a little
		if (!(Number(until) > now.getTime()) || Number(bits) < wanted - 2 || !/^\d{1,12}$/.test(number)) return false;
		if (!isWork(challenge, Number(number), Number(bits))) return false;
		return spend(this.#db, challenge, new Date(Number(until)), now);
	}
}

/** Uses up what is good once, until when it would have been good. Whether it was not used before. */
export async function spend(db: Database, what: string, until: Date, now = new Date()): Promise<boolean> {
	await db.delete(spent).where(lt(spent.until, now.toISOString()));
	const rows = await db
		.insert(spent)
		.values({ digest: digestOf(what), until: until.toISOString() })
		.onConflictDoNothing()
		.returning();
	return rows.length > 0;
}
