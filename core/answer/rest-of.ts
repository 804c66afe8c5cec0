import { isWithin, type NodeId } from '../context/axis.ts';
import { difference, intersection, isEmpty, isSubset, meets, union, type Bits } from '../context/bits.ts';
import { scopeText, type Scope } from '../context/scope.ts';
import type { ContextSpace } from '../context/space.ts';

/** So many contexts a scope may name on one axis. */
const MOST_CONTEXTS = 50;

/**
 * Scopes within `scope` that together hold exactly what is left of `reach` without the situations `taken`: none if nothing is
 * left, undefined if no scopes say just that. Each takes from one axis the contexts that lie outside of what is taken, so that
 * together they say the complement of any product of contexts.
 */
export function restOf(space: ContextSpace, scope: Scope, reach: Bits, taken: Bits): Scope[] | undefined {
	const left = difference(reach, taken);
	if (isEmpty(left)) return [];
	const lost = intersection(reach, taken);
	const found: Scope[] = [];
	let said = space.nowhere;
	for (const axis of space.axes) {
		const within = (id: NodeId) => intersection(space.bitsOf({ [axis.id]: [id] } as Scope), space.bitsOf(scope));
		const named = scope[axis.id];
		const candidates = axis.nodes.filter(({ id }) => !named || named.some((one) => isWithin(axis, id, one)));
		const apart = new Set(candidates.filter(({ id }) => !isEmpty(within(id)) && !meets(within(id), lost)).map(({ id }) => id));
		// a context that its parent in the list covers says nothing more
		const nodes = axis.nodes.filter(({ id, parent }) => apart.has(id) && !(parent && apart.has(parent))).map(({ id }) => id);
		if (nodes.length === 0 || nodes.length > MOST_CONTEXTS) continue;
		const part = { ...scope, [axis.id]: nodes } as Scope;
		const bits = intersection(space.bitsOf(part), reach);
		if (meets(bits, lost) || isSubset(bits, said) || scopeText(part) === scopeText(scope)) continue;
		found.push(part);
		said = union(said, bits);
	}
	return isSubset(left, said) ? found : undefined;
}
