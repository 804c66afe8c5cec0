import type { CommandId } from '../application/command.ts';
import type { Scope } from '../context/scope.ts';
import type { Keys } from '../stroke/stroke.ts';
import { scopeTextOf, shortcutKeyOf, type Acceptance, type Entry, type ShortcutKey } from './entry.ts';
import { keyedInOrder, type Profile, type StratumHead, type StratumId } from './stratum.ts';

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
	readonly reason: 'locked' | 'nothing-to-remove';
	readonly lockedBy?: StratumId;
}

/** An acceptance of a finding, with the stratum that says it. */
export interface Accepted {
	readonly acceptance: Acceptance;
	readonly entry: Entry;
	readonly stratum: StratumId;
}

/** The fold of the strata. `bindings` are in the order of the list an application reads: upper strata first. */
export interface Effective {
	readonly strata: readonly StratumHead[];
	readonly bindings: readonly Binding[];
	readonly byKey: ReadonlyMap<ShortcutKey, Binding>;
	readonly removed: ReadonlyMap<ShortcutKey, Removal>;
	readonly ineffective: readonly Ineffective[];
	/** The inputs on which something is said twice. */
	readonly repeated: ReadonlySet<Keys>;
	/** By the finding's id; an upper stratum's acceptance stands in place of a lower one's. */
	readonly accepted: ReadonlyMap<string, Accepted>;
}

type Growing = { -readonly [K in keyof Binding]: Binding[K] };

const NONE: readonly never[] = [];

/**
 * Folds the strata from the lowest up. A set adds; a remove takes away the same shortcut from below, unless a stratum
 * below has locked it; a lock holds for the strata above it. What had no effect is listed, never dropped silently.
 */
export function effectiveProfile(profile: Profile): Effective {
	const byKey = new Map<ShortcutKey, Growing>();
	const removed = new Map<ShortcutKey, Removal>();
	const ineffective: Ineffective[] = [];
	const accepted = new Map<string, Accepted>();
	const repeated = new Set<Keys>();
	const layers: Growing[][] = [];
	let tookAway = false;

	for (const stratum of profile) {
		const layer: Growing[] = [];
		const locks: ShortcutKey[] = [];
		for (const [entryKey, entry] of keyedInOrder(stratum)) {
			if (entry.acceptance) {
				accepted.set(entry.acceptance.finding, { acceptance: entry.acceptance, entry, stratum: stratum.id });
				continue;
			}
			const key = shortcutKeyOf(entryKey);
			const below = byKey.get(key);
			if (entry.op === 'lock') locks.push(key);
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
				layer.push(binding);
			}
		}
		for (const key of locks) {
			const binding = byKey.get(key);
			if (binding) binding.lockedBy ??= stratum.id;
		}
		layers.unshift(layer);
	}
	return {
		strata: profile.map(({ id, kind, name }) => ({ id, kind, name })),
		bindings: tookAway ? layers.flat().filter((binding) => byKey.get(binding.key) === binding) : layers.flat(),
		byKey,
		removed,
		ineffective,
		repeated,
		accepted
	};
}
