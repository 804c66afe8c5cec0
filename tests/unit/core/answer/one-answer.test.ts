import { expect } from 'chai';
import fc from 'fast-check';
import { listen, settle } from '../../../../core/answer/listen.ts';
import { explain, resolve, type Outcome } from '../../../../core/answer/resolve.ts';
import { check, teller } from '../../../../core/chapters/shortcuts/check/check.ts';
import type { RuleId, Told } from '../../../../core/chapters/shortcuts/check/finding.ts';
import { parseKeys, strokesOf, type Keys, type Stroke } from '../../../../core/stroke/stroke.ts';
import { circumstances, KEYS, small, type Small } from '../../arbitrary.ts';
import { alive, begun, happens, idle, inForce, isAlive, isLoaded, meansSame, Program, verdictOn } from '../../brute-force.ts';

/*
 * One answer everywhere: what a program does stroke by stroke, as docs/resolution.md has it (tests/unit/brute-force.ts), is what
 * the bench does, what `resolve` and `explain` say, and what the findings of a check claim.
 */
const APPLICATIONS = 2000;

function nameOf(outcome: Outcome): string {
	switch (outcome.kind) {
		case 'fires':
			return outcome.winner.command;
		case 'chooser':
		case 'undecided':
			return `tie ${outcome.offered.map((b) => b.command).sort()}`;
		case 'cut-short':
			return 'cut';
		default:
			return outcome.kind;
	}
}

const named = (what: string, parties: readonly { command: string }[]) =>
	what === 'tie' ? `tie ${[...new Set(parties.map((p) => p.command))].sort()}` : what;
const nameOnce = (outcome: Outcome) => {
	const name = nameOf(outcome);
	return name.startsWith('tie') ? `tie ${[...new Set(name.slice(4).split(','))]}` : name;
};
const inputsOf = (app: Small): Keys[] => [...new Set([...KEYS, ...app.index.inputs().map((i) => i.keys)])];

/** Strokes at random, each with the word whether a pause comes after it. */
const pressed = fc.array(fc.tuple(fc.constantFrom('A', 'B', 'Ctrl+A'), fc.boolean()), { minLength: 1, maxLength: 6 });

describe('one answer everywhere', () => {
	it('the bench does with any strokes and pauses what the program does', () => {
		fc.assert(
			fc.property(small(), pressed, (app, strokes) => {
				app.space.situations.forEach((s, situation) => {
					const program = new Program(app, s);
					let pending: readonly Stroke[] = [];
					for (const [text, isPause] of strokes) {
						const heeded = listen(app.index, situation, pending, strokesOf(parseKeys(text))[0]!);
						pending = heeded.pending;
						const did = [heeded.settled, heeded.outcome.kind === 'waits' ? undefined : heeded].flatMap((one) =>
							one && one.outcome.kind !== 'nothing' ? [`${one.keys}: ${nameOnce(one.outcome)}`] : []
						);
						const expected = program.press(text).filter((h) => h.what !== 'nothing');
						expect(did).to.deep.equal(expected.map((h) => `${h.input}: ${named(h.what, h.parties)}`));
						expect(pending).to.have.length(program.pending.length);
						if (!isPause || pending.length === 0) continue;
						const settled = settle(app.index, situation, pending);
						pending = [];
						const [after] = program.pause();
						expect(nameOnce(settled.outcome)).to.equal(after ? named(after.what, after.parties) : 'nothing');
					}
				});
			}),
			{ numRuns: APPLICATIONS }
		);
	});

	it('resolving and explaining an input say what pressing it does, at once and after a pause', () => {
		fc.assert(
			fc.property(small(), (app) => {
				for (const keys of inputsOf(app))
					app.space.situations.forEach((s, situation) => {
						const outcome = resolve(app.index, keys, situation);
						const at = verdictOn(app, keys, s, false);
						expect(nameOnce(outcome), keys).to.equal(named(at.what, at.parties));
						expect(explain(app.index, keys, situation).outcome).to.deep.equal(outcome);
						if (outcome.kind !== 'waits') return;
						const then = verdictOn(app, keys, s, true);
						expect(nameOnce(outcome.then), `${keys} after a pause`).to.equal(named(then.what, then.parties));
					});
			}),
			{ numRuns: APPLICATIONS }
		);
	});

	it('the findings of a check are what the program does, no more and no less', () => {
		fc.assert(
			fc.property(small(), (app) => {
				const c = circumstances(app);
				const told = check(c).map(teller(c));
				expect(claimsOf(told)).to.deep.equal(claimsByEnumeration(app));
			}),
			{ numRuns: APPLICATIONS }
		);
	});
});

