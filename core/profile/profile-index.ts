import { shortcutIndex, type Hearing, type ShortcutIndex } from '../answer/shortcut-index.ts';
import type { OpenApplication } from '../application/application.ts';
import { barShows, cursorKeys } from '../chapters/bars/cursor-keys.ts';
import { hearingOf } from '../chapters/gestures/hearing.ts';
import { profileSpace } from '../chapters/modes/mode.ts';
import { intersection } from '../context/bits.ts';
import { effectiveProfile } from '../shortcut/effective.ts';
import type { Profile } from '../strata/stratum.ts';
import { profileCatalogue } from './catalogue.ts';

/**
 * The index of a profile, with everything that the program listens to: its space holds the profile's modes, its catalogue the
 * profile's macros and cursor bars, and the keys of cursor bars are shortcuts of the commands that open them.
 */
export function indexOf({ application, space: bare, catalogue }: OpenApplication, profile: Profile): ShortcutIndex {
	const space = profileSpace(bare, profile);
	const implied = cursorKeys(profile);
	const gestures = hearingOf(profile, space);
	const bars = barShows(profile, space);
	const heard: Hearing = (keys, command) => {
		const [ofGestures, ofBars] = [gestures(keys), bars(command)];
		return ofGestures && ofBars ? intersection(ofGestures, ofBars) : (ofGestures ?? ofBars);
	};
	const effective = effectiveProfile(profile, space, implied);
	return shortcutIndex(effective, space, profileCatalogue(catalogue, profile), application.rules, heard, implied);
}
