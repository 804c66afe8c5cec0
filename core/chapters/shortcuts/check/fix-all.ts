import { overlay } from '../../../answer/overlay.ts';
import { shortcutIndex } from '../../../answer/shortcut-index.ts';
import { applyChanges, composed, type Change } from '../../../shortcut/change.ts';
import { effectiveProfile } from '../../../shortcut/effective.ts';
import type { Circumstances } from '../../../check/circumstances.ts';
import type { Finding, Pen } from './finding.ts';
import { fixesOf, isThere, type Fix } from './fixes.ts';

/** What mending many findings in one way would do, before it is done. */
export interface FixAll {
	readonly steps: readonly { readonly finding: Finding; readonly fix: Fix }[];
	/** Findings for which no fix of this kind is sound. */
	readonly left: readonly Finding[];
	/** All steps as one edit. */
	readonly changes: readonly Change[];
}

/** An overlay lies on the one before; after so many the index is built anew, so that look-ups stay quick. */
const DEEPEST = 12;

/**
 * Mends the findings one after the other by the first sound fix of the kind, each on the profile that the fixes before it
 * have left. A finding that an earlier fix has removed needs none.
 */
export function fixAll(circumstances: Circumstances, findings: readonly Finding[], kind: Fix['kind'], pen: Pen): FixAll {
	let now = circumstances;
	let { profile } = pen;
	const steps: FixAll['steps'][number][] = [];
	const left: Finding[] = [];
	for (const finding of findings) {
		if (!isThere(now, finding)) continue;
		const fix = fixesOf(now, finding, { profile, target: pen.target }).find((f) => f.kind === kind);
		if (!fix) {
			left.push(finding);
			continue;
		}
		steps.push({ finding, fix });
		const { space, catalogue, rules, heard, implied } = now.index;
		const after = applyChanges(profile, fix.changes);
		const index =
			steps.length % DEEPEST === 0
				? shortcutIndex(effectiveProfile(after, space, implied), space, catalogue, rules, heard, implied)
				: overlay(now.index, profile, fix.changes);
		now = { ...now, index };
		profile = after;
	}
	return { steps, left, changes: composed(steps.map((step) => step.fix.changes)) };
}
