import { expect } from 'chai';
import fc from 'fast-check';
import { check, Checks, checksOf, teller } from '../../../../../core/chapters/shortcuts/check/check.ts';
import { asReleased, circumstancesOf } from '../../../../../core/profile/circumstances.ts';
import { findingId, type Told } from '../../../../../core/chapters/shortcuts/check/finding.ts';
import { fixesOf } from '../../../../../core/chapters/shortcuts/check/fixes.ts';
import { overlay } from '../../../../../core/answer/overlay.ts';
import { explain } from '../../../../../core/answer/resolve.ts';
import { applyChanges, type Change } from '../../../../../core/shortcut/change.ts';
import { entryKey, shortcutsIn, type Entry } from '../../../../../core/shortcut/entry.ts';
import { stratumById, type StratumId } from '../../../../../core/strata/stratum.ts';
import { inOrder } from '../../../../../core/strata/entry.ts';
import { stratumOf } from '../../../strata.ts';
import { parseKeys } from '../../../../../core/stroke/stroke.ts';
import { gneiss } from '../../../../../demo/gneiss/gneiss.ts';
import { circumstances, crowded, KEYS, scopeOf, small, type Small } from '../../../arbitrary.ts';
import { happens } from '../../../brute-force.ts';
import { demoCircumstances, demoProfile } from '../../../demo-office.ts';

function findingsOf(app: Small): Told[] {
	const c = circumstances(app);
	return check(c).map(teller(c));
}

const office = 'office' as StratumId;
const personal = 'personal' as StratumId;

