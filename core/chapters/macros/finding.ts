import type { ShortcutIndex } from '../../answer/shortcut-index.ts';
import type { CommandId } from '../../application/command.ts';
import type { Witness } from '../shortcuts/check/finding.ts';
import type { Severity } from '../../check/severity.ts';
import type { Profile, StratumId } from '../../strata/stratum.ts';
import type { MacroGround } from './machine.ts';
import type { Macro } from './macro.ts';
import type { PlacedMacro } from './table.ts';

export const MACRO_RULE_IDS = ['cancels', 'orphan', 'loop', 'accept', 'ends', 'locked', 'empty'] as const;
export type MacroRuleId = (typeof MACRO_RULE_IDS)[number];

/** A way out: the macro as it would be. */
export interface MacroFix {
	readonly label: string;
	readonly to: Macro;
}

/** What the check has found in a macro. The bench shows it by running the macro in the witness' situation. */
export interface MacroFinding {
	readonly rule: MacroRuleId;
	readonly severity: Severity;
	readonly macro: CommandId;
	readonly stratum: StratumId;
	/** Which of its steps, counted from 0; undefined where it is the whole. */
	readonly step: number | undefined;
	readonly witness: Witness;
	/** The step, or all of the steps where it is the whole, as a text. */
	readonly said: string;
	readonly sentence: string;
	readonly fixes: readonly MacroFix[];
	/** What the finding rests on besides its step. */
	readonly facts?: readonly string[];
}

/** What the rules look at. */
export interface MacroCircumstances {
	readonly ground: MacroGround;
	readonly index: ShortcutIndex;
	readonly profile: Profile;
}

/** What a rule reports; macro and stratum are filled in where it looks at one macro. */
export type Reported = Omit<MacroFinding, 'rule' | 'macro' | 'stratum' | 'witness' | 'said'> &
	Partial<Pick<MacroFinding, 'witness' | 'macro' | 'stratum'>>;

export interface MacroRule {
	readonly id: MacroRuleId;
	readonly title: string;
	/** Looks at one macro in force. */
	find?(placed: PlacedMacro, circumstances: MacroCircumstances, report: (finding: Reported) => void): void;
	/** Looks at all together. */
	findWhole?(
		circumstances: MacroCircumstances,
		report: (finding: Reported & Pick<MacroFinding, 'macro' | 'stratum'>) => void
	): void;
}

/** The macro without one of its steps. */
export const without = (macro: Macro, step: number): Macro => ({ ...macro, steps: macro.steps.filter((_, i) => i !== step) });
