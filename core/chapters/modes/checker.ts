import type { Pen } from '../../chapter/chapter.ts';
import type { AnyFinding, AnyFix, Checker, Looking } from '../../check/finding.ts';
import { findingOfEntry, soundFix } from '../../check/of-entry.ts';
import { errorsFirst } from '../../check/severity.ts';
import type { KeyedChange } from '../../strata/change.ts';
import { applyKeyed, toolsOf } from '../../strata/keyed-fold.ts';
import type { ModeFinding, ModeFix, ModeRule } from './finding.ts';
import { MEETING, MODES, modesIn, profileSpace, thingFor, type ModesEntry } from './mode.ts';
import { MODE_RULES } from './rules/rules.ts';

const TOOLS = toolsOf<ModesEntry>(MEETING);

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
		(pen, id) => finding.fixes.flatMap((fix) => tried(fix, id, looking, pen))
	);

/** The fix as a change, if the pen's stratum can say it. */
function tried({ kind, label, changes }: ModeFix, id: string, looking: Looking, { profile, target }: Pen): AnyFix[] {
	const made = changes(profile, target);
	const own = made as unknown as readonly KeyedChange<ModesEntry>[];
	const after = applyKeyed(MODES, modesIn, TOOLS, looking.profile, own, thingFor);
	return soundFix(modeChecker, looking, after, id, { kind, label, changes: made });
}
