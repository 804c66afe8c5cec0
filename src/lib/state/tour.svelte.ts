import { getContext, setContext } from 'svelte';
import type { Tour } from '$lib/ui/start/tours';
import type { Workspace } from './workspace.svelte';

/** A tour that runs: the step it is at, and what it puts back at the end. */
export class TourRun {
	readonly tour: Tour;
	readonly #workspace: Workspace;
	readonly #before: { readonly target: Workspace['targetId']; readonly situation: number; readonly undoable: number };
	/** The number of the step; the number of steps when all are done. */
	at = $state(0);

	constructor(tour: Tour, workspace: Workspace) {
		this.tour = tour;
		this.#workspace = workspace;
		const { targetId: target, situation } = workspace;
		this.#before = { target, situation, undoable: workspace.edits.undoable.length };
		if (tour.situation !== undefined) workspace.standIn(tour.situation);
	}

	get step() {
		return this.tour.steps[this.at];
	}

	/** The number of changes made since the tour began, in the level that was edited then. */
	get edits(): number {
		const { targetId, edits } = this.#workspace;
		return targetId === this.#before.target ? Math.max(0, edits.undoable.length - this.#before.undoable) : 0;
	}

	/** Undoes what was changed, and goes back to the level and the situation of before. */
	async restore(): Promise<void> {
		const workspace = this.#workspace;
		workspace.targetId = this.#before.target;
		while (this.edits > 0) {
			const { length } = workspace.edits.undoable;
			await workspace.edits.undo();
			// refused, as when somebody else changed it since: their change stays
			if (workspace.edits.undoable.length >= length) break;
		}
		workspace.standIn(this.#before.situation);
	}
}

const KEY = Symbol('the running tour');

/** The tour of the window, at most one. */
class Tours {
	running = $state.raw<TourRun | undefined>(undefined);
}

export function provideTours(): Tours {
	return setContext(KEY, new Tours());
}

export const useTours = (): Tours => getContext(KEY);
