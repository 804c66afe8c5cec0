import type { CommandId } from '../application/command.ts';
import type { Catalogue, InputRules } from '../application/application.ts';
import { intersection, meets, type Bits } from '../context/bits.ts';
import { Shelf } from '../context/kernel.ts';
import { scopeText } from '../context/scope.ts';
import type { ContextSpace, ScopeSet } from '../context/space.ts';
import type { Binding, Effective, Ineffective } from '../profile/effective.ts';
import { properPrefixes, type Keys } from '../stroke/stroke.ts';
import type { CommandSet, Contender } from './rules/rule.ts';

/** Where the bindings of a profile stand: what is on these keys, what has this command, what begins with these keys. */
export interface Placed {
	on(keys: Keys): readonly Binding[];
	/** Sequences that begin with these keys and go on. */
	longer(keys: Keys): readonly Binding[];
	of(command: CommandId): readonly Binding[];
	/** Entries about these keys that have no effect. */
	ineffective(keys: Keys): readonly Ineffective[];
	/** False where nothing on these keys is said twice. */
	mayRepeat(keys: Keys): boolean;
	/** Every input that has a binding or an entry without effect. */
	allKeys(): Iterable<Keys>;
}

/** What the application brings to the questions: it stays the same whatever the profile says. */
export interface Ground {
	readonly space: ContextSpace;
	readonly catalogue: Catalogue;
	readonly rules: InputRules;
	/** The situations in which bare keys are text. */
	readonly typing: Bits;
	scopeSet(binding: Pick<Binding, 'scope' | 'scopeText'>): ScopeSet;
	/** The binding with its sets. */
	contender(binding: Binding): Contender;
	/** The situations of the binding's scope in which its command exists; `space.nowhere` if there is none. */
	reach(binding: Pick<Binding, 'scope' | 'scopeText' | 'command'>): Bits;
}

/**
 * The effective profile made ready for questions. Built once when the profile changes; every answer is then a look-up.
 */
export interface ShortcutIndex extends Ground, Placed {
	readonly effective: Effective;
	/** The bindings on these keys with their situations. */
	contenders(keys: Keys): readonly Contender[];
	/** Those of them that are alive somewhere. */
	living(keys: Keys): readonly Contender[];
	/** Those of them whose command does not exist anywhere in their scope. */
	lifeless(keys: Keys): readonly Contender[];
	/** The sequences that begin with these keys and go on, with their situations. */
	longerContenders(keys: Keys): readonly Contender[];
	/** Where any binding on these keys is alive; `space.nowhere` if nowhere. */
	occupied(keys: Keys): Bits;
}

const NONE: readonly never[] = [];

function pushTo<K, V>(map: Map<K, V[]>, key: K, value: V): void {
	const list = map.get(key);
	if (list) list.push(value);
	else map.set(key, [value]);
}

/** Where the commands of a catalogue exist, and in which of those situations each scope is. */
interface Existence {
	commandSet(id: CommandId): CommandSet;
	reachOf(scope: ScopeSet, command: CommandSet): Bits;
}

function existenceIn(space: ContextSpace, catalogue: Catalogue): Existence {
	const { nowhere, everywhere } = space;
	const known = new Map<CommandId, CommandSet>();
	/** Many commands exist in the same contexts: their sets are shared, and each has the reaches of the scopes, by number. */
	const sets = new Map<string, Bits>();
	const reaches = new Map<Bits, Bits[]>();
	return {
		commandSet(id) {
			let set = known.get(id);
			if (!set) {
				const contexts = catalogue.get(id)?.contexts;
				const text = contexts ? contexts.map(scopeText).join('\n') : 'none';
				let bits = sets.get(text);
				if (!bits) {
					sets.set(text, (bits = contexts ? space.bitsOfAny(contexts) : nowhere));
					reaches.set(bits, []);
				}
				known.set(id, (set = { id, bits }));
			}
			return set;
		},
		reachOf(scope, { bits }) {
			if (bits === everywhere) return scope.bits;
			const byScope = reaches.get(bits)!;
			return (byScope[scope.no] ??= meets(scope.bits, bits) ? intersection(scope.bits, bits) : nowhere);
		}
	};
}

const existing = new WeakMap<ContextSpace, WeakMap<Catalogue, Existence>>();

/** It rests on nothing that an edit changes, and so is kept while space and catalogue are. */
function existenceOf(space: ContextSpace, catalogue: Catalogue): Existence {
	let byCatalogue = existing.get(space);
	if (!byCatalogue) existing.set(space, (byCatalogue = new WeakMap()));
	let existence = byCatalogue.get(catalogue);
	if (!existence) byCatalogue.set(catalogue, (existence = existenceIn(space, catalogue)));
	return existence;
}

