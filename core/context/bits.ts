/** A set of situations: bit i stands for the situation at index i of its context space. */
export type Bits = Int32Array;

/** Words of 32 bits for so many situations: whole groups of four, which the kernel works on at once. */
export const wordsFor = (size: number): number => 4 * Math.ceil(size / 128);

export function noBits(size: number): Bits {
	return new Int32Array(wordsFor(size));
}

export function addBit(bits: Bits, i: number): void {
	bits[i >>> 5]! |= 1 << (i & 31);
}

export function hasBit(bits: Bits, i: number): boolean {
	return (bits[i >>> 5]! & (1 << (i & 31))) !== 0;
}

export function meets(a: Bits, b: Bits): boolean {
	for (let w = 0; w < a.length; w++) if ((a[w]! & b[w]!) !== 0) return true;
	return false;
}

export function isEmpty(a: Bits): boolean {
	for (let w = 0; w < a.length; w++) if (a[w] !== 0) return false;
	return true;
}

export function isSubset(a: Bits, b: Bits): boolean {
	for (let w = 0; w < a.length; w++) if ((a[w]! & ~b[w]!) !== 0) return false;
	return true;
}

export function intersection(a: Bits, b: Bits): Bits {
	const both = new Int32Array(a.length);
	for (let w = 0; w < a.length; w++) both[w] = a[w]! & b[w]!;
	return both;
}

export function union(a: Bits, b: Bits): Bits {
	const either = new Int32Array(a.length);
	for (let w = 0; w < a.length; w++) either[w] = a[w]! | b[w]!;
	return either;
}

export function difference(a: Bits, b: Bits): Bits {
	const rest = new Int32Array(a.length);
	for (let w = 0; w < a.length; w++) rest[w] = a[w]! & ~b[w]!;
	return rest;
}

export function indexesOf(bits: Bits): number[] {
	const found: number[] = [];
	for (let w = 0; w < bits.length; w++)
		for (let word = bits[w]!; word !== 0; word &= word - 1) found.push(w * 32 + 31 - Math.clz32(word & -word));
	return found;
}

export function count(bits: Bits): number {
	let total = 0;
	for (let w = 0; w < bits.length; w++) {
		let word = bits[w]!;
		if (word === 0) continue;
		// adds neighbouring bits in pairs, fours and eights, then sums the bytes
		word -= (word >>> 1) & 0x55555555;
		word = (word & 0x33333333) + ((word >>> 2) & 0x33333333);
		total += Math.imul((word + (word >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
	}
	return total;
}

/** The lowest index in the set, or -1 when it is empty. */
export function first(bits: Bits): number {
	for (let w = 0; w < bits.length; w++) {
		const word = bits[w]!;
		if (word !== 0) return w * 32 + 31 - Math.clz32(word & -word);
	}
	return -1;
}

/**
 * Groups the situations that no set tells apart: each group is in a set as a whole or not at all. Gives the groups in the
 * order of their first situation.
 */
export function alike(sets: readonly Bits[], size: number): number[][] {
	let kinds = 1;
	const kind = new Int32Array(size);
	for (const bits of new Set(sets)) {
		const split = new Int32Array(kinds);
		for (let s = 0; s < size; s++) if (hasBit(bits, s)) kind[s] = split[kind[s]!] ||= kinds++;
	}
	const groups = new Map<number, number[]>();
	for (let s = 0; s < size; s++) {
		const group = groups.get(kind[s]!);
		if (group) group.push(s);
		else groups.set(kind[s]!, [s]);
	}
	return [...groups.values()];
}

/** Adds the members of `more` to `bits`, in place. */
export function absorb(bits: Bits, more: Bits): void {
	for (let w = 0; w < bits.length; w++) bits[w]! |= more[w]!;
}
