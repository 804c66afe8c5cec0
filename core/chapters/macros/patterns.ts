import type { Macro, MacroStep } from './macro.ts';
import { parseSteps } from './steps.ts';

/** A beginning for a macro: steps that many macros have in common. Blank commands are filled in afterwards. */
export interface Pattern {
	readonly name: string;
	readonly inside: boolean;
	readonly steps: readonly MacroStep[];
}

const pattern = (name: string, text: string, inside = false): Pattern => ({ name, inside, steps: parseSteps(text) });

/** The patterns for an application; `run` is the command that stands in them until another is chosen. */
export const patternsFor = (run: string): readonly Pattern[] => [
	{ name: 'Empty', inside: false, steps: [] },
	pattern('One command with a value', `cancel; run ${run}; type "10"; accept`),
	pattern('One command with a pick', `cancel; run ${run}; pick "where"; accept`),
	pattern('Two commands, one after the other', `cancel; run ${run}; accept; run ${run}; accept`),
	pattern('A value for the running command', 'type "10"; accept', true),
	pattern('Open another file', 'launch "viewer" "folder/file.pdf"', true)
];

/** A macro of its own that does the same. */
export const duplicateOf = (macro: Macro, id: Macro['id'], label: string): Macro => ({ ...macro, id, label });
