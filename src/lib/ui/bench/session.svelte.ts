import { listen, settle, type Heeded } from '$core/answer/listen';
import type { Outcome } from '$core/answer/resolve';
import type { CommandId } from '$core/application/command';
import { hear } from '$core/stroke/hear';
import type { Keys, Stroke } from '$core/stroke/stroke';
import type { Workspace } from '$lib/state/workspace.svelte';
import { pressOf } from '../heard';

/** Something that happened in the stand-in's window, newest first in the log. */
export interface Happening {
	readonly id: number;
	readonly keys: Keys | undefined;
	readonly situation: number;
	readonly outcome: Outcome | undefined;
	readonly ran: CommandId | undefined;
}

/** How long an application that waits for sequences waits, in milliseconds. */
const PATIENCE = 900;

/** The stand-in application at work: takes keys as it would, under the effective profile. */
export class BenchSession {
	readonly #workspace: Pick<Workspace, 'index' | 'situation' | 'document'>;
	#timer: ReturnType<typeof setTimeout> | undefined;
	#count = 0;
	pending = $state.raw<readonly Stroke[]>([]);
	log = $state.raw<readonly Happening[]>([]);
	/** Commands that wait to be chosen from, and the one that Enter takes. */
	offered = $state.raw<readonly CommandId[]>([]);
	chosen = $state(0);
	/** What was typed into the pane that takes bare keys as text. */
	typed = $state('');
	note = $state('');

	constructor(workspace: Pick<Workspace, 'index' | 'situation' | 'document'>) {
		this.#workspace = workspace;
	}

	get last(): Happening | undefined {
		return this.log[0];
	}

	/** Returns whether the stand-in took the key. */
	press(event: KeyboardEvent): boolean {
		if (this.offered.length > 0) return this.#choose(event.key);
		const { stroke, notes } = hear(pressOf(event), this.#workspace.document.application.rules.match);
		this.note = notes[0] ?? '';
		if (!stroke) return false;
		clearTimeout(this.#timer);
		const heeded = listen(this.#workspace.index, this.#workspace.situation, this.pending, stroke);
		this.#take(heeded);
		if (heeded.outcome.kind === 'typed' && event.key.length === 1) this.typed += event.key;
		if (heeded.pending.length > 0 && this.#workspace.index.on(heeded.keys).length > 0)
			this.#timer = setTimeout(
				() => this.#take(settle(this.#workspace.index, this.#workspace.situation, this.pending)),
				PATIENCE
			);
		return heeded.outcome.kind !== 'nothing' || event.key !== 'Tab';
	}

	/** Sends an input as if it were pressed, as for a finding's witness. */
	replay(keys: Keys, strokes: readonly Stroke[]) {
		this.pending = [];
		for (const stroke of strokes) {
			const heeded = listen(this.#workspace.index, this.#workspace.situation, this.pending, stroke);
			this.#take(heeded);
			if (heeded.keys !== keys && heeded.pending.length === 0) return;
		}
	}

	/** A control was clicked. */
	run(command: CommandId) {
		this.#record({ keys: undefined, outcome: undefined, ran: command });
	}

	#take({ keys, outcome, pending }: Heeded) {
		this.pending = pending;
		if (outcome.kind === 'chooser') {
			this.offered = outcome.offered.map((b) => b.command);
			this.chosen = 0;
		}
		this.#record({ keys, outcome, ran: outcome.kind === 'fires' ? outcome.winner.command : undefined });
	}

	#choose(key: string): boolean {
		const step = { ArrowDown: 1, ArrowUp: -1 }[key];
		if (step) this.chosen = (this.chosen + step + this.offered.length) % this.offered.length;
		else if (key === 'Enter') this.take(this.chosen);
		else if (key === 'Escape') this.offered = [];
		else return false;
		return true;
	}

	/** Takes one of the offered commands. */
	take(at: number) {
		const command = this.offered[at]!;
		this.offered = [];
		this.#record({ keys: this.last?.keys, outcome: undefined, ran: command });
	}

	#record(happening: Omit<Happening, 'id' | 'situation'>) {
		this.log = [{ id: ++this.#count, situation: this.#workspace.situation, ...happening }, ...this.log].slice(0, 40);
	}
}
