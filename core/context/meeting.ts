import { isWithin, type Axis, type AxisId, type NodeId } from './axis.ts';
import { isSubset } from './bits.ts';
import { scopeText, type Scope } from './scope.ts';
import type { ContextSpace } from './space.ts';

/** Of contexts of one axis, those that lie in both lists: of a context and one below it, the lower one. */
function nodesInBoth(axis: Axis, a: readonly NodeId[], b: readonly NodeId[]): NodeId[] {
	const found = a.flatMap((x) => b.flatMap((y) => (isWithin(axis, x, y) ? [x] : isWithin(axis, y, x) ? [y] : [])));
	return [...new Set(found)];
}

/** The scope that is in both, as far as the trees of contexts go; undefined if nothing is. */
function meetingOf(space: ContextSpace, a: Scope, b: Scope): Scope | undefined {
	const both: Scope = { ...a };
	for (const id of Object.keys(b) as AxisId[]) {
		const axis = space.axes.find((one) => one.id === id)!;
		const nodes = a[id] ? nodesInBoth(axis, a[id], b[id]!) : b[id]!;
		if (nodes.length === 0) return undefined;
		both[id] = nodes;
	}
	return both;
}

/**
 * Where a scope and any of others are at once, as scopes of which none lies within another; none named means everywhere. The
 * situations of them all are those of the scope that lie in one of the others. Throws `UnknownContextError`.
 */
export function cutWith(space: ContextSpace, scope: Scope, others: readonly Scope[]): Scope[] {
	const cuts = others.length === 0 ? [scope] : others.flatMap((other) => meetingOf(space, scope, other) ?? []);
	const bits = new Map<Scope, ReturnType<ContextSpace['bitsOf']>>();
	const seen = new Set<string>();
	for (const cut of cuts) {
		const text = scopeText(cut);
		const set = space.bitsOf(cut);
		if (set !== space.nowhere && !seen.has(text)) bits.set(cut, set);
		seen.add(text);
	}
	const kept = [...bits];
	return kept
		.filter(([, set], i) => !kept.some(([, other], j) => i !== j && isSubset(set, other) && (j < i || !isSubset(other, set))))
		.map(([cut]) => cut);
}
