import { expect } from 'chai';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { noBits, addBit, indexesOf, type Bits } from '../../../../core/context/bits.ts';
import { NOTHING, Shelf, type Row } from '../../../../core/context/kernel.ts';
import { kernelCode } from '../../../../scripts/write-kernel.ts';

/** Several sets of situations of one space, as numbers; the sizes lie around the 128 situations that are worked on at once. */
const sets = (count: number) =>
	fc
		.oneof(fc.constantFrom(1, 31, 127, 128, 129, 2016), fc.integer({ min: 1, max: 700 }))
		.chain((size) =>
			fc.tuple(fc.constant(size), fc.array(fc.uniqueArray(fc.nat(size - 1)), { minLength: count, maxLength: count }))
		);

function bitsOf(size: number, members: readonly number[]): Bits {
	const bits = noBits(size);
	for (const i of members) addBit(bits, i);
	return bits;
}

const sorted = (members: Iterable<number>) => [...new Set(members)].sort((a, b) => a - b);

/** Runs on rows what is expected of plain lists of numbers. */
function agree(
	count: number,
	look: (shelf: Shelf, rows: Row[], members: number[][], read: (row: Row) => number[]) => void
): void {
	fc.assert(
		fc.property(sets(count), ([size, members]) => {
			const shelf = new Shelf(size);
			look(
				shelf,
				members.map((m) => shelf.put(bitsOf(size, m))),
				members,
				(row) => indexesOf(shelf.bits(row))
			);
			shelf.end();
		}),
		{ numRuns: 400 }
	);
}

describe('kernel', () => {
	it('is the code that its text says', async () => {
		expect(readFileSync(new URL('../../../../core/context/kernel-code.ts', import.meta.url), 'utf8')).to.equal(
			await kernelCode()
		);
	});

	it('keeps what is put, copied and empty', () => {
		agree(2, (shelf, [a, b], [A, B], read) => {
			const copy = shelf.copy(a!);
			shelf.absorb(copy, b!);
			expect(read(copy)).to.deep.equal(sorted([...A!, ...B!]));
			expect(read(a!)).to.deep.equal(sorted(A!));
			expect(read(shelf.empty())).to.deep.equal([]);
			expect(shelf.isEmpty(a!)).to.equal(A!.length === 0);
			expect(shelf.isEmpty(NOTHING)).to.equal(true);
		});
	});

	it('takes what is in both and what is left, and says NOTHING for nothing', () => {
		agree(2, (shelf, [a, b], [A, B], read) => {
			const both = sorted(A!.filter((i) => B!.includes(i)));
			const rest = sorted(A!.filter((i) => !B!.includes(i)));
			expect(read(shelf.both(a!, b!))).to.deep.equal(both);
			expect(shelf.both(a!, b!) === NOTHING).to.equal(both.length === 0);
			expect(read(shelf.without(a!, b!))).to.deep.equal(rest);
			expect(shelf.without(a!, b!) === NOTHING).to.equal(rest.length === 0);
			expect(shelf.meets(a!, b!)).to.equal(both.length > 0);
			expect(shelf.firstOfBoth(a!, b!)).to.equal(both[0] ?? -1);
			expect(shelf.first(a!)).to.equal(sorted(A!)[0] ?? -1);
		});
	});

	it('adds what two share', () => {
		agree(3, (shelf, [a, b, c], [A, B, C], read) => {
			shelf.absorbBoth(a!, b!, c!);
			expect(read(a!)).to.deep.equal(sorted([...A!, ...B!.filter((i) => C!.includes(i))]));
		});
	});

	it('finds what is in any of several, and leaves them as they are', () => {
		agree(3, (shelf, rows, lists, read) => {
			expect(read(shelf.any([NOTHING, ...rows]))).to.deep.equal(sorted(lists.flat()));
			rows.forEach((row, i) => expect(read(row)).to.deep.equal(sorted(lists[i]!)));
			expect(shelf.any([NOTHING, NOTHING])).to.equal(NOTHING);
		});
	});

	it('joins only what it meets', () => {
		agree(3, (shelf, [a, b, c], [A, B, C], read) => {
			const meet = A!.some((i) => B!.includes(i));
			expect(shelf.join(a!, b!, c!)).to.equal(meet);
			expect(read(a!)).to.deep.equal(sorted([...A!, ...(meet ? B!.filter((i) => C!.includes(i)) : [])]));
		});
	});

	it('claims what is not taken yet, once', () => {
		agree(2, (shelf, [a, taken], [A, Taken], read) => {
			const mine = shelf.claim(a!, taken!);
			expect(read(mine)).to.deep.equal(sorted(A!.filter((i) => !Taken!.includes(i))));
			expect(mine === NOTHING).to.equal(A!.every((i) => Taken!.includes(i)));
			expect(read(taken!)).to.deep.equal(sorted([...Taken!, ...A!]));
			expect(shelf.claim(a!, taken!), 'again').to.equal(NOTHING);
		});
	});

	it('takes from one what it shares with any of several', () => {
		agree(6, (shelf, [a, ...others], [A, ...Others], read) => {
			shelf.list(others.length);
			for (const other of others) shelf.add(other);
			const lost = shelf.lose(a!);
			const { isAnyLeft } = shelf;
			const isShared = (i: number) => Others.some((o) => o.includes(i));
			expect(read(lost)).to.deep.equal(sorted(A!.filter(isShared)));
			expect(lost === NOTHING).to.equal(!A!.some(isShared));
			expect(read(a!)).to.deep.equal(sorted(A!.filter((i) => !isShared(i))));
			expect(isAnyLeft).to.equal(!A!.every(isShared));
		});
	});

	it('says where a binding is masked', () => {
		agree(6, (shelf, [left, won, mine, tied, heard, cut], [Left, Won, Mine, Tied, Heard, Cut], read) => {
			const lost = Left!.filter((i) => Won!.includes(i) && !Mine!.includes(i) && !Tied!.includes(i));
			const early = Heard!.filter((i) => Cut!.includes(i));
			const masked = shelf.masked(left!, won!, mine!, tied!, heard!, cut!);
			expect(read(masked)).to.deep.equal(sorted([...lost, ...early]));
			expect(masked === NOTHING).to.equal(lost.length + early.length === 0);
		});
	});

	it('grows when there is no room, and its rows keep their sets', () => {
		const size = 20_000;
		const shelf = new Shelf(size);
		const rows = Array.from({ length: 3_000 }, (_, i) => shelf.put(bitsOf(size, [i, size - 1 - i])));
		for (const i of [0, 1_500, 2_999]) expect(indexesOf(shelf.bits(rows[i]!))).to.deep.equal([i, size - 1 - i]);
		shelf.end();
		const again = new Shelf(size);
		expect(again.empty(), 'room is used again').to.equal(rows[0]);
		again.clear();
	});
});
