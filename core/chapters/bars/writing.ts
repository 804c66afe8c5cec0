import { generateNKeysBetween } from 'fractional-indexing';
import type { KeyedChange } from '../../strata/change.ts';
import { orderAmong } from '../../strata/order.ts';
import { writingOf } from '../../strata/writing.ts';
import { stratumById, type Profile, type Stratum, type StratumId } from '../../strata/stratum.ts';
import { freeSlug } from '../../text/slug.ts';
import type { Scope } from '../../context/scope.ts';
import { BARS, barsIn, MEETING, type BarEntry, type Item, type ItemId, type ItemOf } from './bar.ts';
import { barTree, nodesFrom, type BarNode, type BarTree } from './tree.ts';

type Part = KeyedChange<BarEntry> & { readonly chapter: typeof BARS };

const { write, hide } = writingOf<BarEntry, typeof BARS>(BARS, barsIn);

/** The changes by which the stratum says that something stands where it is wanted. */
export const setItem = (stratum: Stratum, id: ItemId, item: Item, parent: ItemId | null, order: string, offset = 0): Part[] =>
	write(stratum, 'set', id, (rank) => ({ op: 'set', id, parent, order, item, rank }), offset);

export const lockItem = (stratum: Stratum, id: ItemId, isLocked: boolean): Part[] =>
	write(stratum, 'lock', id, (rank) => (isLocked ? { op: 'lock', id, rank } : null));

/** The changes by which strata above may not move the bar, or may again. */
export const lockPosition = (stratum: Stratum, id: ItemId, isLocked: boolean): Part[] =>
	write(stratum, 'lock', MEETING.thing({ op: 'lock', id, of: 'position', rank: 0 }), (rank) =>
		isLocked ? { op: 'lock', id, of: 'position', rank } : null
	);

/** What is below a parent, the window for null. */
const childrenOf = ({ bars, byId }: BarTree, parent: ItemId | null): readonly BarNode[] =>
	parent === null ? bars : (byId.get(parent)?.children ?? []);

/** An order key for a place among what is below a parent, counted from 0 without `moving`. */
export function orderAt(tree: BarTree, parent: ItemId | null, at: number, moving?: ItemId): string {
	const others = childrenOf(tree, parent).filter((node) => node.id !== moving);
	return orderAmong(
		others.map(({ order }) => order),
		at
	);
}

/** An id made of a word that is not taken yet, and taken from now on. */
export function freeId(word: string, taken: Set<string>, longest = 40): ItemId {
	const id = freeSlug(word, (one) => taken.has(one), longest);
	taken.add(id);
	return id as ItemId;
}

/** The ids that any stratum speaks of. */
const idsIn = (profile: Profile): Set<string> =>
	new Set(profile.flatMap((s) => [...barsIn(s).values()].map((entry) => entry.id as string)));

/** An id that nothing in any stratum has, made of a word. */
export const freshId = (profile: Profile, word: string): ItemId => freeId(word, idsIn(profile));

/** What an id is made of. */
const wordOf = (item: Item): string => (item.kind === 'place' ? (item.command ?? item.flyout ?? 'separator') : item.name);

/** Puts something new below a parent. */
export function insertItem(
	profile: Profile,
	target: StratumId,
	item: Item,
	parent: ItemId | null,
	at: number
): { id: ItemId; changes: Part[] } {
	const id = freshId(profile, `${target}-${wordOf(item)}`);
	return { id, changes: setItem(stratumById(profile, target), id, item, parent, orderAt(barTree(profile), parent, at)) };
}

/** Puts several new things below a parent, one behind the other. */
export function insertItems(profile: Profile, target: StratumId, items: readonly Item[], parent: ItemId | null): Part[] {
	const stratum = stratumById(profile, target);
	const last = childrenOf(barTree(profile), parent).at(-1)?.order ?? null;
	const orders = generateNKeysBetween(last, null, items.length);
	const taken = idsIn(profile);
	return items.flatMap((item, i) => setItem(stratum, freeId(`${target}-${wordOf(item)}`, taken), item, parent, orders[i]!, i));
}

/** Puts copies of bars with all that is in them behind the bars that there are, to show in another scope. */
export function copyBars(profile: Profile, target: StratumId, bars: readonly BarNode<ItemOf<'bar'>>[], scope: Scope): Part[] {
	const stratum = stratumById(profile, target);
	const last = barTree(profile).bars.at(-1)?.order ?? null;
	const orders = generateNKeysBetween(last, null, bars.length);
	const taken = idsIn(profile);
	let offset = 0;
	const copy = ({ item, order, children }: BarNode, parent: ItemId | null, at = order): Part[] => {
		const id = freeId(`${target}-${wordOf(item)}`, taken);
		const own = setItem(stratum, id, item.kind === 'bar' ? { ...item, scope } : item, parent, at, offset++);
		return [...own, ...children.flatMap((child) => copy(child, id))];
	};
	return bars.flatMap((bar, i) => copy(bar, null, orders[i]!));
}

/** Puts something that is there elsewhere. Throws `RangeError` for a place within itself. */
export function moveItem(profile: Profile, target: StratumId, id: ItemId, parent: ItemId | null, at: number): Part[] {
	const tree = barTree(profile);
	const node = tree.byId.get(id);
	if (!node) throw new RangeError(`there is no ${id} in the toolbars`);
	if (parent !== null && [...nodesFrom(node)].some((below) => below.id === parent))
		throw new RangeError('nothing can be moved into itself');
	return setItem(stratumById(profile, target), id, node.item, parent, orderAt(tree, parent, at, id));
}

/** Says something else of what is there, and leaves it where it is. */
export function changeItem(profile: Profile, target: StratumId, id: ItemId, item: Item): Part[] {
	const node = barTree(profile).byId.get(id);
	if (!node) throw new RangeError(`there is no ${id} in the toolbars`);
	return setItem(stratumById(profile, target), id, item, node.parent, node.order);
}

/** Takes things away with all that is below them: what the stratum says itself goes, what lower ones say is hidden. */
export function takeOut(profile: Profile, target: StratumId, ids: Iterable<ItemId>): Part[] {
	const tree = barTree(profile);
	const gone = new Set<ItemId>();
	for (const id of ids) {
		const node = tree.byId.get(id);
		if (node) for (const below of nodesFrom(node)) gone.add(below.id);
	}
	return [...gone].flatMap((id, offset) => hide(profile, target, id, (rank) => ({ op: 'remove', id, rank }), offset));
}

/** The changes by which the stratum says nothing any more of these things, so that what is below counts again. */
export const resetItems = (stratum: Stratum, ids: Iterable<ItemId>): Part[] =>
	[...ids].flatMap((id) => write(stratum, 'set', id, () => null).filter(({ before }) => before !== null));
