/** Takes a lock that other processes respect; gives what lets it go. */
export type Lock = (name: string) => Promise<() => Promise<void>>;

/** Work on one thing, one after the other: in this process, and where the database is shared, in all. */
export class Turns {
	readonly #tail = new Map<string, Promise<unknown>>();
	readonly #lock: Lock | undefined;

	constructor(lock?: Lock) {
		this.#lock = lock;
	}

	/** Whether other processes take turns with this one. */
	get areShared(): boolean {
		return this.#lock !== undefined;
	}

	/** Runs the work after all earlier work under the same name has ended. */
	take<T>(name: string, work: () => Promise<T>): Promise<T> {
		const begin = async (): Promise<T> => {
			const release = await this.#lock?.(name);
			try {
				return await work();
			} finally {
				await release?.();
			}
		};
		const turn = (this.#tail.get(name) ?? Promise.resolve()).then(begin, begin);
		const settled = turn.catch(() => undefined).then(() => void (this.#tail.get(name) === settled && this.#tail.delete(name)));
		this.#tail.set(name, settled);
		return turn;
	}
}
