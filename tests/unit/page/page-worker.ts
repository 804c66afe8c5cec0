import { basename } from 'node:path';
import { pathToFileURL } from 'node:url';
import { Worker as Thread, type TransferListItem } from 'node:worker_threads';

const running = new Set<PageWorker>();

/** Node clones a file without its name; the other end puts it on again. */
const nameOf = (value: unknown) => (value instanceof File ? { fileName: value.name } : {});

/** A page's `Worker` on a thread of Node: runs the worker of src/lib/workers that the address ends in. */
export class PageWorker extends EventTarget {
	readonly #thread: Thread;
	onmessage: ((event: MessageEvent) => void) | null = null;

	constructor(address: URL | string, { name = '' }: WorkerOptions = {}) {
		super();
		const module = pathToFileURL(`src/lib/workers/${basename(String(address))}`).href;
		this.#thread = new Thread(new URL('./worker-ends.mjs', import.meta.url), {
			workerData: { module, name },
			execArgv: []
		});
		this.#thread.on('message', (data: unknown) => {
			const event = new MessageEvent('message', { data });
			this.onmessage?.(event);
			this.dispatchEvent(event);
		});
		this.#thread.on('error', (error) => {
			throw error;
		});
		running.add(this);
	}

	postMessage(message: unknown, transfer: TransferListItem[] = []) {
		const { argumentList } = message as { argumentList?: readonly { value: unknown }[] };
		this.#thread.postMessage(
			argumentList
				? { ...(message as object), argumentList: argumentList.map((argument) => ({ ...argument, ...nameOf(argument.value) })) }
				: message,
			transfer
		);
	}

	terminate() {
		running.delete(this);
		void this.#thread.terminate();
	}
}

/** Ends those that a test has left running. */
export function endWorkers(): void {
	for (const worker of running) worker.terminate();
}
