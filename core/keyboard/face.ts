import { resolve, type Outcome } from '../answer/resolve.ts';
import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import type { Binding } from '../profile/effective.ts';
import { keysOf, type Keys, type Modifier } from '../stroke/stroke.ts';
import { BOARDS, type Key } from './board.ts';
import type { DeskSetup } from './desk.ts';
import { LAYOUTS } from './layouts.ts';
import { PLANES } from './office.ts';
import { strokeAt } from './pressing.ts';

/** What one key does with one combination of modifiers in a situation. */
export interface Plane {
	readonly modifiers: readonly Modifier[];
	/** Undefined for a key that an application cannot hear: a modifier, a dead key. */
	readonly keys: Keys | undefined;
	readonly outcome: Outcome | undefined;
	/** The binding that the plane shows: the winner, or the first that is offered or waited for. */
	readonly binding: Binding | undefined;
}

/** A key of the drawn board with its eight planes. */
export interface Face {
	readonly key: Key;
	/** What is printed on it: plain and with Shift; undefined for keys that have a name of their own. */
	readonly legends: readonly [string | undefined, string | undefined];
	readonly planes: readonly Plane[];
}

function shownBinding(outcome: Outcome): Binding | undefined {
	switch (outcome.kind) {
		case 'fires':
			return outcome.winner;
		case 'chooser':
		case 'undecided':
			return outcome.offered[0];
		case 'waits':
			return outcome.longer[0];
		default:
			return undefined;
	}
}

/** The faces of all keys of the desk's board in the situation. */
export function facesOf(index: ShortcutIndex, situation: number, desk: DeskSetup): Face[] {
	const layout = LAYOUTS[desk.layout];
	return BOARDS[desk.board].keys.map((key) => ({
		key,
		legends: [layout.legend(key.code, 0), layout.legend(key.code, 1)],
		planes: PLANES.map((modifiers): Plane => {
			const stroke = strokeAt(key.code, modifiers, index.rules.match, desk.layout);
			if (!stroke) return { modifiers, keys: undefined, outcome: undefined, binding: undefined };
			const keys = keysOf([stroke]);
			const outcome = resolve(index, keys, situation);
			return { modifiers, keys, outcome, binding: shownBinding(outcome) };
		})
	}));
}

/** The place in `PLANES` of these modifiers; Meta has no plane. */
export const planeOf = (modifiers: readonly Modifier[]): number =>
	PLANES.findIndex((p) => p.length === modifiers.filter((m) => m !== 'Meta').length && p.every((m) => modifiers.includes(m)));
