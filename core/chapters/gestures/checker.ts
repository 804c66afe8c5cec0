import type { CommandId } from '../../application/command.ts';
import type { AnyFinding, Checker, Looking } from '../../check/finding.ts';
import { findingOfEntry } from '../../check/of-entry.ts';
import { errorsFirst } from '../../check/severity.ts';
import type { GestureFinding, GestureRule } from './finding.ts';
import { drawnOf, flicksOf } from './flicks.ts';
import { hearingOf } from './hearing.ts';
import { GESTURES, gesturesIn } from './gesture.ts';
import { GESTURE_RULES } from './rules/rules.ts';

export const gestureChecker: Checker = {
	chapter: GESTURES,
	beginning: 'gesture-',
	// none of its rules finds what is broken: it need not look to say so
	errors: () => [],
	findings(looking) {
		const { profile, circumstances } = looking;
		const { index, office } = circumstances;
		if (profile.every((stratum) => gesturesIn(stratum).size === 0) && flicksOf(index).length + drawnOf(index).length === 0)
			return [];
		const heard = hearingOf(profile, index.space);
		const ground = { profile, index, heard, desks: office.desks };
		const found: AnyFinding[] = [];
		for (const rule of GESTURE_RULES) rule.find(ground, (finding) => void found.push(asAny(rule, finding, looking)));
		return errorsFirst(found);
	}
};

const asAny = ({ id: rule, title }: GestureRule, finding: GestureFinding, looking: Looking): AnyFinding => {
	const { keys, situation, thing, command = thing as CommandId } = finding;
	const witness = keys ? ({ kind: 'keys', keys, situation } as const) : ({ kind: 'situation', situation } as const);
	return findingOfEntry(gestureChecker, { ...finding, command, rule, title, witness }, looking, finding.fixes);
};
