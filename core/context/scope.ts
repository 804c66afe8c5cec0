import { z } from 'zod';
import { AxisId, NodeId } from './axis.ts';

/**
 * What a binding is limited to: for some axes, one or more contexts (each meaning itself and all below it).
 * An axis that is not named is unrestricted, so `{}` is everywhere.
 * Several contexts on one axis read as "any of these"; docs/decisions/0002 says why a list.
 */
export const Scope = z.record(AxisId, z.array(NodeId).min(1).max(50));
export type Scope = z.infer<typeof Scope>;

export const EVERYWHERE: Scope = {};

/**
 * The canonical text of a scope, used as its key and in CSV files:
 * axes and contexts sorted, `document=part|drawing; selection=edge`. Everywhere is the empty text.
 */
export function scopeText(scope: Scope): string {
	let text = texts.get(scope);
	if (text === undefined) {
		text = worded(scope);
		if (Object.isFrozen(scope)) texts.set(scope, text);
	}
	return text;
}

/** Of scopes that cannot change any more: a file says the same few many thousand times. */
const texts = new WeakMap<Scope, string>();

function worded(scope: Scope): string {
	const axes = Object.keys(scope) as AxisId[];
	if (axes.length === 0) return '';
	return axes
		.sort()
		.map((axis) => `${axis}=${[...new Set(scope[axis])].sort().join('|')}`)
		.join('; ');
}

/** Whether two scopes can meet as far as their words go: without the trees of an application, contexts meet only themselves. */
export function mayMeet(a: Scope, b: Scope): boolean {
	return (Object.keys(a) as AxisId[]).every((axis) => !b[axis] || a[axis]!.some((node) => b[axis]!.includes(node)));
}

/** Reads what `scopeText` writes. Throws a `SyntaxError` that names the part that could not be read. */
export function parseScope(text: string): Scope {
	const scope: Scope = {};
	for (const part of text.split(';').map((p) => p.trim())) {
		if (part === '') continue;
		const [axis, nodes, ...more] = part.split('=').map((p) => p.trim());
		if (!axis || !nodes || more.length > 0)
			throw new SyntaxError(`"${part}" is not a scope; expected axis=context, several contexts joined by |`);
		const parsed = AxisId.safeParse(axis);
		if (!parsed.success) throw new SyntaxError(`"${axis}" is not an axis id`);
		if (scope[parsed.data]) throw new SyntaxError(`axis "${axis}" is named twice; join its contexts by |`);
		scope[parsed.data] = nodes.split('|').map((node) => {
			const id = NodeId.safeParse(node.trim());
			if (!id.success) throw new SyntaxError(`"${node.trim()}" is not a context id`);
			return id.data;
		});
	}
	return scope;
}
