import type { CommandId } from '../application/command.ts';
import type { Scope } from '../context/scope.ts';
import { keysOf, strokesOf, type Keys } from '../stroke/stroke.ts';
import type { ShortcutIndex } from './shortcut-index.ts';
import { verdict } from './verdict.ts';

/** Shift with the key of a command, for its opposite. */
export interface OppositeOffer {
	/** Which has the key, and which would get Shift with it. */
	readonly has: CommandId;
	readonly command: CommandId;
	readonly keys: Keys;
	readonly scope: Scope;
}

/** Keys that say the same with Shift on every layout: letters, and those that type nothing. */
const PLAIN = /^([a-z]|F\d{1,2}|Insert|Delete|Home|End|PageUp|PageDown|Arrow(Up|Down|Left|Right)|Space|Backspace)$/i;

/**
 * What people do for opposites (design 2.4): the same key with Shift. Offered where one of the two has a single stroke without Shift, the
 * other has none at all, and Shift with that stroke would meet nothing. Undefined otherwise.
 */
export function oppositeOffer(index: ShortcutIndex, id: CommandId): OppositeOffer | undefined {
	const opposite = index.catalogue.get(id)?.opposite;
	if (!opposite || !index.catalogue.has(opposite)) return undefined;
	const [has, command] = index.of(id).length > 0 ? [id, opposite] : [opposite, id];
	if (index.of(command).length > 0) return undefined;
	for (const { keys, scope } of index.of(has)) {
		const [stroke, ...more] = strokesOf(keys);
		if (!stroke || more.length > 0 || stroke.modifiers.includes('Shift') || !PLAIN.test(stroke.key)) continue;
		const shifted = keysOf([{ ...stroke, modifiers: [...stroke.modifiers, 'Shift'] }]);
		const { kind } = verdict(index, { command, keys: shifted, scope });
		if (kind === 'free' || kind === 'apart') return { has, command, keys: shifted, scope };
	}
	return undefined;
}
