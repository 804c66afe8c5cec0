import '../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { linesBetween, linesOf } from '../../../../core/text/lines.ts';
import { readAgain, readWith } from '../../../../core/recipe/reading.ts';
import { Recipe } from '../../../../core/recipe/recipe.ts';
import { SAMPLES } from './samples.ts';

const recipeOf = (sections: 'none' | 'kept' | 'context') =>
	Recipe.parse({
		format: 'skarn-recipe',
		version: 1,
		name: 'Arrow lines',
		holds: 'aliases',
		record: { shape: 'line', template: '{alias} -> {command}[ {lock:!}][ # {note}]', comment: '#', sections }
	});

/** Texts of few pieces, so that two of them share beginnings, endings and halves of line ends. */
const piece = fc.constantFrom('a -> b', 'c -> d # e', '# a -> b', '# see', '[x]', ' ', 'no', '\n', '\n', '\r\n', '\r', '\ufeff');
const text = fc.array(piece, { maxLength: 24 }).map((pieces) => pieces.join(''));
/** A text and the same with a part of it replaced. */
const edited = fc.tuple(text, fc.nat(200), fc.nat(30), text).map(([before, at, length, put]) => ({
	before,
	after: before.slice(0, at) + put.slice(0, 12) + before.slice(at + length)
}));

describe('reading a text again', () => {
	it('gives what reading it anew gives, after any edit', () => {
		fc.assert(
			fc.property(edited, fc.constantFrom('none', 'kept', 'context'), ({ before, after }, sections) => {
				const recipe = recipeOf(sections);
				const reading = readWith(recipe, 'file', before);
				expect(readAgain(recipe, 'file', after, { text: before, reading })).to.deep.equal(readWith(recipe, 'file', after));
			}),
			{ numRuns: 3_000 }
		);
	});

	it('does so for every shape of file', () => {
		for (const { recipe, text } of SAMPLES) {
			const reading = readWith(recipe, 'file', text);
			expect(readAgain(recipe, 'file', text, { text, reading }), recipe.name).to.deep.equal(reading);
		}
	});

	it('keeps the records of lines that are where they were', () => {
		const recipe = recipeOf('none');
		const before = 'a -> b\nc -> d\ne -> f\n';
		const reading = readWith(recipe, 'file', before);
		const changed = before.replace('d', 'x');
		const sameLength = readAgain(recipe, 'file', changed, { text: before, reading });
		expect(sameLength.records.map((r, i) => r === reading.records[i])).to.deep.equal([true, false, true]);
		const longer = readAgain(recipe, 'file', changed.replace('c', 'z -> y\nc'), { text: changed, reading: sameLength });
		expect(longer.records.map((r) => reading.records.indexOf(r))).to.deep.equal([0, -1, -1, 2]);
		expect(longer.records.map((r) => [r.line, r.start])).to.deep.equal([
			[1, 0],
			[2, 7],
			[3, 14],
			[4, 21]
		]);
	});

	it('finds the lines that differ and no more, also in a long text', () => {
		const lines = Array.from({ length: 2_000 }, (_, i) => `line ${i}\n`);
		const changed = lines.with(1_500, 'another\nand one more\n').join('');
		const { from, line, before, after } = linesBetween(lines.join(''), changed);
		expect(line).to.equal(1_501);
		expect(lines.join('').slice(from, before.to)).to.equal('line 1500\n');
		expect(changed.slice(from, after.to)).to.equal('another\nand one more\n');
		expect([before.line, after.line]).to.deep.equal([1_502, 1_503]);
	});

	it('counts lines as they are read', () => {
		fc.assert(
			fc.property(edited, ({ before, after }) => {
				const between = linesBetween(before, after);
				for (const [whole, part] of [
					[before, between.before],
					[after, between.after]
				] as const) {
					const begins = [...linesOf(whole)].map(({ line, next }) => [next, line + 1]);
					if (between.from > 0) expect(begins).to.deep.include([between.from, between.line]);
					if (part.to < whole.length) expect(begins).to.deep.include([part.to, part.line]);
				}
				expect(before.slice(0, between.from)).to.equal(after.slice(0, between.from));
				expect(before.slice(between.before.to)).to.equal(after.slice(between.after.to));
			})
		);
	});
});
