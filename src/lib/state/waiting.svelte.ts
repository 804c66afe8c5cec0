import { z } from 'zod';
import type { AnyChange } from '$core/profile/edit';
import { StratumId } from '$core/strata/stratum';
import { forget, rememberedKeys, rememberedList, rememberList } from './remembered';

const Waiting = z.array(
	z.object({
		label: z.string(),
		stratum: StratumId,
		changes: z.array(z.looseObject({ chapter: z.string(), stratum: StratumId }))
	})
);

/** An edit that the server has not got yet. */
export interface WaitingEdit {
	readonly label: string;
	/** The stratum that was written to. */
	readonly stratum: StratumId;
	readonly changes: readonly AnyChange[];
}

/**
 * Edits that were made while the server was not there, the first made first. Each window keeps its own in this browser until they
 * are stored; those of a window that is gone are claimed by the next that starts.
 */
export class WaitingEdits {
	readonly #prefix: string;
	readonly #key: string;
	list = $state.raw<readonly WaitingEdit[]>([]);

	constructor(application: string) {
		this.#prefix = `waiting ${application} `;
		this.#key = `${this.#prefix}${crypto.randomUUID()}`;
		// as long as this window is there, its edits are not claimed by another
		locks()
			?.request(`skarn-${this.#key}`, () => new Promise<never>(() => undefined))
			.catch(() => undefined);
	}

	/** Takes over what windows that are gone have left. */
	async claim(): Promise<void> {
		for (const key of rememberedKeys(this.#prefix)) {
			if (key === this.#key) continue;
			const take = (): void => {
				const left = rememberedList(key, Waiting) as readonly WaitingEdit[];
				forget(key);
				if (left.length > 0) this.#set([...left, ...this.list]);
			};
			const held = locks();
			if (held) await held.request(`skarn-${key}`, { ifAvailable: true }, (lock) => void (lock && take()));
			else take();
		}
	}

	#set(list: readonly WaitingEdit[]): void {
		this.list = list;
		rememberList(this.#key, list);
	}

	add(edit: WaitingEdit): void {
		this.#set([...this.list, edit]);
	}

	/** The first is stored, or let go. */
	shift(): void {
		this.#set(this.list.slice(1));
	}

	/** Takes the last one back. */
	pop(): WaitingEdit | undefined {
		const last = this.list.at(-1);
		if (last) this.#set(this.list.slice(0, -1));
		return last;
	}

	/** All of them say something else now. */
	replace(list: readonly WaitingEdit[]): void {
		this.#set(list);
	}
}

/** Missing on a plain address of another machine. */
const locks = (): LockManager | undefined =>
	typeof navigator === 'undefined' ? undefined : (navigator as { locks?: LockManager }).locks;
