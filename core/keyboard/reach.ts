import { isMouse, mouseInput } from '../stroke/mouse.ts';
import type { Modifier, Stroke } from '../stroke/stroke.ts';
import { BOARDS, PITCH, centreOf, keyOn, type Board } from './board.ts';
import type { DeskSetup } from './desk.ts';
import { pressing } from './pressing.ts';

/** Where the fingers of the hand on the keyboard rest, little finger first (touch typing, common practice, no source). */
const RESTING = {
	left: ['KeyA', 'KeyS', 'KeyD', 'KeyF'],
	right: ['Semicolon', 'KeyL', 'KeyK', 'KeyJ']
} as const;
const HELD_WITH: Readonly<Record<Modifier, { left: string; right: string; finger: 'little' | 'thumb' }>> = {
	Ctrl: { left: 'ControlLeft', right: 'ControlRight', finger: 'little' },
	Shift: { left: 'ShiftLeft', right: 'ShiftRight', finger: 'little' },
	Alt: { left: 'AltLeft', right: 'AltRight', finger: 'thumb' },
	Meta: { left: 'MetaLeft', right: 'MetaRight', finger: 'thumb' }
};

/** Within this distance of a resting finger a key is pressed without moving the hand (common practice, no source). */
export const EASY = 2.2 * PITCH;
/** Farther from every resting finger than this, the hand leaves its place, or the other one the mouse (common practice). */
export const FARTHEST = 5 * PITCH;
/** Thumb to little finger of a spread hand, in millimetres (common practice, no source). */
export const SPAN = 190;

/** Keystroke and homing of the keystroke-level model: Card, Moran, Newell, CACM 23(7), 1980 (average skilled typist; from memory). */
const K = 0.2;
const H = 0.4;
/** A button of the mouse pressed or let go (the same model's later operator; from memory). */
const B = 0.1;

/**
 * What a stroke asks of the hand that is not on the mouse.
 * `mm` is the way of all fingers from their resting keys; `seconds` the keystroke-level time: K for each key, and H twice
 * when the hand on the mouse has to come and go back.
 * easy: the hand stays; stretch: it stretches; away: it leaves its place or the mouse is let go.
 */
export interface Reach {
	readonly mm: number;
	readonly seconds: number;
	readonly effort: 'easy' | 'stretch' | 'away';
}

const distance = (a: { x: number; y: number }, b: { x: number; y: number }) => Math.hypot(a.x - b.x, a.y - b.y);

/** Distances from the resting fingers, the nearest first, with the finger's number (0 is the little one). */
function fingersTo(board: Board, code: string, hand: 'left' | 'right'): { finger: number; mm: number }[] {
	const key = keyOn(board, code);
	if (!key) return [];
	if (code === 'Space') return [{ finger: 4, mm: 0 }];
	return RESTING[hand]
		.map((home, finger) => ({ finger, mm: distance(centreOf(keyOn(board, home)!), centreOf(key)) }))
		.sort((a, b) => a.mm - b.mm);
}

/** A button that is held counts as such after this time, in seconds, where a program does not say (common practice, no source). */
const HOLD = 0.45;

/** How long the button takes, in seconds: pressed and let go, twice for a double click, and the time that it is held. */
function pressed(key: string): number {
	const input = mouseInput(key);
	const motion = input?.kind === 'button' ? input.motion : undefined;
	return motion === 'DoubleClick' ? 4 * B : motion === 'Hold' ? 2 * B + HOLD : 2 * B;
}

/** One stroke at a desk; undefined when it cannot be pressed there. */
export function reachOf(stroke: Stroke, desk: DeskSetup): Reach | undefined {
	if (isMouse(stroke.key)) {
		const held = stroke.modifiers.length;
		return { mm: 0, seconds: pressed(stroke.key) + K * held, effort: held > 1 ? 'stretch' : 'easy' };
	}
	const { code, modifiers, altGr } = pressing(stroke, desk);
	if (code === undefined) return undefined;
	const board = BOARDS[desk.board];
	const hand = desk.mouse === 'right' ? 'left' : 'right';
	const held = altGr ? [...modifiers.map((m) => HELD_WITH[m][hand]), 'AltRight'] : modifiers.map((m) => HELD_WITH[m][hand]);
	const busy = new Set<number>(modifiers.map((m) => (HELD_WITH[m].finger === 'little' ? 0 : 4)));
	const fingers = fingersTo(board, code, hand);
	const free = fingers.find((f) => !busy.has(f.finger)) ?? fingers[0]!;

	const key = centreOf(keyOn(board, code)!);
	const little = centreOf(keyOn(board, RESTING[hand][0])!);
	const thumb = thumbOf(board, hand);
	let mm = free.mm;
	let widest = 0;
	for (const [i, modifierCode] of held.entries()) {
		const modifierKey = keyOn(board, modifierCode) ?? keyOn(board, mirrored(modifierCode));
		if (!modifierKey) return undefined;
		const place = centreOf(modifierKey);
		const finger = modifiers[i] && HELD_WITH[modifiers[i]!].finger === 'little' ? little : thumb;
		mm += distance(finger, place);
		widest = Math.max(widest, distance(place, key));
	}
	const effort = free.mm > FARTHEST || widest > SPAN ? 'away' : free.mm > EASY || held.length > 1 ? 'stretch' : 'easy';
	return { mm, seconds: K * (1 + held.length) + (effort === 'away' ? 2 * H : 0), effort };
}

/** The thumb rests on the space bar below the index finger. */
function thumbOf(board: Board, hand: 'left' | 'right') {
	const index = centreOf(keyOn(board, RESTING[hand][3])!);
	return { x: index.x, y: centreOf(keyOn(board, 'Space')!).y };
}

const mirrored = (code: string) => (code.endsWith('Left') ? code.replace('Left', 'Right') : code.replace('Right', 'Left'));

/** A whole input: the sum of its strokes, with the worst effort. */
export function reachOfAll(strokes: readonly Stroke[], desk: DeskSetup): Reach | undefined {
	let sum: Reach = { mm: 0, seconds: 0, effort: 'easy' };
	for (const stroke of strokes) {
		const one = reachOf(stroke, desk);
		if (!one) return undefined;
		const effort = [sum.effort, one.effort].includes('away')
			? 'away'
			: [sum.effort, one.effort].includes('stretch')
				? 'stretch'
				: 'easy';
		sum = { mm: sum.mm + one.mm, seconds: sum.seconds + one.seconds, effort };
	}
	return sum;
}
