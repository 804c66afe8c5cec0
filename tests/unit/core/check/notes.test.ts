import { expect } from 'chai';
import fc from 'fast-check';
import { RULE_IDS, SEVERITIES, type Finding, type Subject } from '../../../../core/check/finding.ts';
import { Notes } from '../../../../core/check/notes.ts';
import { MOST_SITUATIONS } from '../../../../core/context/space.ts';
import type { Binding } from '../../../../core/profile/effective.ts';
import type { Keys } from '../../../../core/stroke/stroke.ts';

const binding = (n: number) => ({ key: `b${n}`, command: `c${n}`, keys: `Ctrl+${'ABCDEFGH'[n % 8]!}` }) as unknown as Binding;

describe('notes of a check', () => {
	it('spell out exactly what was noted, in its order', () => {
		const subject: fc.Arbitrary<Subject> = fc.oneof(
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
				const notes = new Notes('Alt+X' as Keys);
				for (const { rule, severity, subject, situation, detail } of all) notes.add(rule, severity, subject, situation, detail);
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
				expect(notes.findings).to.deep.equal(expected);
				expect(notes.findings, 'spelled out once').to.equal(notes.findings);
			}),
			{ numRuns: 400 }
		);
	});

	it('have no keys where a finding is that there are none', () => {
		const notes = new Notes();
		notes.add('stranded', 'note', 'c1' as never, 3, 'weight');
		expect(notes.findings[0]!.witness).to.deep.equal({ keys: undefined, situation: 3 });
	});
});
