import type { Pen } from '../../chapter/chapter.ts';
import type { AnyFinding, AnyFix, Checker, Looking } from '../../check/finding.ts';
import { findingOfEntry, soundFix } from '../../check/of-entry.ts';
import { errorsFirst } from '../../check/severity.ts';
import { narrowestOf } from '../../keyboard/office-screens.ts';
import type { KeyedChange } from '../../strata/change.ts';
import { applyKeyed, toolsOf } from '../../strata/keyed-fold.ts';
import { barsIn, BARS, MEETING, type BarEntry } from './bar.ts';
import type { BarFinding, BarFix, BarRule } from './finding.ts';
import { BAR_RULES } from './rules/rules.ts';
import { barTree } from './tree.ts';

const TOOLS = toolsOf<BarEntry>(MEETING);

export const barChecker: Checker = {
	chapter: BARS,
	beginning: 'bar-',
	findings(looking) {
		const { profile, circumstances, released } = looking;
		if (profile.every((stratum) => barsIn(stratum).size === 0)) return [];
		const { desks } = circumstances.office;
		const ground = {
			profile,
			tree: barTree(profile),
			index: circumstances.index,
			released,
			desks,
			narrowest: narrowestOf(desks)
		};
		const found: AnyFinding[] = [];
		for (const rule of BAR_RULES) rule.find(ground, (finding) => void found.push(asAny(rule, finding, looking)));
		return errorsFirst(found);
	}
};

const asAny = ({ id: rule, title }: BarRule, finding: BarFinding, looking: Looking): AnyFinding =>
	findingOfEntry(
		barChecker,
		{ ...finding, rule, title, thing: finding.item, witness: { kind: 'bar', item: finding.item, situation: finding.situation } },
		(pen, id) => finding.fixes.flatMap((fix) => tried(fix, id, looking, pen))
	);

/** The fix as a change, if the pen's stratum can say it. */
function tried({ kind, label, changes }: BarFix, id: string, looking: Looking, { profile, target }: Pen): AnyFix[] {
	const made = changes(profile, target);
	const own = made as unknown as readonly KeyedChange<BarEntry>[];
	const after = applyKeyed(BARS, barsIn, TOOLS, looking.profile, own, (entry) => entry.id);
	return soundFix(barChecker, looking, after, id, { kind, label, changes: made });
}
