import type { Bits } from '../../context/bits.ts';
import type { CommandId } from '../../application/command.ts';
import type { Row, Shelf } from '../../context/kernel.ts';
import type { ContextSpace, ScopeSet } from '../../context/space.ts';
import type { Binding } from '../../shortcut/effective.ts';

/** Where a command exists. One object for each command of a catalogue, so that commands are told apart by it. */
export interface CommandSet {
	readonly id: CommandId;
	readonly set: ScopeSet;
}

/** A binding that is alive in a situation, with the situations of its scope. */
export interface Live {
	readonly binding: Binding;
	readonly command: CommandSet;
	readonly scope: ScopeSet;
}

/** A binding with the situations in which it is alive. */
export interface Contender extends Live {
	readonly reach: Bits;
}

/**
 * What a rule makes of several live bindings on one input: one `winner`, or several `offered` to choose from, or several
 * that stay `undecided`. `masked` do not get the input. `why` is the sentence of the trace.
 */
export interface Decision {
	readonly winner?: Binding;
	readonly offered?: readonly Binding[];
	readonly undecided?: readonly Binding[];
	readonly masked: readonly Binding[];
	readonly why: string;
}

/**
 * The bindings on one input over all situations: `all` that are alive somewhere, in the order of the list, and `alive` where
 * each of them is; `NOTHING` for what is not loaded. `hasSiblings` says whether any two of `all` run the same command.
 */
export interface Field {
	readonly all: readonly Live[];
	readonly alive: readonly Row[];
	readonly hasSiblings: boolean;
}

/**
 * What a rule makes of a field. `wins` has, for each contender, where it is the winner or is offered; bindings of
 * one command share what any of them wins. `tied` is where several commands are left undecided or offered, and `parties`
 * has where each is one of those; what is alive there and no party is masked. Each is `NOTHING` when it is empty.
 */
export interface Spread {
	readonly wins: readonly Row[];
	readonly tied: Row;
	readonly parties: readonly Row[];
}

export interface Rule {
	readonly label: string;
	/** Which of all bindings on an input the application loads; all of them where this is missing. */
	loads?<L extends Live>(all: readonly L[]): readonly L[];
	/** `live` holds at least two loaded bindings of different commands, in the order of the application's list. */
	decide(live: readonly Live[], space: ContextSpace): Decision;
	/** The same as `decide`, for all situations at once. */
	spread(field: Field, space: ContextSpace, shelf: Shelf): Spread;
}
