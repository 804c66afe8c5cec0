import type { PGlite } from '@electric-sql/pglite';
import { constants, existsSync, mkdtempSync, promises, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import { onlyReads } from './only-reads.ts';

type Results = Awaited<ReturnType<PGlite['query']>>;
/** How drizzle asks: the parsers that it gives leave texts of times as they are. */
interface HowAsked {
	readonly rowMode?: 'array' | 'object';
	readonly parsers?: Readonly<Record<number, unknown>>;
}

/** The script of the database's thread, beside the package's own package.json, whether this runs as it is written or compiled. */
function threadScript(): string {
	for (let folder = dirname(fileURLToPath(import.meta.url)); ; folder = dirname(folder)) {
		const script = join(folder, 'scripts', 'database-thread.mjs');
		if (existsSync(script)) return script;
		if (folder === dirname(folder)) throw new Error('scripts/database-thread.mjs is missing from the package.');
	}
}

/** What the embedded database is asked for; as far as it is needed, it is that of PGlite. */
export interface Asked {
	query(text: string, params?: unknown[], how?: HowAsked): Promise<Results>;
	exec(text: string): Promise<unknown>;
}

/** A transaction that lasts longer holds up who only reads, in milliseconds. */
const LONG = 40;

/**
 * An embedded database in a folder, in a thread of its own. What it has committed is on the disk, one call of fsync a commit (tested by
 * counting), so that a power cut loses nothing that was acknowledged. Transactions take turns.
 */
export class DurableDatabase implements Asked {
	readonly #thread: Worker;
	readonly #folder: string;
	readonly #waiting = new Map<number, { resolve: (value: never) => void; reject: (error: Error) => void }>();
	#last = 0;
	/** Ends when the transactions so far have ended. */
	#turn: Promise<unknown> = Promise.resolve();
	/** While it is there, nothing is written. */
	#still: Promise<unknown> | undefined;
	#isClosed = false;
	#writes = 0;
	/** When the transaction that is open has begun. */
	#since: number | undefined;
	#broken: Error | undefined;

	private constructor(folder: string, archive: Uint8Array | undefined) {
		this.#folder = folder;
		this.#thread = new Worker(threadScript(), { workerData: { folder, archive } });
		this.#thread.on('message', ({ id, value, error, broken }: { id: number; value: never; error?: object; broken?: object }) => {
			if (broken) return this.#failAll(Object.assign(new Error(), broken));
			const waiting = this.#waiting.get(id);
			this.#waiting.delete(id);
			if (this.#waiting.size === 0) this.#thread.unref();
			if (error) waiting?.reject(Object.assign(new Error(), error));
			else waiting?.resolve(value);
		});
		this.#thread.on('error', (error) => this.#failAll(error as Error));
		this.#thread.on('exit', () => this.#failAll(new Error('The database has ended.')));
	}

	/** The database in the folder, made if it is not there, or of what an archive holds. */
	static async open(folder: string, archive?: Uint8Array): Promise<DurableDatabase> {
		const database = new DurableDatabase(folder, archive);
		try {
			await database.#answer<void>(0);
		} catch (error) {
			await database.#thread.terminate();
			throw error;
		}
		return database;
	}

	#failAll(error: Error): void {
		this.#broken = error;
		for (const { reject } of this.#waiting.values()) reject(error);
		this.#waiting.clear();
	}

	#answer<T>(id: number): Promise<T> {
		if (this.#broken) return Promise.reject(this.#broken);
		this.#thread.ref();
		return new Promise<T>((resolve, reject) => this.#waiting.set(id, { resolve: resolve as never, reject }));
	}

	#ask<T>(what: string, asked: object = {}): Promise<T> {
		const id = ++this.#last;
		const answer = this.#answer<T>(id);
		this.#thread.postMessage({ id, what, ...asked });
		return answer;
	}

	#query(text: string, params: unknown[] = [], { rowMode = 'object', parsers = {} }: HowAsked = {}): Promise<Results> {
		return this.#ask('query', { text, params, rowMode, plain: Object.keys(parsers).map(Number) });
	}

	query(text: string, params?: unknown[], how?: HowAsked): Promise<Results> {
		const isRead = onlyReads(text);
		return this.#inTurn(async () => {
			const result = await this.#query(text, params, how);
			if (!isRead) this.#writes++;
			return result;
		}, isRead);
	}

	exec(text: string): Promise<unknown> {
		return this.#inTurn(async () => {
			this.#writes++;
			return this.#ask('exec', { text });
		});
	}

	/** Does the work in a transaction, after those of before. */
	transaction<T>(work: (tx: Asked) => Promise<T>): Promise<T> {
		return this.#inTurn(async () => {
			const tx: Asked = {
				query: (text, params, how) => this.#query(text, params, how),
				exec: (text) => this.#ask('exec', { text })
			};
			this.#since = performance.now();
			try {
				await this.#query('begin');
				const value = await work(tx);
				await this.#query('commit');
				this.#writes++;
				return value;
			} catch (error) {
				await this.#query('rollback');
				throw error;
			} finally {
				this.#since = undefined;
			}
		});
	}

	/** How often something was written: what was read before is the same as long as this is. */
	get writes(): number {
		return this.#writes;
	}

	/** Whether what is asked now would wait for a long transaction. */
	get isBusy(): boolean {
		return this.#since !== undefined && performance.now() - this.#since > LONG;
	}

	/** Does one thing after the other, and writes nothing while the files have to stay as they are. */
	#inTurn<T>(work: () => Promise<T>, isRead = false): Promise<T> {
		const begin = async () => {
			if (this.#still && !isRead) await this.#still;
			return work();
		};
		const mine = this.#turn.then(begin);
		this.#turn = mine.catch(() => undefined);
		return mine;
	}

	/**
	 * The whole data folder as a gzipped tar. Writing waits while the folder is copied, reading goes on; the copy is packed by another
	 * database in a thread of its own.
	 */
	async dump(): Promise<Blob> {
		const copy = mkdtempSync(`${this.#folder}-copy-`);
		const from = join(copy, 'postgres');
		try {
			let copied: Promise<void> | undefined;
			await this.#inTurn(async () => {
				// what was written before lies in the files afterwards
				await this.#query('checkpoint');
				copied = promises.cp(this.#folder, from, { recursive: true, mode: constants.COPYFILE_FICLONE });
				this.#still = copied.catch(() => undefined);
			});
			try {
				await copied;
			} finally {
				this.#still = undefined;
			}
			const packing = await DurableDatabase.open(from);
			try {
				return new Blob([await packing.#ask<ArrayBuffer>('dump')], { type: 'application/x-gzip' });
			} finally {
				await packing.close();
			}
		} finally {
			rmSync(copy, { recursive: true, force: true });
		}
	}

	async close(): Promise<void> {
		if (this.#isClosed) return;
		this.#isClosed = true;
		await this.#turn;
		await this.#ask('close').catch(() => undefined);
		await this.#thread.terminate();
	}
}

/** Opens the database in a folder; see `DurableDatabase`. */
export const openDurable = async (folder: string, archive?: Blob): Promise<DurableDatabase> =>
	DurableDatabase.open(folder, archive && new Uint8Array(await archive.arrayBuffer()));
