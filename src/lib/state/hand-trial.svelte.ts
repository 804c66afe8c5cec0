import type { Flick } from '$core/hand/hand-test';
import { shuffled } from './shuffled';

/** So far a flick must go, in px; a shorter one is no flick. */
const SHORTEST = 12;
const DIRECTIONS = 8;
const ROUNDS = 5;

/** One run of the hand test: the directions that are asked for, in rounds of eight in no order, and the flicks so far. */
export class HandTrial {
	readonly many = DIRECTIONS * ROUNDS;
	readonly #random: () => number;
	/** The direction that is asked for now, in degrees; undefined before and after. */
	wanted = $state<number | undefined>(undefined);
	flicks = $state.raw<readonly Flick[]>([]);
	/** What was not counted, and why. */
	note = $state('');
	#left: number[] = [];
	#from: { readonly x: number; readonly y: number; readonly at: number } | undefined;

	constructor(random: () => number = Math.random) {
		this.#random = random;
	}

	begin(): void {
		this.flicks = [];
		this.note = '';
		this.#left = Array.from({ length: ROUNDS }, () => this.#shuffled()).flat();
		this.wanted = this.#left[0];
	}

	#shuffled(): number[] {
		return shuffled(
			Array.from({ length: DIRECTIONS }, (_, i) => (i * 360) / DIRECTIONS),
			this.#random
		);
	}

	/** A button goes down at a point, in px, at a time, in ms. */
	press(x: number, y: number, at: number): void {
		if (this.wanted !== undefined) this.#from = { x, y, at };
	}

	/** It is let go. */
	release(x: number, y: number, at: number): void {
		const from = this.#from;
		this.#from = undefined;
		if (!from || this.wanted === undefined) return;
		const [dx, dy] = [x - from.x, y - from.y];
		if (Math.hypot(dx, dy) < SHORTEST) {
			this.note = 'That was too short for a direction.';
			return;
		}
		this.note = '';
		this.flicks = [...this.flicks, { wanted: this.wanted, dx, dy, ms: Math.max(0, Math.round(at - from.at)) }];
		this.#left.shift();
		this.wanted = this.#left[0];
	}

	/** The pointer was taken away in the middle of a flick: it does not count. */
	lose(): void {
		if (this.#from) this.note = 'The pointer was lost; this flick is not counted.';
		this.#from = undefined;
	}

	/** Ends it with what there is. */
	stop(): void {
		this.#from = undefined;
		this.wanted = undefined;
	}
}
