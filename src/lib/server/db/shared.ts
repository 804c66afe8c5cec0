import { randomBytes, randomUUID } from 'node:crypto';
import { sql } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/node-postgres';
import pg from 'pg';
import { awayIn, Reach } from './away.ts';
import type { Database } from './database.ts';
import { migrate } from './migrate.ts';
import { archiveOf } from './move.ts';
import { DataFolderError, refuseNewer, type OpenDatabase, type Relay } from './open.ts';
import { onlyReads } from './only-reads.ts';
import * as schema from './schema.ts';
import { settings } from './schema.ts';
import { Turns } from './turns.ts';

/** The channel of NOTIFY on which the servers of one office tell each other what has changed. */
const CHANNEL = 'skarn';
/** How long a turn that another server has is asked for again, in milliseconds. */
const ASK_AGAIN = 15;
const RECONNECT = 100;

/** An address without its password, for messages. */
export function withoutPassword(url: string): string {
	try {
		const at = new URL(url);
		if (at.password) at.password = '…';
		return decodeURI(at.href);
	} catch {
		return 'DATABASE_URL';
	}
}

/**
 * Opens a database on a PostgreSQL server, which several servers of the office share, and brings it up to date. They take turns by
 * advisory locks (PostgreSQL 15, 13.3.5) and hear of each other by NOTIFY. Throws `DataFolderError` with what to do.
 */
export async function openShared(
	url: string,
	folder: string,
	{ migrations = 'migrations' }: { migrations?: string | undefined } = {}
): Promise<OpenDatabase> {
	const where = withoutPassword(url);
	const pool = new pg.Pool({ connectionString: url, max: 12, application_name: 'skarn', connectionTimeoutMillis: 5_000 });
	let isClosed = false;
	// a connection that is cut while nobody uses it, and one that is cut while somebody does: who uses it hears of it by what it asked
	pool.on('error', (error) => console.error(`${where}: ${error.message}`));
	pool.on('connect', (client) => client.on('error', (error) => console.error(`${where}: ${error.message}`)));
	const reach = new Reach(pool, () => isClosed);
	// what is written reads the same as in the embedded database, which has drizzle's own handling of time
	const db = steadfast(drizzle(pool, { schema }) as unknown as Database, pool, reach);
	let line: Line;
	try {
		line = await Line.open(url, reach);
	} catch (error) {
		await pool.end();
		throw new DataFolderError(
			`The database ${where} cannot be reached (${(error as Error).message || (error as { code?: string }).code}). See that it runs and that DATABASE_URL is right.`
		);
	}
	const turns = new Turns((name) => line.lock(name));
	try {
		await turns.take('migrate', async () => {
			await refuseNewer(db, where, migrations);
			await migrate(db, migrations);
			await db
				.insert(settings)
				.values({ name: 'secret', value: randomBytes(32).toString('hex') })
				.onConflictDoNothing();
		});
		const [row] = await db
			.select()
			.from(settings)
			.where(sql`${settings.name} = 'secret'`);
		await line.listen();
		let archiving: Promise<Blob> | undefined;
		const store: OpenDatabase = {
			db,
			folder,
			turns,
			relay: line,
			secret: row!.value,
			where,
			isShared: true,
			get isAway() {
				return reach.isAway;
			},
			// others write there too, and nobody waits for a transaction of somebody else
			isBusy: false,
			writes: 0,
			dump: () => (archiving ??= archiveOf(store, migrations).finally(() => (archiving = undefined))),
			close: async () => {
				isClosed = true;
				await line.close();
				await pool.end();
			}
		};
		return store;
	} catch (error) {
		await line.close();
		await pool.end();
		if (error instanceof DataFolderError) throw error;
		const { message, cause } = error as Error;
		throw new DataFolderError(
			`${where} could not be brought up to date (${message.split('\n')[0]}${cause instanceof Error ? ` ${cause.message}` : ''}).`
		);
	}
}

/** The database, where each statement and transaction is done once more after the connection was lost, as far as that is sound. */
function steadfast(db: Database, pool: pg.Pool, reach: Reach): Database {
	// what is asked outside of transactions goes through the pool itself
	const query = pool.query.bind(pool) as (...args: unknown[]) => Promise<unknown>;
	pool.query = ((...args: unknown[]) => {
		const [asked] = args;
		const text = typeof asked === 'string' ? asked : String((asked as { text?: string } | undefined)?.text ?? '');
		if (text === 'select 1') return query(...args);
		return reach.twice(
			() => query(...args),
			() => !onlyReads(text)
		);
	}) as typeof pool.query;
	type Work = Parameters<Database['transaction']>[0];
	db.transaction = ((work: Work, how?: Parameters<Database['transaction']>[1]) => {
		let isAtEnd = false;
		const once = async () => {
			isAtEnd = false;
			// drizzle's own way to a connection of the pool does not give it back where "begin" fails
			const client = await pool.connect();
			try {
				const on = drizzle(client, { schema }) as unknown as Database;
				return await on.transaction(async (tx) => {
					const value = await work(tx);
					isAtEnd = true;
					return value;
				}, how);
			} finally {
				client.release();
			}
		};
		return reach.twice(once, () => isAtEnd);
	}) as Database['transaction'];
	return db;
}

