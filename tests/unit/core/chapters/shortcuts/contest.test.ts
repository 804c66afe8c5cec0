import { expect } from 'chai';
import fc from 'fast-check';
import { indexesOf } from '../../../../../core/context/bits.ts';
import type { Row } from '../../../../../core/context/kernel.ts';
import { contestOn, contestsOn, type Contest } from '../../../../../core/chapters/shortcuts/check/contest.ts';
import type { Binding } from '../../../../../core/shortcut/effective.ts';
import { properPrefixes, type Keys } from '../../../../../core/stroke/stroke.ts';
import { KEYS, small, type Small } from '../../../arbitrary.ts';
import { alive, happens, inForce, isLoaded, verdictOn, type Standing } from '../../../brute-force.ts';

/** The situations of a row, by their names. */
const namesIn = (app: Small, { shelf }: Contest, row: Row) => indexesOf(shelf.bits(row)).map((s) => app.space.situations[s]!);
const inputsOf = (app: Small): Keys[] => [...new Set([...KEYS, ...app.index.inputs().map((i) => i.keys)])];
const isThere = (app: Small, { keys, key }: Binding, s: Standing) => alive(app, keys, s).some((b) => b.key === key);
const isIn = (app: Small, { key }: Binding) =>
	isLoaded(
		app,
		inForce(app).find((b) => b.key === key)!
	);
const isCommand = (what: string) => /^c\d$/.test(what);

/** For each input of small applications, its contest beside what enumeration says of each situation. */
function everywhere(look: (app: Small, contest: Contest, what: (s: Small['space']['situations'][number]) => string) => void) {
	fc.assert(
		fc.property(small(), (app) => {
			for (const keys of inputsOf(app))
				contestOn(app.index, app.index.at(keys), (contest) => look(app, contest, (s) => happens(app, keys, s, true)));
		}),
		{ numRuns: 400 }
	);
}

describe('contest on an input', () => {
	it('hears a binding where it is alive and its keys are not text', () => {
		everywhere((app, contest, what) =>
			contest.contenders.forEach(({ binding }, place) => {
				const expected = app.space.situations.filter((s) => isThere(app, binding, s) && what(s) !== 'typed');
				expect(namesIn(app, contest, contest.heard[place]!)).to.deep.equal(expected);
				const typed = app.space.situations.findIndex((s) => isThere(app, binding, s) && what(s) === 'typed');
				expect(contest.typedAt(place)).to.equal(typed);
			})
		);
	});

	it('ties exactly where enumeration finds no winner', () => {
		everywhere((app, contest, what) => {
			const expected = app.space.situations.filter((s) => what(s) === 'tie');
			expect(namesIn(app, contest, contest.tied)).to.deep.equal(expected);
			const inTies = contest.ties().flatMap(({ situations }) => namesIn(app, contest, situations));
			expect(inTies, 'each tied situation is in one tie').to.have.length(expected.length);
			expect(inTies).to.have.members(expected);
			for (const { bindings, situations } of contest.ties())
				for (const s of namesIn(app, contest, situations))
					for (const b of verdictOn(app, contest.input.keys, s, true).parties)
						expect(bindings.map((t) => t.key)).to.include(b.key);
		});
	});

	it('gives a command what it wins: where it runs or is offered, at once or after a wait', () => {
		everywhere((app, contest, what) =>
			contest.contenders.forEach(({ binding }, place) => {
				const wins = namesIn(app, contest, contest.wins[place]!);
				for (const s of app.space.situations) {
					const isAlive = isThere(app, binding, s);
					const out = what(s);
					if (isAlive && isIn(app, binding) && out === binding.command) expect(wins, `${binding.key} runs`).to.deep.include(s);
					if (isAlive && isCommand(out) && out !== binding.command)
						expect(wins, `${binding.key} is masked`).to.not.deep.include(s);
					if (!isAlive || !isIn(app, binding) || out === 'typed' || out === 'cut') expect(wins).to.not.deep.include(s);
					if (isAlive && out === 'tie' && app.rules.ambiguity === 'chooser') expect(wins).to.deep.include(s);
				}
			})
		);
	});

	it('masks a binding exactly where another command runs, a shorter input fires first, or narrower ones stay undecided', () => {
		everywhere((app, contest) =>
			contest.contenders.forEach(({ binding }, place) => {
				if (!isIn(app, binding)) return;
				const expected = app.space.situations.filter((s) => {
					if (!isThere(app, binding, s)) return false;
					const { what: out, parties } = verdictOn(app, contest.input.keys, s, true);
					if (out === 'tie') return !parties.some((p) => p.key === binding.key);
					return out === 'cut' || (isCommand(out) && out !== binding.command);
				});
				expect(namesIn(app, contest, contest.masked(place))).to.deep.equal(expected);
				const maskers = contest.maskers(place);
				if (expected.length > 0) expect(maskers, binding.key).to.not.deep.equal([]);
				for (const masker of maskers) {
					const isEarly = properPrefixes(contest.input.keys).includes(masker.keys);
					expect(isEarly || masker.command !== binding.command).to.equal(true);
					expect(expected.some((s) => isThere(app, masker, s))).to.equal(true);
				}
			})
		);
	});

	it('finds the longer inputs that are alive where a binding is heard', () => {
		everywhere((app, contest, what) =>
			contest.contenders.forEach(({ binding }, place) => {
				const isBoth = (longer: Binding) =>
					app.space.situations.some((s) => isThere(app, binding, s) && what(s) !== 'typed' && isThere(app, longer, s));
				const expected = app.index.longer(contest.input.keys).filter((longer) => isIn(app, longer) && isBoth(longer));
				expect(contest.longerThan(place).map((b) => b.key)).to.deep.equal(expected.map((b) => b.key));
			})
		);
	});

	it('is not disturbed by a contest within it, nor by an error there', () => {
		fc.assert(
			fc.property(small(), (app) => {
				const [outer, inner] = [inputsOf(app)[0]!, inputsOf(app).at(-1)!];
				contestOn(app.index, app.index.at(outer), (contest) => {
					const before = contest.wins.map((row) => namesIn(app, contest, row));
					contestOn(app.index, app.index.at(inner), (other) => other.contenders.forEach((_, place) => other.masked(place)));
					expect(() =>
						contestOn(app.index, app.index.at(inner), () => {
							throw new Error('within');
						})
					).to.throw('within');
					contest.contenders.forEach((_, place) => contest.masked(place));
					expect(contest.wins.map((row) => namesIn(app, contest, row))).to.deep.equal(before);
				});
			})
		);
	});

	it('goes from one input to the next, and back', () => {
		fc.assert(
			fc.property(small(), fc.constantFrom(1, 1000), (app, many) => {
				const alone = new Map(
					inputsOf(app).map((keys) => [
						keys,
						contestOn(app.index, app.index.at(keys), (contest) => contest.wins.map((row) => namesIn(app, contest, row)))
					])
				);
				contestsOn(app.index, many, (contestOf) => {
					for (const keys of [...inputsOf(app), ...inputsOf(app).reverse()]) {
						const contest = contestOf(app.index.at(keys));
						expect(contestOf(app.index.at(keys)), 'the same keys share one').to.equal(contest);
						expect(contest.wins.map((row) => namesIn(app, contest, row))).to.deep.equal(alone.get(keys));
					}
				});
			})
		);
	});
});
