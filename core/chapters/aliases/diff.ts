import { aliasLines } from './file.ts';
import type { Profile, StratumId } from '../../profile/stratum.ts';

/** An alias that a file says now and did not say before, or the reverse; lines that are commented out say nothing. */
export interface AliasDifference {
	readonly kind: 'added' | 'removed';
	readonly alias: string;
	readonly command: string;
	readonly stratum: StratumId;
}

function said(profile: Profile): Map<string, AliasDifference> {
	const found = new Map<string, AliasDifference>();
	for (const { id, aliases } of profile)
		for (const { alias, command, record } of aliases ? aliasLines(aliases).lines : [])
			if (!record.off) found.set(`${id}\n${alias}\n${command}`, { kind: 'added', alias, command, stratum: id });
	return found;
}

/** What the alias files of `now` say against those of `base`, what is gone last. */
export function aliasDifferences(base: Profile, now: Profile): AliasDifference[] {
	const [before, after] = [said(base), said(now)];
	return [
		...[...after].filter(([key]) => !before.has(key)).map(([, d]) => d),
		...[...before].filter(([key]) => !after.has(key)).map(([, d]): AliasDifference => ({ ...d, kind: 'removed' }))
	];
}
