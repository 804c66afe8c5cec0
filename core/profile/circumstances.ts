import { placedCommands } from '../chapters/bars/placed.ts';
import { shortcutIndex, type ShortcutIndex } from '../answer/shortcut-index.ts';
import type { OpenApplication } from '../application/application.ts';
import { acceptedIn } from '../check/acceptance.ts';
import { hearingOf } from '../chapters/gestures/hearing.ts';
import { MODES, modesIn, profileSpace } from '../chapters/modes/mode.ts';
import { profileCatalogue } from './catalogue.ts';
import type { Circumstances } from '../check/circumstances.ts';
import { officeDesks, type OfficeDesks } from '../keyboard/office-desks.ts';
import { effectiveProfile } from '../shortcut/effective.ts';
import { headOf, holding, officeOf, type Profile, type Stratum } from '../strata/stratum.ts';

/** The profile made ready for questions; its space holds the profile's modes, its catalogue the profile's macros. */
export function indexOf({ application, space: bare, catalogue }: OpenApplication, profile: Profile): ShortcutIndex {
	const space = profileSpace(bare, profile);
	const heard = hearingOf(profile, space);
	return shortcutIndex(effectiveProfile(profile, space), space, profileCatalogue(catalogue, profile), application.rules, heard);
}

/** The profile with the office stratum as it was released. */
export const asReleased = (profile: Profile, released: Stratum): Profile =>
	profile.map((stratum) => (stratum.kind === 'office' ? { ...headOf(stratum), contents: released.contents } : stratum));

/** The same made ready for questions; with the modes of today, so that the situations of both are the same. */
export function indexOfReleased(application: OpenApplication, profile: Profile, released: Stratum): ShortcutIndex {
	const office = officeOf(profile);
	return indexOf(application, asReleased(profile, office ? holding(released, MODES, modesIn(office)) : released));
}

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
		released: released ? indexOfReleased(application, profile, released) : undefined
	};
}
