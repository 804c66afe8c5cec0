import { expect } from 'chai';
import fc from 'fast-check';
import { NAMED_CODES, WRITING_CODES } from '../../../../core/stroke/codes.ts';
import {
	MODIFIERS,
	StrokeSyntaxError,
	looseKeys,
	parseKeys,
	parseStroke,
	properPrefixes,
	strokeText,
	typesCharacter,
	type Keys,
	type Stroke
} from '../../../../core/stroke/stroke.ts';

const anyStroke: fc.Arbitrary<Stroke> = fc.record({
	modifiers: fc.subarray([...MODIFIERS]),
	key: fc.constantFrom(...NAMED_CODES.keys(), ...WRITING_CODES.keys(), ...'abcxyz0189+-,.;é[')
});

describe('strokes', () => {
	it('reads back what it writes, for every key and all modifiers', () => {
		fc.assert(
			fc.property(anyStroke, (stroke) => {
				expect(parseStroke(strokeText(stroke))).to.deep.equal(stroke);
			})
		);
	});

	it('has one spelling for what people write in many ways', () => {
		for (const text of ['ctrl+shift+f', 'Shift+Control+F', 'STRG+SHIFT+f']) expect(parseKeys(text)).to.equal('Ctrl+Shift+F');
		expect(parseKeys('alt++')).to.equal('Alt++');
		expect(parseKeys('+')).to.equal('+');
		expect(parseKeys('esc')).to.equal('Escape');
		expect(parseKeys('  g   f ')).to.equal('G F');
	});

	it('says what is wrong with a text that is no stroke', () => {
		expect(() => parseKeys('Ctrl')).to.throw(StrokeSyntaxError, 'a modifier alone is not a shortcut');
		expect(() => parseKeys('Hyper+F')).to.throw(StrokeSyntaxError, '"Hyper" is not a modifier');
		expect(() => parseKeys('F99')).to.throw(StrokeSyntaxError, 'expected one character or a key name');
		expect(() => parseKeys('')).to.throw(StrokeSyntaxError, 'at least one key');
		expect(() => parseKeys('A B C D E')).to.throw(StrokeSyntaxError, 'at most 4 strokes');
	});

	it('finds an input in a search text, and nothing in a word', () => {
		expect(looseKeys('ctrl e')).to.equal('Ctrl+E');
		expect(looseKeys('Ctrl-Shift-F5')).to.equal('Ctrl+Shift+F5');
		expect(looseKeys('ctrl+')).to.equal(undefined);
		expect(looseKeys('g f')).to.equal('G F');
		expect(looseKeys('fillet')).to.equal(undefined);
		expect(looseKeys('ctrl')).to.equal(undefined);
		fc.assert(fc.property(fc.string(), (text) => void looseKeys(text)));
	});

	it('knows the beginnings of a sequence', () => {
		expect(properPrefixes('G F E' as Keys)).to.deep.equal(['G', 'G F']);
		expect(properPrefixes('G' as Keys)).to.deep.equal([]);
	});

	it('tells what types a character', () => {
		for (const text of ['F', 'Shift+F', 'Space', '7', 'Numpad7']) expect(typesCharacter(parseStroke(text)), text).to.equal(true);
		for (const text of ['Ctrl+F', 'F5', 'Enter', 'Delete', 'Alt+F'])
			expect(typesCharacter(parseStroke(text)), text).to.equal(false);
	});
});
