import { ACCEPTANCES, acceptanceKey, type AcceptanceEntry } from '../../core/chapters/acceptances/acceptance.ts';
import { ALIASES, type AliasFile } from '../../core/chapters/aliases/file.ts';
import { macros as chapter } from '../../core/chapters/macros/chapter.ts';
import { MACROS, type Macro, type MacroEntry } from '../../core/chapters/macros/macro.ts';
import type { CommandId } from '../../core/application/command.ts';
import { SHORTCUTS, shortcutsOf, type Entry } from '../../core/shortcut/entry.ts';
import { headOf, type Stratum, type StratumHead } from '../../core/strata/stratum.ts';

/** A macro that the stratum sets, and locks if it says so; or one of below that it takes away. */
export type SaidMacro = (Macro & { readonly locks?: boolean }) | { readonly id: CommandId; readonly gone: true };

/** What a stratum says of macros, in their order. */
export const macroEntries = (macros: readonly SaidMacro[]): MacroEntry[] =>
	macros.flatMap((said, i): MacroEntry[] => {
		const rank = 2 * i;
		if ('gone' in said) return [{ op: 'remove', id: said.id, rank }];
		const { locks, ...macro } = said;
		return [{ op: 'set', ...macro, rank }, ...(locks ? [{ op: 'lock' as const, id: macro.id, rank: rank + 1 }] : [])];
	});

/** A stratum with these shortcuts, this alias file and these macros. */
export const stratumOf = (
	head: StratumHead,
	entries: readonly Entry[],
	aliases?: AliasFile | null,
	macros: readonly SaidMacro[] = []
): Stratum => ({
	...headOf(head),
	contents: {
		[SHORTCUTS]: shortcutsOf(entries),
		...(aliases && { [ALIASES]: aliases }),
		...(macros.length > 0 && { [MACROS]: chapter.contentOf(macroEntries(macros)) })
	}
});

/** The stratum with acceptances in place of its own. */
export const withAcceptances = (stratum: Stratum, said: readonly AcceptanceEntry[]): Stratum => ({
	...stratum,
	contents: { ...stratum.contents, [ACCEPTANCES]: new Map(said.map((entry) => [acceptanceKey(entry), entry])) }
});
