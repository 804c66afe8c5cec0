import type { CommandId } from '../application/command.ts';
import type { Catalogue, InputRules } from '../application/application.ts';
import { intersection, noBits, type Bits } from '../context/bits.ts';
import type { ContextSpace } from '../context/space.ts';
import type { Binding, Effective } from '../profile/effective.ts';
import { properPrefixes, type Keys } from '../stroke/stroke.ts';

/**
 * The effective profile made ready for questions: what is on these keys, what has this command, what begins with these
 * keys. Built once when the profile changes; every answer is then a look-up.
 */
export interface ShortcutIndex {
	readonly space: ContextSpace;
	readonly catalogue: Catalogue;
	readonly rules: InputRules;
	readonly effective: Effective;
	/** The situations in which bare keys are text. */
	readonly typing: Bits;
	on(keys: Keys): readonly Binding[];
	/** Sequences that begin with these keys and go on. */
	longer(keys: Keys): readonly Binding[];
	of(command: CommandId): readonly Binding[];
	/** Every input that has a binding. */
	allKeys(): Iterable<Keys>;
	/** The situations of the binding's scope. */
	scopeBits(binding: Pick<Binding, 'scope' | 'scopeText'>): Bits;
	/** The situations of the binding's scope in which its command exists; none for a command that is not there. */
	reach(binding: Pick<Binding, 'scope' | 'scopeText' | 'command'>): Bits;
}

const NONE: readonly Binding[] = [];

function pushTo<K, V>(map: Map<K, V[]>, key: K, value: V): void {
	const list = map.get(key);
	if (list) list.push(value);
	else map.set(key, [value]);
}

export function shortcutIndex(effective: Effective, space: ContextSpace, catalogue: Catalogue, rules: InputRules): ShortcutIndex {
	const byKeys = new Map<Keys, Binding[]>();
	const byPrefix = new Map<Keys, Binding[]>();
	const byCommand = new Map<CommandId, Binding[]>();
	for (const binding of effective.bindings) {
		pushTo(byKeys, binding.keys, binding);
		pushTo(byCommand, binding.command, binding);
		if (binding.keys.includes(' ')) for (const prefix of properPrefixes(binding.keys)) pushTo(byPrefix, prefix, binding);
	}

	const nowhere = noBits(space.situations.length);
	const commandBits = new Map<CommandId, Bits>();
	const existsIn = (id: CommandId): Bits => {
		let bits = commandBits.get(id);
		if (!bits) {
			const command = catalogue.get(id);
			bits = command ? space.bitsOfAny(command.contexts) : nowhere;
			commandBits.set(id, bits);
		}
		return bits;
	};
	const scopeBits = (binding: Pick<Binding, 'scope' | 'scopeText'>) => space.bitsOf(binding.scope, binding.scopeText);
	const reachByScope = new Map<CommandId, Map<string, Bits>>();

	return {
		space,
		catalogue,
		rules,
		effective,
		typing: rules.typing.length === 0 ? nowhere : space.bitsOfAny(rules.typing),
		on: (keys) => byKeys.get(keys) ?? NONE,
		longer: (keys) => byPrefix.get(keys) ?? NONE,
		of: (command) => byCommand.get(command) ?? NONE,
		allKeys: () => byKeys.keys(),
		scopeBits,
		reach(binding) {
			if (catalogue.get(binding.command)?.contexts.length === 0) return scopeBits(binding);
			let byScope = reachByScope.get(binding.command);
			if (!byScope) reachByScope.set(binding.command, (byScope = new Map()));
			let bits = byScope.get(binding.scopeText);
			if (!bits) byScope.set(binding.scopeText, (bits = intersection(scopeBits(binding), existsIn(binding.command))));
			return bits;
		}
	};
}
