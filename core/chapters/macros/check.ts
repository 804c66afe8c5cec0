import { aliasTable } from '../aliases/table.ts';
import type { ShortcutIndex } from '../../answer/shortcut-index.ts';
import { SEVERITIES } from '../../check/severity.ts';
import { first } from '../../context/bits.ts';
import type { Profile } from '../../strata/stratum.ts';
import type { MacroCircumstances, MacroFinding, MacroRuleId, Reported } from './finding.ts';
import type { Macro } from './macro.ts';
import { stepsText, stepText } from './steps.ts';
import type { MacroGround } from './machine.ts';
import { MACRO_RULES } from './rules/rules.ts';
import { macroTable } from './table.ts';

/** What macros work on in this profile. The index is that of the same profile. */
export function macroGround(index: ShortcutIndex, profile: Profile): MacroGround {
	const input = index.rules.aliases;
	return {
		catalogue: index.catalogue,
		macros: macroTable(profile),
		aliases: input && aliasTable(profile, input)
	};
}

/** All findings of the profile's macros, errors first. */
export function checkMacros(index: ShortcutIndex, profile: Profile): MacroFinding[] {
	const circumstances: MacroCircumstances = { ground: macroGround(index, profile), index, profile };
	const { macros } = circumstances.ground;
	const found: MacroFinding[] = [];
	const add = (rule: MacroRuleId, { macro, stratum, ...finding }: Reported & Pick<MacroFinding, 'macro' | 'stratum'>) =>
		found.push({
			rule,
			macro,
			stratum,
			witness: witnessOf(index, macro),
			said: saidBy(macros.inForce.get(macro)?.macro, finding.step),
			...finding
		});
	for (const { id: rule, find, findWhole } of Object.values(MACRO_RULES)) {
		findWhole?.(circumstances, (finding) => add(rule, finding));
		for (const placed of find ? macros.inForce.values() : [])
			find!(placed, circumstances, (finding) => add(rule, { macro: placed.macro.id, stratum: placed.stratum.id, ...finding }));
	}
	return found.sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity));
}

const saidBy = (macro: Macro | undefined, step: number | undefined): string =>
	!macro ? '' : step === undefined ? stepsText(macro.steps) : stepText(macro.steps[step]!);

/** The macro's first shortcut, where it works; without one it is run from its card. */
function witnessOf(index: ShortcutIndex, macro: MacroFinding['macro']): MacroFinding['witness'] {
	const [binding] = index.of(macro);
	return binding
		? { keys: binding.keys, situation: Math.max(0, first(index.reach(binding))) }
		: { keys: undefined, situation: 0 };
}
