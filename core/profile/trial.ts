import type { OpenApplication } from '../application/application.ts';
import { isPartOf } from '../chapters/shortcuts/check/fixes.ts';
import { KeyFinding } from '../chapters/shortcuts/checker.ts';
import type { AnyChange } from '../chapter/chapter.ts';
import type { AnyFinding, Looking, Trial } from '../check/finding.ts';
import { OutOfReachError } from '../strata/change.ts';
import type { Profile } from '../strata/stratum.ts';
import { findingsIn } from './checkers.ts';
import { applyEdit } from './edit.ts';
import { groundFor, problemsOf } from './problems.ts';
import { indexOf, placedCommands } from './profile-index.ts';

/** The same look at the profile after an edit. */
export const lookingAfter = (application: OpenApplication, looking: Looking, profile: Profile): Looking => ({
	...looking,
	profile,
	circumstances: { ...looking.circumstances, index: indexOf(application, profile), placed: placedCommands(profile) }
});

/** Errors that a look finds, by their ids. */
type Errors = ReadonlyMap<string, AnyFinding>;

const errorsAmong = (findings: readonly AnyFinding[]): Errors =>
	new Map(findings.flatMap((finding) => (finding.severity === 'error' ? [[finding.id, finding] as const] : [])));

/** Whether the error was there before, by itself or within one about more shortcuts. */
function isKnown(error: AnyFinding, before: Errors): boolean {
	if (before.has(error.id)) return true;
	if (!(error instanceof KeyFinding)) return false;
	return [...before.values()].some((known) => known instanceof KeyFinding && isPartOf(error.finding, known.finding));
}

/** The errors of any chapter that a profile has after the changes and has not now. */
export function errorsAdded(application: OpenApplication, looking: Looking, changes: readonly AnyChange[]): AnyFinding[] {
	const then = findingsIn(lookingAfter(application, looking, applyEdit(looking.profile, changes)));
	const before = errorsAmong(findingsIn(looking));
	return [...errorsAmong(then).values()].filter((error) => !isKnown(error, before));
}

/** Tries changes of profiles of the application against the checks of all chapters. */
export function trialOn(application: OpenApplication): Trial {
	const errorsBefore = new WeakMap<Looking, Errors>();
	return (looking, { id }, changes) => {
		if (changes.length === 0) return false;
		const { profile } = looking;
		if (problemsOf(changes, groundFor(application, profile, changes)).length > 0) return false;
		let after: Profile;
		try {
			after = applyEdit(profile, changes);
		} catch (error) {
			if (error instanceof OutOfReachError) return false;
			throw error;
		}
		const then = findingsIn(lookingAfter(application, looking, after));
		if (then.some((finding) => finding.id === id)) return false;
		let before = errorsBefore.get(looking);
		if (!before) errorsBefore.set(looking, (before = errorsAmong(findingsIn(looking))));
		for (const error of errorsAmong(then).values()) if (!isKnown(error, before)) return false;
		return true;
	};
}
