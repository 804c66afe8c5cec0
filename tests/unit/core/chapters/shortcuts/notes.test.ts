import { expect } from 'chai';
import fc from 'fast-check';
import { RULE_IDS, type Finding, type Sufferer } from '../../../../../core/chapters/shortcuts/check/finding.ts';
import { SEVERITIES } from '../../../../../core/check/severity.ts';
import { Notes } from '../../../../../core/chapters/shortcuts/check/notes.ts';
import { MOST_SITUATIONS } from '../../../../../core/context/space.ts';
import type { Binding } from '../../../../../core/shortcut/effective.ts';
import type { Keys } from '../../../../../core/stroke/stroke.ts';

const binding = (n: number) => ({ key: `b${n}`, command: `c${n}`, keys: `Ctrl+${'ABCDEFGH'[n % 8]!}` }) as unknown as Binding;

describe('notes of a check', () => {
	it('spell out exactly what was noted, in its order', () => {
		const subject: fc.Arbitrary<Sufferer> = fc.oneof(
			fc.nat(9).map(binding),
			fc.array(fc.nat(9).map(binding), { minLength: 1, maxLength: 4 }),
			fc.nat(9).map((n) => `c${n}` as never)
		);
		const note = fc.record({
			rule: fc.constantFrom(...RULE_IDS),
			severity: fc.constantFrom(...SEVERITIES),
			subject,
			situation: fc.nat(MOST_SITUATIONS - 1),
			detail: fc.option(fc.string(), { nil: undefined })
		});
		fc.assert(
			fc.property(fc.array(note), (all) => {
				const notes = new Notes();
				for (const { rule, severity, subject, situation, detail } of all)
					notes.add(RULE_IDS.indexOf(rule), severity, subject, situation, detail, 'Alt+X' as Keys);
				const page = notes.turn();
				const expected = all.map(({ rule, severity, subject, situation, detail }): Finding => {
					const bindings =
						typeof subject === 'string' ? [] : Array.isArray(subject) ? (subject as Binding[]) : [subject as Binding];
					return {
						rule,
						severity,
						command: typeof subject === 'string' ? subject : bindings[0]!.command,
						bindings,
						witness: { keys: bindings[0]?.keys ?? ('Alt+X' as Keys), situation },
						...(detail !== undefined && { detail })
					};
				});
				expect(page === undefined).to.equal(all.length === 0);
				if (page === undefined) return;
				const found = notes.on(page);
				expect(found).to.deep.equal(expected);
				expect(notes.on(page), 'spelled out once').to.equal(found);
			}),
			{ numRuns: 400 }
		);
	});

	it('have no keys where a finding is that there are none', () => {
		const notes = new Notes();
		notes.add(RULE_IDS.indexOf('stranded'), 'note', 'c1' as never, 3, 'weight');
		expect(notes.on(notes.turn()!)[0]!.witness).to.deep.equal({ keys: undefined, situation: 3 });
	});

	it('are the same on a page that was copied, whatever stood before it', () => {
		const notes = new Notes();
		const pages = ['A', 'B', 'C'].map((keys, n) => {
			for (let i = 0; i <= n; i++) notes.add(i, SEVERITIES[i % 3]!, binding(i), i, `${keys}${i}`, keys as Keys);
			notes.add(7, 'note', 'c1' as never, 5, undefined, keys as Keys);
			return notes.turn()!;
		});
		const known = notes.on(pages[2]!);
		const copy = new Notes();
		const copied = [2, 1].map((n) => ({ n, page: copy.copy(notes, pages[n]!) }));
		for (const { n, page } of copied) expect(copy.on(page)).to.deep.equal(notes.on(pages[n]!));
		expect(copy.on(copied[0]!.page), 'what was spelled out stays').to.have.ordered.members(known);
		expect(copy.length).to.equal(3 + 2 + 2 + 2);
	});
});
