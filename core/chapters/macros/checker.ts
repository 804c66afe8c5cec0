import { isMended, type AnyFinding, type AnyFix, type Checker, type Looking } from '../../check/finding.ts';
import type { Pen } from '../../chapter/chapter.ts';
import { shortcutIndex } from '../../answer/shortcut-index.ts';
import { levelOf, stratumById, type Profile } from '../../strata/stratum.ts';
import { applyKeyed, toolsOf } from '../../strata/keyed-fold.ts';
import { macroAcceptable } from './acceptance.ts';
import { checkMacros } from './check.ts';
import type { MacroFinding, MacroFix } from './finding.ts';
import { MACROS, macrosIn, type MacroEntry } from './macro.ts';
import { MACRO_RULES } from './rules/rules.ts';
import { commandOfMacro } from './table.ts';
import { setMacro } from './writing.ts';

export const macroChecker: Checker = {
	chapter: MACROS,
	beginning: 'macro-',
	findings: (looking) => checkMacros(looking.circumstances.index, looking.profile).map((finding) => asAny(finding, looking))
};

function asAny(finding: MacroFinding, looking: Looking): AnyFinding {
	const { rule, severity, macro, step, witness, sentence } = finding;
	const { id } = macroAcceptable(finding);
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
		fixes: (pen) => finding.fixes.flatMap((fix) => tried(fix, finding, looking, pen)),
		seats: () => 'Every seat',
		place: () => ({ stratum: finding.stratum })
	};
}

const TOOLS = toolsOf<MacroEntry>({ thing: ({ id }) => id });

/** The fix as a change of the macro, or as a version over it, if it removes the finding without an error more. */
function tried(fix: MacroFix, finding: MacroFinding, looking: Looking, { profile, target }: Pen): AnyFix[] {
	if (levelOf(profile, target) < levelOf(profile, finding.stratum)) return [];
	const changes = setMacro(stratumById(profile, target), fix.to);
	const mended = (now: Profile) => applyKeyed(MACROS, macrosIn, TOOLS, now, changes as never, ({ id }) => id);
	const { index } = looking.circumstances;
	const catalogue = new Map(index.catalogue).set(fix.to.id, commandOfMacro(fix.to));
	const after: Looking = {
		...looking,
		profile: mended(looking.profile),
		circumstances: {
			...looking.circumstances,
			index: shortcutIndex(index.effective, index.space, catalogue, index.rules, index.heard)
		}
	};
	const { id } = macroAcceptable(finding);
	return isMended(macroChecker, looking, after, { id }) ? [{ kind: fix.label.split(' ')[0]!, label: fix.label, changes }] : [];
}
