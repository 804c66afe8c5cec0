import { difference, isEmpty } from '../context/bits.ts';
import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import { contestOn, isContested } from './contest.ts';
import type { CheckRule, Finding } from './finding.ts';
import { clash } from './rules/clash.ts';
import { dead } from './rules/dead.ts';
import { shadow } from './rules/shadow.ts';

/** Every rule of the engine. A new rule is one file of the same shape and one line here. */
export const CHECK_RULES: readonly CheckRule[] = [clash, shadow, dead];

/** All findings of the profile behind the index, errors first, in the order of the inputs. */
export function check(index: ShortcutIndex): Finding[] {
	const findings: Finding[] = [];
	for (const keys of index.allKeys()) {
		if (!isContested(index, keys) && index.on(keys).every((b) => !isEmpty(difference(index.reach(b), index.typing)))) continue;
		const contest = contestOn(index, keys);
		for (const rule of CHECK_RULES) findings.push(...rule.find(contest, index));
	}
	return findings.sort((a, b) => Number(a.severity !== 'error') - Number(b.severity !== 'error'));
}
