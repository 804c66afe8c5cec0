import { isOwnContext } from './axis.ts';
import type { ContextSpace } from './space.ts';

/**
 * Where who stands in a situation of one space stands in another one of the same application: the same situation, or where
 * contexts that people had made are gone, that with what they were made of in their place; the first where there is none.
 */
export function sameSituation(before: ContextSpace, now: ContextSpace, at: number): number {
	let wanted = before.situations[at];
	while (wanted) {
		const found = now.indexOf(wanted);
		if (found >= 0) return found;
		const a = wanted.findIndex((node, i) => isOwnContext(node) && !now.axes[i]!.nodes.some((n) => n.id === node));
		const gone = before.own.find(({ axis, id }) => axis === before.axes[a]?.id && id === wanted![a]);
		wanted = gone && wanted.with(a, gone.from);
	}
	return 0;
}