/** One connection that stays open: it holds the turns and hears what others tell. */
class Line implements Relay {
	readonly #url: string;
	readonly #me = randomUUID();
	#client: pg.Client;
	#heard: (message: Record<string, unknown>) => void = () => {};
	#isClosed = false;
	#isListening = false;
	#last: Promise<unknown> = Promise.resolve();

	readonly #reach: Reach;

	private constructor(url: string, client: pg.Client, reach: Reach) {
		this.#url = url;
		this.#client = client;
		this.#reach = reach;
	}

	static async open(url: string, reach: Reach): Promise<Line> {
		const line = new Line(url, new pg.Client({ connectionString: url, application_name: 'skarn turns' }), reach);
		await line.#connect(line.#client);
		return line;
	}

	async #connect(client: pg.Client): Promise<void> {
		client.on('error', (error) => console.error(`Turns: ${error.message}`));
		client.on('notification', ({ payload }) => {
			const message = JSON.parse(payload ?? '{}') as Record<string, unknown>;
			if (message['from'] !== this.#me) this.#heard(message);
		});
		await client.connect();
		// one that never stood has nothing to begin again
		client.on('end', () => void this.#again());
	}

	/** After the connection was lost: what was told meanwhile is not known, so that everything may have changed. */
	async #again(): Promise<void> {
		while (!this.#isClosed) {
			const client = new pg.Client({ connectionString: this.#url, application_name: 'skarn turns' });
			try {
				await this.#connect(client);
				this.#client = client;
				if (this.#isListening) await client.query(`listen ${CHANNEL}`);
				this.#heard({ all: true });
				return;
			} catch {
				await new Promise((resolve) => setTimeout(resolve, RECONNECT));
			}
		}
	}

	async listen(): Promise<void> {
		this.#isListening = true;
		await this.#client.query(`listen ${CHANNEL}`);
	}

	hear(heard: (message: Record<string, unknown>) => void): void {
		this.#heard = heard;
	}

	tell(message: Record<string, unknown>): void {
		if (this.#isClosed) return;
		const payload = JSON.stringify({ ...message, from: this.#me });
		// NOTIFY takes less than 8000 bytes
		const short = payload.length < 7_900 ? payload : JSON.stringify({ all: true, from: this.#me });
		this.#query(this.#client, 'select pg_notify($1, $2)', [CHANNEL, short]).catch((error: Error) =>
			console.error(`Other servers were not notified: ${error.message}`)
		);
	}

	/** One question after the other, as a connection takes them. */
	#query<R extends pg.QueryResultRow>(client: pg.Client, text: string, values: readonly string[]): Promise<pg.QueryResult<R>> {
		const asked = this.#last.then(() => client.query<R>(text, [...values]));
		this.#last = asked.catch(() => undefined);
		return asked;
	}

	/** Waits until no other server has the turn of this name. */
	async lock(name: string): Promise<() => Promise<void>> {
		const key = [`skarn ${name}`];
		for (;;) {
			const client = this.#client;
			let isMine: boolean;
			try {
				const { rows } = await this.#query<{ is: boolean }>(
					client,
					'select pg_try_advisory_lock(hashtextextended($1, 0)) as is',
					key
				);
				isMine = rows[0]!.is;
			} catch (error) {
				if (this.#isClosed || !awayIn(error)) throw error;
				// the line comes back by itself
				await this.#reach.again();
				await new Promise((resolve) => setTimeout(resolve, ASK_AGAIN));
				continue;
			}
			if (isMine)
				return async () => {
					// with its connection a turn is gone as well
					if (client !== this.#client) return;
					await this.#query(client, 'select pg_advisory_unlock(hashtextextended($1, 0))', key).catch(() => undefined);
				};
			await new Promise((resolve) => setTimeout(resolve, ASK_AGAIN * (0.5 + Math.random())));
		}
	}

	async close(): Promise<void> {
		this.#isClosed = true;
		await this.#client.end().catch(() => undefined);
	}
}
