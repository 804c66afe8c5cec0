import type { Bits } from '../context/bits.ts';
import { Shelf, type Row } from '../context/kernel.ts';
import type { ContextSpace } from '../context/space.ts';
import type { Binding, Ineffective } from '../profile/effective.ts';
import { typesOnly, type Keys } from '../stroke/stroke.ts';
import type { Contender } from './rules/rule.ts';

/** One input, with all that a profile says of it. Lists are in the order of the application's list. */
export interface Input {
	readonly keys: Keys;
	/** Whether it is nothing but bare keys, which are text where bare keys are typed. */
	readonly isBare: boolean;
	/** The inputs that it begins with, the shortest first; none for a single stroke. */
	readonly prefixes: readonly Input[];
	readonly bindings: readonly Binding[];
	/** The bindings with their situations. */
	readonly contenders: readonly Contender[];
	/** Those of them that are alive somewhere. */
	readonly living: readonly Contender[];
	/** Those of them whose command does not exist anywhere in their scope. */
	readonly lifeless: readonly Contender[];
	/** The sequences that begin with it and go on, and have bindings. */
	readonly longer: readonly Input[];
	/** The bindings on these. */
	readonly longerBindings: readonly Binding[];
	/** Entries about it that have no effect. */
	readonly ineffective: readonly Ineffective[];
	/** False where nothing on it is said twice. */
	readonly mayRepeat: boolean;
	/** Where any binding on it is alive; `space.nowhere` if nowhere. */
	readonly occupied: Bits;
}

const NONE: readonly never[] = [];

/** An input while it is put together: what is on it first, then `settle`. */
export class GrowingInput implements Input {
	readonly keys: Keys;
	prefixes: readonly Input[] = NONE;
	contenders: readonly Contender[] = NONE;
	living: readonly Contender[] = NONE;
	lifeless: readonly Contender[] = NONE;
	longer: readonly Input[] = NONE;
	bindings: readonly Binding[] = NONE;
	ineffective: readonly Ineffective[] = NONE;
	mayRepeat = false;
	readonly #space: ContextSpace;
	#occupied: Bits | undefined;
	#longerBindings: readonly Binding[] | undefined;

	readonly isBare: boolean;

	constructor(keys: Keys, space: ContextSpace) {
		this.keys = keys;
		// a finding of no keys asks as well, for the input that there is not
		this.isBare = keys !== '' && typesOnly(keys);
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

	/** Gives all bindings their situations; one input after the other, so that those of one lie side by side in memory. */
	settle(contender: (binding: Binding) => Contender): void {
		const { nowhere } = this.#space;
		const contenders = this.bindings.map(contender);
		const alive = contenders.filter(({ reach }) => reach !== nowhere);
		this.contenders = contenders;
		this.living = alive.length === contenders.length ? contenders : alive;
		this.lifeless = alive.length === contenders.length ? NONE : contenders.filter(({ reach }) => reach === nowhere);
	}

	get longerBindings(): readonly Binding[] {
		return (this.#longerBindings ??= this.longer.length === 0 ? NONE : this.longer.flatMap((input) => input.bindings));
	}

	get occupied(): Bits {
		return (this.#occupied ??= unionOf(this.#space, this.living));
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

/** Adds to `all` where any of the living is alive. */
export function absorbReach(shelf: Shelf, all: Row, living: readonly Contender[]): void {
	for (const { reach, scope, command } of living)
		if (shelf.keeps) shelf.absorbBoth(all, shelf.of(scope), shelf.of(command.set));
		else shelf.absorb(all, shelf.put(reach));
}

function unionOf(space: ContextSpace, living: readonly Contender[]): Bits {
	if (living.length === 0) return space.nowhere;
	for (const { reach } of living) if (reach === space.everywhere) return reach;
	const shelf = new Shelf(space.situations.length);
	const all = shelf.empty();
	absorbReach(shelf, all, living);
	const bits = shelf.bits(all);
	shelf.end();
	return bits;
}
