import { expect } from 'chai';
import fc from 'fast-check';
import { Spellings } from '../../../../../core/chapters/aliases/nearest.ts';

/** The distance of two words by the table of Wagner and Fischer (Journal of the ACM 21(1), 1974, from memory), written out. */
function distance(a: string, b: string): number {
	const table = Array.from({ length: a.length + 1 }, (_, i) => Array.from({ length: b.length + 1 }, (_, o) => (i === 0 ? o : i)));
	for (let i = 1; i <= a.length; i++)
		for (let o = 1; o <= b.length; o++)
			table[i]![o] = Math.min(
				table[i - 1]![o]! + 1,
				table[i]![o - 1]! + 1,
				table[i - 1]![o - 1]! + (a[i - 1] === b[o - 1] ? 0 : 1)
			);
	return table[a.length]![b.length]!;
}

const byLooking = (name: string, names: readonly string[]) => {
	const distances = names.map((other) => distance(name, other));
	const least = Math.min(...distances);
	return least <= Math.floor(name.length / 3) ? names[distances.indexOf(least)] : undefined;
};

const word = fc.string({ unit: fc.constantFrom('a', 'b', 'c', '.'), minLength: 1, maxLength: 14 });

describe('the name that is spelt most alike', () => {
	it('is the one that looking at all of them finds, whatever was asked before', () => {
		fc.assert(
			fc.property(fc.array(word, { minLength: 1, maxLength: 12 }), fc.array(word, { maxLength: 12 }), (names, asked) => {
				const spellings = new Spellings(names);
				for (const name of asked) expect(spellings.nearest(name), name).to.equal(byLooking(name, names));
			}),
			{ numRuns: 1_000 }
		);
	});

	it('is so at every letter of a name that is typed, and taken back', () => {
		const names = ['draw.segment', 'draw.circle', 'edit.trim', 'edit.offset', 'view.all'];
		const spellings = new Spellings(names);
		const letters = Array.from('draw.segmnet', (_, i) => 'draw.segmnet'.slice(0, i + 1));
		for (const name of [...letters, ...letters.toReversed()])
			expect(spellings.nearest(name), name).to.equal(byLooking(name, names));
		expect(spellings.nearest('draw.segmnet')).to.equal('draw.segment');
	});

	it('is none for a text that is longer than any name could be', () => {
		expect(new Spellings(['draw.segment']).nearest('x'.repeat(5_000_000))).to.equal(undefined);
		expect(new Spellings([]).nearest('x')).to.equal(undefined);
	});
});
