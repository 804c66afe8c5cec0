import type { CommandId } from '$core/application/command';
import { hasBit } from '$core/context/bits';
import type { Keys } from '$core/stroke/stroke';
import { shuffled } from './shuffled';
import type { Workspace } from './workspace.svelte';

/** So many commands are asked for in one run. */
export const ROUNDS = 8;

/** How a command that was asked for came to run. */
export interface Lap {
	readonly command: CommandId;
	/** From when it was asked for until it ran, in ms; undefined where it was passed over. */
	readonly ms: number | undefined;
	/** By which input; undefined from a control. */
	readonly keys: Keys | undefined;
	/** What else ran before it. */
	readonly wrong: number;
}

/** What has run on the bench. */
export interface Ran {
	readonly id: number;
	readonly ran: CommandId | undefined;
	readonly keys: Keys | undefined;
}

/** Asks for commands that can be run where one stands, those that are run most first, and measures how long each takes. */
export class Stopwatch {
	readonly #workspace: Pick<Workspace, 'index' | 'situation'>;
	readonly #random: () => number;
	#left: CommandId[] = [];
	#since = 0;
	#wrong = 0;
	#heard = 0;
	/** What is asked for now; undefined before and after. */
	wanted = $state<CommandId | undefined>(undefined);
	laps = $state.raw<readonly Lap[]>([]);
	/** How many are asked for in this run. */
	many = $state(0);

	constructor(workspace: Pick<Workspace, 'index' | 'situation'>, random: () => number = Math.random) {
		this.#workspace = workspace;
		this.#random = random;
	}

	/** The commands that some input runs in the situation, those that are run most often first. */
	get askable(): CommandId[] {
		const { index, situation } = this.#workspace;
		const here = new Set(
			index.effective.bindings.filter((binding) => hasBit(index.reach(binding), situation)).map(({ command }) => command)
		);
		return [...here].sort((a, b) => (index.catalogue.get(b)?.use ?? 0) - (index.catalogue.get(a)?.use ?? 0));
	}

	/** Begins at a time, in ms; `heard` is what has run last, which does not count. */
	begin(now: number, heard = 0): void {
		this.#left = shuffled(this.askable.slice(0, 3 * ROUNDS), this.#random).slice(0, ROUNDS);
		this.many = this.#left.length;
		this.laps = [];
		this.#heard = heard;
		this.#next(now);
	}

	#next(now: number): void {
		this.wanted = this.#left.shift();
		this.#since = now;
		this.#wrong = 0;
	}

	/** Something ran on the bench; each happening counts once. */
	hear({ id, ran, keys }: Ran, now: number): void {
		if (this.wanted === undefined || id <= this.#heard) return;
		this.#heard = id;
		if (ran === undefined) return;
		if (ran !== this.wanted) {
			this.#wrong++;
			return;
		}
		this.laps = [...this.laps, { command: ran, ms: Math.max(0, now - this.#since), keys, wrong: this.#wrong }];
		this.#next(now);
	}

	/** What is asked for is passed over. */
	pass(now: number): void {
		if (this.wanted === undefined) return;
		this.laps = [...this.laps, { command: this.wanted, ms: undefined, keys: undefined, wrong: this.#wrong }];
		this.#next(now);
	}

	/** Ends it with what there is. */
	stop(): void {
		this.#left = [];
		this.wanted = undefined;
	}

	/** The middle of the times, in ms; undefined before the first. */
	get middle(): number | undefined {
		const times = this.laps.flatMap(({ ms }) => ms ?? []).sort((a, b) => a - b);
		return times[times.length >> 1];
	}
}
