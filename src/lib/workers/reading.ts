import { proxy, wrap, type Remote } from 'comlink';
import type { Answer, Reading, Refusal, ReadingWorker } from './reading.worker';

/** A file was refused; `problems` say where and what was expected. */
export class ReadingRefusedError extends Error {
	override name = 'ReadingRefusedError';
	readonly problems: Refusal['problems'];
	constructor({ message, problems }: Refusal) {
		super(message);
		this.problems = problems;
	}
}

/** Reads files off the main thread. One reading at a time; cancelling ends the worker at once. */
export class FileReading {
	#worker: Worker | undefined;
	#cancel: (() => void) | undefined;

	/** Throws `ReadingRefusedError`; resolves to undefined when it was cancelled. */
	async run<T>(work: (remote: Remote<ReadingWorker>) => Promise<Answer<T>>): Promise<T | undefined> {
		this.cancel();
		const worker = new Worker(new URL('./reading.worker.ts', import.meta.url), { type: 'module' });
		this.#worker = worker;
		const cancelled = new Promise<undefined>((resolve) => (this.#cancel = () => resolve(undefined)));
		try {
			const answer = await Promise.race([work(wrap<ReadingWorker>(worker)), cancelled]);
			if (!answer) return undefined;
			if ('refusal' in answer) throw new ReadingRefusedError(answer.refusal);
			return answer.value;
		} finally {
			worker.terminate();
		}
	}

	/** Reads what a file would do; its items come in parts. Throws and resolves as `run`. */
	async shortcuts(
		file: File,
		what: Parameters<ReadingWorker['shortcuts']>[1],
		onprogress: (stage: string) => void = () => undefined
	): Promise<Reading | undefined> {
		const items: Reading['items'][number][] = [];
		const take = async (part: Reading['items']) => void items.push(...part);
		const rest = await this.run((remote) => remote.shortcuts(file, what, proxy(onprogress), proxy(take)));
		return rest && { ...rest, items };
	}

	cancel() {
		this.#worker?.terminate();
		this.#cancel?.();
	}
}
