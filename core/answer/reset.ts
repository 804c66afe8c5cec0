import type { CommandId } from '../application/command.ts';
import { combined, type Change } from '../profile/edit.ts';
import type { Difference } from '../chapters/shortcuts/diff.ts';
import { effectiveProfile } from '../chapters/shortcuts/effective.ts';
import { inOrder, nextRank, stratumById, type Profile, type StratumId } from '../profile/stratum.ts';
import { put, takeAway } from './choices.ts';
import type { ShortcutIndex } from './shortcut-index.ts';

/** Drops what the stratum says about these commands (all when left out), so that the strata below speak again. */
export function clearStratum(profile: Profile, target: StratumId, commands?: ReadonlySet<CommandId>): Change[] {
	return inOrder(stratumById(profile, target))
		.filter((entry) => !commands || commands.has(entry.command))
		.map((before) => ({ stratum: target, before, after: null }));
}

/**
 * Brings these commands (all when left out) back to the factory setup, seen from `target`: what was added goes, what
 * was removed returns. Throws `OutOfReachError` where a lock or an upper stratum stands in the way.
 */
export function backToFactory(
	index: ShortcutIndex,
	profile: Profile,
	target: StratumId,
	commands?: ReadonlySet<CommandId>
): Change[] {
	const factory = effectiveProfile(
		profile.filter((s) => s.kind === 'factory'),
		index.space
	);
	const concerns = (id: CommandId) => !commands || commands.has(id);
	const added = index.effective.bindings.filter((b) => concerns(b.command) && !factory.byKey.has(b.key));
	const gone = factory.bindings.filter((b) => concerns(b.command) && !index.effective.byKey.has(b.key));
	return combined([
		...added.flatMap((binding, i) => takeAway(index, profile, target, binding, i)),
		...gone.flatMap((binding, i) => returnShortcut(profile, target, binding, added.length + i))
	]);
}

/** Puts a shortcut of a lower stratum in force again: drops the target's own remove, or says it anew. */
function returnShortcut(
	profile: Profile,
	target: StratumId,
	{ command, keys, scope }: Difference['binding'],
	offset: number
): Change[] {
	const changes = put(profile, target, { command, keys, scope }, offset);
	if (changes.length > 0) return changes;
	const stratum = stratumById(profile, target);
	return [{ stratum: target, before: null, after: { op: 'set', command, keys, scope, rank: nextRank(stratum) + offset } }];
}

/** The changes that take one difference back: in the stratum that made it, or from `target` when none below did. */
export function takeBack(index: ShortcutIndex, profile: Profile, target: StratumId, difference: Difference): Change[] {
	const { binding } = difference;
	return difference.kind === 'added'
		? takeAway(index, profile, difference.by ?? target, binding)
		: returnShortcut(profile, difference.by ?? target, binding, 0);
}
