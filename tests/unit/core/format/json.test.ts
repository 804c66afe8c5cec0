import { expect } from 'chai';
import fc from 'fast-check';
import { z } from 'zod';
import { checkedJson, parseJson, problemAt } from '../../../../core/format/json.ts';
import { refusal } from '../../refusal.ts';

describe('JSON with places', () => {
	it('reads what the language reads', () => {
		fc.assert(
			fc.property(fc.json(), (text) => {
				// a name __proto__ stays a plain name here, which the language does as well
				expect(parseJson('x', text).value).to.deep.equal(JSON.parse(text));
			}),
			{ numRuns: 400 }
		);
		expect(parseJson('x', '\uFEFF[1]').value).to.deep.equal([1]);
	});

	it('keeps __proto__ a plain name', () => {
		const { value } = parseJson('x', '{"a": {"__proto__": {"polluted": true}}}');
		const inner = (value as { a: object }).a;
		expect(Object.keys(inner)).to.deep.equal(['__proto__']);
		expect(Object.getPrototypeOf(inner)).to.equal(Object.prototype);
		expect(({} as Record<string, unknown>)['polluted']).to.equal(undefined);
	});

	it('refuses what breaks off, at its line and column', () => {
		fc.assert(
			fc.property(fc.json({ maxDepth: 3 }), fc.nat(), (text, n) => {
				const whole = JSON.stringify({ list: [JSON.parse(text)], end: 'x' }, null, 2);
				const cut = whole.slice(0, n % (whole.length - 1));
				const { problems } = refusal(() => parseJson('x', cut));
				const lines = cut.split('\n');
				expect(problems[0]!.line).to.be.within(1, Math.max(1, lines.length));
				expect(problems[0]!.column).to.be.within(1, (lines[problems[0]!.line - 1] ?? '').length + 1);
			}),
			{ numRuns: 300 }
		);
	});

	it('says where a value stands, by line, column and pointer (RFC 6901)', () => {
		const document = parseJson('x', '{\n  "a/b": [\n    {"c~d": 1}\n  ]\n}');
		expect(problemAt(document, ['a/b', 0, 'c~d'], 'no')).to.deep.equal({
			line: 3,
			column: 13,
			pointer: '/a~1b/0/c~0d',
			message: 'no'
		});
		expect(problemAt(document, ['a/b', 7, 'e'], 'no'), 'the nearest that is there').to.include({ line: 2, column: 10 });
	});

	it('refuses by a schema with all places at once', () => {
		const schema = z.strictObject({ a: z.number(), b: z.array(z.string()) });
		const { problems } = refusal(() => checkedJson(parseJson('x', '{\n"a": "no",\n"b": ["yes", 2]\n}'), schema));
		expect(problems.map(({ line, pointer }) => [line, pointer])).to.deep.equal([
			[2, '/a'],
			[3, '/b/1']
		]);
	});
});
