/** A set of situations in a kernel's memory, by the address at which it begins. */
export type Row = number & { readonly row: unique symbol };

/**
 * Works on sets of situations, one bit each, that lie in one memory: `bytes` from an address on, both multiples of 16. Those
 * that give a number say with 1 that something is in the set that they have written, and with 0 that nothing is.
 */
export interface SetKernel {
	/** Grows by pages of 64 KiB; `buffer` is another one then. */
	readonly memory: { readonly buffer: ArrayBuffer; grow(pages: number): void };
	/** a := a or b */
	absorb(a: Row, b: Row, bytes: number): void;
	/** a := a or (b and c) */
	absorbBoth(a: Row, b: Row, c: Row, bytes: number): void;
	/** If a and b share anything, a := a or (b and c). Whether they do. */
	join(a: Row, b: Row, c: Row, bytes: number): number;
	/** to := a and b */
	both(to: Row, a: Row, b: Row, bytes: number): number;
	/** to := a without b */
	without(to: Row, a: Row, b: Row, bytes: number): number;
	/** to := a without taken, then taken := taken or a */
	claim(to: Row, a: Row, taken: Row, bytes: number): number;
	/**
	 * Moves to `lost` what a shares with any of `count` sets whose addresses, 32 bits each, stand from `others` on. Gives 1 if
	 * anything is left in a, and 2 more if anything is lost.
	 */
	lose(lost: Row, a: Row, others: number, count: number, bytes: number): number;
	/** Whether a and b share anything. */
	meets(a: Row, b: Row, bytes: number): number;
	/** The number of the first situation in both, or -1. */
	firstOfBoth(a: Row, b: Row, bytes: number): number;
	/** to := (left and won, without mine and tied) or (heard and cut) */
	masked(to: Row, left: Row, won: Row, mine: Row, tied: Row, heard: Row, cut: Row, bytes: number): number;
}
