import { expect } from 'chai';
import fc from 'fast-check';
import { undoable } from '../../../../core/profile/edit.ts';
import { applyChanges, type Change } from '../../../../core/shortcut/change.ts';
import { FactoryWriteError, inverse, StaleChangeError } from '../../../../core/strata/change.ts';
import { effectiveProfile } from '../../../../core/shortcut/effective.ts';
import { entryKey, shortcutKey, shortcutsIn, type Entry } from '../../../../core/shortcut/entry.ts';
import type { Profile } from '../../../../core/strata/stratum.ts';
import { inOrder } from '../../../../core/strata/entry.ts';
import { keyedFold } from '../../../../core/strata/keyed-fold.ts';
import { stratumOf } from '../../strata.ts';
import { put, takeAway } from '../../../../core/answer/choices.ts';
import { KEYS, heads, scopeOf, small, type Small } from '../../arbitrary.ts';
import { idle, inForce } from '../../brute-force.ts';

/** Scopes that are all everywhere meet. */
const SPACE = { meet: () => true };

const plain = (profile: Profile) => profile.map((s) => [s.id, inOrder(shortcutsIn(s))]);
const entry = (op: Entry['op'], keys: string, command: string, rank = 0) => ({ op, keys, command, scope: {}, rank }) as Entry;

/** A change that the profile takes: an entry that goes, or one that comes. */
const someChange = (app: Small): fc.Arbitrary<Change> =>
	fc
		.record({
			stratum: fc.constantFrom('office', 'personal'),
			command: fc.constantFrom(...app.commands.map((c) => c.id)),
			keys: fc.constantFrom(...KEYS),
			scope: scopeOf(app.axes)
		})
		.map(({ stratum, ...shortcut }) => {
			const target = app.profile.find((s) => s.id === stratum)!;
			const [found] = inOrder(shortcutsIn(target));
			return found && shortcut.command === 'c0'
				? ({ stratum: target.id, before: found, after: null } as Change)
				: (put(app.profile, target.id, shortcut)[0] ?? ({ stratum: target.id, before: null, after: null } as Change));
		})
		.filter((c) => c.before !== null || c.after !== null);

const [office, personal] = [heads[1]!.id, heads[2]!.id];

describe('edits', () => {
	it('are taken back exactly by their inverse', () => {
		fc.assert(
			fc.property(
				small().chain((app) => fc.tuple(fc.constant(app), someChange(app))),
				([{ profile }, change]) => {
					const after = applyChanges(profile, [change]);
					expect(plain(after)).to.not.deep.equal(plain(profile));
					expect(plain(applyChanges(after, inverse([change])))).to.deep.equal(plain(profile));
				}
			)
		);
	});

	it('leave the given profile alone, and apply whole or not at all', () => {
		const profile = [stratumOf(heads[0]!, [entry('set', 'A', 'c0')]), stratumOf(heads[1]!, []), stratumOf(heads[2]!, [])];
		const before = plain(profile);
		const good: Change = { stratum: heads[1]!.id, before: null, after: entry('set', 'B', 'c1') };
		const stale: Change = { stratum: heads[1]!.id, before: entry('set', 'C', 'c1'), after: null };
		expect(() => applyChanges(profile, [good, stale])).to.throw(StaleChangeError, 'expected set at 0, found none');
		expect(plain(profile)).to.deep.equal(before);
	});

	it('never write the factory stratum', () => {
		const profile = [stratumOf(heads[0]!, [])];
		const change: Change = { stratum: heads[0]!.id, before: null, after: entry('set', 'A', 'c0') };
		expect(() => applyChanges(profile, [change])).to.throw(FactoryWriteError);
	});

	it('keep undo and redo in the log alone', () => {
		const log = [
			{ revision: 1, stratum: office },
			{ revision: 2, stratum: office },
			{ revision: 3, stratum: office, undoes: 2 },
			{ revision: 4, stratum: office, undoes: 1 },
			{ revision: 5, stratum: office, redoes: 1 }
		];
		expect(undoable(log, office)).to.deep.equal({ undo: [1], redo: [2] });
		expect(undoable([...log, { revision: 6, stratum: office }], office)).to.deep.equal({ undo: [1, 6], redo: [] });
		// what another stratum wrote is that one's to take back
		const with7 = [...log, { revision: 7, stratum: personal }];
		expect(undoable(with7, office)).to.deep.equal({ undo: [1], redo: [2] });
		expect(undoable(with7, personal)).to.deep.equal({ undo: [7], redo: [] });
	});
});

