import { shortcutKey } from './entry.ts';
import type { Binding, Effective } from './effective.ts';
import type { StratumId } from '../../profile/stratum.ts';

/** A shortcut that is in force now and was not, or the reverse; `by` is the stratum that made it so. */
export interface Difference {
	readonly kind: 'added' | 'removed';
	readonly binding: Binding;
	readonly by: StratumId | undefined;
}

/** What is in force in `now` against `base`, in the order of `now`, what is gone last. */
export function differences(base: Effective, now: Effective): Difference[] {
	const added = now.bindings
		.filter((binding) => !base.byKey.has(binding.key))
		.map((binding): Difference => ({ kind: 'added', binding, by: binding.stratum }));
	const removed = base.bindings
		.filter((binding) => !now.byKey.has(binding.key))
		.map((binding): Difference => ({ kind: 'removed', binding, by: now.removed.get(shortcutKey(binding))?.by }));
	return [...added, ...removed];
}
