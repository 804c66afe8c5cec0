import { OutOfReachError } from '../../../strata/change.ts';
import { overlay } from '../../../answer/overlay.ts';
import { changeProblems } from '../../../answer/validate.ts';
import { combined, type Change } from '../../../shortcut/change.ts';
import type { Circumstances } from '../../../check/circumstances.ts';
import { Checks } from './check.ts';
import { contestOn } from './contest.ts';
import { findingId, type Finding, type Pen } from './finding.ts';
import { CHECK_RULES } from './rules/rules.ts';
import { readable, type Keys } from '../../../stroke/stroke.ts';

/** A way out of a finding that was tried: it removes the finding and adds no error. */
export interface Fix {
	readonly kind: string;
	readonly label: string;
	readonly changes: readonly Change[];
}

/** The findings about what the changes touch, before or after them. */
function findingsAround(circumstances: Circumstances, changes: readonly Change[]): Finding[] {
	const checks = new Checks(circumstances);
	checks.update(circumstances, changes);
	return checks.list();
}

/** Whether the profile still has the finding. */
export function isThere(circumstances: Circumstances, finding: Finding): boolean {
	const checks = new Checks(circumstances);
	checks.look(finding.witness.keys === undefined ? [] : [finding.witness.keys], [finding.command]);
	return checks.list().some((f) => findingId(f) === findingId(finding));
}

/** Whether the first is about the same trouble as the second, between fewer shortcuts. */
export const isPartOf = (small: Finding, large: Finding) =>
	small.rule === large.rule &&
	small.witness.keys === large.witness.keys &&
	small.bindings.every((b) => large.bindings.some((l) => l.key === b.key));

/** Whether the changes remove the finding and bring no error that was not there, alone or as a part of a greater one. */
export function isSound(circumstances: Circumstances, finding: Finding, pen: Pen, changes: readonly Change[]): boolean {
	if (changes.length === 0 || changeProblems(circumstances.index, pen.profile, changes).length > 0) return false;
	const after: Circumstances = { ...circumstances, index: overlay(circumstances.index, pen.profile, changes) };
	const then = findingsAround(after, changes);
	if (then.some((f) => findingId(f) === findingId(finding))) return false;
	const errors = findingsAround(circumstances, changes).filter((f) => f.severity === 'error');
	return then.every((f) => f.severity !== 'error' || errors.some((known) => isPartOf(f, known)));
}

/** The fixes that are sound when written from the pen's stratum, the mildest first; each was tried. */
export function fixesOf(circumstances: Circumstances, finding: Finding, pen: Pen): Fix[] {
	const fixes: Fix[] = [];
	contestOn(circumstances.index, circumstances.index.at(finding.witness.keys ?? ('' as Keys)), (contest) => {
		for (const proposal of CHECK_RULES[finding.rule].proposals(finding, circumstances, contest, pen)) {
			let changes: Change[];
			try {
				changes = combined(proposal.changes());
			} catch (error) {
				if (error instanceof OutOfReachError) continue;
				throw error;
			}
			if (isSound(circumstances, finding, pen, changes))
				fixes.push({ kind: proposal.kind, label: readable(proposal.label), changes });
		}
	});
	return fixes;
}
