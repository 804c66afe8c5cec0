import type { Row, SetKernel } from './set-kernel.ts';

const PAGE = 65_536;

/**
 * The kernel word by word: what the one in WebAssembly is held against, and what runs where there is no WebAssembly with
 * 128-bit words.
 */
export function plainKernel(): SetKernel {
	let words = new Int32Array(PAGE / 4);
	const at = (row: number, i: number): number => words[(row >> 2) + i]!;

	/** Writes a set word by word; 1 if anything is in it. */
	function write(to: Row, bytes: number, word: (i: number) => number): number {
		let any = 0;
		for (let i = 0; i < bytes >> 2; i++) any |= words[(to >> 2) + i] = word(i);
		return any === 0 ? 0 : 1;
	}

	const meets = (a: Row, b: Row, bytes: number): number => {
		for (let i = 0; i < bytes >> 2; i++) if ((at(a, i) & at(b, i)) !== 0) return 1;
		return 0;
	};
	const absorbBoth = (a: Row, b: Row, c: Row, bytes: number): void => {
		write(a, bytes, (i) => at(a, i) | (at(b, i) & at(c, i)));
	};

	return {
		memory: {
			get buffer() {
				return words.buffer;
			},
			grow(pages) {
				const more = new Int32Array(words.length + (pages * PAGE) / 4);
				more.set(words);
				words = more;
			}
		},
		absorb: (a, b, bytes) => void write(a, bytes, (i) => at(a, i) | at(b, i)),
		absorbBoth,
		join(a, b, c, bytes) {
			if (!meets(a, b, bytes)) return 0;
			absorbBoth(a, b, c, bytes);
			return 1;
		},
		both: (to, a, b, bytes) => write(to, bytes, (i) => at(a, i) & at(b, i)),
		without: (to, a, b, bytes) => write(to, bytes, (i) => at(a, i) & ~at(b, i)),
		claim(to, a, taken, bytes) {
			const any = write(to, bytes, (i) => at(a, i) & ~at(taken, i));
			write(taken, bytes, (i) => at(taken, i) | at(a, i));
			return any;
		},
		lose(lost, a, others, count, bytes) {
			const isLost = write(lost, bytes, (i) => {
				let shared = 0;
				for (let n = 0; n < count; n++) shared |= at(a, i) & at(at(others, n), i);
				return shared;
			});
			const isLeft = write(a, bytes, (i) => at(a, i) & ~at(lost, i));
			return isLeft + 2 * isLost;
		},
		meets,
		firstOfBoth(a, b, bytes) {
			for (let i = 0; i < bytes >> 2; i++) {
				const word = at(a, i) & at(b, i);
				if (word !== 0) return 32 * i + (31 - Math.clz32(word & -word));
			}
			return -1;
		},
		masked: (to, left, won, mine, tied, heard, cut, bytes) =>
			write(to, bytes, (i) => (at(left, i) & at(won, i) & ~(at(mine, i) | at(tied, i))) | (at(heard, i) & at(cut, i)))
	};
}
