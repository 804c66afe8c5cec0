import type { CommandId } from '../../application/command.ts';
import type { Profile, StratumId } from '../../profile/stratum.ts';
import { isGone, type MacroEntry } from './macro.ts';
import { saysSame } from './same.ts';

/** A stratum says something else of a macro now. */
export interface MacroDifference {
	readonly kind: 'added' | 'changed' | 'removed';
	readonly id: CommandId;
	readonly label: string;
	readonly stratum: StratumId;
	readonly before: MacroEntry | undefined;
	readonly after: MacroEntry | undefined;
}

function said(profile: Profile): Map<string, { stratum: StratumId; entry: MacroEntry }> {
	const found = new Map<string, { stratum: StratumId; entry: MacroEntry }>();
	for (const { id: stratum, macros } of profile)
		for (const entry of macros?.values() ?? []) found.set(`${stratum}\n${entry.id}`, { stratum, entry });
	return found;
}

const labelOf = (entry: MacroEntry) => (isGone(entry) ? entry.id : entry.label);

/** What the macros of `now` say against those of `base`, what is gone last. */
export function macroDifferences(base: Profile, now: Profile): MacroDifference[] {
	const [before, after] = [said(base), said(now)];
	const differences: MacroDifference[] = [];
	for (const [key, { stratum, entry }] of after) {
		const old = before.get(key)?.entry;
		if (saysSame(old, entry)) continue;
		const kind = old ? 'changed' : 'added';
		differences.push({ kind, id: entry.id, label: labelOf(entry), stratum, before: old, after: entry });
	}
	for (const [key, { stratum, entry }] of before)
		if (!after.has(key))
			differences.push({ kind: 'removed', id: entry.id, label: labelOf(entry), stratum, before: entry, after: undefined });
	return differences;
}
