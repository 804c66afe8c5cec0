import type { CommandId } from '../application/command.ts';
import type { Catalogue, InputRules } from '../application/application.ts';
import { intersection, meets, type Bits } from '../context/bits.ts';
import { Shelf, type Row } from '../context/kernel.ts';
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

/** Where any of them is alive, as a new row. */
export function reachOn(shelf: Shelf, { nowhere, everywhere }: ContextSpace, contenders: readonly Contender[]): Row {
	for (const { reach } of contenders) if (reach === everywhere) return shelf.put(everywhere);
	const all = shelf.empty();
	for (const { reach } of contenders) if (reach !== nowhere) shelf.absorb(all, shelf.put(reach));
	return all;
}

function unionOf(space: ContextSpace, living: readonly Contender[]): Bits {
	if (living.length === 0) return space.nowhere;
	const shelf = new Shelf(space.situations.length);
	const bits = shelf.bits(reachOn(shelf, space, living));
	shelf.clear();
	return bits;
}

type Lists = Map<Keys, readonly Contender[]>;

function remembered(known: Lists, make: (keys: Keys) => readonly Contender[]): (keys: Keys) => readonly Contender[] {
	return (keys) => {
		let found = known.get(keys);
		if (!found) {
			found = make(keys);
			known.set(keys, found);
		}
		return found;
	};
}

/**
 * Puts placed bindings on their ground; what follows from them is worked out when it is asked for, and remembered.
 * `contenders`, `living`, `lifeless` and `going` are what is known already, by keys and by the keys that a sequence begins with.
 */
export function indexOn(
	ground: Ground,
	effective: Effective,
	placed: Placed,
	contenders: Lists = new Map(),
	living: Lists = new Map(),
	lifeless: Lists = new Map(),
	going: Lists = new Map()
): ShortcutIndex {
	const { nowhere } = ground.space;
	const contendersOf = (bindings: readonly Binding[]) => (bindings.length === 0 ? NONE : bindings.map(ground.contender));
	const occupied = new Map<Keys, Bits>();
	const index: ShortcutIndex = {
		...ground,
		...placed,
		effective,
		contenders: remembered(contenders, (keys) => contendersOf(placed.on(keys))),
		living: remembered(living, (keys) => index.contenders(keys).filter(({ reach }) => reach !== nowhere)),
		lifeless: remembered(lifeless, (keys) => {
			const all = index.contenders(keys);
			return index.living(keys).length === all.length ? NONE : all.filter(({ reach }) => reach === nowhere);
		}),
		longerContenders: remembered(going, (keys) => contendersOf(placed.longer(keys))),
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

/** The bindings of the contenders, remembered. */
function bindingsIn(contenders: ReadonlyMap<Keys, readonly Contender[]>): (keys: Keys) => readonly Binding[] {
	const known = new Map<Keys, readonly Binding[]>();
	return (keys) => {
		let found = known.get(keys);
		if (!found) {
			const all = contenders.get(keys);
			if (!all) return NONE;
			known.set(keys, (found = all.map((c) => c.binding)));
		}
		return found;
	};
}

export function shortcutIndex(effective: Effective, space: ContextSpace, catalogue: Catalogue, rules: InputRules): ShortcutIndex {
	const contenders = new Map<Keys, Contender[]>();
	const living = new Map<Keys, Contender[]>();
	const lifeless = new Map<Keys, Contender[]>();
	const going = new Map<Keys, Contender[]>();
	const idle = new Map<Keys, Ineffective[]>();
	/** Made when it is asked for. */
	let byCommand: Map<CommandId, Binding[]> | undefined;
	const ground = groundOf(space, catalogue, rules);
	for (const binding of effective.bindings) {
		const { keys } = binding;
		const contender = ground.contender(binding);
		pushTo(contenders, keys, contender);
		pushTo(contender.reach === space.nowhere ? lifeless : living, keys, contender);
		if (keys.includes(' ')) for (const prefix of properPrefixes(keys)) pushTo(going, prefix, contender);
	}
	for (const ineffective of effective.ineffective) pushTo(idle, ineffective.entry.keys, ineffective);
	// what is asked for later is remembered in the same lists
	const all = idle.size === 0 ? [...contenders.keys()] : [...new Set([...contenders.keys(), ...idle.keys()])];
	const placed: Placed = {
		on: bindingsIn(contenders),
		longer: bindingsIn(going),
		of(command) {
			if (!byCommand) {
				byCommand = new Map();
				for (const binding of effective.bindings) pushTo(byCommand, binding.command, binding);
			}
			return byCommand.get(command) ?? NONE;
		},
		ineffective: (keys) => (idle.size === 0 ? NONE : (idle.get(keys) ?? NONE)),
		mayRepeat: (keys) => effective.repeated.has(keys),
		allKeys: () => all
	};
	return indexOn(ground, effective, placed, contenders, living, lifeless, going);
}
