import { expect } from 'chai';
import fc from 'fast-check';
import { choices, put } from '../../../../core/answer/choices.ts';
import { consequences } from '../../../../core/answer/consequences.ts';
import { overlay } from '../../../../core/answer/overlay.ts';
import { resolve, sameOutcome } from '../../../../core/answer/resolve.ts';
import { shortcutIndex } from '../../../../core/answer/shortcut-index.ts';
import { changeProblems } from '../../../../core/answer/validate.ts';
import { verdict } from '../../../../core/answer/verdict.ts';
import { count, indexesOf } from '../../../../core/context/bits.ts';
import { shortcutsIn } from '../../../../core/shortcut/entry.ts';
import { namesOf } from '../../../../core/chapter/chapter.ts';
import { clearing, differencesBetween, takingBack } from '../../../../core/profile/differences.ts';
import { applyEdit, placedEdit } from '../../../../core/profile/edit.ts';
import { applyChanges, type Change } from '../../../../core/shortcut/change.ts';
import { effectiveProfile } from '../../../../core/shortcut/effective.ts';
import { catalogueOf } from '../../../../core/application/application.ts';
import { KEYS, heads, scopeOf, small, type Small } from '../../arbitrary.ts';
import { alive, happens, inForce, isAlive, isIn, type Standing } from '../../brute-force.ts';

const proposed = small().chain((app) =>
	fc.tuple(
		fc.constant(app),
		fc.record({
			command: fc.constantFrom(...app.commands.map((c) => c.id)),
			keys: fc.constantFrom(...KEYS),
			scope: scopeOf(app.axes)
		})
	)
);
const personal = heads[2]!.id;
const reindexed = (app: Small, changes: readonly Change[]) =>
	shortcutIndex(effectiveProfile(applyChanges(app.profile, changes), app.space), app.space, app.index.catalogue, app.rules);

describe('verdict on a proposed shortcut', () => {
	it('finds the bindings that enumeration finds, in the same situations', () => {
		fc.assert(
			fc.property(proposed, ([app, proposal]) => {
				const command = app.commands.find((c) => c.id === proposal.command)!;
				const isText = !proposal.keys.split(' ')[0]!.includes('+');
				const found = verdict(app.index, proposal);
				const expected = new Map<string, number>();
				for (const s of app.space.situations) {
					if (!isIn(app.axes, proposal.scope, s)) continue;
					if (app.rules.ambiguity === 'refuse') {
						// what the application refuses goes by the scopes alone
						for (const b of inForce(app))
							if (b.keys === proposal.keys && b.command !== proposal.command && isIn(app.axes, b.scope, s))
								expected.set(b.key, (expected.get(b.key) ?? 0) + 1);
						continue;
					}
					if (command.contexts.length > 0 && !command.contexts.some((c) => isIn(app.axes, c, s))) continue;
					if (isText && app.rules.typing.some((t) => isIn(app.axes, t, s))) continue;
					for (const b of alive(app, proposal.keys, s))
						if (b.command !== proposal.command) expected.set(b.key, (expected.get(b.key) ?? 0) + 1);
				}
				const same = found.meetings.filter((m) => m.relation === 'same');
				expect(Object.fromEntries(same.map((m) => [m.binding.key, m.count]))).to.deep.equal(Object.fromEntries(expected));
				for (const m of same) expect(indexesOf(m.situations)).to.include(m.example).and.have.length(count(m.situations));
			}),
			{ numRuns: 300 }
		);
	});

	it('offers only choices that the profile takes and the server would accept', () => {
		fc.assert(
			fc.property(proposed, ([app, proposal]) => {
				for (const choice of choices(app.index, app.profile, personal, verdict(app.index, proposal), 'Alt+Z' as never))
					if (!('closed' in choice)) {
						expect(changeProblems(app.index, app.profile, choice.changes)).to.deep.equal([]);
						const after = reindexed(app, choice.changes);
						expect(after.on(proposal.keys).some((b) => b.command === proposal.command)).to.equal(true);
					}
			}),
			{ numRuns: 300 }
		);
	});

	it('offers only what the server accepts where commands of the profile are gone', () => {
		let offered = 0;
		fc.assert(
			fc.property(proposed, ([app, proposal]) => {
				const left = app.commands.filter(({ id }) => id === proposal.command || id === 'c0');
				const catalogue = catalogueOf(left, app.space);
				const index = shortcutIndex(effectiveProfile(app.profile, app.space), app.space, catalogue, app.rules);
				for (const target of heads.slice(1).map(({ id }) => id))
					for (const choice of choices(index, app.profile, target, verdict(index, proposal), 'Alt+Z' as never))
						if (!('closed' in choice)) {
							offered++;
							expect(changeProblems(index, app.profile, choice.changes), choice.label).to.deep.equal([]);
						}
			}),
			{ numRuns: 300 }
		);
		expect(offered).to.be.greaterThan(100);
	});

	it('takes the key over where the two meet and leaves all other situations as they were', () => {
		let [taken, sequences] = [0, 0];
		fc.assert(
			fc.property(proposed, ([app, proposal]) => {
				const found = verdict(app.index, proposal);
				const [choice] = choices(app.index, app.profile, personal, found).filter((c) => c.kind === 'take-where-they-meet');
				if (!choice || 'closed' in choice) return;
				taken++;
				const after = { ...app, profile: applyChanges(app.profile, choice.changes) };
				const others = (of: typeof app, s: Standing) =>
					[...new Set(alive(of, proposal.keys, s).map((b) => b.command))].filter((c) => c !== proposal.command).sort();
				for (const s of app.space.situations) {
					const isMine = isAlive(app, proposal, s);
					const isText = happens(app, proposal.keys, s) === 'typed';
					if (isMine && !isText) expect(others(after, s)).to.deep.equal([]);
					else if (!isMine) expect(others(after, s)).to.deep.equal(others(app, s));
				}
				// what is shorter, or goes on longer, is in the way as much as what is the same
				if (found.meetings.some(({ relation }) => relation !== 'same')) sequences++;
				if (app.rules.ambiguity !== 'refuse')
					expect(verdict(reindexed(app, choice.changes), proposal).meetings).to.deep.equal([]);
			}),
			{ numRuns: 1500 }
		);
		expect(taken).to.be.greaterThan(40);
		expect(sequences, 'sequences among them').to.be.greaterThan(5);
	});

	it('ends every meeting when the key is taken over', () => {
		fc.assert(
			fc.property(proposed, ([app, proposal]) => {
				const choice = choices(app.index, app.profile, personal, verdict(app.index, proposal)).find(
					(c) => c.kind === 'take-over'
				);
				if (!choice || 'closed' in choice) return;
				expect(verdict(reindexed(app, choice.changes), proposal).meetings).to.deep.equal([]);
			}),
			{ numRuns: 300 }
		);
	});
});

