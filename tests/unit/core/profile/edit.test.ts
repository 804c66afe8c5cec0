import { expect } from 'chai';
import fc from 'fast-check';
import {
	FactoryWriteError,
	StaleChangeError,
	applyChanges,
	inverse,
	undoable,
	type Change
} from '../../../../core/profile/edit.ts';
import { effectiveProfile } from '../../../../core/chapters/shortcuts/effective.ts';
import { entryKey, shortcutKey, type Entry } from '../../../../core/chapters/shortcuts/entry.ts';
import { inOrder, stratumOf, type Profile } from '../../../../core/profile/stratum.ts';
import { put, takeAway } from '../../../../core/answer/choices.ts';
import { KEYS, heads, scopeOf, small, type Small } from '../../arbitrary.ts';
import { idle, inForce } from '../../brute-force.ts';

/** Scopes that are all everywhere meet. */
const SPACE = { meet: () => true };

const plain = (profile: Profile) => profile.map((s) => [s.id, inOrder(s)]);
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
			const [found] = inOrder(target);
			return found && shortcut.command === 'c0'
				? ({ stratum: target.id, before: found, after: null } as Change)
				: (put(app.profile, target.id, shortcut)[0] ?? ({ stratum: target.id, before: null, after: null } as Change));
		})
		.filter((c) => c.before !== null || c.after !== null);

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
		expect(() => applyChanges(profile, [good, stale])).to.throw(StaleChangeError, 'expected set, found none');
		expect(plain(profile)).to.deep.equal(before);
	});

	it('never write the factory stratum', () => {
		const profile = [stratumOf(heads[0]!, [])];
		const change: Change = { stratum: heads[0]!.id, before: null, after: entry('set', 'A', 'c0') };
		expect(() => applyChanges(profile, [change])).to.throw(FactoryWriteError);
	});

	it('keep undo and redo in the log alone', () => {
		const log = [
			{ revision: 1 },
			{ revision: 2 },
			{ revision: 3, undoes: 2 },
			{ revision: 4, undoes: 1 },
			{ revision: 5, redoes: 1 }
		];
		expect(undoable(log)).to.deep.equal({ undo: [1], redo: [2] });
		expect(undoable([...log, { revision: 6 }])).to.deep.equal({ undo: [1, 6], redo: [] });
	});
});

describe('effective profile', () => {
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
