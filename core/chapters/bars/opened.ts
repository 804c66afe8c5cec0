import type { Catalogue } from '../../application/application.ts';
import { panelLayout, type PanelLayout } from '../../surface/panel.ts';
import type { Rect } from '../../surface/parts.ts';
import { floatingBar, type WindowLayout } from '../../surface/window.ts';
import type { BarForm, ItemId, ItemOf } from './bar.ts';
import { barBox, isPlace, partOf, placesOf } from './boxes.ts';
import type { BarNode, BarTree } from './tree.ts';

/** Something that opens, as it stands open over the window. */
export interface Opened extends PanelLayout {
	readonly home: BarNode;
	/** Whether its places are drawn as a bar's rather than one below the other. */
	readonly bar: { readonly icon: number; readonly text: 'none' | 'beside' | 'below' } | undefined;
}

/** The bars that are not there until they are opened. */
const OPENING: readonly BarForm[] = ['context', 'cursor'];
export const opens = ({ form }: ItemOf<'bar'>): boolean => OPENING.includes(form);

export function rectIn(layout: WindowLayout, id: string): Rect | undefined {
	for (const { strip } of layout.ribbons) {
		const found = strip?.places.find((one) => one.id === id) ?? strip?.groups.find(({ group }) => group.id === id);
		if (found) return found.rect;
	}
	for (const { bar, rect, places } of layout.toolbars) {
		if (bar.id === id) return rect;
		const found = places.find(({ place }) => place.id === id);
		if (found) return found.rect;
	}
	return layout.titles.find((title) => title.id === id)?.rect;
}

const isFolded = (node: BarNode, layout: WindowLayout): boolean =>
	layout.ribbons.some(({ strip }) => strip?.drawers.some(({ group }) => partOf(group.id).id === node.id));

/** Whether what stands in it shows only when it is opened. */
function isClosed(node: BarNode, layout: WindowLayout): boolean {
	if (isPlace(node)) return node.item.flyout !== undefined;
	if (node.item.kind === 'bar' || node.item.kind === 'tab') {
		if (node.item.kind === 'bar' && opens(node.item)) return true;
		return layout.toolbars.some(({ bar, drawer }) => bar.id === node.id && drawer.length > 0) || isFolded(node, layout);
	}
	return isFolded(node, layout);
}

/**
 * What has to be open for something to show, or the thing itself where it opens: a flyout or menu, a drawer, a folded group, a
 * context menu or cursor bar. Undefined where it shows anyhow. Of a drawer what shows outside is left out.
 */
export function openedFor(tree: BarTree, layout: WindowLayout, catalogue: Catalogue, id: ItemId): Opened | undefined {
	const node = tree.byId.get(id);
	if (!node || (isPlace(node) && node.item.flyout === undefined && rectIn(layout, id))) return undefined;
	for (let home: BarNode | undefined = node; home; home = home.parent ? tree.byId.get(home.parent) : undefined)
		if (isClosed(home, layout)) return openedAt(home, layout, catalogue, tree);
	return undefined;
}

function openedAt(home: BarNode, layout: WindowLayout, catalogue: Catalogue, tree: BarTree): Opened {
	const places = placesOf(home, catalogue).filter((place) => !rectIn(layout, place.id));
	const { canvas } = layout;
	if (home.item.kind === 'bar' && home.item.form === 'cursor') {
		const { icon, text, dock } = home.item;
		const columns = dock.edge === 'floating' ? dock.columns : 4;
		const box = { ...barBox(home as BarNode<ItemOf<'bar'>>, catalogue), places };
		const corner = { x: Math.round(canvas.x + canvas.width / 2), y: Math.round(canvas.y + canvas.height / 2) };
		return { home, ...floatingBar(box, { edge: 'floating', monitor: 1, columns, ...corner }), bar: { icon, text } };
	}
	// a flyout in a flyout opens beside where the outer one does
	let from: BarNode | undefined = home;
	let depth = 0;
	while (from && !rectIn(layout, from.id)) {
		from = from.parent ? tree.byId.get(from.parent) : undefined;
		depth++;
	}
	const rect = from && rectIn(layout, from.id);
	const corner = rect
		? { x: rect.x + depth * 24, y: rect.y + rect.height + depth * 24 }
		: { x: canvas.x + 40 + depth * 12, y: canvas.y + 40 };
	return { home, ...panelLayout(places, corner, layout), bar: undefined };
}