describe('overlay', () => {
	it('answers like the index built anew after the changes', () => {
		fc.assert(
			fc.property(proposed, ([app, proposal]) => {
				for (const choice of choices(app.index, app.profile, personal, verdict(app.index, proposal), 'B' as never)) {
					if ('closed' in choice) continue;
					const quick = overlay(app.index, app.profile, choice.changes);
					const full = reindexed(app, choice.changes);
					for (const keys of KEYS) {
						expect(quick.on(keys)).to.deep.equal(full.on(keys));
						expect(new Set(quick.longer(keys).map((b) => b.key))).to.deep.equal(new Set(full.longer(keys).map((b) => b.key)));
					}
				}
			}),
			{ numRuns: 300 }
		);
	});

	it('gives consequences that are true and complete', () => {
		fc.assert(
			fc.property(proposed, ([app, proposal]) => {
				const changes = put(app.profile, personal, proposal);
				if (changes.length === 0) return;
				const after = reindexed(app, changes);
				const told = consequences(app.index, app.profile, changes).changes;
				for (const keys of KEYS)
					for (let s = 0; s < app.space.situations.length; s++) {
						const differs = !sameOutcome(resolve(app.index, keys, s), resolve(after, keys, s));
						const isTold = told.some((c) => c.keys === keys && c.situations.includes(s));
						// what nobody bound, before or after, is told only where it begins the new sequence
						const isBound = app.index.on(keys).length > 0 || after.on(keys).length > 0;
						if (differs && (isBound || proposal.keys.startsWith(keys + ' '))) expect(isTold, `${keys} in ${s}`).to.equal(true);
						if (isTold) expect(differs).to.equal(true);
					}
			})
		);
	});
});

describe('resetting', () => {
	const factoryOf = (app: Small) => app.profile.slice(0, 1);
	const told = (app: Small, profile = app.profile) =>
		differencesBetween(factoryOf(app), profile, namesOf(app.index)).filter((d) => d.chapter === 'shortcuts');
	const back = (app: Small, differences = told(app)) =>
		takingBack(differences, { index: app.index, profile: app.profile }, { profile: app.profile, target: personal });

	it('brings everything back to factory but what a lock holds, which stays and is told', () => {
		fc.assert(
			fc.property(small(), (app) => {
				const { changes, stays } = back(app);
				const after = told(app, applyEdit(app.profile, placedEdit(app.profile, changes)));
				expect(after.map((d) => d.id)).to.have.members(stays.map(({ difference }) => difference.id));
				for (const { reason } of stays) expect(reason).to.match(/locked/);
			}),
			{ numRuns: 500 }
		);
	});

	it('takes each difference back alone', () => {
		fc.assert(
			fc.property(small(), (app) => {
				for (const difference of told(app)) {
					const { changes } = back(app, [difference]);
					if (changes.length === 0) continue;
					const after = told(app, applyEdit(app.profile, changes));
					expect(after.map((d) => d.id)).to.not.include(difference.id);
				}
			})
		);
	});

	it('clears one command of one stratum and nothing else', () => {
		fc.assert(
			fc.property(small(), (app) => {
				const cleared = applyEdit(
					app.profile,
					clearing(app.profile[2]!, (id) => id === 'c0')
				);
				const left = [...shortcutsIn(cleared[2]!).values()];
				expect(left).to.deep.equal([...shortcutsIn(app.profile[2]!).values()].filter((e) => e.command !== 'c0'));
				expect(cleared[1]).to.equal(app.profile[1]);
			})
		);
	});
});
