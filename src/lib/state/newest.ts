/** Of several answers to the same question only that to the question asked last is taken: an older one may come later. */
export class Newest {
	#asked = 0;
	#last: Promise<void> | undefined;

	/** Asks, and takes the answer if nothing was asked since; else it ends when what was asked since has. Throws what asking throws. */
	of<T>(ask: () => Promise<T>, take: (answer: T) => void): Promise<void> {
		const n = ++this.#asked;
		const mine = ask().then(
			(answer) => (n === this.#asked ? take(answer) : this.#last),
			(error: unknown) => {
				if (n === this.#asked) throw error;
				return this.#last;
			}
		);
		this.#last = mine;
		return mine;
	}
}
