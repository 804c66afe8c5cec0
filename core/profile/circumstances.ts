import { placedCommands } from '../chapters/bars/placed.ts';
import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import type { OpenApplication } from '../application/application.ts';
import { acceptedIn } from '../check/acceptance.ts';
import { MODES, modesIn } from '../chapters/modes/mode.ts';
import type { Circumstances } from '../check/circumstances.ts';
import { officeDesks, type OfficeDesks } from '../keyboard/office-desks.ts';
import { headOf, holding, officeOf, type Profile, type Stratum } from '../strata/stratum.ts';
import { indexOf } from './profile-index.ts';
import { trialOn } from './trial.ts';

export { indexOf };

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
		released: released ? indexOfReleased(application, profile, released) : undefined,
		trial: trialOn(application)
	};
}
