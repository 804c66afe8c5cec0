import '../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { parse } from 'yaml';
import { changeRecord, readWith, removeRecord, spliced, switchRecord } from '../../../../core/recipe/reading.ts';
import { Recipe } from '../../../../core/recipe/recipe.ts';
import { NotWritableError } from '../../../../core/recipe/record.ts';

const recipe = (record: unknown) => Recipe.parse({ format: 'skarn-recipe', version: 1, name: 'Own', holds: 'aliases', record });
const list = recipe({ shape: 'yaml', at: '/aliases', fields: { alias: '/name', command: '/runs', note: '/note' } });
const byName = recipe({ shape: 'yaml', fields: { alias: '#', command: '' } });
const elements = recipe({ shape: 'xml', element: 'bind', fields: { alias: '@name', command: '.', note: '@why' } });

interface Own {
	readonly name: string;
	readonly note: boolean;
}
const own = fc.array(fc.record({ name: fc.constantFrom('ln', 'dc', 'lvl', 'tt', 'wn', 'hf'), note: fc.boolean() }), {
	minLength: 1,
	maxLength: 6
});
const unique = (all: readonly Own[]) => [...new Map(all.map((o) => [o.name, o])).values()];

/** Files of records with remarks among them, in LF and CRLF. */
const FILES: Readonly<Record<string, { recipe: Recipe; write: (all: readonly Own[], end: string) => string }>> = {
	'a list in YAML': {
		recipe: list,
		write: (all, end) =>
			[
				'# office',
				'aliases:',
				'  # see: below',
				...all.flatMap(({ name, note }) => [
					`  - name: ${name}   # typed`,
					`    runs: draw.${name}`,
					...(note ? ['    note: "a # b"'] : [])
				]),
				'more: true',
				''
			].join(end)
	},
	'a map in YAML': {
		recipe: byName,
		write: (all, end) => ['# what is typed', ...all.map(({ name }) => `${name}: draw.${name} # runs`), ''].join(end)
	},
	'elements in XML': {
		recipe: elements,
		write: (all, end) =>
			[
				'<?xml version="1.0"?>',
				'<set>',
				'\t<!-- each <bind/> is one -->',
				...all.flatMap(({ name, note }) =>
					note
						? [`\t<bind why="a &amp; b" name='${name}'>`, `\t\tdraw.${name}`, '\t</bind>']
						: [`\t<bind name="${name}">draw.${name}</bind>`]
				),
				'</set>',
				''
			].join(end)
	}
};

const said = (of: Recipe, text: string) =>
	readWith(of, 'file', text).records.map(
		({ fields, off }) => `${off ? '# ' : ''}${fields.alias!.value} ${fields.command!.value}`
	);

describe('records that are commented out', () => {
	for (const [what, { recipe: of, write }] of Object.entries(FILES))
		it(`come back byte for byte, whichever go out in whatever order: ${what}`, () => {
			fc.assert(
				fc.property(own, fc.array(fc.nat(5), { maxLength: 12 }), fc.constantFrom('\n', '\r\n'), (all, steps, end) => {
					const records = unique(all);
					const whole = write(records, end);
					const off = new Set<number>();
					let text = whole;
					const toggle = (at: number) => {
						const wanted = !off.has(at);
						try {
							text = spliced(text, switchRecord(of, text, readWith(of, 'file', text).records[at]!, wanted));
						} catch (error) {
							if (!(error instanceof NotWritableError)) throw error;
							expect(of.record.shape, 'a list without items is none').to.equal('yaml');
							expect(off.size).to.equal(records.length - 1);
							return;
						}
						if (wanted) off.add(at);
						else off.delete(at);
					};
					const isRight = () =>
						expect(said(of, text)).to.deep.equal(records.map(({ name }, i) => `${off.has(i) ? '# ' : ''}${name} draw.${name}`));
					isRight();
					for (const step of steps) {
						toggle(step % records.length);
						isRight();
					}
					for (const at of [...off]) toggle(at);
					expect(text).to.equal(whole);
				}),
				{ numRuns: 300 }
			);
		});

	it('are nothing to the YAML library, which reads the others as before', () => {
		const text = FILES['a list in YAML']!.write(
			[
				{ name: 'ln', note: true },
				{ name: 'dc', note: false }
			],
			'\n'
		);
		const off = spliced(text, switchRecord(list, text, readWith(list, 'file', text).records[0]!, true));
		expect(parse(off)).to.deep.equal({ aliases: [{ name: 'dc', runs: 'draw.dc' }], more: true });
		expect(off).to.include('  # - name: ln   # typed\n  #   runs: draw.ln\n  #   note: "a # b"\n  - name: dc');
	});

	it('can be changed and taken out where they stand', () => {
		for (const { recipe: of, write } of Object.values(FILES)) {
			const text = write(
				[
					{ name: 'ln', note: true },
					{ name: 'dc', note: false }
				],
				'\n'
			);
			const off = spliced(text, switchRecord(of, text, readWith(of, 'file', text).records[0]!, true));
			const [record] = readWith(of, 'file', off).records;
			const changed = spliced(off, changeRecord(of, off, record!, { command: 'draw.arc' }));
			expect(said(of, changed)).to.deep.equal(['# ln draw.arc', 'dc draw.dc']);
			expect(said(of, spliced(off, removeRecord(of, off, record!)))).to.deep.equal(['dc draw.dc']);
		}
	});

	it('are refused where they would not come back, with what to do instead', () => {
		const refuse = (of: Recipe, text: string, message: RegExp) =>
			expect(() => switchRecord(of, text, readWith(of, 'file', text).records[0]!, true)).to.throw(NotWritableError, message);
		refuse(elements, '<set><bind name="ln" why="a--b">draw.ln</bind></set>', /two dashes .*instead/);
		refuse(byName, '{ln: draw.ln, dc: draw.dc}', /one line .*instead/);
		refuse(byName, 'ln: draw.ln\n', /last record .*instead/);
		refuse(byName, 'ln:\n\n  draw.ln\ndc: draw.dc\n', /text editor/);
		refuse(recipe({ shape: 'line', template: '{alias} {command}' }), 'ln draw.ln', /no comment sign.*instead/);
		const off = '<set><!-- <bind name="ln">draw.ln</bind> --></set>';
		const [record] = readWith(elements, 'file', off).records;
		expect(() => changeRecord(elements, off, record!, { command: 'a--b' })).to.throw(NotWritableError, /two dashes/);
	});

	it('are told from remarks', () => {
		const remarks = [
			'<set><!-- bind --><!-- <bind> --><!-- <bind name="ln"/> --><!-- <bind name="a">b</bind> c --><bind name="ln">draw.ln</bind></set>',
			'<set><!--<other name="ln">draw.ln</other>--><bind name="ln">draw.ln</bind></set>'
		];
		for (const text of remarks) expect(said(elements, text), text).to.deep.equal(['ln draw.ln']);
		const lines =
			'# of: the office, of course\n# http://example.org\n# - ln\n#dc: draw.dc\n# a: [\nln: draw.ln\n  # dc: draw.dc\n';
		expect(said(byName, lines)).to.deep.equal(['ln draw.ln']);
	});
});
