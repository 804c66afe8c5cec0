import { z } from 'zod';

export const AxisId = z
	.string()
	.regex(/^[a-z][a-z0-9-]*$/, 'an axis id: lower-case letters, digits and hyphens')
	.brand<'AxisId'>();
export type AxisId = z.infer<typeof AxisId>;

export const NodeId = z
	.string()
	.regex(/^[a-z0-9][a-z0-9.-]*$/, 'a context id: lower-case letters, digits, dots and hyphens')
	.brand<'NodeId'>();
export type NodeId = z.infer<typeof NodeId>;

/** With what the ids of contexts begin that people make themselves, below those of the application. */
const OWN = 'own.';

/** Whether a context is one that somebody has made. Such a one may be gone while something still speaks of it; it is nowhere then. */
export const isOwnContext = (id: string): boolean => id.startsWith(OWN);

/** The id of a context of one's own, of a name that is a slug. */
export const ownContextId = (slug: string): NodeId => `${OWN}${slug}` as NodeId;

export const ContextNode = z.strictObject({
	id: NodeId,
	label: z.string().min(1).max(80),
	parent: NodeId.optional()
});
export type ContextNode = z.infer<typeof ContextNode>;

/**
 * One independent dimension of "where am I": a forest of contexts, listed parents first.
 * Node ids are unique within their axis; every parent is named earlier in the list, which also rules out cycles.
 */
export const Axis = z
	.strictObject({
		id: AxisId,
		label: z.string().min(1).max(80),
		nodes: z.array(ContextNode).min(1).max(500),
		modes: z.record(NodeId, z.string().min(1).max(120)).optional().meta({
			description:
				'people switch between its contexts and may add custom ones; for a context, the id of the command that switches to it'
		})
	})
	.check((ctx) => {
		const seen = new Set<string>();
		ctx.value.nodes.forEach((node, i) => {
			const problem = seen.has(node.id)
				? `context "${node.id}" is listed twice on axis "${ctx.value.id}"`
				: node.parent !== undefined && !seen.has(node.parent)
					? `context "${node.id}" names the parent "${node.parent}", which is not listed before it on axis "${ctx.value.id}"`
					: undefined;
			if (problem) ctx.issues.push({ code: 'custom', input: node, path: ['nodes', i], message: problem });
			seen.add(node.id);
		});
	});
export type Axis = z.infer<typeof Axis>;

/** Whether `node` is `ancestor` itself or lies below it. Both must be on `axis`. */
export function isWithin(axis: Axis, node: NodeId, ancestor: NodeId): boolean {
	for (let at: NodeId | undefined = node; at !== undefined; at = axis.nodes.find((n) => n.id === at)?.parent)
		if (at === ancestor) return true;
	return false;
}
