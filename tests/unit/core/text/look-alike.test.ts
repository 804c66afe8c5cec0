import { expect } from 'chai';
import fc from 'fast-check';
import { looksLike, skeleton } from '../../../../core/text/look-alike.ts';
import { plainName } from '../../../../core/text/plain-name.ts';

describe('names that look alike', () => {
	it('have one skeleton (Unicode Technical Standard 39, section 4 and its example, revision 30)', () => {
		// “paypal” in Latin letters, and with Cyrillic а, у and р
		expect(skeleton('\u0440\u0430\u0443\u0440\u0430l')).to.equal(skeleton('paypal'));
		// pairs of confusables.txt: Greek omicron, Cyrillic ie, mathematical bold a, fullwidth digit one and small l
		for (const [one, other] of [
			['\u03bf', 'o'],
			['\u0435', 'e'],
			['\u{1d41a}', 'a'],
			['1', 'l'],
			['0', 'O'],
			['rn', 'm']
		] as const)
			expect(skeleton(one), `${one} ${other}`).to.equal(skeleton(other));
	});

	it('are told apart from names that do not', () => {
		for (const [one, other] of [
			['Door desk 1', 'Door desk 2'],
			['Hangers', 'Hanger'],
			['Türen', 'Turen'],
			['Grip', 'Group']
		] as const)
			expect(looksLike(one, other), `${one} ${other}`).to.equal(false);
		expect(looksLike('Standards desk', 'STANDARDS DESK')).to.equal(true);
		expect(looksLike('Desk I', 'desk l')).to.equal(true);
	});

	it('look like themselves, whichever comes first (property)', () => {
		fc.assert(
			fc.property(fc.string({ unit: 'grapheme' }), fc.string({ unit: 'grapheme' }), (one, other) => {
				expect(looksLike(one, one)).to.equal(true);
				expect(looksLike(one, other)).to.equal(looksLike(other, one));
			}),
			{ numRuns: 300 }
		);
	});
});

describe('a plain name', () => {
	const name = plainName('a person', 20);
	it('is in one form, with single blanks, and holds nothing that is not seen', () => {
		expect(name.parse('  Tu\u0308ren\u00a0 Halle 2 ')).to.equal('T\u00fcren Halle 2');
		for (const text of [
			'a\u202eb',
			'a\u200db',
			'a\u00adb',
			'a\u2066b',
			'a\u0000b',
			'a\ufe0fb',
			'a\u2800b',
			'',
			'  ',
			'x'.repeat(21)
		])
			expect(name.safeParse(text).success, JSON.stringify(text)).to.equal(false);
	});

	it('stays as it is when it is read again (property)', () => {
		fc.assert(
			fc.property(fc.string({ unit: 'grapheme', maxLength: 20 }), (text) => {
				const once = name.safeParse(text);
				if (once.success) expect(name.parse(once.data)).to.equal(once.data);
			}),
			{ numRuns: 500 }
		);
	});
});
