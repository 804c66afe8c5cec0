/** Work on the server's own thread does not go on for longer than this without letting others in, in milliseconds. */
const AT_A_TIME = 15;

/** Lets whatever waits be done, and goes on then. */
export const pause = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

/** Gives a function to be called between two pieces of work, which pauses when it is time. */
export function pauses(now: () => number = () => performance.now()): () => Promise<void> {
	let since = now();
	return async () => {
		if (now() - since < AT_A_TIME) return;
		await pause();
		since = now();
	};
}

/** Does the work for slices of a list, with pauses; gives the outcomes one after the other. */
export async function inSlices<T, R>(
	list: readonly T[],
	size: number,
	work: (slice: readonly T[], from: number) => R
): Promise<R[]> {
	const done: R[] = [];
	for (let from = 0; from < list.length; from += size) {
		if (from > 0) await pause();
		done.push(work(list.slice(from, from + size), from));
	}
	return done;
}
