import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import type { OpenApplication } from '../application/application.ts';
import { acceptedIn } from '../check/acceptance.ts';
import type { Circumstances } from '../check/circumstances.ts';
import { officeDesks, type OfficeDesks } from '../keyboard/office-desks.ts';
import { headOf, holding, officeOf, type Profile, type Stratum } from '../strata/stratum.ts';
import { ALL_CHAPTERS } from './chapters.ts';
import { indexOf, placedCommands } from './profile-index.ts';
import { trialOn } from './trial.ts';

export { indexOf };

/** The profile with the office stratum as it was released. */
export const asReleased = (profile: Profile, released: Stratum): Profile =>
	profile.map((stratum) => (stratum.kind === 'office' ? { ...headOf(stratum), contents: released.contents } : stratum));

const WITH_CONTEXTS = ALL_CHAPTERS.filter(({ adds }) => adds?.contexts);

/** The same made ready for questions; with the contexts of today, so that the situations of both are the same. */
export function indexOfReleased(application: OpenApplication, profile: Profile, released: Stratum): ShortcutIndex {
	const office = officeOf(profile);
	const withToday = office
		? WITH_CONTEXTS.reduce((stratum, { id, contentIn }) => holding(stratum, id, contentIn(office)), released)
		: released;
	return indexOf(application, asReleased(profile, withToday));
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
