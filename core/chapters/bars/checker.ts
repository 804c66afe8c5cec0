import type { AnyFinding, Checker, Looking } from '../../check/finding.ts';
import { findingOfEntry } from '../../check/of-entry.ts';
import { errorsFirst } from '../../check/severity.ts';
import { narrowestOf, tightestOf } from '../../keyboard/office-screens.ts';
import { barsIn, BARS } from './bar.ts';
import type { BarFinding, BarRule } from './finding.ts';
import { BAR_RULES } from './rules/rules.ts';
import { unopened } from './rules/unopened.ts';
import { barTree } from './tree.ts';

export const barChecker: Checker = {
	chapter: BARS,
	beginning: 'bar-',
	findings: (looking) => findingsOf(looking, BAR_RULES),
	byKeys: { rules: [unopened.id], findings: (looking) => findingsOf(looking, [unopened]) }
};

function findingsOf(looking: Looking, rules: readonly BarRule[]): AnyFinding[] {
	const { profile, circumstances, released } = looking;
	if (profile.every((stratum) => barsIn(stratum).size === 0)) return [];
	const { desks } = circumstances.office;
	const ground = {
		profile,
		tree: barTree(profile),
		index: circumstances.index,
		released,
		desks,
		narrowest: narrowestOf(desks),
		tightest: tightestOf(desks)
	};
	const found: AnyFinding[] = [];
	for (const rule of rules) rule.find(ground, (finding) => void found.push(asAny(rule, finding, looking)));
	return errorsFirst(found);
}

const asAny = ({ id: rule, title }: BarRule, finding: BarFinding, looking: Looking): AnyFinding =>
	findingOfEntry(
		barChecker,
		{ ...finding, rule, title, thing: finding.item, witness: { kind: 'bar', item: finding.item, situation: finding.situation } },
		looking,
		finding.fixes
	);
