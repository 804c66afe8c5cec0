import { expect } from 'chai';
import fc from 'fast-check';
import { explain, resolve, resolveEverywhere, type Outcome } from '../../../../core/answer/resolve.ts';
import { KEYS, small } from '../../arbitrary.ts';
import { happens } from '../../brute-force.ts';

function name(outcome: Outcome): string {
	switch (outcome.kind) {
		case 'fires':
			return outcome.winner.command;
		case 'chooser':
		case 'undecided':
			return 'tie';
		case 'cut-short':
			return 'cut';
		default:
			return outcome.kind;
	}
}

describe('resolving an input', () => {
	for (const rule of ['narrowest', 'first', 'chooser', 'refuse'] as const)
		it(`answers as brute force does under ${rule}`, () => {
			fc.assert(
				fc.property(small(rule), (app) => {
					for (const keys of KEYS)
						app.space.situations.forEach((s, i) => expect(name(resolve(app.index, keys, i))).to.equal(happens(app, keys, s)));
				}),
				{ numRuns: 250 }
			);
		});

	it('explains with the same outcome as it resolves', () => {
		fc.assert(
			fc.property(small(), fc.constantFrom(...KEYS), ({ index, space }, keys) => {
				for (let s = 0; s < space.situations.length; s++) {
					const { outcome, trace } = explain(index, keys, s);
					expect(outcome).to.deep.equal(resolve(index, keys, s));
					expect(trace[0]!.step).to.equal('input');
				}
			})
		);
	});

	it('covers every situation once when asked for all', () => {
		fc.assert(
			fc.property(small(), fc.constantFrom(...KEYS), ({ index, space }, keys) => {
				const all = resolveEverywhere(index, keys).flatMap((g) => g.situations);
				expect([...all].sort((a, b) => a - b)).to.deep.equal(space.situations.map((_, i) => i));
			})
		);
	});
});
