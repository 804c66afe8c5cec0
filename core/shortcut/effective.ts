import type { CommandId } from '../application/command.ts';
import type { Scope } from '../context/scope.ts';
import type { ContextSpace } from '../context/space.ts';
import type { Keys } from '../stroke/stroke.ts';
import { scopeTextOf, shortcutKey, shortcutsIn, type Entry, type Shortcut, type ShortcutKey } from './entry.ts';
import { keyedInOrder, thingOf } from '../strata/entry.ts';
import { levelOf, type Profile, type StratumHead, type StratumId } from '../strata/stratum.ts';

/** A shortcut in force, with where it comes from. */
export interface Binding {
	readonly key: ShortcutKey;
	readonly command: CommandId;
	readonly keys: Keys;
	readonly scope: Scope;
	readonly scopeText: string;
	/** The lowest stratum that says it. */
	readonly stratum: StratumId;
	/** Its place in that stratum's list. */
	readonly rank: number;
	/** Strata above that say the same once more. */
	readonly repeatedIn: readonly StratumId[];
	/** The stratum that locked it, if any. */
	readonly lockedBy: StratumId | undefined;
}

/** A shortcut of a lower stratum that an upper one took away. */
export interface Removal {
	readonly binding: Binding;
	readonly by: StratumId;
}

/** An entry without effect, and why. */
export interface Ineffective {
	readonly entry: Entry;
	readonly stratum: StratumId;
	readonly reason: 'locked' | 'nothing-to-remove' | 'nothing-to-lock';
	readonly lockedBy?: StratumId;
}

/** The fold of the strata. `bindings` are in the order of the list an application reads: upper strata first. */
export interface Effective {
	readonly strata: readonly StratumHead[];
	readonly bindings: readonly Binding[];
	readonly byKey: ReadonlyMap<ShortcutKey, Binding>;
	readonly removed: ReadonlyMap<ShortcutKey, Removal>;
	readonly ineffective: readonly Ineffective[];
	/** What locks hold, by the input. */
	readonly guards: ReadonlyMap<Keys, readonly Guard[]>;
	/** The inputs on which something is said twice. */
	readonly repeated: ReadonlySet<Keys>;
}

type Growing = { -readonly [K in keyof Binding]: Binding[K] };

const NONE: readonly never[] = [];

/** What a lock holds for the strata above it: a shortcut in force, or one that the same stratum has removed. */
export interface Guard {
	readonly key: ShortcutKey;
	readonly command: CommandId;
	readonly scope: Scope;
	readonly by: StratumId;
	readonly isRemoved: boolean;
}

/**
 * Folds the strata from the lowest up. A set adds; a remove takes away the same shortcut from below. A lock keeps for the strata
 * above it what the input does in its scope: they can neither remove the shortcut, nor say again what was removed and locked,
 * nor put another command on the same input where the scopes meet (design, section 4, point 7). What has no effect is listed. Shortcuts that
 * other chapters imply stand in their stratum's list behind its own; the stratum itself and those above can remove them.
 */
export function effectiveProfile(
	profile: Profile,
	space: Pick<ContextSpace, 'meet'>,
	implied: ImpliedShortcuts = NO_IMPLIED
): Effective {
	const byKey = new Map<ShortcutKey, Growing>();
	const removed = new Map<ShortcutKey, Removal>();
	const ineffective: Ineffective[] = [];
	const repeated = new Set<Keys>();
	const guards = new Map<Keys, Guard[]>();
	const layers: Growing[][] = [];
	let tookAway = false;

	for (const stratum of profile) {
		const layer: Growing[] = [];
		const locks: [ShortcutKey, Entry][] = [];
		const behind: Growing[] = [];
		for (const [key, entry, isImplied] of saidBy(stratum, implied)) {
			const below = byKey.get(key);
			if (entry.op === 'lock') locks.push([key, entry]);
			else if (entry.op === 'remove') {
				if (!below) ineffective.push({ entry, stratum: stratum.id, reason: 'nothing-to-remove' });
				else if (below.lockedBy) ineffective.push({ entry, stratum: stratum.id, reason: 'locked', lockedBy: below.lockedBy });
				else {
					byKey.delete(key);
					tookAway = true;
					removed.set(key, { binding: below, by: stratum.id });
				}
			} else if (below) {
				below.repeatedIn = [...below.repeatedIn, stratum.id];
				repeated.add(below.keys);
			} else {
				const guard = guards.size > 0 && guards.get(entry.keys)?.find((g) => holds(g, key, entry, space));
				if (guard) {
					ineffective.push({ entry, stratum: stratum.id, reason: 'locked', lockedBy: guard.by });
					continue;
				}
				const binding: Growing = {
					key,
					command: entry.command,
					keys: entry.keys,
					scope: entry.scope,
					scopeText: scopeTextOf(key, entry.scope),
					stratum: stratum.id,
					rank: entry.rank,
					repeatedIn: NONE,
					lockedBy: undefined
				};
				byKey.set(key, binding);
				removed.delete(key);
				(isImplied ? behind : layer).push(binding);
			}
		}
		for (const [key, entry] of locks) {
			const binding = byKey.get(key);
			if (binding) binding.lockedBy ??= stratum.id;
			else if (removed.get(key)?.by !== stratum.id) {
				ineffective.push({ entry, stratum: stratum.id, reason: 'nothing-to-lock' });
				continue;
			}
			const { command, keys, scope } = entry;
			const guard: Guard = { key, command, scope, by: stratum.id, isRemoved: !binding };
			const others = guards.get(keys);
			if (others) others.push(guard);
			else guards.set(keys, [guard]);
		}
		layer.push(...behind);
		layers.unshift(layer);
	}
	return {
		strata: profile.map(({ id, kind, name }) => ({ id, kind, name })),
		bindings: tookAway ? layers.flat().filter((binding) => byKey.get(binding.key) === binding) : layers.flat(),
		byKey,
		removed,
		ineffective,
		guards,
		repeated
	};
}

/** The shortcuts that strata say by what they say in other chapters, as the keys of bars. */
export type ImpliedShortcuts = ReadonlyMap<StratumId, readonly Entry[]>;
const NO_IMPLIED: ImpliedShortcuts = new Map();

/** What a stratum says of shortcuts: first what it implies, then its entries in their order. */
function* saidBy(stratum: Profile[number], implied: ImpliedShortcuts): Generator<[ShortcutKey, Entry, boolean]> {
	for (const entry of implied.get(stratum.id) ?? NONE) yield [shortcutKey(entry), entry, true];
	for (const [entryKey, entry] of keyedInOrder(shortcutsIn(stratum))) yield [thingOf(entryKey) as ShortcutKey, entry, false];
}

/** Whether the lock keeps a stratum above from saying this. */
function holds(guard: Guard, key: ShortcutKey, entry: Shortcut, space: Pick<ContextSpace, 'meet'>): boolean {
	if (guard.isRemoved && guard.key === key) return true;
	return (guard.isRemoved || guard.command !== entry.command) && space.meet(guard.scope, entry.scope);
}

/** The stratum whose lock keeps `target` from putting the shortcut in force, if there is one. */
export function lockOver(
	{ guards, strata }: Effective,
	space: Pick<ContextSpace, 'meet'>,
	target: StratumId,
	shortcut: Shortcut
): StratumId | undefined {
	const key = shortcutKey(shortcut);
	const level = levelOf(strata, target);
	return guards.get(shortcut.keys)?.find((guard) => levelOf(strata, guard.by) < level && holds(guard, key, shortcut, space))?.by;
}
