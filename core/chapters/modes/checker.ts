import type { AnyFinding, Checker, Looking } from '../../check/finding.ts';
import { findingOfEntry } from '../../check/of-entry.ts';
import { errorsFirst } from '../../check/severity.ts';
import type { ModeFinding, ModeRule } from './finding.ts';
import { MODES, modesIn, profileSpace, thingFor } from './mode.ts';
import { MODE_RULES } from './rules/rules.ts';

export const modeChecker: Checker = {
	chapter: MODES,
	beginning: 'mode-',
	findings(looking) {
		const { profile, circumstances } = looking;
		if (profile.every((stratum) => modesIn(stratum).size === 0)) return [];
		const ground = { profile, space: profileSpace(circumstances.index.space, profile) };
		const found: AnyFinding[] = [];
		for (const rule of MODE_RULES) rule.find(ground, (finding) => void found.push(asAny(rule, finding, looking)));
		return errorsFirst(found);
	}
};

const asAny = ({ id: rule, title }: ModeRule, finding: ModeFinding, looking: Looking): AnyFinding =>
	findingOfEntry(
		modeChecker,
		{
			...finding,
			rule,
			title,
			thing: thingFor(finding.about),
			witness: { kind: 'mode', axis: finding.about.axis, context: finding.about.id, situation: 0 }
		},
		looking,
		finding.fixes
	);
