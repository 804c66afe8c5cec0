import type { Wheel } from '../stroke/mouse.ts';
import { orbited, rolled, type Camera } from './turning.ts';

/** How a drawing is looked at: moved by so many px, so many times as large, and from where. */
export interface Look {
	readonly x: number;
	readonly y: number;
	readonly scale: number;
	readonly camera: Camera;
}

/** How a program lets itself be navigated. */
export interface Manner {
	/** What is dragged follows the pointer, or goes the other way. */
	readonly orbit: 'natural' | 'reversed';
	/** Turning the wheel away comes nearer, or goes back. */
	readonly zoom: 'natural' | 'reversed';
	/** What stays where it is when one comes nearer. */
	readonly about: 'pointer' | 'middle';
	/** A factor. */
	readonly speed: number;
}

export const USUAL_MANNER: Manner = { orbit: 'natural', zoom: 'natural', about: 'pointer', speed: 1 };

/** The actions that move what is looked at; a drag or the wheel that runs a command of one of them does it. */
export const NAVIGATING = ['view.orbit', 'view.pan', 'view.pan-across', 'view.roll', 'view.zoom-in', 'view.zoom-out'] as const;
export type Navigating = (typeof NAVIGATING)[number];

export const isNavigating = (action: string | undefined): action is Navigating =>
	(NAVIGATING as readonly (string | undefined)[]).includes(action);

const [SMALLEST, LARGEST] = [0.4, 5] as const;
/** One notch of the wheel, and so many px of a drag, come nearer by a fifth. */
const [NOTCH, NOTCH_OF_PX] = [1.2, 40] as const;
/** One notch of the wheel moves the drawing by so many px. */
const MOVE_OF_NOTCH = 40;

type Pointer = { readonly x: number; readonly y: number };

/** Comes nearer by so many notches; what lies under the pointer, given in px from the middle of the drawing, or the middle, stays. */
function nearer(look: Look, notches: number, pointer: Pointer, { about, speed }: Manner): Look {
	const scale = Math.min(LARGEST, Math.max(SMALLEST, look.scale * NOTCH ** (notches * speed)));
	const by = scale / look.scale;
	const at = about === 'pointer' ? pointer : { x: 0, y: 0 };
	return { ...look, x: at.x - (at.x - look.x) * by, y: at.y - (at.y - look.y) * by, scale };
}

/** What a drag by so many px makes of it. The pointer is where the button was pressed. */
export function dragged(look: Look, action: Navigating, { x: dx, y: dy }: Pointer, pointer: Pointer, manner: Manner): Look {
	const way = manner.orbit === 'natural' ? 1 : -1;
	switch (action) {
		case 'view.pan':
			return { ...look, x: look.x + dx, y: look.y + dy };
		case 'view.pan-across':
			return { ...look, x: look.x + dx };
		case 'view.orbit':
			return { ...look, camera: orbited(look.camera, dx, dy, way * manner.speed) };
		case 'view.roll':
			return { ...look, camera: rolled(look.camera, dx, way * manner.speed) };
		case 'view.zoom-in':
		case 'view.zoom-out':
			return nearer(look, ((manner.zoom === 'natural' ? -1 : 1) * dy) / NOTCH_OF_PX, pointer, manner);
	}
}

/** What one notch of the wheel makes of it. */
export function wheeled(look: Look, action: Navigating, wheel: Wheel, pointer: Pointer, manner: Manner): Look {
	const way = wheel === 'Up' || wheel === 'Left' ? 1 : -1;
	const move = way * MOVE_OF_NOTCH * manner.speed;
	switch (action) {
		case 'view.pan':
			return { ...look, y: look.y + move };
		case 'view.pan-across':
			return { ...look, x: look.x + move };
		case 'view.orbit':
			return { ...look, camera: orbited(look.camera, move, 0, manner.orbit === 'natural' ? 1 : -1) };
		case 'view.roll':
			return { ...look, camera: rolled(look.camera, move, manner.orbit === 'natural' ? 1 : -1) };
		case 'view.zoom-in':
		case 'view.zoom-out':
			return nearer(look, (action === 'view.zoom-in') === (manner.zoom === 'natural') ? 1 : -1, pointer, manner);
	}
}
