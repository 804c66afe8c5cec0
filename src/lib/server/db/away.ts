import type pg from 'pg';
import { Problem } from '../problem.ts';

/** How long a write waits for a database that is away before it says so, and how often it asks, in milliseconds. */
const PATIENCE = 8_000;
const ASK_AGAIN = 150;

/** The connection was refused, or ended by the server before the statement was carried out (Appendix A of PostgreSQL's documentation). */
const NOT_BEGUN = new Set(['08001', '08004', '57P01', '57P02', '57P03', 'ECONNREFUSED', 'ENOTFOUND', 'EAI_AGAIN', 'ENOENT']);
/** The connection is gone; what it was asked last may have been carried out. */
const LOST = new Set(['08000', '08003', '08006', '08007', '57P05', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT']);
const LOST_WORDS =
	/connection terminated|connection ended|not queryable|client was closed|timeout exceeded when trying to connect/i;

/** Whether the error is that the database cannot be reached: `not begun` for what was certainly not carried out. */
export function awayIn(error: unknown): 'not begun' | 'lost' | undefined {
	for (let at = error; at instanceof Error; at = at.cause) {
		const code = String((at as { code?: unknown }).code ?? '');
		if (NOT_BEGUN.has(code)) return 'not begun';
		if (LOST.has(code) || LOST_WORDS.test(at.message)) return 'lost';
		if (at instanceof AggregateError && at.errors.every((one) => awayIn(one) === 'not begun')) return 'not begun';
	}
	return undefined;
}

const notWritten = () =>
	new Problem(
		503,
		'away',
		'The database cannot be reached at the moment, so nothing was saved. You see the last known state; try again in a moment.'
	);
const notKnown = () =>
	new Problem(
		503,
		'away',
		'The connection to the database was lost while saving, so the result is unknown. Check whether the change is there before you repeat it.'
	);

/** Whether a database on another machine can be reached, and what is done while it cannot. */
export class Reach {
	readonly #pool: pg.Pool;
	readonly #isClosed: () => boolean;
	#isAway = false;

	constructor(pool: pg.Pool, isClosed: () => boolean) {
		this.#pool = pool;
		this.#isClosed = isClosed;
	}

	/** Whether the last that was asked could not be reached, and nobody has found it since. */
	get isAway(): boolean {
		return this.#isAway;
	}

	/** Waits until the database answers. Throws `Problem` 503 when it does not within the patience. */
	async again(): Promise<void> {
		this.#isAway = true;
		for (const end = Date.now() + PATIENCE; ;) {
			try {
				await this.#pool.query('select 1');
				this.#isAway = false;
				return;
			} catch (error) {
				if (this.#isClosed() || awayIn(error) === undefined) throw error;
				if (Date.now() > end) throw notWritten();
				await new Promise((resolve) => setTimeout(resolve, ASK_AGAIN));
			}
		}
	}

	/**
	 * Does the work, and once more after the database was away, if it was certainly not carried out the first time. `isCommitting` says that the
	 * work was at its end when it failed, so that nobody knows. Throws `Problem` 503.
	 */
	async twice<T>(work: () => Promise<T>, isCommitting: () => boolean = () => false): Promise<T> {
		try {
			return await work();
		} catch (error) {
			const away = awayIn(error);
			if (away === undefined) throw error;
			if (away === 'lost' && isCommitting()) {
				this.#isAway = true;
				throw notKnown();
			}
			await this.again();
			try {
				return await work();
			} catch (second) {
				if (awayIn(second) === undefined) throw second;
				this.#isAway = true;
				throw awayIn(second) === 'lost' && isCommitting() ? notKnown() : notWritten();
			}
		}
	}
}
