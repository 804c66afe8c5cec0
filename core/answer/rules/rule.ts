import type { Bits } from '../../context/bits.ts';
import type { Binding } from '../../profile/effective.ts';

/** A binding that is alive in a situation, with the situations of its scope. */
export interface Live {
	readonly binding: Binding;
	readonly scope: Bits;
}

/**
 * What a rule makes of several live bindings on one input: one `winner`, or several `offered` to choose from, or
 * neither (undecided). `masked` do not get the input. `why` is the sentence of the trace.
 */
export interface Decision {
	readonly winner?: Binding;
	readonly offered?: readonly Binding[];
	readonly masked: readonly Binding[];
	readonly why: string;
}

export interface Rule {
	readonly label: string;
	/**
	 * `live` holds at least two bindings of different commands, in the order of the application's list.
	 * `others` are all bindings on the input, alive here or not: a rule that refuses at load time needs them.
	 */
	decide(live: readonly Live[], others: readonly Live[]): Decision;
}
