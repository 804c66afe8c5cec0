import type { AliasChange } from './alias-change.ts';
import type { Change, Said } from './edit.ts';
import { keyOfChange } from './edit.ts';
import { macroOfChange, type MacroChange } from './macro-change.ts';
import type { Profile } from './stratum.ts';

/**
 * An edit that was made on an older profile, made again on this one: whatever stands there now is what it replaces. `lost`
 * names the parts that have no place any more.
 */
export function rebased(profile: Profile, { changes, aliases, macros }: Said): { said: Said; lost: string[] } {
	const lost: string[] = [];
	const stratumOf = (id: string) => profile.find((s) => s.id === id);
	const entries = changes.flatMap((change): Change[] => {
		const before = stratumOf(change.stratum)?.entries.get(keyOfChange(change)) ?? null;
		return before === null && change.after === null ? [] : [{ ...change, before }];
	});
	const made = macros.flatMap((change): MacroChange[] => {
		const before = stratumOf(change.stratum)?.macros?.get(macroOfChange(change)) ?? null;
		return before === null && change.after === null ? [] : [{ ...change, before }];
	});
	const files = aliases.flatMap((change): AliasChange[] => {
		const now = stratumOf(change.stratum)?.aliases;
		if (!('at' in change)) return [{ ...change, from: now ?? null }];
		const text = now?.text ?? '';
		const { at, before } = change;
		if (at <= text.length && text.startsWith(before, at)) return [change];
		const first = before === '' ? -1 : text.indexOf(before);
		if (first >= 0 && text.indexOf(before, first + 1) < 0) return [{ ...change, at: first }];
		lost.push(`"${before.trim().slice(0, 40)}" in the alias file of ${stratumOf(change.stratum)?.name ?? change.stratum}`);
		return [];
	});
	return { said: { changes: entries, aliases: files, macros: made }, lost };
}
