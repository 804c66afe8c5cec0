import { keysOf, type Keys, type Stroke } from '../stroke/stroke.ts';
import { resolve, resolveAlone, type Outcome } from './resolve.ts';
import type { ShortcutIndex } from './shortcut-index.ts';

/** What an application made of a stroke: the whole input so far, what it does, and what still waits for more. */
export interface Heeded {
	readonly keys: Keys;
	readonly outcome: Outcome;
	readonly pending: readonly Stroke[];
}

/** One stroke reaches the application while `pending` strokes of a sequence wait. */
export function listen(index: ShortcutIndex, situation: number, pending: readonly Stroke[], stroke: Stroke): Heeded {
	const strokes = [...pending, stroke];
	const keys = keysOf(strokes);
	const outcome = resolve(index, keys, situation);
	return { keys, outcome, pending: outcome.kind === 'waits' ? strokes : [] };
}

/** No further stroke came: the pending ones do what they do alone. */
export function settle(index: ShortcutIndex, situation: number, pending: readonly Stroke[]): Heeded {
	const keys = keysOf(pending);
	return { keys, outcome: resolveAlone(index, keys, situation), pending: [] };
}
