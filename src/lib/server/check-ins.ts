import { sql } from 'drizzle-orm';
import { Batches } from './batches.ts';
import type { Database } from './db/open.ts';

/** So long what was heard of seats stays in memory before it is written, in ms; what a crash may lose. */
const EVERY = 2_000;

/** When seats were heard last: kept in memory, and written together. */
export class CheckIns {
	readonly #db: Database;
	readonly #heard = new Map<string, Date>();
	readonly #unwritten = new Set<string>();
	readonly #batches = new Batches(EVERY, 'When seats were heard was not written', () => this.#write());

	constructor(db: Database) {
		this.#db = db;
	}

	hear(seat: string, at: Date): void {
		const before = this.#heard.get(seat);
		if (before && before >= at) return;
		this.#heard.set(seat, at);
		this.#unwritten.add(seat);
		this.#batches.soon();
	}

	/** The same for a seat that asks very often: more than once in a second says nothing new. */
	hearAgain(seat: string, now: number): void {
		const before = this.#heard.get(seat);
		if (!before || now - before.getTime() >= 1_000) this.hear(seat, new Date(now));
	}

	/** When the seat was heard, if it was since the start. */
	last(seat: string): Date | undefined {
		return this.#heard.get(seat);
	}

	forget(seat: string): void {
		this.#heard.delete(seat);
		this.#unwritten.delete(seat);
	}

	/** Writes what is not written yet. */
	write(): Promise<void> {
		return this.#batches.now();
	}

	async #write(): Promise<void> {
		const batch = [...this.#unwritten];
		if (batch.length === 0) return;
		const heard = batch.map((seat) => ({ seat, at: this.#heard.get(seat)! }));
		this.#unwritten.clear();
		const rows = heard.map(({ seat, at }) => sql`(${seat}, ${at.toISOString()}::timestamptz)`);
		try {
			await this.#db.execute(
				sql`update seats set last_seen = heard.at from (values ${sql.join(rows, sql`, `)}) as heard(id, at) where seats.id = heard.id`
			);
		} catch (error) {
			// they are written with the next batch
			for (const { seat } of heard) if (this.#heard.has(seat)) this.#unwritten.add(seat);
			throw error;
		}
	}

	/** Writes what is left; nothing is written afterwards unless a seat is heard again. */
	close(): Promise<void> {
		return this.#batches.close();
	}
}
