import { keysOf, type Keys, type Stroke } from '../stroke/stroke.ts';
import { resolve, resolveAlone, type Decided, type Outcome } from './resolve.ts';
import type { ShortcutIndex } from './shortcut-index.ts';

/** What the strokes that waited did when nothing went on from them. */
export interface Settled {
	readonly keys: Keys;
	readonly outcome: Decided;
}

/**
 * What an application made of a stroke: the input so far, what it does, and what still waits for more. `settled` is there when
 * the stroke did not go on from the ones that waited: those were decided as they stood, and the stroke began anew.
 */
export interface Heeded {
	readonly keys: Keys;
	readonly outcome: Outcome;
	readonly pending: readonly Stroke[];
	readonly settled?: Settled;
}

/** One stroke reaches the application while `pending` strokes of a sequence wait. */
export function listen(index: ShortcutIndex, situation: number, pending: readonly Stroke[], stroke: Stroke): Heeded {
	const strokes = [...pending, stroke];
	const keys = keysOf(strokes);
	const outcome = resolve(index, keys, situation);
	const goesOn = outcome.kind !== 'nothing' && outcome.kind !== 'cut-short' && outcome.kind !== 'typed';
	if (pending.length > 0 && !goesOn)
		return { ...listen(index, situation, [], stroke), settled: settle(index, situation, pending) };
	return { keys, outcome, pending: outcome.kind === 'waits' ? strokes : [] };
}

/** No further stroke came: the pending ones are decided as they stand. */
export function settle(index: ShortcutIndex, situation: number, pending: readonly Stroke[]): Settled {
	const keys = keysOf(pending);
	return { keys, outcome: resolveAlone(index, keys, situation) };
}
