import { KeyFinding } from '$core/chapters/shortcuts/checker';
import { acceptedIn, isAccepted } from '$core/check/acceptance';
import type { AnyFinding, Looking } from '$core/check/finding';
import { errorsFirst } from '$core/check/severity';
import { placedCommands } from '$core/profile/profile-index';
import { SIMPLE_CHECKERS, findingsIn } from '$core/profile/checkers';
import type { Finding } from '$core/chapters/shortcuts/check/finding';

/** Findings of one of the chapters whose check is not kept, looked for anew. */
type FindingsOf = (chapter: string) => readonly AnyFinding[];

/** Findings of all chapters, errors first; those of keys are kept while the profile is edited, and are given. */
export const allFindings = (
	ofKeys: readonly Finding[],
	looking: Looking,
	of: FindingsOf = (chapter) => findingsIn(looking, [chapter])
): AnyFinding[] =>
	errorsFirst([
		...ofKeys.map((finding) => new KeyFinding(finding, looking.circumstances)),
		...SIMPLE_CHECKERS.flatMap(({ chapter }) => of(chapter))
	]);

/** What stood open in the release that seats follow; undefined before the first. */
export function findingsBefore({ circumstances, released }: Looking): AnyFinding[] | undefined {
	if (!circumstances.released || !released) return undefined;
	const accepted = acceptedIn(released);
	const before: Looking = {
		circumstances: {
			...circumstances,
			index: circumstances.released,
			placed: placedCommands(released),
			accepted,
			released: undefined
		},
		profile: released,
		released: undefined
	};
	return findingsIn(before).filter((f) => !accepted.has(f.id) || !isAccepted(accepted, f.acceptable()));
}
