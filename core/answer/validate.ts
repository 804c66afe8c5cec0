import { keyOfChange, type Change } from '../shortcut/change.ts';
import { lockOver } from '../shortcut/effective.ts';
import { entryKey, shortcutKey, type Entry } from '../shortcut/entry.ts';
import type { ChangeProblem } from '../strata/change.ts';
import { stratumById, type Profile, type StratumId } from '../strata/stratum.ts';
import { parseKeys } from '../stroke/stroke.ts';
import { lockedText } from './locked-text.ts';
import { overlay } from './overlay.ts';
import type { ShortcutIndex } from './shortcut-index.ts';

/**
 * What stands against the changes beyond their form: commands that do not exist, contexts the application does not
 * have, keys that are not in canonical spelling, what a lock of a lower stratum forbids. Entries that only go are never refused,
 * so that a profile can always be cleaned.
 */
export function changeProblems(index: ShortcutIndex, profile: Profile, changes: readonly Change[]): ChangeProblem[] {
	const problems = changes.flatMap(({ after }, i) => {
		if (!after) return [];
		const problem = (message: string) => [{ index: i, message }];
		// what a level below says of a command that is gone can be taken away
		const isThere =
			index.catalogue.has(after.command) ||
			(after.op === 'remove' && index.on(after.keys).some((b) => b.command === after.command));
		if (!isThere) return problem(`the command ${after.command} is not in the catalogue`);
		try {
			index.space.bitsOf(after.scope);
			const canonical = parseKeys(after.keys);
			if (canonical !== after.keys) return problem(`the keys "${after.keys}" must be written ${canonical}`);
		} catch (error) {
			return problem((error as Error).message);
		}
		return [];
	});
	return problems.length > 0 ? problems : lockedChanges(index, profile, changes);
}

/**
 * The changes whose entries would be without effect, since a lock that stands below holds what they speak of. A lock that comes
 * with the same edit does not count: the edit may bring a whole file, in which the entry was without effect as well.
 */
function lockedChanges(index: ShortcutIndex, profile: Profile, changes: readonly Change[]): ChangeProblem[] {
	const after = overlay(index, profile, changes);
	return changes.flatMap((change, i) => {
		const { stratum, after: entry } = change;
		if (!entry || entry.op === 'lock') return [];
		const lock = after
			.at(entry.keys)
			.ineffective.find((is) => is.reason === 'locked' && is.stratum === stratum && entryKey(is.entry) === keyOfChange(change));
		if (!lock || !isHeld(index, stratum, entry)) return [];
		const name = stratumById(profile, lock.lockedBy!).name;
		return [{ index: i, message: lockedText(index, entry, name) }];
	});
}

/** Whether a lock of the profile as it stands keeps the stratum from saying this. */
function isHeld({ effective, space }: ShortcutIndex, stratum: StratumId, entry: Entry): boolean {
	if (entry.op === 'set') return lockOver(effective, space, stratum, entry) !== undefined;
	const lock = effective.byKey.get(shortcutKey(entry))?.lockedBy;
	return lock !== undefined && lock !== stratum;
}
