import '../../../../core/format/own-words.ts';
import { expect } from 'chai';
import { z } from 'zod';
import { readApplicationFile } from '../../../../core/application/application-file.ts';
import { FileRefusedError } from '../../../../core/format/problem.ts';
import { readCsv } from '../../../../core/format/csv.ts';
import { readProfileFile } from '../../../../core/hand-over/profile-file.ts';

const said = (schema: z.ZodType, value: unknown) => schema.safeParse(value).error?.issues.map((issue) => issue.message);

describe('what is wrong with a value', () => {
	const cases: readonly [z.ZodType, unknown, string][] = [
		[z.string(), undefined, 'expected a text, found nothing'],
		[z.number(), 'x', 'expected a number, found "x"'],
		[z.array(z.string()), {}, 'expected a list, found an object'],
		[z.strictObject({}), [], 'expected an object, found a list'],
		[z.enum(['a', 'b']), 'c', 'expected "a" or "b", found "c"'],
		[z.strictObject({ a: z.string() }), { a: '', b: 1, c: 2 }, 'there is no "b", "c" here'],
		[z.string().max(3), 'abcd', 'expected at most 3 characters'],
		[z.array(z.string()).min(1), [], 'expected at least 1 entry'],
		[z.number().max(5), 9, 'expected at most 5'],
		[z.discriminatedUnion('op', [z.object({ op: z.literal('set') })]), { op: 'put' }, 'expected "set"'],
		[z.string().regex(/^a/), 'b', 'is incorrect, found "b"'],
		[z.string().max(1, 'too long for a key'), 'bb', 'too long for a key']
	];
	for (const [schema, value, text] of cases)
		it(`is told as ${text}`, () => {
			expect(said(schema, value)).to.deep.equal([text]);
		});

	it('is told so in files, never in the words of a library', () => {
		const problems = (read: () => unknown): string[] => {
			try {
				read();
			} catch (error) {
				if (error instanceof FileRefusedError) return error.problems.map(({ message }) => message);
				throw error;
			}
			return [];
		};
		const texts = [
			...problems(() => readApplicationFile('a.json', '{"format":"skarn-application","version":1,"application":{"id":3}}')),
			...problems(() => readProfileFile('p.json', '{"format":"skarn-profile","version":2,"strata":4}')),
			...problems(() => readCsv('c.csv', 'keys,command\n"Ctrl+E,x\n')),
			...problems(() => readProfileFile('p.json', '{"format": '))
		];
		expect(texts.length).to.be.at.least(4);
		for (const text of texts)
			expect(text).not.to.match(/Invalid|Unrecognized|received|undefined|Quote Not Closed|Unexpected token/);
	});
});
