import { expect } from 'chai';
import fc from 'fast-check';
import { findNodeAtLocation, parseTree } from 'jsonc-parser';
import { memberLines } from '../../../../core/format/json-lines.ts';

const lineAt = (text: string, offset: number) => text.slice(0, offset).split('\n').length;

describe('lines of elements', () => {
	// jsonc-parser's tree is the oracle for where values stand
	it('are those of a tree of all values', () => {
		const element = fc.jsonValue({ maxDepth: 2 });
		const stratum = fc.record(
			{
				id: fc.string(),
				entries: fc.array(element, { maxLength: 6 }),
				'en"tries': fc.array(element, { maxLength: 2 }),
				macros: fc.array(element, { maxLength: 2 })
			},
			{ requiredKeys: ['entries'] }
		);
		const document = fc.record({ before: element, strata: fc.array(stratum, { maxLength: 4 }), after: element });
		fc.assert(
			fc.property(document, fc.constantFrom(undefined, 1, '\t'), fc.constantFrom('\n', '\r\n'), (value, indent, lineEnd) => {
				const text = JSON.stringify(value, null, indent).replaceAll('\n', lineEnd);
				const root = parseTree(text)!;
				const wanted = value.strata.map((_, s) => {
					const list = findNodeAtLocation(root, ['strata', s, 'entries'])!;
					return [...(list.children ?? []).map((c) => lineAt(text, c.offset)), lineAt(text, list.offset + list.length)];
				});
				expect(memberLines(text, 'strata').map((lines) => lines.get('entries'))).to.deep.equal(wanted);
			}),
			{ numRuns: 400 }
		);
	});

	it('take the last of two lists of one name, as the language does, and read escaped names', () => {
		const entriesIn = (text: string) => memberLines(text, 'strata').map((lines) => lines.get('entries'));
		expect(entriesIn('{"strata":[{"entries":[1,\n2],"entries":[\n3]}]}')).to.deep.equal([[3, 3]]);
		expect(entriesIn('\uFEFF{"str\\u0061ta":[{"entries":[1,\n2]}]}')).to.deep.equal([[1, 2, 2]]);
		expect(entriesIn('{"strata":[]}')).to.deep.equal([]);
	});

	it('are found within a member of each object, lists or not', () => {
		const text = '{"strata":[\n{"id":"a","chapters":{\n"x":[1,\n2],"y":{"z":[3]}}},\n{"id":"b"},7]}';
		expect(memberLines(text, 'strata', 'chapters').map((lines) => [...lines])).to.deep.equal([
			[
				['x', [3, 4, 4]],
				['y', [4]]
			],
			[],
			[]
		]);
		expect(memberLines('{"strata":7}', 'strata', 'chapters')).to.deep.equal([]);
	});
});
