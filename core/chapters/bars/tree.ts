import { keyedFold, type InForce, type KeyedFold } from '../../strata/keyed-fold.ts';
import { canonicalText } from '../../format/canonical.ts';
import { headOf, levelOf, type Profile, type Stratum, type StratumHead, type StratumId } from '../../strata/stratum.ts';
import {
	barsIn,
	isPositionLock,
	MEETING,
	misplacedReason,
	type BarEntries,
	type BarEntry,
	type Dock,
	type Item,
	type ItemId,
	type SetItem
} from './bar.ts';

/** A thing of the bars in force, with what stands below it in its order. */
export interface BarNode<I extends Item = Item> {
	readonly id: ItemId;
	readonly item: I;
	readonly parent: ItemId | null;
	readonly order: string;
	/** The stratum whose word it is, and the lower one whose word it stands in place of. */
	readonly stratum: StratumHead;
	readonly over: StratumHead | undefined;
	readonly lockedBy: StratumHead | undefined;
	/** The lowest stratum that keeps the bar where it stands. */
	readonly keptBy: StratumHead | undefined;
	readonly children: readonly BarNode[];
}

/** What is said without effect, and why, in words. */
export interface IdleItem {
	readonly entry: BarEntry;
	readonly stratum: StratumHead;
	readonly why: string;
	/** The stratum whose lock holds it, where it is one. */
	readonly lockedBy?: StratumHead;
}

export interface BarTree {
	readonly bars: readonly BarNode<Extract<Item, { kind: 'bar' }>>[];
	readonly byId: ReadonlyMap<ItemId, BarNode>;
	readonly idle: readonly IdleItem[];
}

const known = new WeakMap<Profile, BarTree>();

/** What is said, without locks of positions: those hold a part of what is said of a bar. */
const withoutKeeping = (stratum: Stratum): BarEntries => {
	const all = barsIn(stratum);
	const keeping = [...all].filter(([, entry]) => isPositionLock(entry));
	if (keeping.length === 0) return all;
	const rest = new Map(all);
	for (const [key] of keeping) rest.delete(key);
	return rest;
};

const barFold = (profile: Profile): KeyedFold<BarEntry> => keyedFold(profile, withoutKeeping, MEETING);

/** Where a bar is to stand, whatever strata above the one that says so want. */
interface Kept {
	readonly by: StratumHead;
	readonly dock: Dock;
	readonly order: string;
}

interface Keeping {
	readonly kept: ReadonlyMap<ItemId, Kept>;
	readonly idle: readonly IdleItem[];
}

const keepings = new WeakMap<Profile, Keeping>();

/** What strata keep where it stands: the lowest that says so decides. A lock of what is no bar there is idle. */
function keptIn(profile: Profile): Keeping {
	let keeping = keepings.get(profile);
	if (!keeping) keepings.set(profile, (keeping = findKept(profile)));
	return keeping;
}

function findKept(profile: Profile): Keeping {
	const kept = new Map<ItemId, Kept>();
	const idle: IdleItem[] = [];
	profile.forEach((stratum, level) => {
		const locks = [...barsIn(stratum).values()].filter(isPositionLock);
		if (locks.length === 0) return;
		const { inForce } = barFold(profile.slice(0, level + 1));
		for (const entry of locks) {
			const said = inForce.get(entry.id)?.entry;
			if (said?.op !== 'set' || said.item.kind !== 'bar')
				idle.push({ entry, stratum: headOf(stratum), why: REASONS['nothing-to-lock'] });
			else if (!kept.has(entry.id)) kept.set(entry.id, { by: headOf(stratum), dock: said.item.dock, order: said.order });
		}
	});
	return { kept, idle };
}

/** Why a stratum may not say where a bar stands, if it would stand elsewhere than it is kept. */
export function keptReason(profile: Profile, target: StratumId, { id, item, order }: SetItem): string | undefined {
	if (item.kind !== 'bar') return undefined;
	const kept = keptIn(profile).kept.get(id);
	if (!kept || levelOf(profile, kept.by.id) >= levelOf(profile, target)) return undefined;
	const stays = kept.order === order && canonicalText(kept.dock) === canonicalText(item.dock);
	return stays ? undefined : `${kept.by.name} has locked the position of ${item.name}`;
}

/** What a stratum says of a thing, with the place where lower strata keep the bar if they do. */
export function asKept(profile: Profile, stratum: StratumId, entry: SetItem): SetItem {
	const place = keptIn(profile).kept.get(entry.id);
	if (!place || entry.item.kind !== 'bar' || !keptReason(profile, stratum, entry)) return entry;
	return { ...entry, order: place.order, item: { ...entry.item, dock: place.dock } };
}

