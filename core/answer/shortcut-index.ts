import type { CommandId } from '../application/command.ts';
import type { Catalogue, InputRules } from '../application/application.ts';
import { intersection, meets, type Bits } from '../context/bits.ts';
import type { ContextSpace, ScopeSet } from '../context/space.ts';
import type { Binding, Effective, ImpliedShortcuts } from '../shortcut/effective.ts';
import { properPrefixes, type Keys } from '../stroke/stroke.ts';
import { GrowingInput, type Input } from './input.ts';
import type { CommandSet, Contender } from './rules/rule.ts';
import { RULES } from './rules/rules.ts';

/** Where a command can be reached by an input at all; undefined where nothing limits that. */
export type Hearing = (keys: Keys, command: CommandId) => Bits | undefined;

/** What the application brings to the questions: it stays the same whatever the profile says. */
export interface Setting {
	readonly space: ContextSpace;
	readonly catalogue: Catalogue;
	readonly rules: InputRules;
	/** Where an input can be made at all, for one that cannot be everywhere: a flick where no rose has its direction. */
	readonly heard?: Hearing | undefined;
	/** The shortcuts that other chapters imply. */
	readonly implied?: ImpliedShortcuts | undefined;
	/** The situations in which bare keys are text. */
	readonly typing: Bits;
	scopeSet(binding: Pick<Binding, 'scope' | 'scopeText'>): ScopeSet;
	/** The binding with its sets. */
	contender(binding: Binding): Contender;
	/** The situations of the binding's scope in which its command exists; `space.nowhere` if there is none. */
	reach(binding: Pick<Binding, 'scope' | 'scopeText' | 'command'> & Partial<Pick<Binding, 'keys'>>): Bits;
}

/**
 * The effective profile made ready for questions. Built once when the profile changes; every answer is then a look-up.
 */
export interface ShortcutIndex extends Setting {
	readonly effective: Effective;
	/** What there is on these keys, be it nothing. */
	at(keys: Keys): Input;
	/** Every input that has a binding or an entry without effect. */
	inputs(): readonly Input[];
	/** The bindings on these keys. */
	on(keys: Keys): readonly Binding[];
	/** Sequences that begin with these keys and go on. */
	longer(keys: Keys): readonly Binding[];
	of(command: CommandId): readonly Binding[];
}

const NONE: readonly never[] = [];

/** Where the commands of a catalogue exist, and in which of those situations each scope is. */
interface Existence {
	commandSet(id: CommandId): CommandSet;
	reachOf(scope: ScopeSet, command: CommandSet): Bits;
}

function existenceIn(space: ContextSpace, catalogue: Catalogue): Existence {
	const { nowhere, everywhere } = space;
	const known = new Map<CommandId, CommandSet>();
	/** By the number of the command's set and that of the scope. */
	const reaches: Bits[][] = [];
	return {
		commandSet(id) {
			let set = known.get(id);
			if (!set) {
				const command = catalogue.get(id);
				known.set(id, (set = { id, set: command ? space.setOfAny(command.contexts) : space.emptySet }));
			}
			return set;
		},
		reachOf(scope, { set: { no, bits } }) {
			if (bits === everywhere) return scope.bits;
			const byScope = (reaches[no] ??= []);
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

export function settingOf(
	space: ContextSpace,
	catalogue: Catalogue,
	rules: InputRules,
	heard?: Hearing,
	implied?: ImpliedShortcuts
): Setting {
	const { nowhere } = space;
	const existence = existenceOf(space, catalogue);
	const { reachOf } = existence;
	/** By command and input: a command exists there where it can be called by it. */
	const within = new Map<string, CommandSet>();
	const commandSet = (command: CommandId, keys?: Keys): CommandSet => {
		const whole = existence.commandSet(command);
		const where = keys && heard?.(keys, command);
		if (!where) return whole;
		const text = `${command}\n${keys}`;
		let set = within.get(text);
		if (!set) within.set(text, (set = { id: command, set: space.setOfBits(intersection(whole.set.bits, where)) }));
		return set;
	};
	return {
		space,
		catalogue,
		rules,
		heard,
		implied,
		typing: rules.typing.length === 0 ? nowhere : space.bitsOfAny(rules.typing),
		scopeSet: (binding) => space.setOf(binding.scope, binding.scopeText),
		reach: (binding) => reachOf(space.setOf(binding.scope, binding.scopeText), commandSet(binding.command, binding.keys)),
		contender(binding) {
			const scope = space.setOf(binding.scope, binding.scopeText);
			const command = commandSet(binding.command, binding.keys);
			return { binding, command, scope, reach: reachOf(scope, command) };
		}
	};
}

/** What an index knows of inputs, with what can be asked of it. */
export function indexOn(
	setting: Setting,
	effective: Effective,
	{ at, inputs, of }: Pick<ShortcutIndex, 'at' | 'inputs' | 'of'>
): ShortcutIndex {
	return {
		...setting,
		effective,
		at,
		inputs,
		of,
		on: (keys) => at(keys).bindings,
		longer: (keys) => at(keys).longerBindings
	};
}

export function shortcutIndex(
	effective: Effective,
	space: ContextSpace,
	catalogue: Catalogue,
	rules: InputRules,
	heard?: Hearing,
	implied?: ImpliedShortcuts
): ShortcutIndex {
	const setting = settingOf(space, catalogue, rules, heard, implied);
	const known = new Map<Keys, GrowingInput>();
	const at = (keys: Keys): GrowingInput => {
		let input = known.get(keys);
		if (!input) {
			known.set(keys, (input = new GrowingInput(keys, space, rules.match)));
			if (keys.includes(' ')) input.prefixes = properPrefixes(keys).map(at);
		}
		return input;
	};
	const all: GrowingInput[] = [];
	const spokenOf = (keys: Keys): GrowingInput => {
		const input = at(keys);
		if (input.bindings.length === 0 && input.ineffective.length === 0) all.push(input);
		return input;
	};
	for (const binding of effective.bindings) {
		const input = spokenOf(binding.keys);
		if (input.bindings.length === 0) for (const prefix of input.prefixes) (prefix as GrowingInput).addLonger(input);
		input.add(binding);
	}
	for (const ineffective of effective.ineffective) spokenOf(ineffective.entry.keys).addIneffective(ineffective);
	for (const keys of effective.repeated) at(keys).mayRepeat = true;
	for (const input of all) input.settle(setting.contender, RULES[rules.ambiguity]);

	/** Made when it is asked for. */
	let byCommand: Map<CommandId, Binding[]> | undefined;
	const of = (command: CommandId): readonly Binding[] => {
		if (!byCommand) {
			byCommand = new Map();
			for (const binding of effective.bindings) {
				const list = byCommand.get(binding.command);
				if (list) list.push(binding);
				else byCommand.set(binding.command, [binding]);
			}
		}
		return byCommand.get(command) ?? NONE;
	};
	return indexOn(setting, effective, { at, inputs: () => all, of });
}
