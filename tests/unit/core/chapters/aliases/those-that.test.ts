import { expect } from 'chai';
import fc from 'fast-check';
import type { AliasEntry } from '../../../../../core/chapters/aliases/table.ts';
import { thoseThat } from '../../../../../core/chapters/aliases/those-that.ts';

const entries = Array.from({ length: 8 }, (_, i) => ({ alias: `a${i}` }) as AliasEntry);

describe('those of many entries of which a test holds', () => {
	it('are those that a filter finds, after any change of the list and of what the test goes by', () => {
		const state = fc.record({
			list: fc.array(fc.constantFrom(...entries), { maxLength: 10 }),
			by: fc.constantFrom(new Set(['a0', 'a3', 'a4']), new Set(['a1', 'a3']), new Set<string>())
		});
		fc.assert(
			fc.property(fc.array(state, { maxLength: 8 }), (states) => {
				const those = thoseThat<ReadonlySet<string>>(({ alias }, by) => by.has(alias));
				for (const { list, by } of states) expect(those(list, by)).to.deep.equal(list.filter(({ alias }) => by.has(alias)));
			}),
			{ numRuns: 2_000 }
		);
	});

	it('are looked for where a list has changed, and not elsewhere', () => {
		const asked: string[] = [];
		const those = thoseThat(({ alias }) => asked.push(alias) > 0);
		const by = {};
		those(entries, by);
		asked.length = 0;
		those([...entries.slice(0, 3), entries[7]!, ...entries.slice(4)], by);
		expect(asked).to.deep.equal(['a7']);
		asked.length = 0;
		those(entries, {});
		expect(asked, 'by something else').to.have.lengthOf(8);
	});
});
