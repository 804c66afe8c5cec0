/** Work that is done for many at once, a while after the first has asked for it; one batch after the other. */
export class Batches {
	readonly #every: number;
	readonly #work: () => Promise<void>;
	readonly #failed: string;
	#timer: ReturnType<typeof setTimeout> | undefined;
	#working: Promise<void> = Promise.resolve();

	/** `every` is how long it may wait, in ms; `failed` says in the log what was not done. */
	constructor(every: number, failed: string, work: () => Promise<void>) {
		this.#every = every;
		this.#failed = failed;
		this.#work = work;
	}

	/** There is something to do. */
	soon(): void {
		this.#timer ??= setTimeout(() => {
			this.#timer = undefined;
			void this.now().catch((error: Error) => console.error(`${this.#failed}: ${error.message}`));
		}, this.#every).unref();
	}

	/** Does what there is to do, after what is being done. */
	now(): Promise<void> {
		this.#working = this.#working.catch(() => {}).then(this.#work);
		return this.#working;
	}

	/** Does what is left. */
	async close(): Promise<void> {
		clearTimeout(this.#timer);
		this.#timer = undefined;
		await this.now();
	}
}
