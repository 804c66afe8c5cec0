import { difference, meets, type Bits } from '../context/bits.ts';
import type { Binding } from '../shortcut/effective.ts';
import { beginsBare, type Keys } from '../stroke/stroke.ts';
import type { ShortcutIndex } from './shortcut-index.ts';

/** Where a binding on these keys is heard, of the situations in which it is alive. */
export const heardOn = ({ typing }: ShortcutIndex, keys: Keys, reach: Bits): Bits =>
	beginsBare(keys) ? difference(reach, typing) : reach;

/**
 * The bindings that a shortcut on these keys would meet: on the same keys, or on longer ones that it would cut short or have to
 * wait for. `heard` is where it would be heard, `scope` the situations of its scope: an application that refuses the second of
 * two goes by these.
 */
export function rivalsOn(index: ShortcutIndex, keys: Keys, heard: Bits, scope: Bits): Binding[] {
	const { bindings, longer } = index.at(keys);
	const isRival = (b: Binding) =>
		index.rules.ambiguity === 'refuse' ? meets(index.scopeSet(b).bits, scope) : meets(index.reach(b), heard);
	return [
		...bindings.filter(isRival),
		...longer.flatMap(({ loaded }) => loaded.filter(({ reach }) => meets(reach, heard)).map((c) => c.binding))
	];
}
