import { acceptedIn, isAccepted } from '../check/acceptance.ts';
import type { AnyFinding, Looking } from '../check/finding.ts';
import { SIMPLE_CHECKERS } from '../profile/checkers.ts';

/**
 * The errors that stand in what the office's strata say beside their keys, and that nobody has accepted. They hold a release back.
 * What is looked at is what goes out.
 */
export function releaseFaults(looking: Looking): AnyFinding[] {
	const accepted = acceptedIn(looking.profile);
	const shared = new Set(
		looking.profile.filter(({ kind }) => kind !== 'factory' && kind !== 'personal').map(({ id }) => id as string)
	);
	return SIMPLE_CHECKERS.flatMap((checker) => checker.findings(looking)).filter(
		(f) => f.severity === 'error' && f.stratum !== undefined && shared.has(f.stratum) && !isAccepted(accepted, f.acceptable())
	);
}
