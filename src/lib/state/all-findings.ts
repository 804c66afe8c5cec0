import { KeyFinding } from '$core/chapters/shortcuts/checker';
import { acceptedIn, isAccepted } from '$core/check/acceptance';
import type { AnyFinding, Looking } from '$core/check/finding';
import { SIMPLE_CHECKERS, errorsFirst, findingsIn } from '$core/profile/checkers';
import type { Finding } from '$core/chapters/shortcuts/check/finding';

const OTHERS = SIMPLE_CHECKERS.map(({ chapter }) => chapter);

/** Findings of all chapters, errors first; those of keys are kept while the profile is edited, and are given. */
export const allFindings = (ofKeys: readonly Finding[], looking: Looking): AnyFinding[] =>
	errorsFirst([...ofKeys.map((finding) => new KeyFinding(finding, looking.circumstances)), ...findingsIn(looking, OTHERS)]);

/** What stood open in the release that seats follow; undefined before the first. */
export function findingsBefore({ circumstances, released }: Looking): AnyFinding[] | undefined {
	if (!circumstances.released || !released) return undefined;
	const accepted = acceptedIn(released);
	const before: Looking = {
		circumstances: { ...circumstances, index: circumstances.released, accepted, released: undefined },
		profile: released,
		released: undefined
	};
	return findingsIn(before).filter((f) => !accepted.has(f.id) || !isAccepted(accepted, f.acceptable()));
}