describe('check engine', () => {
	it('says moved exactly where enumeration finds another command than with the last release', () => {
		fc.assert(
			fc.property(
				small().chain((app) => fc.tuple(fc.constant(app), fc.subarray(inOrder(shortcutsIn(app.profile[1]!))))),
				([app, kept]) => {
					const c = circumstances(app, app.profile, kept);
					const was = { ...app, profile: asReleased(app.profile, stratumOf(app.profile[1]!, kept)) };
					const moved = new Set(
						check(c)
							.filter((f) => f.rule === 'moved')
							.map((f) => `${f.witness.keys} ${f.command}`)
					);
					const expected = new Set<string>();
					for (const { keys } of app.index.inputs())
						for (const s of app.space.situations) {
							const [before, now] = [happens(was, keys, s, true), happens(app, keys, s, true)];
							const isListChanged =
								JSON.stringify(c.released!.on(keys).map((b) => b.key)) !== JSON.stringify(app.index.on(keys).map((b) => b.key));
							if (/^c\d$/.test(before) && /^c\d$/.test(now) && before !== now && isListChanged) expected.add(`${keys} ${now}`);
						}
					expect([...moved].sort()).to.deep.equal([...expected].sort());
				}
			),
			{ numRuns: 500 }
		);
	});

	it('gives every finding a witness that reproduces it', () => {
		fc.assert(
			fc.property(small(), (app) => {
				const { index } = app;
				for (const finding of findingsOf(app)) {
					if (finding.witness.keys === undefined || finding.bindings.length === 0) continue;
					const { outcome } = explain(index, finding.witness.keys, finding.witness.situation);
					const [suffers] = finding.bindings;
					expect(finding.sentence, finding.rule).to.match(/\.$/);
					if (finding.rule === 'dead') {
						const there = app.space.situations[finding.witness.situation]!;
						expect(happens(app, finding.witness.keys, there, true), finding.sentence).to.not.equal(finding.command);
					}
					const settled = outcome.kind === 'waits' ? outcome.then : outcome;
					if (finding.rule === 'clash') expect(settled.kind).to.be.oneOf(['chooser', 'undecided']);
					if (finding.rule === 'typing') expect(outcome.kind).to.equal('typed');
					if (finding.rule === 'prefix' && app.rules.sequences === 'wait') expect(outcome.kind).to.equal('waits');
					if (finding.rule === 'shadow' || finding.rule === 'dead')
						if (outcome.kind === 'fires') expect(outcome.winner.key).to.not.equal(suffers!.key);
						else expect(outcome.kind).to.be.oneOf(['cut-short', 'nothing', 'waits', 'chooser', 'undecided']);
				}
			}),
			{ numRuns: 500 }
		);
	});

	it('offers fixes that remove their finding and add no error, as a fresh check of the whole profile says', () => {
		let tried = 0;
		fc.assert(
			fc.property(small(), fc.constantFrom(office, personal), (app, target) => {
				const c = circumstances(app);
				const before = check(c);
				const errors = before.filter((f) => f.severity === 'error');
				const isKnown = (keys: string, rule: string) => errors.some((e) => e.rule === rule && e.witness.keys === keys);
				for (const finding of before)
					for (const fix of fixesOf(c, finding, { profile: app.profile, target })) {
						tried++;
						const after = check(circumstances(app, applyChanges(app.profile, fix.changes)));
						expect(after.map(findingId), fix.label).to.not.include(findingId(finding));
						for (const f of after.filter((x) => x.severity === 'error'))
							expect(isKnown(f.witness.keys!, f.rule), `${fix.label}: ${findingId(f)}`).to.equal(true);
					}
			}),
			{ numRuns: 150 }
		);
		expect(tried).to.be.greaterThan(500);
	});

	const edits = (app: Small): fc.Arbitrary<Change[]> => {
		const entry = fc
			.record({
				op: fc.constantFrom('set', 'set', 'remove', 'lock'),
				command: fc.nat(4),
				keys: fc.constantFrom(...KEYS),
				scope: scopeOf(app.axes),
				rank: fc.nat(30)
			})
			.map(({ command, ...rest }) => ({ ...rest, command: `c${command}` }) as unknown as Entry);
		return fc
			.array(fc.tuple(fc.constantFrom(office, personal), entry, fc.boolean()), { minLength: 1, maxLength: 3 })
			.map((list) => {
				const changes = new Map<string, Change>();
				for (const [stratum, after, goes] of list) {
					const before = shortcutsIn(stratumById(app.profile, stratum)).get(entryKey(after)) ?? null;
					if (before || !goes) changes.set(`${stratum} ${entryKey(after)}`, { stratum, before, after: goes ? null : after });
				}
				return [...changes.values()];
			});
	};
	const sorted = (checks: Checks) => {
		const tell = teller(checks.circumstances);
		return checks
			.list()
			.map((f) => {
				const { id, severity, witness, sentence, count } = tell(f);
				return JSON.stringify({ id, severity, witness, sentence, count });
			})
			.sort();
	};

	it('gives after an edit, looking only at what it can affect, what a fresh check gives', () => {
		fc.assert(
			fc.property(
				small().chain((app) => fc.tuple(fc.constant(app), edits(app))),
				([app, changes]) => {
					const checks = checksOf(circumstances(app, app.profile, inOrder(shortcutsIn(app.profile[1]!))));
					const after = applyChanges(app.profile, changes);
					const then = circumstances(app, after, inOrder(shortcutsIn(app.profile[1]!)));
					checks.update(then, changes);
					expect(sorted(checks)).to.deep.equal(sorted(checksOf(then)));
				}
			),
			{ numRuns: 500 }
		);
	});

	it('gives the same after so many edits that what is out of date has been left behind', () => {
		const before = demoProfile();
		const c = demoCircumstances(gneiss, before);
		const checks = checksOf(c);
		const ids = (of: Checks) => of.list().map(findingId).sort();
		const first = ids(checks);
		for (let round = 0; round < 8; round++)
			for (const binding of c.index.effective.bindings.slice(0, 60)) {
				const { command, scope } = binding;
				const after: Entry = { op: 'set', command, keys: parseKeys('Ctrl+S'), scope, rank: 9_999 };
				if (shortcutsIn(stratumById(before, personal)).has(entryKey(after))) continue;
				const changes = [{ stratum: personal, before: null, after }];
				const then = { ...c, index: overlay(c.index, before, changes) };
				checks.update(then, changes);
				if (round === 7) expect(ids(checks)).to.deep.equal(ids(checksOf(then)));
				checks.update(c, changes);
			}
		expect(ids(checks)).to.deep.equal(first);
	});

	it('gives the same over an overlay of the changes as over a new index', () => {
		fc.assert(
			fc.property(
				small().chain((app) => fc.tuple(fc.constant(app), edits(app))),
				([app, changes]) => {
					const c = circumstances(app);
					const checks = checksOf({ ...c, index: overlay(c.index, app.profile, changes) });
					const whole = checksOf(circumstances(app, applyChanges(app.profile, changes)));
					expect(checks.list().map(findingId).sort()).to.deep.equal(whole.list().map(findingId).sort());
				}
			),
			{ numRuns: 300 }
		);
	});

	it('gives the same over an overlay in which a lock finds what it was to hold', () => {
		const [app] = fc.sample(small('chooser'), 1);
		const [factory, second, third] = app!.profile;
		const said = (op: Entry['op'], command: string): Entry => ({ op, command, keys: 'A', scope: {}, rank: 0 }) as Entry;
		const profile = [stratumOf(factory!, []), stratumOf(second!, [said('lock', 'c1')]), stratumOf(third!, [said('set', 'c4')])];
		const c = circumstances(app!, profile);
		const changes: Change[] = [{ stratum: office, before: null, after: { ...said('set', 'c1'), rank: 1 } }];
		const over = checksOf({ ...c, index: overlay(c.index, profile, changes) });
		const whole = checksOf(circumstances(app!, applyChanges(profile, changes)));
		expect(over.list().map(findingId)).to.deep.equal(whole.list().map(findingId));
		expect(whole.list().map((f) => f.rule)).to.include('locked');
	});

	it('reports how far it is, and takes a hundred thousand shortcuts on one key', () => {
		const { application, space, catalogue, profile } = crowded(100_000);
		const c = circumstancesOf({ application, space, catalogue }, profile, [], null);
		const checks = new Checks(c);
		const progress = [...checks.steps()];
		expect(progress).to.deep.equal([...progress].sort((a, b) => a - b));
		const [clash] = checks.list().filter((f) => f.rule === 'clash');
		expect(clash!.bindings).to.have.length(100_000);
		expect(teller(c)(clash!).sentence).to.include('and 99997 more');
	}).timeout(180_000);
});
