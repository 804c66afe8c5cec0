import { shortcutIndex, type ShortcutIndex } from '../answer/shortcut-index.ts';
import type { Application, Catalogue } from '../application/application.ts';
import { acceptedIn, type AcceptedFindings } from '../chapters/acceptances/acceptance.ts';
import { profileCatalogue } from '../chapters/macros/table.ts';
import type { ContextSpace } from '../context/space.ts';
import { effectiveProfile } from '../shortcut/effective.ts';
import { headOf, type Profile, type Stratum } from '../strata/stratum.ts';
import { officeDesks, type OfficeDesks } from '../keyboard/office-desks.ts';

/** What a check looks at. */
export interface Circumstances {
	readonly index: ShortcutIndex;
	readonly office: OfficeDesks;
	/** What somebody has let stand. */
	readonly accepted: AcceptedFindings;
	/** The profile as it was with the last release; undefined before the first. */
	readonly released: ShortcutIndex | undefined;
}

/** An application ready for questions. */
export interface Subject {
	readonly application: Application;
	readonly space: ContextSpace;
	readonly catalogue: Catalogue;
}

export function indexOf({ application, space, catalogue }: Subject, profile: Profile): ShortcutIndex {
	return shortcutIndex(effectiveProfile(profile, space), space, profileCatalogue(catalogue, profile), application.rules);
}

/** The profile with the office stratum as it was released. */
export const asReleased = (profile: Profile, released: Stratum): Profile =>
	profile.map((stratum) => (stratum.kind === 'office' ? { ...headOf(stratum), contents: released.contents } : stratum));

/** `released` is the office stratum in the release that seats follow, null before the first. */
export function circumstancesOf(
	subject: Subject,
	profile: Profile,
	desks: OfficeDesks['desks'],
	released: Stratum | null
): Circumstances {
	return {
		index: indexOf(subject, profile),
		office: officeDesks(subject.application.rules, desks),
		accepted: acceptedIn(profile),
		released: released ? indexOf(subject, asReleased(profile, released)) : undefined
	};
}
