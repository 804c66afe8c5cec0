import { stratumById, type Profile, type StratumId } from '../../strata/stratum.ts';
import { barsIn, sameItem, type ItemId } from './bar.ts';
import { allNodes, barTree, nodesFrom, type BarNode, type BarTree } from './tree.ts';
import { resetItems, setItem, takeOut } from './writing.ts';

/** How a thing of the bars differs from what it was: it is new, gone, stands elsewhere, or is said to be otherwise. */
export interface BarDifference {
	readonly id: ItemId;
	readonly kind: 'new' | 'gone' | 'moved' | 'changed';
	readonly is: BarNode | undefined;
	readonly was: BarNode | undefined;
	/** What it stood in before and what is gone now, the outermost first. */
	readonly around: readonly BarNode[];
}

/** What differs between bars, in the order of the window; what is gone comes last. Of what is new or gone below its like only the top. */
export function barDifferences(tree: BarTree, before: BarTree): BarDifference[] {
	const found: BarDifference[] = [];
	const around = (was: BarNode): BarNode[] => {
		const above: BarNode[] = [];
		for (let at = was.parent; at !== null && !tree.byId.has(at); at = above[0]!.parent) {
			const node = before.byId.get(at);
			if (!node) break;
			above.unshift(node);
		}
		return above;
	};
	for (const is of allNodes(tree)) {
		const { id, parent } = is;
		const was = before.byId.get(id);
		if (!was) {
			if (parent === null || before.byId.has(parent)) found.push({ id, kind: 'new', is, was, around: [] });
		} else if (was.parent !== parent || was.order !== is.order) found.push({ id, kind: 'moved', is, was, around: around(was) });
		else if (!sameItem(was.item, is.item)) found.push({ id, kind: 'changed', is, was, around: [] });
	}
	for (const was of allNodes(before))
		if (!tree.byId.has(was.id) && (was.parent === null || tree.byId.has(was.parent)))
			found.push({ id: was.id, kind: 'gone', is: undefined, was, around: around(was) });
	return found;
}

/** The changes by which a stratum takes a difference back, with all that is below it and what it stood in if that is gone. */
export function takeBack(profile: Profile, target: StratumId, { id, is, was, around }: BarDifference) {
	if (!was) return is ? takeOut(profile, target, [id]) : [];
	const stratum = stratumById(profile, target);
	const gone = [...around, ...(is ? [was] : nodesFrom(was))];
	const level = profile.indexOf(stratum);
	const lower = barTree(profile.slice(0, level));
	const own = barsIn(stratum);
	let offset = 0;
	return gone.flatMap((node) => {
		const under = lower.byId.get(node.id);
		const isSaid = [...own.values()].some((entry) => entry.id === node.id && entry.op !== 'lock');
		// what the strata below say anyhow need not be said again
		if (isSaid && under && under.parent === node.parent && under.order === node.order && sameItem(under.item, node.item))
			return resetItems(stratum, [node.id]);
		return setItem(stratum, node.id, node.item, node.parent, node.order, offset++);
	});
}
