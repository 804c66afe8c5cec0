import type { CommandId } from '../application/command.ts';
import type { Change } from '../profile/edit.ts';
import { keyOfChange } from '../profile/edit.ts';
import { effectiveProfile, type Binding } from '../profile/effective.ts';
import { entryKey, shortcutKey, type Entry, type EntryKey, type Shortcut, type ShortcutKey } from '../profile/entry.ts';
import type { Profile, Stratum } from '../profile/stratum.ts';
import { properPrefixes, type Keys } from '../stroke/stroke.ts';
import { indexOn, type ShortcutIndex } from './shortcut-index.ts';

/**
 * The index as it would be after the changes, at the cost of the changes alone: only the shortcuts they name are folded
 * again; all else is looked up in the given index. The changes are not checked against the profile here.
 * `effective` is still that of the given index.
 */
export function overlay(index: ShortcutIndex, profile: Profile, changes: readonly Change[]): ShortcutIndex {
	const shortcuts = new Map<ShortcutKey, Shortcut>();
	const changed = new Map<string, Entry | null>();
	for (const change of changes) {
		const shortcut = (change.before ?? change.after)!;
		shortcuts.set(shortcutKey(shortcut), shortcut);
		changed.set(`${change.stratum}\n${keyOfChange(change)}`, change.after);
	}

	const entryOf = (stratum: Stratum, key: EntryKey) => {
		const after = changed.get(`${stratum.id}\n${key}`);
		return after === undefined ? stratum.entries.get(key) : after;
	};
	const touched = profile.map((stratum) => {
		const entries = new Map<EntryKey, Entry>();
		for (const shortcut of shortcuts.values())
			for (const op of ['set', 'lock'] as const) {
				const key = entryKey({ ...shortcut, op });
				const entry = entryOf(stratum, key);
				if (entry) entries.set(key, entry);
			}
		return { ...stratum, entries };
	});
	const { bindings: fresh, ineffective } = effectiveProfile(touched);
	const level = new Map(profile.map((stratum, i) => [stratum.id, i]));

	const merged = (base: readonly Binding[], added: readonly Binding[]): readonly Binding[] => {
		const kept = base.filter((binding) => !shortcuts.has(binding.key));
		if (added.length === 0) return kept.length === base.length ? base : kept;
		return [...kept, ...added].sort((a, b) => level.get(b.stratum)! - level.get(a.stratum)! || a.rank - b.rank);
	};
	const remembered = (look: (keys: Keys) => readonly Binding[]) => {
		const known = new Map<Keys, readonly Binding[]>();
		return (keys: Keys) => {
			let found = known.get(keys);
			if (!found) known.set(keys, (found = look(keys)));
			return found;
		};
	};
	return indexOn(index, index.effective, {
		on: remembered((keys) =>
			merged(
				index.on(keys),
				fresh.filter((b) => b.keys === keys)
			)
		),
		longer: remembered((keys) =>
			merged(
				index.longer(keys),
				fresh.filter((b) => properPrefixes(b.keys).includes(keys))
			)
		),
		of: (command: CommandId) =>
			merged(
				index.of(command),
				fresh.filter((b) => b.command === command)
			),
		ineffective: (keys) => [
			...index.ineffective(keys).filter(({ entry }) => !shortcuts.has(shortcutKey(entry))),
			...ineffective.filter(({ entry }) => entry.keys === keys)
		],
		mayRepeat: (keys) => index.mayRepeat(keys) || fresh.some((b) => b.keys === keys && b.repeatedIn.length > 0),
		allKeys: () => new Set([...index.allKeys(), ...fresh.map((b) => b.keys), ...ineffective.map((i) => i.entry.keys)])
	});
}
