import type { CommandId } from '../application/command.ts';
import type { Acceptable } from '../check/acceptance.ts';
import { fingerprint } from '../check/fingerprint.ts';
import type { AliasFinding } from './finding.ts';

/**
 * What is let stand when a finding of an alias file is: what the line says, under its rule. Where the line stands says nothing,
 * so lines may come and go around it.
 */
export function aliasAcceptable({ rule, severity, entry, sentence }: AliasFinding): Acceptable {
	return {
		id: `alias-${rule}\n${entry.stratum.id}\n${entry.key}\n${entry.command}`,
		circumstances: fingerprint(`${severity}\n${sentence.replaceAll(/\bline \d+/g, 'line')}`),
		command: entry.command as CommandId,
		keys: undefined,
		scope: {}
	};
}