const CHECKED: readonly RuleId[] = ['clash', 'shadow', 'dead', 'prefix', 'typing', 'orphan', 'locked'];

/** Each claim with its count; ties as the set of their parties for each input, since one input can have several. */
function claimsOf(told: readonly Told[]): string[] {
	const claims: string[] = [];
	for (const f of told) {
		if (f.rule === 'duplicate' && f.detail !== undefined)
			claims.push(
				`same ${f.bindings
					.map((b) => b.key)
					.sort()
					.join(' & ')}`
			);
		if (!CHECKED.includes(f.rule)) continue;
		const about = f.bindings.length > 0 ? f.bindings.map((b) => b.key).sort() : [`${f.witness.keys} ${f.command}`];
		const isCounted = f.rule !== 'orphan' && f.rule !== 'locked' && f.rule !== 'typing';
		claims.push(`${f.rule} ${about.join(' & ')}${isCounted ? ` in ${f.count}` : ''}`);
	}
	return [...claims].sort();
}

function claimsByEnumeration(app: Small): string[] {
	const claims: string[] = [];
	const { situations } = app.space;
	const list = inForce(app);
	for (const keys of new Set(list.map((b) => b.keys))) {
		const ties = situations.map((s) => verdictOn(app, keys, s, true)).filter((v) => v.what === 'tie');
		for (const group of groupsOf(ties.map((t) => t.parties.map((p) => p.key)))) {
			const within = ties.filter((t) => t.parties.some((p) => group.has(p.key)));
			claims.push(`clash ${[...group].sort().join(' & ')} in ${within.length}`);
		}
	}
	for (const b of list) {
		const here = situations.filter((s) => isAlive(app, b, s));
		const heard = here.filter((s) => happens(app, b.keys, s) !== 'typed');
		const ends = heard.map((s) => verdictOn(app, b.keys, s, true));
		const loaded = isLoaded(app, b);
		const isMine = (v: (typeof ends)[number]) => loaded && (v.what === b.command || v.parties.some((p) => p.key === b.key));
		const masked = ends.filter((v) => {
			if (v.what === 'tie') return loaded && !v.parties.some((p) => p.key === b.key);
			return v.what === 'cut' || (v.what !== 'nothing' && v.what !== b.command);
		}).length;
		const wins = ends.some((v) => loaded && (v.what === b.command || (v.what === 'tie' && app.rules.ambiguity === 'chooser')));
		if (here.length === 0) claims.push(`orphan ${b.key}`);
		else if (heard.length === 0) claims.push(`typing ${b.key}`);
		// no situation shows it where another binding of its command runs in all of them
		else if (!ends.some(isMine)) {
			if (ends.some((v) => v.what !== b.command)) claims.push(`dead ${b.key} in ${heard.length}`);
		} else if (masked > 0 && wins) claims.push(`shadow ${b.key} in ${masked}`);
		// worth attention where the scope names an axis on which text is typed
		const isNamed = app.rules.typing.some((scope) => Object.keys(scope).some((axis) => axis in b.scope));
		if (heard.length > 0 && heard.length < here.length && isNamed) claims.push(`typing ${b.key}`);
		const waits = heard.filter((s) => loaded && begun(app, b.keys, s).length > 0).length;
		if (waits > 0) claims.push(`prefix ${b.key} in ${waits}`);
	}
	const living = list.filter((b) => situations.some((s) => alive(app, b.keys, s).includes(b)));
	const isTwin = (a: (typeof list)[number], b: (typeof list)[number]) =>
		a.command === b.command && a.keys === b.keys && meansSame(app, a.scope, b.scope);
	for (const [i, b] of living.entries()) {
		const twins = living.filter((o) => isTwin(b, o));
		if (twins.length > 1 && living.findIndex((o) => isTwin(b, o)) === i)
			claims.push(
				`same ${twins
					.map((t) => t.key)
					.sort()
					.join(' & ')}`
			);
	}
	for (const { entry, reason } of idle(app))
		claims.push(`${reason === 'locked' ? 'locked' : 'orphan'} ${entry.keys} ${entry.command}`);
	return claims.sort();
}

/** Sets of names that hang together. */
function groupsOf(sets: readonly (readonly string[])[]): Set<string>[] {
	const groups: Set<string>[] = [];
	for (const names of sets) {
		const touched = groups.filter((group) => names.some((name) => group.has(name)));
		const joined = new Set([...touched.flatMap((group) => [...group]), ...names]);
		for (const group of touched) groups.splice(groups.indexOf(group), 1);
		groups.push(joined);
	}
	return groups;
}
