import { expect } from 'chai';
import fc from 'fast-check';
import { check, told } from '../../../../core/check/check.ts';
import type { ShortcutIndex } from '../../../../core/answer/shortcut-index.ts';
import { explain } from '../../../../core/answer/resolve.ts';
import { small } from '../../arbitrary.ts';
import { alive, happens } from '../../brute-force.ts';

const findingsOf = (index: ShortcutIndex) => [...told(check({ index }), { index })];

describe('check engine', () => {
	it('finds a clash exactly where enumeration finds a tie', () => {
		fc.assert(
			fc.property(small(), (app) => {
				const found = findingsOf(app.index).filter((f) => f.rule === 'clash');
				const tied = new Map<string, number>();
				for (const keys of app.index.allKeys())
					for (const s of app.space.situations) if (happens(app, keys, s) === 'tie') tied.set(keys, (tied.get(keys) ?? 0) + 1);
				const counted = new Map<string, number>();
				for (const f of found) counted.set(f.witness.keys, (counted.get(f.witness.keys) ?? 0) + f.count);
				expect(Object.fromEntries(counted)).to.deep.equal(Object.fromEntries(tied));
			}),
			{ numRuns: 400 }
		);
	});

	it('calls a binding dead exactly when it runs in no situation and is never offered', () => {
		fc.assert(
			fc.property(small(), (app) => {
				const found = new Set(
					findingsOf(app.index)
						.filter((f) => f.rule === 'dead')
						.map((f) => f.bindings[0]!.key)
				);
				for (const b of app.index.effective.bindings) {
					const lives = app.space.situations.some((s) => {
						const what = happens(app, b.keys, s);
						return alive(app, b.keys, s).includes(b) && [b.command, 'tie', 'waits'].includes(what as never);
					});
					expect(found.has(b.key), b.key).to.equal(!lives);
				}
			}),
			{ numRuns: 400 }
		);
	});

	it('calls a binding shadowed exactly when another runs in its place somewhere and it still lives elsewhere', () => {
		fc.assert(
			fc.property(small(), (app) => {
				const all = findingsOf(app.index);
				const dead = new Set(all.filter((f) => f.rule === 'dead').map((f) => f.bindings[0]!.key));
				const found = new Map(all.filter((f) => f.rule === 'shadow').map((f) => [f.bindings[0]!.key, f.count]));
				for (const b of app.index.effective.bindings) {
					const masked = app.space.situations.filter((s) => {
						const what = happens(app, b.keys, s);
						return alive(app, b.keys, s).includes(b) && (what === 'cut' || (/^c\d$/.test(what) && what !== b.command));
					}).length;
					const isTied = all.some((f) => f.rule === 'clash' && f.bindings.includes(b));
					if (!isTied) expect(found.get(b.key) ?? 0, b.key).to.equal(dead.has(b.key) ? 0 : masked);
				}
			}),
			{ numRuns: 400 }
		);
	});

	it('gives every finding a witness that reproduces it', () => {
		fc.assert(
			fc.property(small(), ({ index }) => {
				for (const finding of findingsOf(index)) {
					const { outcome } = explain(index, finding.witness.keys, finding.witness.situation);
					const [suffers] = finding.bindings;
					if (finding.rule === 'clash') expect(outcome.kind).to.be.oneOf(['chooser', 'undecided']);
					else if (outcome.kind === 'fires') expect(outcome.winner.key).to.not.equal(suffers!.key);
					else expect(outcome.kind).to.be.oneOf(['cut-short', 'nothing', 'typed', 'waits', 'chooser', 'undecided']);
				}
			})
		);
	});
});
