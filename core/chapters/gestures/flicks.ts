import type { ShortcutIndex } from '../../answer/shortcut-index.ts';
import type { Binding } from '../../shortcut/effective.ts';
import { flickIn, triggerText, type Trigger } from './gesture.ts';

/** A shortcut on a flick. */
export interface FlickBinding extends Trigger {
	readonly binding: Binding;
	readonly degrees: number;
}

const known = new WeakMap<ShortcutIndex, readonly FlickBinding[]>();

/** All shortcuts on flicks, in the order of the list. */
export function flicksOf(index: ShortcutIndex): readonly FlickBinding[] {
	let flicks = known.get(index);
	if (!flicks) {
		flicks = index.effective.bindings.flatMap((binding): FlickBinding[] => {
			const flick = flickIn(binding.keys);
			return flick ? [{ ...flick, binding }] : [];
		});
		known.set(index, flicks);
	}
	return flicks;
}

/** Those that people see as one rose: with the same trigger in the same scope. */
export function rosesSeen(index: ShortcutIndex): FlickBinding[][] {
	const groups = new Map<string, FlickBinding[]>();
	for (const flick of flicksOf(index)) {
		const key = `${triggerText(flick)} ${flick.binding.scopeText}`;
		const group = groups.get(key);
		if (group) group.push(flick);
		else groups.set(key, [flick]);
	}
	return [...groups.values()];
}
