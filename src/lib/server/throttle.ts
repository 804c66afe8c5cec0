/** So many wrong tries are free; each one after them doubles the wait, from one second to the longest. */
const FREE = 5;
const LONGEST = 15 * 60_000;
/** Who has not tried for this long begins anew. */
const FORGOTTEN = 60 * 60_000;
const MOST_KEPT = 10_000;

interface Tries {
	fails: number;
	last: number;
	until: number;
}

/** Slows down who tries passwords, by any names: the account that is tried and the address that tries. */
export class Throttle {
	readonly #tries = new Map<string, Tries>();

	/** How long none of the names may try yet, in milliseconds; 0 for now. */
	wait(names: readonly string[], now = Date.now()): number {
		return Math.max(0, ...names.map((name) => (this.#tries.get(name)?.until ?? 0) - now));
	}

	failed(names: readonly string[], now = Date.now()): void {
		for (const name of names) {
			const before = this.#tries.get(name);
			const fails = before && now - before.last < FORGOTTEN ? before.fails + 1 : 1;
			const wait = fails < FREE ? 0 : Math.min(LONGEST, 1000 * 2 ** Math.min(20, fails - FREE));
			this.#tries.delete(name);
			this.#tries.set(name, { fails, last: now, until: now + wait });
		}
		// the oldest go first: a map keeps the order in which they came
		for (const name of this.#tries.keys()) {
			if (this.#tries.size <= MOST_KEPT) break;
			this.#tries.delete(name);
		}
	}

	/** Somebody has shown who they are. */
	passed(name: string): void {
		this.#tries.delete(name);
	}
}
