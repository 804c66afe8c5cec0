import { expect } from 'chai';
import { FileRefusedError } from '../../../../core/format/problem.ts';
import { seeded } from '../../../../bench/generate.ts';
import { importers, mutated } from '../../../mutated.ts';

/** The long run of the same is `npm run bench -- --fuzz`. */
const SHORT = 400;

describe('importers and files that were changed at random', () => {
	for (const [name, { sound, read }] of Object.entries(importers()))
		it(`${name}: read, or refused with line and column`, () => {
			read(sound);
			const random = seeded(name.length * 31);
			for (let i = 0; i < SHORT; i++) {
				const text = mutated(sound, random);
				try {
					read(text);
				} catch (error) {
					if (!(error instanceof FileRefusedError)) throw Object.assign(error as Error, { file: text });
					for (const { line, column } of error.problems.slice(0, 3)) {
						expect(line, text).to.be.at.least(1);
						expect(column, text).to.be.at.least(1);
					}
				}
			}
			expect(Object.keys(Object.prototype)).to.deep.equal([]);
		});
});
