import type { CommandId } from '../../application/command.ts';
import type { Acceptable } from '../../check/acceptance.ts';
import { fingerprint } from '../../check/fingerprint.ts';
import type { AliasFinding } from './finding.ts';

/**
 * What is let stand when a finding of an alias file is: what the line says, under its rule. Where the line stands says nothing,
 * so lines may come and go around it. The circumstances are asked for of few.
 */
export function aliasAcceptable(finding: AliasFinding): Acceptable {
	const { rule, severity, entry } = finding;
	return {
		id: `alias-${rule}\n${entry.stratum.id}\n${entry.key}\n${entry.command}`,
		get circumstances() {
			return fingerprint(JSON.stringify([severity, entry.key, entry.command, ...finding.facts]));
		},
		get formerly() {
			return fingerprint(`${severity}\n${finding.sentence.replaceAll(/\bline \d+/g, 'line')}`);
		},
		command: entry.command as CommandId,
		keys: undefined,
		scope: {}
	};
}
