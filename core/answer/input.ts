import type { Bits } from '../context/bits.ts';
import { Shelf, type Row } from '../context/kernel.ts';
import type { ContextSpace } from '../context/space.ts';
import type { Binding, Ineffective } from '../shortcut/effective.ts';
import { isHeard, type KeyMatch } from '../stroke/hear.ts';
import { beginsBare, type Keys } from '../stroke/stroke.ts';
import type { Contender, Rule } from './rules/rule.ts';

/** One input, with all that a profile says of it. Lists are in the order of the application's list. */
export interface Input {
	readonly keys: Keys;
	/** Whether it begins with a bare key, and so is text where bare keys are typed. */
	readonly beginsBare: boolean;
	/** Whether the application can hear it in this spelling; what it cannot hear does nothing. */
	readonly isHeard: boolean;
	/** The inputs that it begins with, the shortest first; none for a single stroke. */
	readonly prefixes: readonly Input[];
	readonly bindings: readonly Binding[];
	/** The bindings with their situations. */
	readonly contenders: readonly Contender[];
	/** Those of them that are alive somewhere. */
	readonly living: readonly Contender[];
	/** Those of the living that the application has loaded, none where it cannot hear the input. What is not loaded neither fires nor waits nor cuts short. */
	readonly loaded: readonly Contender[];
	/** Those of them whose command does not exist anywhere in their scope. */
	readonly lifeless: readonly Contender[];
	/** The sequences that begin with it and go on, and have bindings. */
	readonly longer: readonly Input[];
	/** The bindings on these, loaded or not. */
	readonly longerBindings: readonly Binding[];
	/** Entries about it that have no effect. */
	readonly ineffective: readonly Ineffective[];
	/** False where nothing on it is said twice. */
	readonly mayRepeat: boolean;
	/** Where any loaded binding on it is alive; `space.nowhere` if nowhere. */
	readonly occupied: Bits;
}

const NONE: readonly never[] = [];

/** An input while it is put together: what is on it first, then `settle`. */
export class GrowingInput implements Input {
	readonly keys: Keys;
	prefixes: readonly Input[] = NONE;
	contenders: readonly Contender[] = NONE;
	living: readonly Contender[] = NONE;
	loaded: readonly Contender[] = NONE;
	lifeless: readonly Contender[] = NONE;
	longer: readonly Input[] = NONE;
	bindings: readonly Binding[] = NONE;
	ineffective: readonly Ineffective[] = NONE;
	mayRepeat = false;
	readonly #space: ContextSpace;
	#occupied: Bits | undefined;
	#longerBindings: readonly Binding[] | undefined;

	readonly beginsBare: boolean;
	readonly isHeard: boolean;

	constructor(keys: Keys, space: ContextSpace, match: KeyMatch) {
		this.keys = keys;
		this.beginsBare = beginsBare(keys);
		this.isHeard = isHeard(keys, match);
		this.#space = space;
	}

	/** Behind those that are there already. */
	add(binding: Binding): void {
		this.bindings = added(this.bindings, binding);
	}

	addLonger(input: Input): void {
		this.longer = added(this.longer, input);
	}

	addIneffective(ineffective: Ineffective): void {
		this.ineffective = added(this.ineffective, ineffective);
	}

	/**
	 * Gives all bindings their situations, and tells which of them `rule` loads; one input after the other, so that those of one
	 * lie side by side in memory.
	 */
	settle(contender: (binding: Binding) => Contender, { loads }: Rule): void {
		const { nowhere } = this.#space;
		const contenders = this.bindings.map(contender);
		const alive = contenders.filter(({ reach }) => reach !== nowhere);
		this.contenders = contenders;
		this.living = alive.length === contenders.length ? contenders : alive;
		this.loaded = this.isHeard ? this.living : NONE;
		if (this.isHeard && loads && contenders.length > 1) {
			const loaded = new Set(loads(contenders));
			if (loaded.size < contenders.length) this.loaded = alive.filter((one) => loaded.has(one));
		}
		this.lifeless = alive.length === contenders.length ? NONE : contenders.filter(({ reach }) => reach === nowhere);
	}

	get longerBindings(): readonly Binding[] {
		return (this.#longerBindings ??= this.longer.length === 0 ? NONE : this.longer.flatMap((input) => input.bindings));
	}

	get occupied(): Bits {
		return (this.#occupied ??= unionOf(this.#space, this.loaded));
	}
}

/** The lists are this file's own, made with their first member. */
function added<T>(list: readonly T[], member: T): readonly T[] {
	if (list === NONE) return [member];
	(list as T[]).push(member);
	return list;
}

/** Where it is alive, for reading. Sets that many share are taken from those that the shelf keeps, which are near at hand. */
export function reachRow(shelf: Shelf, { reach, scope, command }: Contender, { everywhere }: ContextSpace): Row {
	if (!shelf.keeps) return shelf.put(reach);
	return command.set.bits === everywhere ? shelf.of(scope) : shelf.both(shelf.of(scope), shelf.of(command.set));
}

/** Adds to `all` where any of them is alive. */
export function absorbReach(shelf: Shelf, all: Row, contenders: readonly Contender[]): void {
	for (const { reach, scope, command } of contenders)
		if (shelf.keeps) shelf.absorbBoth(all, shelf.of(scope), shelf.of(command.set));
		else shelf.absorb(all, shelf.put(reach));
}

function unionOf(space: ContextSpace, loaded: readonly Contender[]): Bits {
	if (loaded.length === 0) return space.nowhere;
	for (const { reach } of loaded) if (reach === space.everywhere) return reach;
	const shelf = new Shelf(space.situations.length);
	const all = shelf.empty();
	absorbReach(shelf, all, loaded);
	const bits = shelf.bits(all);
	shelf.end();
	return bits;
}
