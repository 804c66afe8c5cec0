import type { ShortcutIndex } from '../../answer/shortcut-index.ts';
import type { Binding } from '../../shortcut/effective.ts';
import { hasBit } from '../../context/bits.ts';
import { flickIn, sameTrigger, shapeIn, triggerText, type Trigger } from './gesture.ts';

/** A shortcut on a flick. */
export interface FlickBinding extends Trigger {
	readonly binding: Binding;
	readonly degrees: number;
}

/** A shortcut on a drawn shape. */
export interface ShapeBinding extends Trigger {
	readonly binding: Binding;
	readonly shape: string;
}

interface Moved {
	readonly flicks: readonly FlickBinding[];
	readonly shapes: readonly ShapeBinding[];
}

const known = new WeakMap<ShortcutIndex, Moved>();

function movedOf(index: ShortcutIndex): Moved {
	let moved = known.get(index);
	if (!moved) {
		const flicks: FlickBinding[] = [];
		const shapes: ShapeBinding[] = [];
		for (const binding of index.effective.bindings) {
			const flick = flickIn(binding.keys);
			if (flick) flicks.push({ ...flick, binding });
			const shape = shapeIn(binding.keys);
			if (shape) shapes.push({ ...shape, binding });
		}
		known.set(index, (moved = { flicks, shapes }));
	}
	return moved;
}

/** Shortcuts by what they are alike in, in their order. */
export function grouped<M>(moves: readonly M[], keyOf: (move: M) => string): Map<string, M[]> {
	const groups = new Map<string, M[]>();
	for (const move of moves) {
		const key = keyOf(move);
		const group = groups.get(key);
		if (group) group.push(move);
		else groups.set(key, [move]);
	}
	return groups;
}

/** All shortcuts on flicks, in the order of the list. */
export const flicksOf = (index: ShortcutIndex): readonly FlickBinding[] => movedOf(index).flicks;

/** All shortcuts on drawn shapes, in the order of the list. */
export const drawnOf = (index: ShortcutIndex): readonly ShapeBinding[] => movedOf(index).shapes;

/** The shapes that something is heard on in a situation, drawn with the trigger. */
export const shapesHeard = (index: ShortcutIndex, trigger: Trigger, situation: number): string[] => [
	...new Set(
		drawnOf(index)
			.filter((one) => sameTrigger(one, trigger) && hasBit(index.reach(one.binding), situation))
			.map(({ shape }) => shape)
	)
];

/** Those that people see as one rose: with the same trigger in the same scope. */
export const rosesSeen = (index: ShortcutIndex): FlickBinding[][] => [
	...grouped(flicksOf(index), (flick) => `${triggerText(flick)} ${flick.binding.scopeText}`).values()
];
