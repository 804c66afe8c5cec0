import type { Change } from '../profile/edit.ts';
import { shortcutKey } from '../profile/entry.ts';
import { effectiveProfile } from '../profile/effective.ts';
import type { Profile } from '../profile/stratum.ts';
import { parseKeys } from '../stroke/stroke.ts';
import type { ShortcutIndex } from './shortcut-index.ts';

/** One change that the profile cannot take; `index` is its place in the edit. */
export interface ChangeProblem {
	readonly index: number;
	readonly message: string;
}

/**
 * What stands against the changes beyond their form: commands that do not exist, contexts the application does not
 * have, keys that are not in canonical spelling, removing what a lower stratum has locked. Entries that only go are
 * never refused, so that a profile can always be cleaned; an acceptance may be of a finding about just such a thing.
 */
export function changeProblems(index: ShortcutIndex, profile: Profile, changes: readonly Change[]): ChangeProblem[] {
	const lockedBelow = new Map(
		profile.map((stratum, level) => [
			stratum.id,
			changes.some((c) => c.stratum === stratum.id && c.after?.op === 'remove')
				? effectiveProfile(profile.slice(0, level)).byKey
				: undefined
		])
	);
	return changes.flatMap(({ stratum, after }, i) => {
		if (!after || after.op === 'accept') return [];
		const problem = (message: string) => [{ index: i, message }];
		if (!index.catalogue.has(after.command)) return problem(`the command ${after.command} is not in the catalogue`);
		try {
			index.space.bitsOf(after.scope);
			const canonical = parseKeys(after.keys);
			if (canonical !== after.keys) return problem(`the keys "${after.keys}" must be written ${canonical}`);
		} catch (error) {
			return problem((error as Error).message);
		}
		const lock = after.op === 'remove' ? lockedBelow.get(stratum)?.get(shortcutKey(after))?.lockedBy : undefined;
		return lock ? problem(`${lock} has locked ${after.keys} for ${after.command}`) : [];
	});
}
