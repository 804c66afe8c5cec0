import { placedCommands } from '../chapters/bars/placed.ts';
import { shortcutIndex, type ShortcutIndex } from '../answer/shortcut-index.ts';
import type { OpenApplication } from '../application/application.ts';
import { acceptedIn } from '../check/acceptance.ts';
import { profileCatalogue } from './catalogue.ts';
import type { Circumstances } from '../check/circumstances.ts';
import { officeDesks, type OfficeDesks } from '../keyboard/office-desks.ts';
import { effectiveProfile } from '../shortcut/effective.ts';
import { headOf, type Profile, type Stratum } from '../strata/stratum.ts';

/** The profile made ready for questions; its catalogue holds the profile's macros too. */
export function indexOf({ application, space, catalogue }: OpenApplication, profile: Profile): ShortcutIndex {
	return shortcutIndex(effectiveProfile(profile, space), space, profileCatalogue(catalogue, profile), application.rules);
}

/** The profile with the office stratum as it was released. */
export const asReleased = (profile: Profile, released: Stratum): Profile =>
	profile.map((stratum) => (stratum.kind === 'office' ? { ...headOf(stratum), contents: released.contents } : stratum));

/** `released` is the office stratum in the release that seats follow, null before the first. */
export function circumstancesOf(
	application: OpenApplication,
	profile: Profile,
	desks: OfficeDesks['desks'],
	released: Stratum | null
): Circumstances {
	return {
		index: indexOf(application, profile),
		office: officeDesks(application.application.rules, desks),
		placed: placedCommands(profile),
		accepted: acceptedIn(profile),
		released: released ? indexOf(application, asReleased(profile, released)) : undefined
	};
}
