import { expect } from 'chai';
import fc from 'fast-check';
import { indexesOf } from '../../../../core/context/bits.ts';
import type { AxisId, NodeId } from '../../../../core/context/axis.ts';
import { sameSituation } from '../../../../core/context/same-situation.ts';
import { contextSpace, MOST_SITUATIONS, withOwn, type OwnContext } from '../../../../core/context/space.ts';
import { scopeOf, small } from '../../arbitrary.ts';
import { everySituation, isIn } from '../../brute-force.ts';

/*
 * What docs/resolution.md says of contexts that people make, by enumeration: where one stands in the context that an own one is
 * made from, one can stand in the own one as well, and whatever holds there holds here.
 */

const own = (axis: string, id: string, from: string, more: Partial<OwnContext> = {}): OwnContext => ({
	axis: axis as AxisId,
	id: `own.${id}` as NodeId,
	label: id,
	from: from as NodeId,
	ownBars: false,
	...more
});

describe('own contexts in a space', () => {
	const withSome = () =>
		small().chain((app) =>
			fc.tuple(
				fc.constant(app),
				fc.array(
					fc.integer({ min: 0, max: app.axes.length - 1 }).chain((a) => {
						const { id, nodes } = app.axes[a]!;
						return fc
							.tuple(fc.constantFrom('a', 'b', 'c'), fc.constantFrom(...nodes.map((n) => n.id), 'own.a', 'own.b', 'gone'))
							.map(([name, from]) => own(id, name, from));
					}),
					{ maxLength: 4 }
				),
				scopeOf(app.axes)
			)
		);

	it('are stood in wherever that which they are made from is, and situations keep their numbers', () => {
		fc.assert(
			fc.property(withSome(), ([{ axes, reachable, space: base }, contexts, scope]) => {
				const space = withOwn(base, contexts);
				// by enumeration: each that can be adds the situations of its source with itself in place of it
				const all = new Set(everySituation(axes, reachable).map((s) => s.join(' ')));
				const sourceOf = new Map<string, string>();
				for (const { axis, id, from } of space.own) {
					const a = axes.findIndex((one) => one.id === axis);
					for (const text of [...all]) {
						const situation = text.split(' ');
						if (situation[a] === from) all.add(situation.with(a, id).join(' '));
					}
					sourceOf.set(`${axis} ${id}`, from);
				}
				expect(space.situations.map((s) => s.join(' ')).sort()).to.deep.equal([...all].sort());
				expect(space.situations.slice(0, base.situations.length)).to.deep.equal(base.situations);
				expect(space.own.length + space.baseless.length).to.equal(contexts.length);
				// what holds in the source holds in what is made from it
				const plain = (situation: readonly string[]) =>
					situation.map((node, a) => {
						let at = node;
						while (sourceOf.has(`${axes[a]!.id} ${at}`)) at = sourceOf.get(`${axes[a]!.id} ${at}`)!;
						return at;
					});
				const inScope = space.situations.flatMap((situation, i) => (isIn(axes, scope, plain(situation) as NodeId[]) ? [i] : []));
				expect(indexesOf(space.bitsOf(scope))).to.deep.equal(inScope);
			}),
			{ numRuns: 400 }
		);
	});

	const axes = [
		{ id: 'mode', label: 'Mode', nodes: ['a', 'b', 'c'].map((id) => ({ id, label: id.toUpperCase() })) },
		{ id: 'pane', label: 'Pane', nodes: ['x', 'y'].map((id) => ({ id, label: id })) }
	] as unknown as Parameters<typeof contextSpace>[0];
	const blocks = [{ mode: ['a', 'b'] }] as unknown as Parameters<typeof contextSpace>[1];
	const base = contextSpace(axes, blocks);

	it('that cannot be are left out, with the reason', () => {
		const reasons = (...contexts: OwnContext[]) => withOwn(base, contexts).baseless.map((b) => b.reason);
		expect(reasons(own('mode', 'n', 'gone'))).to.deep.equal(['it is based on "gone", which does not exist']);
		expect(reasons(own('mode', 'n', 'c'))).to.deep.equal(['it is based on C, which cannot be active']);
		expect(reasons(own('tool', 'n', 'a'))).to.deep.equal(['there is no axis "tool"']);
		expect(reasons(own('mode', 'n', 'own.m'), own('mode', 'm', 'own.n')), 'each made of the other').to.have.length(2);
		expect(reasons(own('mode', 'n', 'own.m'), own('mode', 'm', 'a')), 'in whatever order they stand').to.deep.equal([]);
		expect(reasons(own('mode', 'n', 'a'), own('mode', 'n', 'b'))).to.deep.equal(['there is a context "own.n" already']);
	});

	it('stop where there would be too many situations', () => {
		const wide = contextSpace(
			[
				{ id: 'mode', label: 'Mode', nodes: [{ id: 'a', label: 'A' }] },
				...[0, 1, 2].map((n) => ({
					id: `x${n}`,
					label: `X${n}`,
					nodes: Array.from({ length: 20 }, (_, i) => ({ id: `n${i}`, label: `N${i}` }))
				}))
			] as unknown as typeof axes,
			[{}]
		);
		const space = withOwn(wide, [own('mode', 'm', 'a'), own('mode', 'n', 'a')]);
		expect(space.situations.length).to.equal(16_000).and.to.be.at.most(MOST_SITUATIONS);
		expect(space.baseless.map((b) => b.reason)).to.deep.equal([
			`with it 24000 situations could be reached; the most is ${MOST_SITUATIONS}`
		]);
	});

	it('are nowhere once they are gone, and are no error', () => {
		expect(base.setOf({ mode: ['own.n'] } as never).size).to.equal(0);
		expect(indexesOf(base.bitsOf({ mode: ['own.n', 'a'] } as never))).to.deep.equal(
			indexesOf(base.bitsOf({ mode: ['a'] } as never))
		);
		expect(base.scopeLabel({ mode: ['own.n'] } as never)).to.equal('own.n (not there)');
		expect(() => base.bitsOf({ mode: ['n'] } as never)).to.throw('axis "mode" has no context "n"');
	});

	it('let who stands in one that goes stand in what it was made from', () => {
		const deep = withOwn(base, [own('mode', 'm', 'a'), own('mode', 'n', 'own.m')]);
		const at = deep.situations.findIndex((s) => s.join(' ') === 'own.n y');
		expect(base.situations[sameSituation(deep, base, at)]).to.deep.equal(['a', 'y']);
		const half = withOwn(base, [own('mode', 'm', 'a')]);
		expect(half.situations[sameSituation(deep, half, at)]).to.deep.equal(['own.m', 'y']);
		expect(sameSituation(base, deep, 1)).to.equal(1);
		expect(sameSituation(base, deep, 99), 'none such').to.equal(0);
	});
});