/**
 * All bars of a profile. Neighbours with the same order key stand by their ids, so that two people who insert at one spot both
 * find theirs. What stands below something that is gone, below what it cannot stand in, or below itself, is listed as idle with all
 * that is below it, and nothing of it is lost.
 */
export function barTree(profile: Profile): BarTree {
	let tree = known.get(profile);
	if (!tree) known.set(profile, (tree = made(profile)));
	return tree;
}

type Said = InForce<BarEntry> & { readonly entry: SetItem };

function made(profile: Profile): BarTree {
	const fold = barFold(profile);
	const { kept, idle: keptNothing } = keptIn(profile);
	const moved: IdleItem[] = [];
	const said = new Map<ItemId, Said>();
	for (const one of fold.inForce.values()) {
		const { entry, stratum } = one;
		if (entry.op !== 'set') continue;
		const held = asKept(profile, stratum.id, entry);
		if (held !== entry) {
			const why = `${keptReason(profile, stratum.id, entry)}; the rest is used`;
			moved.push({ entry, stratum, why, lockedBy: kept.get(entry.id)!.by });
		}
		said.set(entry.id, { ...one, entry: held });
	}
	const below = new Map<ItemId | null, Said[]>();
	for (const one of said.values()) {
		const list = below.get(one.entry.parent);
		if (list) list.push(one);
		else below.set(one.entry.parent, [one]);
	}
	const byId = new Map<ItemId, BarNode>();
	// that a stratum says otherwise what one below says is how strata are meant
	const idle: IdleItem[] = [...keptNothing, ...moved];
	const lost: IdleItem[] = fold.idle.flatMap(({ entry, stratum, reason, by }) =>
		reason === 'covered'
			? []
			: [
					{
						entry,
						stratum,
						why: REASONS[reason].replace('%', by?.name ?? 'a level below'),
						...(reason === 'locked' && by && { lockedBy: by })
					}
				]
	);
	idle.push(...lost);
	const misplaced = new Set<ItemId>();
	const node = (one: Said, parent: Item | null): BarNode | undefined => {
		const { id, item, parent: parentId, order } = one.entry;
		const why = misplacedReason(item, parent);
		if (why) {
			idle.push({ entry: one.entry, stratum: one.stratum, why });
			misplaced.add(id);
			return undefined;
		}
		const children = childrenOf(id, item);
		const { stratum, over, lockedBy } = one;
		const made: BarNode = { id, item, parent: parentId, order, stratum, over, lockedBy, keptBy: kept.get(id)?.by, children };
		byId.set(id, made);
		return made;
	};
	const childrenOf = (id: ItemId | null, item: Item | null): BarNode[] =>
		(below.get(id) ?? []).sort(inOrder).flatMap((one) => node(one, item) ?? []);
	const bars = childrenOf(null, null) as BarTree['bars'][number][];
	// what was not come to hangs below nothing that there is
	for (const { entry, stratum } of said.values())
		if (!byId.has(entry.id) && !misplaced.has(entry.id)) idle.push({ entry, stratum, why: lostReason(entry, said) });
	return { bars, byId, idle };
}

const REASONS = {
	locked: '% has locked it',
	'nothing-to-remove': 'there is nothing to remove',
	'nothing-to-lock': 'there is nothing to lock'
} as const;

function inOrder(a: Said, b: Said): number {
	const [first, second] = [a.entry, b.entry];
	if (first.order !== second.order) return first.order < second.order ? -1 : 1;
	return first.id < second.id ? -1 : 1;
}

function lostReason(entry: SetItem, said: ReadonlyMap<ItemId, Said>): string {
	const seen = new Set<ItemId>();
	for (let at: SetItem | undefined = entry; at;) {
		if (seen.has(at.id)) return 'it would be inside itself';
		seen.add(at.id);
		if (at.parent === null) break;
		const above: Said | undefined = said.get(at.parent);
		if (!above) return `its parent is gone (${at.parent})`;
		at = above.entry;
	}
	return 'its parent has no effect';
}

/** The node and all below it, from the top. */
export function* nodesFrom(node: BarNode): Generator<BarNode> {
	yield node;
	for (const child of node.children) yield* nodesFrom(child);
}

export function* allNodes({ bars }: BarTree): Generator<BarNode> {
	for (const bar of bars) yield* nodesFrom(bar);
}

/** From the bar down to the node. */
export function pathTo(tree: BarTree, id: ItemId): readonly BarNode[] {
	const path: BarNode[] = [];
	for (let at = tree.byId.get(id); at; at = at.parent ? tree.byId.get(at.parent) : undefined) path.unshift(at);
	return path;
}
