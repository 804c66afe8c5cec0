import type { CommandId } from '../application/command.ts';
import type { Catalogue, InputRules } from '../application/application.ts';
import { intersection, meets, type Bits } from '../context/bits.ts';
import { atWork } from '../context/kernel.ts';
import { scopeText } from '../context/scope.ts';
import type { ContextSpace, ScopeSet } from '../context/space.ts';
import type { Binding, Effective, Ineffective } from '../profile/effective.ts';
import { properPrefixes, type Keys } from '../stroke/stroke.ts';
import type { Contender } from './rules/rule.ts';

/** Where the bindings of a profile stand: what is on these keys, what has this command, what begins with these keys. */
export interface Placed {
	on(keys: Keys): readonly Binding[];
	/** Sequences that begin with these keys and go on. */
	longer(keys: Keys): readonly Binding[];
	of(command: CommandId): readonly Binding[];
	/** Entries about these keys that have no effect. */
	ineffective(keys: Keys): readonly Ineffective[];
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
	/** The sequences that begin with these keys and go on, with their situations. */
	longerContenders(keys: Keys): readonly Contender[];
	/** Where any binding on these keys is alive. */
	occupied(keys: Keys): Bits;
}

const NONE: readonly never[] = [];

function pushTo<K, V>(map: Map<K, V[]>, key: K, value: V): void {
	const list = map.get(key);
	if (list) list.push(value);
	else map.set(key, [value]);
}

export function groundOf(space: ContextSpace, catalogue: Catalogue, rules: InputRules): Ground {
	const { nowhere } = space;
	const known = new Map<CommandId, { no: number; bits: Bits; place: number; isEverywhere: boolean }>();
	/** Many commands exist in the same contexts: their sets are shared, and numbered. */
	const sets = new Map<string, { bits: Bits; place: number }>();
	const commandSet = (id: CommandId) => {
		let set = known.get(id);
		if (!set) {
			const contexts = catalogue.get(id)?.contexts;
			const text = contexts ? contexts.map(scopeText).join('\n') : 'none';
			let shared = sets.get(text);
			if (!shared) sets.set(text, (shared = { bits: contexts ? space.bitsOfAny(contexts) : nowhere, place: sets.size }));
			known.set(id, (set = { no: known.size, ...shared, isEverywhere: shared.bits === space.everywhere }));
		}
		return set;
	};
	/** By the numbers of the command's contexts and the scope in one. */
	const reaches = new Map<number, Bits>();
	const reachOf = (scope: ScopeSet, command: ReturnType<typeof commandSet>): Bits => {
		if (command.isEverywhere) return scope.bits;
		const pair = command.place * 0x200000 + scope.no;
		let reach = reaches.get(pair);
		if (!reach) {
			reach = meets(scope.bits, command.bits) ? intersection(scope.bits, command.bits) : nowhere;
			reaches.set(pair, reach);
		}
		return reach;
	};
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
			return { binding, command: command.no, scope, reach: reachOf(scope, command) };
		}
	};
}

function unionOf({ situations, nowhere }: ContextSpace, contenders: readonly Contender[]): Bits {
	return atWork(situations.length, (shelf) => {
		const all = shelf.empty();
		for (const { reach } of contenders) if (reach !== nowhere) shelf.absorb(all, shelf.put(reach));
		return shelf.bits(all);
	});
}

/** Puts placed bindings on their ground; what follows from them is worked out when it is asked for, and remembered. */
export function indexOn(ground: Ground, effective: Effective, placed: Placed): ShortcutIndex {
	const contenders = new Map<Keys, readonly Contender[]>();
	const going = new Map<Keys, readonly Contender[]>();
	const occupied = new Map<Keys, Bits>();
	const index: ShortcutIndex = {
		...ground,
		...placed,
		effective,
		contenders(keys) {
			let found = contenders.get(keys);
			if (!found) {
				found = placed.on(keys).map(ground.contender);
				contenders.set(keys, found);
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
				bits = unionOf(ground.space, index.contenders(keys));
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
	const idle = new Map<Keys, Ineffective[]>();
	for (const binding of effective.bindings) {
		pushTo(byKeys, binding.keys, binding);
		pushTo(byCommand, binding.command, binding);
		if (binding.keys.includes(' ')) for (const prefix of properPrefixes(binding.keys)) pushTo(byPrefix, prefix, binding);
	}
	for (const ineffective of effective.ineffective) pushTo(idle, ineffective.entry.keys, ineffective);
	const index = indexOn(groundOf(space, catalogue, rules), effective, {
		on: (keys) => byKeys.get(keys) ?? NONE,
		longer: (keys) => byPrefix.get(keys) ?? NONE,
		of: (command) => byCommand.get(command) ?? NONE,
		ineffective: (keys) => idle.get(keys) ?? NONE,
		allKeys: () => (idle.size === 0 ? byKeys.keys() : new Set([...byKeys.keys(), ...idle.keys()]))
	});
	for (const keys of byKeys.keys()) index.contenders(keys);
	return index;
}
