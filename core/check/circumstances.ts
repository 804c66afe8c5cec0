import { shortcutIndex, type ShortcutIndex } from '../answer/shortcut-index.ts';
import type { Application, Catalogue } from '../application/application.ts';
import { profileCatalogue } from '../chapters/macros/table.ts';
import type { ContextSpace } from '../context/space.ts';
import { effectiveProfile } from '../chapters/shortcuts/effective.ts';
import type { Entry } from '../chapters/shortcuts/entry.ts';
import { stratumOf, type Profile } from '../profile/stratum.ts';
import { officeDesks, type OfficeDesks } from '../keyboard/office.ts';

/** What a check looks at. */
export interface Circumstances {
	readonly index: ShortcutIndex;
	readonly office: OfficeDesks;
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

/** The strata that a release is judged by: the factory's and the office's. */
export const published = (profile: Profile): Profile => profile.filter((s) => s.kind === 'factory' || s.kind === 'office');

/** The profile with the office's shortcuts as they were released; all else is as it is. */
export function withReleased(profile: Profile, released: readonly Entry[]): Profile {
	return profile.map((stratum) =>
		stratum.kind === 'office' ? { ...stratum, entries: stratumOf(stratum, released).entries } : stratum
	);
}

/** `released` are the entries of the office stratum in the last release, null before the first. */
export function circumstancesOf(
	subject: Subject,
	profile: Profile,
	desks: OfficeDesks['desks'],
	released: readonly Entry[] | null
): Circumstances {
	return {
		index: indexOf(subject, profile),
		office: officeDesks(subject.application.rules, desks),
		released: released ? indexOf(subject, withReleased(profile, released)) : undefined
	};
}
