import { expect } from 'chai';
import fc from 'fast-check';
import '../../../../core/recipe/shapes/all.ts';
import { changeRecord, insertRecord, readWith, spliced, writeWith } from '../../../../core/recipe/reading.ts';
import { fieldsOf, Recipe } from '../../../../core/recipe/recipe.ts';
import { NotWritableError, type Values } from '../../../../core/recipe/record.ts';
import { SHIPPED_RECIPES } from '../../../../core/recipe/shipped.ts';
import { SAMPLES } from './samples.ts';

/** Signs that some format has a use for, and texts of them. */
const hostile = fc
	.array(
		fc.constantFrom(
			...['a', 'b', ' ', '\t', '\n', '\r\n', ',', ';', '"', "'", '#', '{', '}', '[', ']', ':', '-', '->', '=', '<', '>', '&'],
			...[
				'\\',
				'--',
				']]>',
				'<![CDATA[',
				'//',
				'!',
				'|',
				'>-',
				'? ',
				'@',
				'%',
				'~',
				'null',
				'true',
				'10',
				'\u0000',
				'İ',
				'😀',
				'\u2028'
			]
		),
		{ maxLength: 6 }
	)
	.map((parts) => parts.join(''));

const recipes = [...SAMPLES.map((s) => s.recipe), ...Object.values(SHIPPED_RECIPES)];

const valuesFor = (recipe: Recipe) =>
	fc
		.record(
			Object.fromEntries(
				fieldsOf(recipe.record)
					.filter((f) => f !== 'skip' && f !== 'lock' && f !== 'context')
					.map((f) => [f, hostile])
			)
		)
		.map((values) => values as Values);

const said = (recipe: Recipe, text: string) =>
	readWith(recipe, 'file', text).records.map(({ off, fields }) => ({
		off,
		...Object.fromEntries(
			Object.entries(fields)
				.filter(([name, span]) => name !== 'skip' && name !== 'context' && span.value !== '')
				.map(([name, span]) => [name, span.value])
		)
	}));
const meant = (values: Values) => Object.fromEntries(Object.entries(values).filter(([, value]) => value !== ''));

/** What the work gives, or nothing if it was refused with a reason. */
function unlessRefused<T>(work: () => T): T | undefined {
	try {
		return work();
	} catch (error) {
		if (!(error instanceof NotWritableError)) throw error;
		expect(error.message.length).to.be.greaterThan(10);
		return undefined;
	}
}

