import type { Acceptable } from '../../check/acceptance.ts';
import { fingerprint } from '../../check/fingerprint.ts';
import type { MacroFinding } from './finding.ts';

/** What is let stand when a finding of a macro is: what is said of this step, or of the whole. */
export function macroAcceptable({ rule, severity, macro, stratum, step, sentence, said, facts = [] }: MacroFinding): Acceptable {
	return {
		id: `macro-${rule}\n${stratum}\n${macro}\n${step ?? ''}`,
		circumstances: fingerprint(JSON.stringify([severity, said, ...facts])),
		formerly: fingerprint(`${severity}\n${sentence}`),
		command: macro,
		keys: undefined,
		scope: {}
	};
}
