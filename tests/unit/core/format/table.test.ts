import { expect } from 'chai';
import fc from 'fast-check';
import { stringify } from 'yaml';
import { ApplicationForm, catalogueFromTable, guessMapping } from '../../../../core/application/catalogue-table.ts';
import { readTable } from '../../../../core/format/table/table.ts';
import type { Table } from '../../../../core/format/table/tree.ts';
import { TABLES } from '../../../mutated.ts';
import { refusal } from '../../refusal.ts';

/** The records as objects, without what is empty. */
const things = ({ header, records }: Table) =>
	records.map(({ fields }) => Object.fromEntries(header.flatMap((name, i) => (fields[i] ? [[name, fields[i]]] : []))));

const refused = (file: string, text: string) => refusal(() => readTable(file, text));

describe('a list as a table', () => {
	for (const [file, text] of Object.entries(TABLES))
		it(`finds the records in ${file}, with what is around them`, () => {
			const table = readTable(file, text);
			const [first, , last] = things(table);
			expect(things(table).map((t) => t['id'])).to.deep.equal(['lay_tile', 'cut_tile', 'turn_ridge']);
			expect(first).to.include({ label: 'Lay tile', 'menus.name': 'Tiles', 'text.hint': 'Puts tiles in rows' });
			expect(first!['keywords']).to.equal('cover; roofing');
			expect(last).to.include({ 'menus.name': 'Ridge', use: '12' });
			const lines = text.split('\n');
			for (const [i, { line }] of table.records.entries()) expect(lines[line - 1]).to.include(things(table)[i]!['id']);
		});

	it('gives the same catalogue from each', () => {
		const form = ApplicationForm.parse({
			name: 'Roof',
			version: '1',
			ambiguity: 'first',
			match: 'character',
			sequences: 'wait',
			hardwired: ''
		});
		const all = Object.entries(TABLES).map(([file, text]) => {
			const { header, records } = readTable(file, text);
			const mapping = guessMapping(header);
			const { commands, refused } = catalogueFromTable(records, mapping, form);
			expect(refused).to.deep.equal([]);
			return commands;
		});
		expect(all[0]!.map((c) => [c.id, c.label, c.category[0], c.synonyms.length])).to.deep.equal([
			['lay_tile', 'Lay tile', 'Tiles', 2],
			['cut_tile', 'Cut tile', 'Tiles', 0],
			['turn_ridge', 'Turn ridge', 'Ridge', 0]
		]);
		expect(all[1]).to.deep.equal(all[0]);
		expect(all[2]).to.deep.equal(all[0]);
	});

	it('takes records that stand under their ids, and a bare list', () => {
		const keyed = { a_one: { label: 'One' }, b_two: { label: 'Two' }, c_three: { label: 'Three', deep: { hint: 'x' } } };
		const expected = [
			{ id: 'a_one', label: 'One' },
			{ id: 'b_two', label: 'Two' },
			{ id: 'c_three', label: 'Three', 'deep.hint': 'x' }
		];
		expect(things(readTable('x.json', JSON.stringify(keyed)))).to.deep.equal(expected);
		expect(things(readTable('x.yaml', stringify(keyed)))).to.deep.equal(expected);
		expect(things(readTable('x.json', '[{"id":"a"},{"id":"b"}]'))).to.deep.equal([{ id: 'a' }, { id: 'b' }]);
	});

	it('reads back any list of plain records, from JSON as from YAML', () => {
		const name = fc.stringMatching(/^[a-z][a-z0-9_]{0,8}$/);
		const word = fc.stringMatching(/^[A-Za-z][A-Za-z ]{0,12}[A-Za-z]$/);
		fc.assert(
			fc.property(fc.array(fc.dictionary(name, word, { minKeys: 1, maxKeys: 5 }), { minLength: 1, maxLength: 12 }), (list) => {
				// names of what every object has are no fields
				fc.pre(list.every((record) => Object.keys(record).every((key) => !(key in {}))));
				const expected = list.map((record) => ({ ...record }));
				expect(things(readTable('x.json', JSON.stringify({ all: list }, null, 1)))).to.deep.equal(expected);
				expect(things(readTable('x.yaml', stringify({ all: list })))).to.deep.equal(expected);
			}),
			{ numRuns: 200 }
		);
	});

	it('divides CSV by what its header is divided by', () => {
		for (const sign of [',', ';', '\t'])
			expect(
				things(readTable('x.csv', `Id${sign}"La,bel;"${sign}Menu\na${sign}One${sign}B\n`)),
				JSON.stringify(sign)
			).to.deep.equal([{ Id: 'a', 'La,bel;': 'One', Menu: 'B' }]);
	});

	it('refuses what it cannot take, with the place', () => {
		expect(refused('x.json', '{"a": [1, 2}').problems[0]).to.include({ line: 1, column: 12 });
		expect(refused('x.json', '{"a": [1, 2], "b": "c"}').message).to.include('no list of records');
		expect(refused('x.yaml', 'a:\n  - b: 1\n - c').problems[0]!.line).to.equal(3);
		expect(refused('x.xml', '<a>\n<b></a>').problems[0]!.line).to.equal(2);
		expect(refused('x.xml', '<!DOCTYPE a [<!ENTITY b "c">]><a/>').message).to.include('a document type is not accepted');
		expect(refused('x.json', '['.repeat(100_000)).problems[0]!.line).to.equal(1);
		const wide = [Object.fromEntries(Array.from({ length: 300 }, (_, i) => [`f${i}`, i]))];
		expect(refused('x.json', JSON.stringify(wide)).message).to.include('300 fields');
	});

	it('follows no alias, and takes names of what every object has as plain names', () => {
		const bomb = 'a: &a [x, x]\nb: &b [*a, *a]\nlist:\n  - id: one\n    bomb: *b\n  - id: two\n';
		expect(things(readTable('x.yaml', bomb))).to.deep.equal([{ id: 'one' }, { id: 'two' }]);
		const table = readTable('x.json', '[{"__proto__": "p", "constructor": "c"}]');
		expect(table.header).to.deep.equal(['__proto__', 'constructor']);
		expect(table.records[0]!.fields).to.deep.equal(['p', 'c']);
		expect(({} as Record<string, unknown>)['p']).to.equal(undefined);
	});
});
