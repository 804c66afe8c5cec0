import { startWorker } from '$lib/workers/start-worker';
import type { FromHeld, HeldList, ToHeld } from '$lib/workers/held';

/** The errors that would hold a release of several strata back: worked out in a worker, with progress, anew at each start. */
export class HeldCheck {
	/** Each list of strata that has errors which the lists before it have not; undefined while that is not known. */
	found = $state.raw<readonly HeldList[] | undefined>(undefined);
	/** The share that is done while it is worked out. */
	progress = $state<number | undefined>(undefined);
	#worker: Worker | undefined;

	start(asked: ToHeld): void {
		this.stop();
		this.found = undefined;
		this.progress = 0;
		this.#worker = startWorker('held');
		this.#worker.onmessage = ({ data }: MessageEvent<FromHeld>) => {
			if (data.kind === 'progress') return void (this.progress = data.done);
			this.found = data.held;
			this.stop();
		};
		this.#worker.postMessage(asked);
	}

	/** Stops working it out; what was found before stays. */
	stop(): void {
		this.progress = undefined;
		this.#worker?.terminate();
		this.#worker = undefined;
	}
}
