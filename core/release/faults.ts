import { acceptedIn, isAccepted } from '../check/acceptance.ts';
import type { AnyFinding, Looking } from '../check/finding.ts';
import { SIMPLE_CHECKERS } from '../profile/checkers.ts';
import { officeOf } from '../strata/stratum.ts';

/**
 * The errors that stand in what the office itself says beside its keys, and that nobody has accepted. They hold a release back.
 * What is looked at is what goes out.
 */
export function releaseFaults(looking: Looking): AnyFinding[] {
	const accepted = acceptedIn(looking.profile);
	const office = officeOf(looking.profile)?.id;
	return SIMPLE_CHECKERS.flatMap((checker) => checker.findings(looking)).filter(
		(f) => f.severity === 'error' && f.stratum === office && !isAccepted(accepted, f.acceptable())
	);
}
