import { z } from 'zod';
import { CommandId } from '../application/command.ts';
import { Scope, scopeText } from '../context/scope.ts';
import { entryKeyFor, EntryOp, Rank, type Entries, type EntryKey } from '../strata/entry.ts';
import { contentOf, holding, type Profile, type Stratum } from '../strata/stratum.ts';
import { Keys } from '../stroke/stroke.ts';

export const SHORTCUTS = 'shortcuts';

/** What a shortcut says: these keys run this command within this scope. */
export const Shortcut = z.strictObject({ command: CommandId, keys: Keys, scope: Scope });
export type Shortcut = z.infer<typeof Shortcut>;

/**
 * One line of a stratum: an op on a shortcut. Applications that take the first in the list or offer a chooser depend on the
 * rank, and undo restores it exactly.
 */
export const Entry = z.strictObject({ op: EntryOp, ...Shortcut.shape, rank: Rank });
export type Entry = z.infer<typeof Entry>;

export type Shortcuts = Entries<Entry>;

const NONE: Shortcuts = new Map();
export const shortcutsIn = contentOf<Shortcuts>(SHORTCUTS, NONE);

/** How many shortcuts the strata speak of. */
export const shortcutsCount = (profile: Profile): number => profile.reduce((sum, s) => sum + shortcutsIn(s).size, 0);

/** Identifies a shortcut: its keys, its scope and its command. Two strata that say the same say it under the same key. */
export type ShortcutKey = string & { readonly ShortcutKey: unique symbol };

export function shortcutKey({ command, keys, scope }: Shortcut): ShortcutKey {
	return `${keys}\n${scopeText(scope)}\n${command}` as ShortcutKey;
}

/** The scope's text, which also stands within the key; scopes that cannot change share theirs. */
export function scopeTextOf(key: ShortcutKey, scope: Scope): string {
	if (Object.isFrozen(scope)) return scopeText(scope);
	const start = key.indexOf('\n') + 1;
	return key.slice(start, key.indexOf('\n', start));
}

/** Identifies an entry within its stratum. */
export const entryKey = (entry: Pick<Entry, 'op'> & Shortcut): EntryKey => entryKeyFor(entry.op, shortcutKey(entry));

/** The entries by their keys. */
export const shortcutsOf = (entries: Iterable<Entry>): Shortcuts =>
	new Map(Array.from(entries, (entry) => [entryKey(entry), entry] as const));

/** The stratum with these shortcuts in place of its own. */
export const withShortcuts = (stratum: Stratum, entries: Iterable<Entry>): Stratum =>
	holding(stratum, SHORTCUTS, shortcutsOf(entries));