export function groundOf(space: ContextSpace, catalogue: Catalogue, rules: InputRules): Ground {
	const { nowhere } = space;
	const { commandSet, reachOf } = existenceOf(space, catalogue);
	return {
		space,
		catalogue,
		rules,
		typing: rules.typing.length === 0 ? nowhere : space.bitsOfAny(rules.typing),
		scopeSet: (binding) => space.setOf(binding.scope, binding.scopeText),
		reach: (binding) => reachOf(space.setOf(binding.scope, binding.scopeText), commandSet(binding.command)),
		contender(binding) {
			const scope = space.setOf(binding.scope, binding.scopeText);
			const command = commandSet(binding.command);
			return { binding, command, scope, reach: reachOf(scope, command) };
		}
	};
}

function unionOf({ situations, nowhere, everywhere }: ContextSpace, living: readonly Contender[]): Bits {
	if (living.length === 0) return nowhere;
	for (const { reach } of living) if (reach === everywhere) return everywhere;
	const shelf = new Shelf(situations.length);
	const all = shelf.empty();
	for (const { reach } of living) shelf.absorb(all, shelf.put(reach));
	const bits = shelf.bits(all);
	shelf.clear();
	return bits;
}

/**
 * Puts placed bindings on their ground; what follows from them is worked out when it is asked for, and remembered.
 * `contenders`, `living`, `lifeless` and `going` are what is known already, by keys and by the keys that a sequence begins with.
 */
export function indexOn(
	ground: Ground,
	effective: Effective,
	placed: Placed,
	contenders = new Map<Keys, readonly Contender[]>(),
	living = new Map<Keys, readonly Contender[]>(),
	lifeless = new Map<Keys, readonly Contender[]>(),
	going = new Map<Keys, readonly Contender[]>()
): ShortcutIndex {
	const occupied = new Map<Keys, Bits>();
	const index: ShortcutIndex = {
		...ground,
		...placed,
		effective,
		contenders(keys) {
			let found = contenders.get(keys);
			if (!found) {
				const on = placed.on(keys);
				found = on.length === 0 ? NONE : on.map(ground.contender);
				contenders.set(keys, found);
			}
			return found;
		},
		living(keys) {
			let found = living.get(keys);
			if (!found) {
				found = index.contenders(keys).filter(({ reach }) => reach !== ground.space.nowhere);
				living.set(keys, found);
			}
			return found;
		},
		lifeless(keys) {
			let found = lifeless.get(keys);
			if (!found) {
				const all = index.contenders(keys);
				found = index.living(keys).length === all.length ? NONE : all.filter(({ reach }) => reach === ground.space.nowhere);
				lifeless.set(keys, found);
			}
			return found;
		},
		longerContenders(keys) {
			let found = going.get(keys);
			if (!found) {
				const longer = placed.longer(keys);
				found = longer.length === 0 ? NONE : longer.map(ground.contender);
				going.set(keys, found);
			}
			return found;
		},
		occupied(keys) {
			let bits = occupied.get(keys);
			if (!bits) {
				bits = unionOf(ground.space, index.living(keys));
				occupied.set(keys, bits);
			}
			return bits;
		}
	};
	return index;
}

export function shortcutIndex(effective: Effective, space: ContextSpace, catalogue: Catalogue, rules: InputRules): ShortcutIndex {
	const byKeys = new Map<Keys, Binding[]>();
	const byPrefix = new Map<Keys, Binding[]>();
	const byCommand = new Map<CommandId, Binding[]>();
	const contenders = new Map<Keys, Contender[]>();
	const living = new Map<Keys, Contender[]>();
	const lifeless = new Map<Keys, Contender[]>();
	const going = new Map<Keys, Contender[]>();
	const idle = new Map<Keys, Ineffective[]>();
	const ground = groundOf(space, catalogue, rules);
	for (const binding of effective.bindings) {
		const { keys } = binding;
		const contender = ground.contender(binding);
		pushTo(byKeys, keys, binding);
		pushTo(contenders, keys, contender);
		pushTo(contender.reach === space.nowhere ? lifeless : living, keys, contender);
		pushTo(byCommand, binding.command, binding);
		if (keys.includes(' '))
			for (const prefix of properPrefixes(keys)) {
				pushTo(byPrefix, prefix, binding);
				pushTo(going, prefix, contender);
			}
	}
	for (const ineffective of effective.ineffective) pushTo(idle, ineffective.entry.keys, ineffective);
	const placed: Placed = {
		on: (keys) => byKeys.get(keys) ?? NONE,
		longer: (keys) => byPrefix.get(keys) ?? NONE,
		of: (command) => byCommand.get(command) ?? NONE,
		ineffective: (keys) => (idle.size === 0 ? NONE : (idle.get(keys) ?? NONE)),
		mayRepeat: (keys) => effective.repeated.has(keys),
		allKeys: () => (idle.size === 0 ? byKeys.keys() : new Set([...byKeys.keys(), ...idle.keys()]))
	};
	return indexOn(ground, effective, placed, contenders, living, lifeless, going);
}
