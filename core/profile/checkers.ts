import { aliasChecker } from '../chapters/aliases/checker.ts';
import { barChecker } from '../chapters/bars/checker.ts';
import { gestureChecker } from '../chapters/gestures/checker.ts';
import { macroChecker } from '../chapters/macros/checker.ts';
import { modeChecker } from '../chapters/modes/checker.ts';
import { optionChecker } from '../chapters/options/checker.ts';
import { keyChecker } from '../chapters/shortcuts/checker.ts';
import type { AnyFinding, Checker, Looking } from '../check/finding.ts';
import { errorsFirst } from '../check/severity.ts';

/** The one list of checks, in the order of the chapters. */
export const CHECKERS: readonly Checker[] = [
	modeChecker,
	macroChecker,
	keyChecker,
	gestureChecker,
	aliasChecker,
	optionChecker,
	barChecker
];

/** Those of them whose findings are looked for anew each time. */
export const SIMPLE_CHECKERS = CHECKERS.filter(({ isKept }) => !isKept);

/** What the checks of these chapters find, of all when left out; errors first. */
export function findingsIn(looking: Looking, chapters?: readonly string[]): AnyFinding[] {
	const found = CHECKERS.filter(({ chapter }) => !chapters || chapters.includes(chapter)).flatMap((c) => c.findings(looking));
	return errorsFirst(found);
}
