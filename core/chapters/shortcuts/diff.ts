import type { Names } from '../../chapter/chapter.ts';
import type { Profile, StratumId } from '../../strata/stratum.ts';
import { effectiveProfile, type Binding, type Effective } from '../../shortcut/effective.ts';
import { shortcutKey } from '../../shortcut/entry.ts';

/** A shortcut that is in force now and was not, or the reverse; `by` is the stratum that made it so. */
export interface ShortcutDifference {
	readonly kind: 'added' | 'removed';
	readonly binding: Binding;
	readonly by: StratumId | undefined;
}

/** What is in force in `now` against `base`, in the order of `now`, what is gone last. */
export function differencesInForce(base: Effective, now: Effective): ShortcutDifference[] {
	const added = now.bindings
		.filter((binding) => !base.byKey.has(binding.key))
		.map((binding): ShortcutDifference => ({ kind: 'added', binding, by: binding.stratum }));
	const removed = base.bindings
		.filter((binding) => !now.byKey.has(binding.key))
		.map((binding): ShortcutDifference => ({ kind: 'removed', binding, by: now.removed.get(shortcutKey(binding))?.by }));
	return [...added, ...removed];
}

/** The shortcuts in force in one profile and not in the other. */
export const shortcutDifferences = (before: Profile, now: Profile, names: Pick<Names, 'meet'>): ShortcutDifference[] =>
	differencesInForce(effectiveProfile(before, names), effectiveProfile(now, names));
