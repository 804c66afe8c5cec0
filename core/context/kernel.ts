import { wordsFor, type Bits } from './bits.ts';
import { KERNEL_CODE } from './kernel-code.ts';
import { plainKernel } from './plain-kernel.ts';
import type { Row, SetKernel } from './set-kernel.ts';
import { MOST_SITUATIONS, type ScopeSet } from './space.ts';

export type { Row };

/** The kernel in WebAssembly, or the plain one where the code does not load: in a browser without 128-bit words, say. */
function loaded(): SetKernel {
	try {
		const code = Uint8Array.from(atob(KERNEL_CODE), (character) => character.charCodeAt(0));
		return new WebAssembly.Instance(new WebAssembly.Module(code)).exports as unknown as SetKernel;
	} catch {
		return plainKernel();
	}
}

const kernel = loaded();

const PAGE = 65_536;
let words = new Int32Array(kernel.memory.buffer);
let end = words.byteLength;
const bytesFor = (size: number): number => 4 * wordsFor(size);
/** Where free memory begins. Before it lies the empty set, as long as the longest. */
let free: number = bytesFor(MOST_SITUATIONS);

/** By half as much again at least, so that growing stays rare. */
function grow(): void {
	kernel.memory.grow(Math.ceil(Math.max(free - end, end / 2) / PAGE));
	words = new Int32Array(kernel.memory.buffer);
	end = words.byteLength;
}

/** The empty set. Never written to. */
export const NOTHING = 0 as Row;

/**
 * Sets of situations to work with. They lie in the memory of a small kernel that works on 128 situations at once
 * (docs/decisions/0014); a row is valid while the work that took it goes on.
 */
export class Shelf {
	readonly #bytes: number;
	readonly #begin: number;
	/** Rows of numbered sets by their number, 0 where there is none yet; they stay when the others are cleared. */
	readonly #fixed: Int32Array | undefined;
	readonly #fixedFrom = free;
	#list = 0;
	#listed = 0;
	/** Of the row that `lose` has last taken from. */
	isAnyLeft = false;

	/** For sets of so many situations. With room for the first so many numbered sets, which are then put there only once. */
	constructor(size: number, fixed = 0) {
		this.#bytes = bytesFor(size);
		if (fixed > 0) this.#fixed = new Int32Array(fixed);
		free += fixed * this.#bytes;
		if (free > end) grow();
		this.#begin = free;
	}

	/** Whether it has room for numbered sets. */
	get keeps(): boolean {
		return this.#fixed !== undefined;
	}

	/** The row of a numbered set, for reading. */
	of({ no, bits }: ScopeSet): Row {
		const fixed = this.#fixed;
		if (!fixed || no >= fixed.length) return this.put(bits);
		let row = fixed[no]!;
		if (row === 0) {
			row = fixed[no] = this.#fixedFrom + no * this.#bytes;
			words.set(bits, row >> 2);
		}
		return row as Row;
	}

	/** Room with anything in it. */
	#raw(): Row {
		const row = free as Row;
		free += this.#bytes;
		if (free > end) grow();
		return row;
	}

	empty(): Row {
		const row = this.#raw();
		words.fill(0, row >> 2, (row + this.#bytes) >> 2);
		return row;
	}

	put(bits: Bits): Row {
		const row = this.#raw();
		words.set(bits, row >> 2);
		return row;
	}

	copy(a: Row): Row {
		const row = this.#raw();
		words.copyWithin(row >> 2, a >> 2, (a + this.#bytes) >> 2);
		return row;
	}

	/** What is in both, as a new row; `NOTHING` if nothing is. */
	both(a: Row, b: Row): Row {
		const row = this.#raw();
		return kernel.both(row, a, b, this.#bytes) ? row : this.#giveBack(row);
	}

	/** `a` without `b`, as a new row; `NOTHING` if nothing is left. */
	without(a: Row, b: Row): Row {
		const row = this.#raw();
		return kernel.without(row, a, b, this.#bytes) ? row : this.#giveBack(row);
	}

	/** `a` without what is taken, as a new row; `NOTHING` if nothing is left. Then it is taken as well. */
	claim(a: Row, taken: Row): Row {
		const row = this.#raw();
		return kernel.claim(row, a, taken, this.#bytes) ? row : this.#giveBack(row);
	}

	/**
	 * What is left and won, but not mine and not tied, and what is heard but cut, as a new row; `NOTHING` if nothing is.
	 */
	masked(left: Row, won: Row, mine: Row, tied: Row, heard: Row, cut: Row): Row {
		const row = this.#raw();
		return kernel.masked(row, left, won, mine, tied, heard, cut, this.#bytes) ? row : this.#giveBack(row);
	}

	/** The row that was taken last is free again. */
	#giveBack(row: Row): Row {
		free = row;
		return NOTHING;
	}

	/** Adds `more` to `a`, in place. */
	absorb(a: Row, more: Row): void {
		kernel.absorb(a, more, this.#bytes);
	}

	/** What is in any of the rows, for reading; `NOTHING` if they all are. */
	any(rows: readonly Row[]): Row {
		let all = NOTHING;
		let isOwn = false;
		for (const row of rows) {
			if (row === NOTHING) continue;
			if (all === NOTHING) all = row;
			else {
				if (!isOwn) all = this.copy(all);
				isOwn = true;
				this.absorb(all, row);
			}
		}
		return all;
	}

	/** Adds what is in both `b` and `c` to `a`, in place. */
	absorbBoth(a: Row, b: Row, c: Row): void {
		kernel.absorbBoth(a, b, c, this.#bytes);
	}

	/** If `a` and `b` share anything, adds what is in both `b` and `c` to `a`, in place. Whether they do. */
	join(a: Row, b: Row, c: Row): boolean {
		return kernel.join(a, b, c, this.#bytes) !== 0;
	}

	/** Begins a list of at most so many rows, for `lose`; without an array of its own, which a check would make by thousands. */
	list(most: number): void {
		this.#list = free;
		this.#listed = 0;
		free += 16 * Math.ceil(most / 4);
		if (free > end) grow();
	}

	add(row: Row): void {
		words[(this.#list >> 2) + this.#listed++] = row;
	}

	/**
	 * Takes from `a` what it shares with any row of the list, in place. Gives what was taken, as a new row, or `NOTHING`;
	 * afterwards `isAnyLeft` says whether there is still something in `a`.
	 */
	lose(a: Row): Row {
		const lost = this.#raw();
		const what = kernel.lose(lost, a, this.#list, this.#listed, this.#bytes);
		this.isAnyLeft = (what & 1) !== 0;
		return what & 2 ? lost : this.#giveBack(lost);
	}

	meets(a: Row, b: Row): boolean {
		return kernel.meets(a, b, this.#bytes) !== 0;
	}

	isEmpty(a: Row): boolean {
		return a === NOTHING || kernel.meets(a, a, this.#bytes) === 0;
	}

	/** The number of the first situation in both, or -1. */
	firstOfBoth(a: Row, b: Row): number {
		return kernel.firstOfBoth(a, b, this.#bytes);
	}

	/** The number of the first situation, or -1. */
	first(a: Row): number {
		return kernel.firstOfBoth(a, a, this.#bytes);
	}

	/** A copy that outlives the work. */
	bits(a: Row): Bits {
		return words.slice(a >> 2, (a + this.#bytes) >> 2);
	}

	/** Frees all rows but those of numbered sets. */
	clear(): void {
		free = this.#begin;
	}

	/** Frees all rows that were taken since the shelf was made; shelves end in the reverse order in which they were made. */
	end(): void {
		free = this.#fixedFrom;
	}
}
