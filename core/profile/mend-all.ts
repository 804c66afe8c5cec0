import type { OpenApplication } from '../application/application.ts';
import type { AnyChange } from '../chapter/chapter.ts';
import type { AnyFinding, Looking, MendingAll } from '../check/finding.ts';
import type { StratumId } from '../strata/stratum.ts';
import { findingsIn } from './checkers.ts';
import { applyEdit } from './edit.ts';
import { lookingAfter } from './trial.ts';

/**
 * Mends all of the findings by their first sound way out of the kind, each on what those before it have left; findings of one
 * chapter. Gives how many it has seen to, one after the other, and at last what it would do.
 */
export function* mendingAll(
	application: OpenApplication,
	before: Looking,
	findings: readonly Pick<AnyFinding, 'id' | 'chapter'>[],
	kind: string,
	target: StratumId
): Generator<number, MendingAll> {
	const labels: string[] = [];
	const changes: AnyChange[] = [];
	let left = 0;
	let looking = before;
	for (const [seen, { id, chapter }] of findings.entries()) {
		const now = findingsIn(looking, [chapter]).find((f) => f.id === id);
		const fix = now?.fixes({ profile: looking.profile, target }).find((f) => f.kind === kind);
		if (fix) {
			labels.push(fix.label);
			changes.push(...fix.changes);
			looking = lookingAfter(application, looking, applyEdit(looking.profile, fix.changes));
		} else if (now) left++;
		yield seen + 1;
	}
	return { labels, left, changes };
}
