import { shortcutIndex, type ShortcutIndex } from '../answer/shortcut-index.ts';
import type { OpenApplication } from '../application/application.ts';
import { hearingOf } from '../chapters/gestures/hearing.ts';
import { profileSpace } from '../chapters/modes/mode.ts';
import { effectiveProfile } from '../shortcut/effective.ts';
import type { Profile } from '../strata/stratum.ts';
import { profileCatalogue } from './catalogue.ts';

/** The index of a profile; its space holds the profile's modes, its catalogue the profile's macros. */
export function indexOf({ application, space: bare, catalogue }: OpenApplication, profile: Profile): ShortcutIndex {
	const space = profileSpace(bare, profile);
	const heard = hearingOf(profile, space);
	return shortcutIndex(effectiveProfile(profile, space), space, profileCatalogue(catalogue, profile), application.rules, heard);
}