describe('what is written reads back as it was meant, or is refused', () => {
	for (const { recipe, text } of SAMPLES)
		it(`changes a record of ${recipe.name}: all others say what they said`, () => {
			let written = 0;
			fc.assert(
				fc.property(fc.nat(), valuesFor(recipe), (n, values) => {
					const { records } = readWith(recipe, 'file', text);
					const at = n % records.length;
					const after = unlessRefused(() => spliced(text, changeRecord(recipe, text, records[at]!, values)));
					if (after === undefined) return;
					written++;
					const before = said(recipe, text);
					const now = said(recipe, after);
					const merged = { ...before[at], ...values } as Record<string, unknown>;
					for (const name of Object.keys(merged)) if (merged[name] === '') delete merged[name];
					expect(now[at]).to.deep.equal(merged);
					expect(now.toSpliced(at, 1)).to.deep.equal(before.toSpliced(at, 1));
				}),
				{ numRuns: 600 }
			);
			expect(written).to.be.greaterThan(3);
		});

	for (const { recipe, text } of SAMPLES)
		it(`puts a record into ${recipe.name} behind the one that is named`, () => {
			fc.assert(
				fc.property(fc.nat(), valuesFor(recipe), (n, values) => {
					const { records } = readWith(recipe, 'file', text);
					const at = n % records.length;
					const after = unlessRefused(() => spliced(text, insertRecord(recipe, text, records[at], values)));
					if (after === undefined) return;
					const now = said(recipe, after);
					expect(now.toSpliced(at + 1, 1)).to.deep.equal(said(recipe, text));
					expect(now[at + 1]).to.deep.equal({ off: false, ...meant(values) });
				}),
				{ numRuns: 400 }
			);
		});

	for (const recipe of recipes)
		it(`writes whole files of ${recipe.name}`, () => {
			fc.assert(
				fc.property(fc.array(valuesFor(recipe), { minLength: 1, maxLength: 4 }), (rows) => {
					const text = unlessRefused(() => writeWith(recipe, rows));
					if (text !== undefined) expect(said(recipe, text)).to.deep.equal(rows.map((row) => ({ off: false, ...meant(row) })));
				}),
				{ numRuns: 300 }
			);
		});

	const yaml = (fields: object) =>
		Recipe.parse({ format: 'skarn-recipe', version: 1, name: 'y', holds: 'aliases', record: { shape: 'yaml', at: '', fields } });
	const pairs = yaml({ alias: '/a', command: '/do', note: '/why' });
	const change = (recipe: Recipe, text: string, values: Values, at = 0) =>
		spliced(text, changeRecord(recipe, text, readWith(recipe, 'f', text).records[at]!, values));

	it('quotes within braces what needs quotes there', () => {
		const text = '- {a: ln, do: draw.segment, why: straight}\n- {a: dc, do: draw.circle}\n';
		expect(change(pairs, text, { note: 'straight, short' })).to.equal(
			'- {a: ln, do: draw.segment, why: "straight, short"}\n- {a: dc, do: draw.circle}\n'
		);
		expect(change(pairs, text, { note: 'a}b' })).to.include('why: "a}b"}');
		expect(change(pairs, text, { note: 'a, b' }, 1)).to.equal(
			'- {a: ln, do: draw.segment, why: straight}\n- {a: dc, do: draw.circle, why: "a, b"}\n'
		);
	});

	it('keeps quotes, and replaces folded texts as a whole', () => {
		const text = '- a: "ln"\n  do: \'draw.segment\'\n  why: >\n    two lines\n    folded\n- a: dc\n  do: draw.circle\n';
		expect(change(pairs, text, { alias: 'li', command: 'draw.line', note: 'one' })).to.equal(
			'- a: "li"\n  do: \'draw.line\'\n  why: one\n- a: dc\n  do: draw.circle\n'
		);
		expect(change(pairs, text, { note: 'one\ntwo' }, 1)).to.include('why: "one\\ntwo"');
	});

	const xml = Recipe.parse({
		format: 'skarn-recipe',
		version: 1,
		name: 'x',
		holds: 'aliases',
		record: { shape: 'xml', element: 'n', fields: { alias: '@a', command: '@do', note: '.' } }
	});
	it('writes both kinds of quotes into attributes in either, and reads sections of plain text', () => {
		const text = `<l>\n<n a='ln' do="draw.segment"><![CDATA[a < b]]> &amp; c</n>\n</l>\n`;
		expect(said(xml, text)).to.deep.equal([{ off: false, alias: 'ln', command: 'draw.segment', note: 'a < b & c' }]);
		const after = change(xml, text, { alias: `it's "so"`, note: 'x < y' });
		expect(said(xml, after)[0]).to.include({ alias: `it's "so"`, note: 'x < y' });
	});

	it('puts a JSON record where it was asked to, and leaves its neighbours byte for byte', () => {
		const { recipe, text } = SAMPLES.find((s) => s.recipe.name === 'json')!;
		const [first] = readWith(recipe, 'f', text).records;
		const after = spliced(text, insertRecord(recipe, text, first, { alias: 'ar', command: 'draw.arc' }));
		expect(after).to.equal(
			text.replace('"n": "straight" },\n', '"n": "straight" },\n    { "a": "ar", "do": { "id": "draw.arc" } },\n')
		);
	});

	it('keeps blanks that are quoted in a delimited file', () => {
		const recipe = SHIPPED_RECIPES['aliases-csv']!;
		const text = writeWith(recipe, [{ alias: 'ln', command: 'draw.segment', note: ' two ' }]);
		expect(text).to.include('" two "');
		expect(readWith(recipe, 'f', text).records[0]!.fields.note!.value).to.equal(' two ');
	});

	it('says why a line cannot be written', () => {
		const { recipe, text } = SAMPLES[0]!;
		const [first] = readWith(recipe, 'f', text).records;
		const refused = (values: Values, reason: RegExp) =>
			expect(() => changeRecord(recipe, text, first!, values)).to.throw(NotWritableError, reason);
		refused({ alias: '# x' }, /comment|read/);
		refused({ command: '' }, /read/);
		refused({ note: 'a\nb -> c' }, /record/);
		refused({ alias: 'a -> b' }, /"a -> b" cannot be written as the alias in this format: it would read as "a"/);
	});
});
