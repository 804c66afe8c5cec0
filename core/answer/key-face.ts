import { resolve, type Outcome } from './resolve.ts';
import type { ShortcutIndex } from './shortcut-index.ts';
import type { Binding } from '../shortcut/effective.ts';
import { keysOf, type Keys, type Modifier } from '../stroke/stroke.ts';
import { BOARDS, type Key } from '../keyboard/board.ts';
import type { DeskSetup } from '../keyboard/desk.ts';
import { LAYOUTS } from '../keyboard/layouts.ts';
import { PLANES } from '../keyboard/office-desks.ts';
import { strokeAt } from '../keyboard/pressing.ts';

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
			return shownBinding(outcome.then) ?? outcome.longer[0];
		default:
			return undefined;
	}
}

const spelled = new Map<string, readonly (readonly (Keys | undefined)[])[]>();

/** For each key of the board and each plane what an application of this kind hears; the same for every situation. */
function heardOn(
	{ board, layout }: DeskSetup,
	match: ShortcutIndex['rules']['match']
): readonly (readonly (Keys | undefined)[])[] {
	const name = `${board} ${layout} ${match}`;
	let heard = spelled.get(name);
	if (!heard) {
		heard = BOARDS[board].keys.map(({ code }) =>
			PLANES.map((modifiers) => {
				const stroke = strokeAt(code, modifiers, match, layout);
				return stroke && keysOf([stroke]);
			})
		);
		spelled.set(name, heard);
	}
	return heard;
}

/** The faces of all keys of the desk's board in the situation. */
export function facesOf(index: ShortcutIndex, situation: number, desk: DeskSetup): readonly Face[] {
	let byPlace = drawn.get(index);
	if (!byPlace) drawn.set(index, (byPlace = new Map()));
	const place = `${situation} ${desk.board} ${desk.layout}`;
	let faces = byPlace.get(place);
	if (!faces) {
		if (byPlace.size >= MOST_DRAWN) byPlace.clear();
		byPlace.set(place, (faces = draw(index, situation, desk)));
	}
	return faces;
}

/** People turn to and fro between a few situations; their faces are kept while the profile stays as it is. */
const drawn = new WeakMap<ShortcutIndex, Map<string, readonly Face[]>>();
const MOST_DRAWN = 64;

function draw(index: ShortcutIndex, situation: number, desk: DeskSetup): Face[] {
	const layout = LAYOUTS[desk.layout];
	const heard = heardOn(desk, index.rules.match);
	return BOARDS[desk.board].keys.map((key, k) => ({
		key,
		legends: [layout.legend(key.code, 0), layout.legend(key.code, 1)],
		planes: PLANES.map((modifiers, p): Plane => {
			const keys = heard[k]![p];
			if (keys === undefined) return { modifiers, keys, outcome: undefined, binding: undefined };
			const outcome = resolve(index, keys, situation);
			return { modifiers, keys, outcome, binding: shownBinding(outcome) };
		})
	}));
}

/** The place in `PLANES` of these modifiers; Meta has no plane. */
export const planeOf = (modifiers: readonly Modifier[]): number =>
	PLANES.findIndex((p) => p.length === modifiers.filter((m) => m !== 'Meta').length && p.every((m) => modifiers.includes(m)));
