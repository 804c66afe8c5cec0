import { soundFixes, type AnyFinding, type Checker, type FixProposal, type Looking } from '../../check/finding.ts';
import { levelOf, stratumById } from '../../strata/stratum.ts';
import { macroAcceptable } from './acceptance.ts';
import { checkMacros } from './check.ts';
import type { MacroFinding, MacroFix } from './finding.ts';
import { MACROS } from './macro.ts';
import { MACRO_RULES } from './rules/rules.ts';
import { setMacro } from './writing.ts';

export const macroChecker: Checker = {
	chapter: MACROS,
	beginning: 'macro-',
	findings: (looking) => checkMacros(looking.circumstances.index, looking.profile).map((finding) => asAny(finding, looking))
};

function asAny(finding: MacroFinding, looking: Looking): AnyFinding {
	const { rule, severity, macro, step, witness, sentence } = finding;
	const { id } = macroAcceptable(finding);
	const proposals = finding.fixes.map((fix) => proposed(fix, finding));
	return {
		chapter: MACROS,
		rule,
		title: MACRO_RULES[rule].title,
		severity,
		id,
		command: macro,
		stratum: finding.stratum,
		witness: { kind: 'macro', macro, step, situation: witness.situation },
		sentence: () => sentence,
		count: () => 0,
		acceptable: () => macroAcceptable(finding),
		fixes: (pen) => soundFixes(looking, { id }, proposals, pen),
		seats: () => 'Every seat',
		place: () => ({ stratum: finding.stratum })
	};
}

/** The fix as a change of the macro, or as a version over it. */
const proposed = ({ label, to }: MacroFix, { stratum }: MacroFinding): FixProposal => ({
	kind: label.split(' ')[0]!,
	label,
	changes: (profile, target) =>
		levelOf(profile, target) < levelOf(profile, stratum) ? [] : setMacro(stratumById(profile, target), to)
});
