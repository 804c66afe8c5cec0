import { expect } from 'chai';
import { decode, encode } from '../../../../core/format/bytes.ts';
import { SHIPPED_RECIPES } from '../../../../core/recipe/shipped.ts';
import { changeRecord, readWith as reading, spliced } from '../../../../core/recipe/reading.ts';
import type { Recipe } from '../../../../core/recipe/recipe.ts';
import { FileRefusedError } from '../../../../core/format/problem.ts';

describe('bytes of text files', () => {
	it('are Windows-1252 where a byte from 80 to 9F stands, and go back as they came', () => {
		// WHATWG Encoding, index windows-1252: 80 is the euro sign, 84 and 93 the German quotation marks
		const bytes = Uint8Array.from([0x80, 0x20, 0x84, 0x6b, 0x93, 0x20, 0xfc, 0x0a]);
		const { text, encoding } = decode('a.txt', bytes);
		expect([text, encoding]).to.deep.equal(['€ „k“ ü\n', 'windows-1252']);
		expect([...encode('a.txt', { text, encoding })]).to.deep.equal([...bytes]);
		const all = Uint8Array.from({ length: 256 - 32 }, (_, i) => i + 32);
		expect([...encode('a.txt', decode('a.txt', all))]).to.deep.equal([...all]);
		expect(() => encode('a.txt', { text: 'a\nbΩ', encoding: 'windows-1252' })).to.throw(
			FileRefusedError,
			'line 2, column 2: "Ω" is not in Windows-1252'
		);
		expect(decode('a.txt', Uint8Array.from([0x66, 0xfc, 0x72])).encoding).to.equal('latin-1');
	});
});

const readWith = (recipe: Recipe, text: string) => reading(recipe, 'a.csv', text);

describe('delimited files', () => {
	const csv = SHIPPED_RECIPES['aliases-csv']! as Recipe;
	const record = { ...csv.record, comment: '#' } as Recipe['record'];
	const recipe = { ...csv, record };

	it('begin with their heading, also behind lines that are commented out', () => {
		const text = '# x,draw.arc,before\nalias,command,note\na,draw.arc,\n';
		expect(
			readWith(recipe, text)
				.records.filter(({ off }) => !off)
				.map(({ fields }) => fields.alias!.value)
		).to.deep.equal(['a']);
	});

	it('get no quotes that they do not use', () => {
		const text = 'alias,command,note\na,draw.arc,plain\nb,draw.arc,\n';
		const [first] = readWith(csv, text).records;
		const inches = spliced(text, changeRecord(csv, text, first!, { note: '5" plate' }));
		expect(inches).to.equal('alias,command,note\na,draw.arc,5" plate\nb,draw.arc,\n');
		expect(readWith(csv, inches).records[0]!.fields.note!.value).to.equal('5" plate');
		// where the file uses them, or nothing else says it, they come
		const using = text.replace('plain', '"plain"');
		const [quoted] = readWith(csv, using).records;
		expect(spliced(using, changeRecord(csv, using, quoted!, { note: '5" plate' }))).to.include('"5"" plate"');
		expect(spliced(text, changeRecord(csv, text, first!, { note: 'a, b' }))).to.include('"a, b"');
	});
});
