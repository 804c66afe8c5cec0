import { put, takeAway } from '../../answer/choices.ts';
import type { ShortcutIndex } from '../../answer/shortcut-index.ts';
import { nextRank } from '../../strata/entry.ts';
import { stratumById, type Profile, type StratumId } from '../../strata/stratum.ts';
import type { Change } from '../../shortcut/change.ts';
import type { ShortcutDifference } from './diff.ts';
import { shortcutsIn } from '../../shortcut/entry.ts';

/** Puts a shortcut of a lower stratum in force again: drops the target's own remove, or says it anew. */
function returnShortcut(
	profile: Profile,
	target: StratumId,
	{ command, keys, scope }: ShortcutDifference['binding'],
	offset: number
): Change[] {
	const changes = put(profile, target, { command, keys, scope }, offset);
	if (changes.length > 0) return changes;
	const rank = nextRank(shortcutsIn(stratumById(profile, target))) + offset;
	return [{ stratum: target, before: null, after: { op: 'set', command, keys, scope, rank } }];
}

/**
 * The changes that take one difference back, written to `target`: what was added goes, what was removed returns. Throws
 * `OutOfReachError` where a lock or an upper stratum stands in the way.
 */
export function takeBack(
	index: ShortcutIndex,
	profile: Profile,
	target: StratumId,
	{ kind, binding }: ShortcutDifference
): Change[] {
	return kind === 'added' ? takeAway(index, profile, target, binding) : returnShortcut(profile, target, binding, 0);
}
