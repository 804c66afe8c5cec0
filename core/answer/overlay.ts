import type { CommandId } from '../application/command.ts';
import type { Change } from '../shortcut/change.ts';
import { keyOfChange } from '../shortcut/change.ts';
import { effectiveProfile, type Binding, type ImpliedShortcuts, type Ineffective } from '../shortcut/effective.ts';
import { entryKey, shortcutKey, shortcutsIn, SHORTCUTS, type Entry, type Shortcut, type ShortcutKey } from '../shortcut/entry.ts';
import type { EntryKey } from '../strata/entry.ts';
import { holding, type Profile, type Stratum, type StratumId } from '../strata/stratum.ts';
import { properPrefixes, type Keys } from '../stroke/stroke.ts';
import { GrowingInput, type Input } from './input.ts';
import { RULES } from './rules/rules.ts';
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
		// where a lock holds, comes, or finds now what it is to hold, what else is on the input depends on it
		const { keys } = shortcut;
		const isLock = (change.before ?? change.after)!.op === 'lock';
		const isIdleLock = ({ entry }: Ineffective) => entry.op === 'lock';
		if (isLock || index.effective.guards.has(keys) || index.at(keys).ineffective.some(isIdleLock))
			for (const other of saidOn(index, keys)) shortcuts.set(shortcutKey(other), other);
	}

	const entryOf = (stratum: Stratum, key: EntryKey) => {
		const after = changed.get(`${stratum.id}\n${key}`);
		return after === undefined ? shortcutsIn(stratum).get(key) : after;
	};
	const folded = profile.map((stratum) => {
		const entries = new Map<EntryKey, Entry>();
		for (const shortcut of shortcuts.values())
			for (const op of ['set', 'lock'] as const) {
				const key = entryKey({ ...shortcut, op });
				const entry = entryOf(stratum, key);
				if (entry) entries.set(key, entry);
			}
		return holding(stratum, SHORTCUTS, entries);
	});
	const { bindings: fresh, ineffective } = effectiveProfile(folded, index.space, impliedOf(index.implied, shortcuts));
	const level = new Map(profile.map((stratum, i) => [stratum.id, i]));
	const inOrder = (a: Binding, b: Binding) =>
		level.get(b.stratum)! - level.get(a.stratum)! || a.rank - b.rank || (a.key < b.key ? -1 : 1);

	/** The inputs of which the changes can say something else, as they are then; made when they are asked for. */
	const touched = new Map<Keys, GrowingInput | undefined>();
	for (const { keys } of shortcuts.values()) {
		const { prefixes, longer } = index.at(keys);
		for (const input of [keys, ...prefixes.map((p) => p.keys), ...longer.map((l) => l.keys)]) touched.set(input, undefined);
	}
	const merged = (base: readonly Binding[], added: readonly Binding[]): readonly Binding[] => {
		const kept = base.filter((binding) => !shortcuts.has(binding.key));
		return added.length === 0 ? kept : [...kept, ...added].sort(inOrder);
	};
	/** What is on an input comes before what it has to do with others, which lead back to it. */
	const fill = (input: GrowingInput, before: Input): void => {
		const { keys } = input;
		const mine = fresh.filter((b) => b.keys === keys);
		for (const binding of merged(before.bindings, mine)) input.add(binding);
		for (const is of before.ineffective) if (!shortcuts.has(shortcutKey(is.entry))) input.addIneffective(is);
		for (const is of ineffective) if (is.entry.keys === keys) input.addIneffective(is);
		input.mayRepeat = before.mayRepeat || mine.some((b) => b.repeatedIn.length > 0);
		input.settle(index.contender, RULES[index.rules.ambiguity]);
		input.prefixes = before.prefixes.map((prefix) => at(prefix.keys));
		const longer = new Set(before.longer.map((l) => l.keys));
		for (const b of fresh) if (properPrefixes(b.keys).includes(keys)) longer.add(b.keys);
		for (const sequence of [...longer].map(at)) if (sequence.bindings.length > 0) input.addLonger(sequence);
	};
	const at = (keys: Keys): Input => {
		// a sequence that nothing is on goes by its beginnings as well
		if (!touched.has(keys) && !(keys.includes(' ') && properPrefixes(keys).some((prefix) => touched.has(prefix))))
			return index.at(keys);
		let input = touched.get(keys);
		if (!input) {
			touched.set(keys, (input = new GrowingInput(keys, index.space, index.rules.match)));
			fill(input, index.at(keys));
		}
		return input;
	};
	return indexOn(index, index.effective, {
		at,
		inputs: () =>
			[...new Set([...index.inputs().map((i) => i.keys), ...touched.keys()])]
				.map(at)
				.filter((i) => i.contenders.length > 0 || i.ineffective.length > 0),
		of: (command: CommandId) =>
			merged(
				index.of(command),
				fresh.filter((b) => b.command === command)
			)
	});
}

/** Of the implied shortcuts those that are looked at. */
function impliedOf(implied: ImpliedShortcuts | undefined, shortcuts: ReadonlyMap<ShortcutKey, unknown>): ImpliedShortcuts {
	const found = new Map<StratumId, Entry[]>();
	for (const [stratum, entries] of implied ?? [])
		found.set(
			stratum,
			entries.filter((entry) => shortcuts.has(shortcutKey(entry)))
		);
	return found;
}

/** Every shortcut that an entry on the input is about, in force or not. */
function* saidOn(index: ShortcutIndex, keys: Keys): Generator<Shortcut> {
	const { bindings, ineffective } = index.at(keys);
	yield* bindings;
	for (const { entry } of ineffective) yield entry;
	for (const { binding } of index.effective.removed.values()) if (binding.keys === keys) yield binding;
}
