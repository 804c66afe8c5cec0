/** Does one thing after the other: each begins when all that came before it has ended, well or not. */
export class Turns {
	#last: Promise<void> = Promise.resolve();

	take<T>(work: () => Promise<T>): Promise<T> {
		const done = this.#last.then(work);
		this.#last = done.then(nothing, nothing);
		return done;
	}
}

const nothing = () => {};
