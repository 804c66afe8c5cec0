import { z } from 'zod';
import { CommandId } from '../../application/command.ts';
import { Role } from '../../profile/role.ts';
import { Scope, scopeText } from '../../context/scope.ts';
import { Keys } from '../../stroke/stroke.ts';

/** What a shortcut says: these keys run this command within this scope. */
export const Shortcut = z.strictObject({ command: CommandId, keys: Keys, scope: Scope });
export type Shortcut = z.infer<typeof Shortcut>;

/** set adds the shortcut, remove takes away the same shortcut of a stratum below, lock forbids strata above to change it. */
export const EntryOp = z.enum(['set', 'remove', 'lock']);
export type EntryOp = z.infer<typeof EntryOp>;

/**
 * Somebody has looked at a finding and lets it stand. It holds while the circumstances are those that were accepted;
 * when they change, the finding shows again.
 */
export const Acceptance = z.strictObject({
	finding: z.string().min(1).max(20_000),
	circumstances: z.string().min(1).max(64),
	reason: z.string().trim().min(3, 'say why this may stand').max(500),
	role: Role
});
export type Acceptance = z.infer<typeof Acceptance>;

/** A place in the list of a stratum. The database counts up to 2^31 - 1, and entries that come later need places behind it. */
const MOST_RANK = 1_000_000_000;

/**
 * One line of a stratum: an op on a shortcut, or the acceptance of a finding about one. `rank` orders the entries of a stratum (the lower first): applications that take the first
 * in the list or offer a chooser depend on it, and undo restores it exactly.
 */
export const Entry = z
	.strictObject({
		op: z.enum([...EntryOp.options, 'accept']),
		...Shortcut.shape,
		rank: z.number().int().min(0).max(MOST_RANK),
		acceptance: Acceptance.optional()
	})
	.refine((entry) => (entry.op === 'accept') === (entry.acceptance !== undefined), 'an acceptance goes with the op accept');
export type Entry = z.infer<typeof Entry>;

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

/** Identifies an entry within its stratum. A shortcut is either set or removed there, and may be locked besides; a finding is accepted once. */
export type EntryKey = string & { readonly EntryKey: unique symbol };

export function entryKey(entry: Pick<Entry, 'op' | 'acceptance'> & Shortcut): EntryKey {
	if (entry.acceptance) return `accept\n${entry.acceptance.finding}` as EntryKey;
	return (entry.op === 'lock' ? LOCK + shortcutKey(entry) : shortcutKey(entry)) as string as EntryKey;
}

/** Before the shortcut of a lock; no keys are spelled so. */
const LOCK = 'lock\n';

/** The key of the shortcut that an entry other than an acceptance is about; of one that says it, the very same text. */
export function shortcutKeyOf(key: EntryKey): ShortcutKey {
	return (key.startsWith(LOCK) ? key.slice(LOCK.length) : key) as string as ShortcutKey;
}
