import type { Keys } from '../stroke/stroke.ts';
import type { Circumstances } from './circumstances.ts';
import { contestOn } from './contest.ts';
import { findingId, type CheckRule, type Finding, type RuleId, type Told } from './finding.ts';
import { clash } from './rules/clash.ts';
import { dead } from './rules/dead.ts';
import { shadow } from './rules/shadow.ts';

/** Every rule of the engine. A new rule is one file of the same shape and one line here. */
export const CHECK_RULES: Readonly<Record<RuleId, CheckRule>> = { clash, shadow, dead };
const RULES = Object.values(CHECK_RULES);

function checkInput(keys: Keys, circumstances: Circumstances, report: (finding: Finding) => void): void {
	const contest = contestOn(circumstances.index, keys);
	for (const rule of RULES) rule.find(contest, circumstances, report);
}

/** All findings of the profile behind the index, errors first, in the order of the inputs. */
export function check(circumstances: Circumstances): Finding[] {
	const errors: Finding[] = [];
	const others: Finding[] = [];
	const report = (finding: Finding) => void (finding.severity === 'error' ? errors : others).push(finding);
	for (const keys of circumstances.index.allKeys()) checkInput(keys, circumstances, report);
	return [...errors, ...others];
}

/** The findings in words. */
export function* told(findings: Iterable<Finding>, circumstances: Circumstances): Generator<Told> {
	let contest = undefined;
	for (const finding of findings) {
		const { keys } = finding.witness;
		if (contest?.keys !== keys) contest = contestOn(circumstances.index, keys);
		yield { ...finding, id: findingId(finding), ...CHECK_RULES[finding.rule].tell(finding, contest, circumstances) };
	}
}