describe('effective profile', () => {
	it('is that of the fold which all keyed chapters have', () => {
		fc.assert(
			fc.property(small(), ({ profile, space }) => {
				const fast = effectiveProfile(profile, space);
				const plainly = keyedFold<Entry>(profile, shortcutsIn, {
					meeting: 'adds',
					thing: shortcutKey,
					holds: (lock, isRemoved, said) =>
						(isRemoved && shortcutKey(lock) === shortcutKey(said)) ||
						(lock.keys === said.keys && (isRemoved || lock.command !== said.command) && space.meet(lock.scope, said.scope))
				});
				const told = (key: string, stratum: string, repeated: readonly string[], lock: string | undefined) =>
					[key, stratum, ...repeated, lock ?? ''].join(' ');
				expect(fast.bindings.map((b) => told(b.key, b.stratum, b.repeatedIn, b.lockedBy)).sort()).to.deep.equal(
					Array.from(plainly.inForce, ([key, f]) =>
						told(
							key,
							f.stratum.id,
							f.repeatedIn.map((s) => s.id),
							f.lockedBy?.id
						)
					).sort()
				);
				expect(Array.from(fast.removed, ([key, { by }]) => `${key} ${by}`).sort()).to.deep.equal(
					Array.from(plainly.removed, ([key, { by }]) => `${key} ${by.id}`).sort()
				);
				expect(
					fast.ineffective.map((i) => `${i.stratum} ${i.reason} ${entryKey(i.entry)} ${i.lockedBy ?? ''}`).sort()
				).to.deep.equal(plainly.idle.map((i) => `${i.stratum.id} ${i.reason} ${entryKey(i.entry)} ${i.by?.id ?? ''}`).sort());
			}),
			{ numRuns: 1000 }
		);
	});

	it('lets upper strata add and remove, with provenance', () => {
		const profile = [
			stratumOf(heads[0]!, [entry('set', 'A', 'c0'), entry('set', 'B', 'c1', 1)]),
			stratumOf(heads[1]!, [entry('remove', 'A', 'c0'), entry('set', 'B', 'c1', 1), entry('set', 'Ctrl+A', 'c2', 2)]),
			stratumOf(heads[2]!, [entry('set', 'A', 'c0')])
		];
		const { bindings, removed } = effectiveProfile(profile, SPACE);
		expect(bindings.map((b) => [b.keys, b.stratum, b.repeatedIn])).to.deep.equal([
			['A', 'personal', []],
			['Ctrl+A', 'office', []],
			['B', 'factory', ['office']]
		]);
		expect(removed.size).to.equal(0);
	});

	it('keeps a locked shortcut and lists the remove that had no effect', () => {
		const locked = entry('set', 'A', 'c0');
		const profile = [
			stratumOf(heads[0]!, [locked]),
			stratumOf(heads[1]!, [entry('lock', 'A', 'c0')]),
			stratumOf(heads[2]!, [entry('remove', 'A', 'c0')])
		];
		const effective = effectiveProfile(profile, SPACE);
		expect(effective.byKey.get(shortcutKey(locked))?.lockedBy).to.equal('office');
		expect(effective.ineffective.map((i) => [i.stratum, i.reason, i.lockedBy])).to.deep.equal([['personal', 'locked', 'office']]);
	});

	it('is the fold that a naive reading of the strata gives', () => {
		fc.assert(
			fc.property(small(), (app) => {
				const { bindings, ineffective } = effectiveProfile(app.profile, app.space);
				expect(bindings.map((b) => b.key)).to.deep.equal(inForce(app).map((b) => b.key));
				const said = (stratum: string, entry: Entry, reason: string) => `${stratum} ${entryKey(entry)} ${reason}`;
				expect(ineffective.map((i) => said(i.stratum, i.entry, i.reason)).sort()).to.deep.equal(
					idle(app)
						.map((i) => said(i.stratum, i.entry, i.reason))
						.sort()
				);
			}),
			{ numRuns: 2000 }
		);
	});
});

describe('taking a binding away', () => {
	it('takes exactly that one out of force, or says which stratum stands in the way', () => {
		fc.assert(
			fc.property(small(), ({ profile, index, space }) => {
				for (const binding of index.effective.bindings) {
					let changes: Change[];
					try {
						changes = takeAway(index, profile, heads[2]!.id, binding);
					} catch {
						expect(binding.lockedBy).to.be.oneOf(['factory', 'office']);
						continue;
					}
					const after = effectiveProfile(applyChanges(profile, changes), space).byKey;
					expect([...after.keys()].sort()).to.deep.equal(
						[...index.effective.byKey.keys()].filter((k) => k !== binding.key).sort()
					);
				}
			})
		);
	});
});
