import type { Command, CommandId } from './command.ts';

/** What another catalogue of the same application brings. */
export interface CatalogueChange {
	readonly fresh: readonly Command[];
	readonly gone: readonly Command[];
	/** Known under another id now: what was said of the old one is to follow. */
	readonly renamed: readonly { readonly from: Command; readonly to: Command }[];
	/** The same id, with another label. */
	readonly relabelled: readonly { readonly from: Command; readonly to: Command }[];
}

const likeness = ({ label, category }: Command): string => JSON.stringify([label.toLowerCase(), category]);

/**
 * Compares catalogues. A command that is gone and one that has come are one that was renamed if they have label and category in
 * common, and no other has them.
 */
export function catalogueChange(before: readonly Command[], now: readonly Command[]): CatalogueChange {
	const was = new Map(before.map((c) => [c.id, c]));
	const is = new Map(now.map((c) => [c.id, c]));
	const gone = before.filter((c) => !is.has(c.id));
	const fresh = now.filter((c) => !was.has(c.id));
	const byLikeness = (list: readonly Command[]) => {
		const map = new Map<string, Command[]>();
		for (const command of list) map.set(likeness(command), [...(map.get(likeness(command)) ?? []), command]);
		return map;
	};
	const come = byLikeness(fresh);
	const renamed = [...byLikeness(gone)].flatMap(([like, from]) => {
		const to = come.get(like) ?? [];
		return from.length === 1 && to.length === 1 ? [{ from: from[0]!, to: to[0]! }] : [];
	});
	const moved = new Set<CommandId>(renamed.flatMap(({ from, to }) => [from.id, to.id]));
	return {
		fresh: fresh.filter((c) => !moved.has(c.id)),
		gone: gone.filter((c) => !moved.has(c.id)),
		renamed,
		relabelled: now.flatMap((to) => {
			const from = was.get(to.id);
			return from && from.label !== to.label ? [{ from, to }] : [];
		})
	};
}
