import { expect } from 'chai';
import fc from 'fast-check';
import { count, hasBit } from '../../../../core/context/bits.ts';
import { Axis } from '../../../../core/context/axis.ts';
import { parseScope, scopeText } from '../../../../core/context/scope.ts';
import { UnknownContextError, contextSpace } from '../../../../core/context/space.ts';
import { scopeOf, small } from '../../arbitrary.ts';
import { everySituation, isIn } from '../../brute-force.ts';

describe('context space', () => {
	it('holds exactly the situations that enumeration finds', () => {
		fc.assert(
			fc.property(small(), ({ axes, reachable, space }) => {
				const text = (list: readonly (readonly string[])[]) => list.map((s) => s.join(',')).sort();
				expect(text(space.situations)).to.deep.equal(text(everySituation(axes, reachable)));
			})
		);
	});

	it('decides meeting and narrower as brute force does', () => {
		fc.assert(
			fc.property(
				small().chain((app) => fc.tuple(fc.constant(app), scopeOf(app.axes), scopeOf(app.axes))),
				([{ axes, reachable, space }, a, b]) => {
					const all = everySituation(axes, reachable);
					const inA = all.filter((s) => isIn(axes, a, s));
					const inB = all.filter((s) => isIn(axes, b, s));
					expect(space.meet(a, b)).to.equal(inA.some((s) => inB.includes(s)));
					const isInside = inA.every((s) => inB.includes(s));
					expect(space.isNarrower(space.setOf(a), space.setOf(b))).to.equal(isInside && inA.length < inB.length);
					expect(count(space.bitsOf(a))).to.equal(inA.length);
					for (const s of inA) expect(hasBit(space.bitsOf(a), space.indexOf(s))).to.equal(true);
				}
			),
			{ numRuns: 400 }
		);
	});

	it('joins scopes as brute force does, none being everywhere', () => {
		fc.assert(
			fc.property(
				small().chain((app) => fc.tuple(fc.constant(app), fc.array(scopeOf(app.axes), { maxLength: 3 }))),
				([{ axes, reachable, space }, scopes]) => {
					const within = everySituation(axes, reachable).filter(
						(s) => scopes.length === 0 || scopes.some((a) => isIn(axes, a, s))
					);
					const set = space.setOfAny(scopes);
					expect(set.size).to.equal(within.length);
					for (const s of within) expect(hasBit(set.bits, space.indexOf(s))).to.equal(true);
					expect(set.first).to.equal(within.length === 0 ? -1 : Math.min(...within.map(space.indexOf)));
					expect(space.setOfAny(scopes), 'the same set again').to.equal(set);
				}
			),
			{ numRuns: 300 }
		);
		const space = contextSpace([Axis.parse({ id: 'pane', label: 'Pane', nodes: [{ id: 'canvas', label: 'Canvas' }] })], [{}]);
		expect(space.setOfAny([{}, {}]).size).to.equal(space.situations.length);
		expect(space.emptySet.size).to.equal(0);
	});

	it('reads back the text of every scope', () => {
		fc.assert(
			fc.property(
				small().chain((app) => scopeOf(app.axes)),
				(scope) => {
					expect(scopeText(parseScope(scopeText(scope)))).to.equal(scopeText(scope));
				}
			)
		);
	});

	it('names what is unknown', () => {
		const axis = Axis.parse({ id: 'pane', label: 'Pane', nodes: [{ id: 'canvas', label: 'Canvas' }] });
		const space = contextSpace([axis], [{}]);
		expect(() => space.bitsOf(parseScope('pane=tree'))).to.throw(
			UnknownContextError,
			'axis "pane" has no context "tree"; it has canvas'
		);
		expect(() => space.bitsOf(parseScope('mode=tree'))).to.throw(UnknownContextError, 'there is no axis "mode"');
		expect(() => parseScope('pane')).to.throw(SyntaxError, 'expected axis=context');
		expect(() => contextSpace([axis, axis], [{}])).to.throw(RangeError, 'two axes have the same id');
	});

	it('refuses a tree of contexts that goes in a circle or names nobody as parent', () => {
		const circle = {
			id: 'x',
			label: 'X',
			nodes: [
				{ id: 'a', label: 'A', parent: 'b' },
				{ id: 'b', label: 'B', parent: 'a' }
			]
		};
		const parsed = Axis.safeParse(circle);
		expect(parsed.success).to.equal(false);
		expect(parsed.error!.issues[0]!.message).to.include('names the parent "b", which is not listed before it');
	});

	it('finds the nearest situation exactly as enumeration does', () => {
		fc.assert(
			fc.property(small(), fc.nat(), fc.nat(), ({ space }, a, n) => {
				const axis = a % space.axes.length;
				const nodes = space.axes[axis]!.nodes;
				const wanted = space.situations[n % space.situations.length]!.with(axis, nodes[n % nodes.length]!.id);
				const standing = space.situations.filter((s) => s[axis] === wanted[axis]);
				const agreed = (s: readonly string[]) => s.filter((node, i) => node === wanted[i]).length;
				const most = Math.max(-1, ...standing.map(agreed));
				const found = space.nearest(wanted, axis);
				expect(found < 0 ? -1 : agreed(space.situations[found]!)).to.equal(most);
				if (found >= 0) expect(space.situations[found]![axis]).to.equal(wanted[axis]);
			})
		);
	});
});
