import { sql } from 'drizzle-orm';
import type { SeatReport } from '../../../core/release/release.ts';
import { Batches } from './batches.ts';
import type { Database } from './db/open.ts';
import { reports, seats } from './db/schema.ts';

/** So long reports stay in memory before they are written, in ms. What a crash loses, seats say again: they are told what the office has. */
const EVERY = 300;

interface Unwritten {
	report: SeatReport;
	/** Whether it ends a wish to restore. */
	isFulfilled: boolean;
	/** Those that say something new, for the history. */
	readonly news: { readonly at: string; readonly report: SeatReport }[];
}

/** What seats have said: known at once, and written together. */
export class SeatReports {
	readonly #db: Database;
	readonly #written: (seats: readonly string[]) => void;
	readonly #unwritten = new Map<string, Unwritten>();
	readonly #batches = new Batches(EVERY, 'Reports were not written', () => this.#write());

	/** `written` is called with the seats of each batch. */
	constructor(db: Database, written: (seats: readonly string[]) => void) {
		this.#db = db;
		this.#written = written;
	}

	take(seat: string, report: SeatReport, { isNews, isFulfilled }: { isNews: boolean; isFulfilled: boolean }, at: Date): void {
		const held = this.#unwritten.get(seat) ?? { report, isFulfilled: false, news: [] };
		held.report = report;
		held.isFulfilled ||= isFulfilled;
		if (isNews) held.news.push({ at: at.toISOString(), report });
		this.#unwritten.set(seat, held);
		this.#batches.soon();
	}

	/** What is not written yet of the seat. */
	pending(seat: string): { readonly report: SeatReport; readonly isFulfilled: boolean } | undefined {
		return this.#unwritten.get(seat);
	}

	forget(seat: string): void {
		this.#unwritten.delete(seat);
	}

	/** Writes what is not written yet. */
	write(): Promise<void> {
		return this.#batches.now();
	}

	async #write(): Promise<void> {
		const batch = [...this.#unwritten];
		if (batch.length === 0) return;
		const rows = batch.map(
			([seat, { report, isFulfilled }]) => sql`(${seat}, ${JSON.stringify(report)}::jsonb, ${isFulfilled}::boolean)`
		);
		const news = batch.flatMap(([seat, { news: some }]) => some.map((one) => ({ seat, ...one })));
		const counts = new Map(batch.map(([seat, { news: some }]) => [seat, some.length]));
		await this.#db.transaction(async (tx) => {
			await tx.execute(
				sql`update seats set report = said.report, restore = seats.restore and not said.fulfilled from (values ${sql.join(rows, sql`, `)}) as said(id, report, fulfilled) where seats.id = said.id`
			);
			// a seat that was removed meanwhile has no history
			const known = new Set((await tx.select({ id: seats.id }).from(seats)).map(({ id }) => id));
			const kept = news.filter(({ seat }) => known.has(seat));
			if (kept.length > 0) await tx.insert(reports).values(kept);
		});
		// what has come meanwhile waits for the next batch
		for (const [seat, { report }] of batch) {
			const held = this.#unwritten.get(seat);
			if (!held) continue;
			held.news.splice(0, counts.get(seat));
			if (held.report === report && held.news.length === 0) this.#unwritten.delete(seat);
		}
		this.#written(batch.map(([seat]) => seat));
		if (this.#unwritten.size > 0) this.#batches.soon();
	}

	/** Writes what is left. */
	close(): Promise<void> {
		return this.#batches.close();
	}
}
