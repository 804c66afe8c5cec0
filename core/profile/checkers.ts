import { ALL_CHAPTERS } from './chapters.ts';
import type { AnyFinding, Checker, Looking } from '../check/finding.ts';
import { errorsFirst } from '../check/severity.ts';

/** The checks of all chapters that have one, in the order of the chapters. */
export const CHECKERS = ALL_CHAPTERS.flatMap(({ checker }) => checker ?? []) as unknown as readonly Checker[];

/** Those of them whose findings are looked for anew each time. */
export const SIMPLE_CHECKERS = CHECKERS.filter(({ isKept }) => !isKept);

/** What the checks of these chapters find, of all when left out; errors first. */
export function findingsIn(looking: Looking, chapters?: readonly string[]): AnyFinding[] {
	const found = CHECKERS.filter(({ chapter }) => !chapters || chapters.includes(chapter)).flatMap((c) => c.findings(looking));
	return errorsFirst(found);
}
