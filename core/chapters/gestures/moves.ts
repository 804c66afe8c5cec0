import { put, takeAway } from '../../answer/choices.ts';
import type { ShortcutIndex } from '../../answer/shortcut-index.ts';
import { ofShortcuts } from '../../shortcut/change.ts';
import type { Binding } from '../../shortcut/effective.ts';
import type { Profile, StratumId } from '../../strata/stratum.ts';
import type { Keys } from '../../stroke/stroke.ts';

/** The changes by which a stratum puts shortcuts on other inputs in their scopes, all at once. */
export const putOn = (index: ShortcutIndex, profile: Profile, target: StratumId, moves: readonly (readonly [Binding, Keys])[]) =>
	ofShortcuts([
		...moves.flatMap(([binding], i) => takeAway(index, profile, target, binding, i)),
		...moves.flatMap(([{ command, scope }, keys], i) => put(profile, target, { command, keys, scope }, moves.length + i))
	]);
