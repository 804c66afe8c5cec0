import type { BarEntry, ItemId, ItemOf } from './bar.ts';

/** A bar as it is said, to which others belong. */
export interface WholeBar {
	readonly id: ItemId;
	readonly item: ItemOf<'bar'>;
}

/**
 * Finds the bar that something belongs to, by what all of these say of what stands in what; of two words on one thing the later
 * counts. Undefined for what belongs to no bar that any of them speaks of.
 */
export function barsOf(said: Iterable<BarEntry>): (id: ItemId) => WholeBar | undefined {
	const byId = new Map<ItemId, Extract<BarEntry, { op: 'set' }>>();
	for (const entry of said) if (entry.op === 'set') byId.set(entry.id, entry);
	return (id) => {
		const seen = new Set<ItemId>();
		for (let at = byId.get(id); at && !seen.has(at.id); at = at.parent === null ? undefined : byId.get(at.parent)) {
			seen.add(at.id);
			if (at.item.kind === 'bar') return { id: at.id, item: at.item };
		}
		return undefined;
	};
}

/** The bars that any of these speaks of, or of what is in them, in the order in which they are first come to. */
export function wholeBars(said: Iterable<BarEntry>, around: Iterable<BarEntry> = []): WholeBar[] {
	const list = [...said];
	const barOf = barsOf([...around, ...list]);
	const found = new Map<ItemId, WholeBar>();
	for (const { id } of list) {
		const bar = barOf(id);
		if (bar) found.set(bar.id, bar);
	}
	return [...found.values()];
}
