import { barTree, type BarTree } from '$core/chapters/bars/tree';
import { boxesIn, givesWayIn } from '$core/chapters/bars/boxes';
import type { ItemOf } from '$core/chapters/bars/bar';
import { isIn, isPlace } from '$core/chapters/bars/boxes';
import { nodesFrom, type BarNode } from '$core/chapters/bars/tree';
import type { Rect } from '$core/surface/parts';
import { FRAME } from '$core/surface/screens';
import { MENU_HEIGHT, windowLayout, type WindowLayout } from '$core/surface/window';
import { menusOf, type Group } from './surfaces';
import type { Workspace } from '$lib/state/workspace.svelte';

export interface BenchBarsLaid {
	readonly tree: BarTree;
	readonly layout: WindowLayout;
	/** What each edge has of the window, in px from the upper left corner of the layout. */
	readonly regions: Readonly<Record<'top' | 'left' | 'right' | 'bottom' | 'floating', Rect>>;
}

/**
 * The bars of the stand-in's window, as wide as it is drawn; `room.height` is that between the bars at the top and the bottom.
 * Undefined without any.
 */
export function benchBars(
	{
		profile,
		catalogue,
		space,
		situation,
		document
	}: Pick<Workspace, 'profile' | 'catalogue' | 'space' | 'situation' | 'document'>,
	room: { readonly width: number; readonly height: number },
	front: ReadonlySet<string>
): BenchBarsLaid | undefined {
	const tree = barTree(profile);
	if (tree.bars.every(({ item }) => item.form === 'menu')) return undefined;
	const boxes = { ...boxesIn(tree, catalogue, space, situation, front), menus: [] };
	const frame = { title: 0, status: 0, givesWay: givesWayIn(document.application.rules) };
	// what the edges take is found first, and then the height of the columns is that of what is left
	const probe = windowLayout(boxes, { width: room.width, height: 10_000 }, frame);
	const taken = 10_000 - probe.canvas.height;
	const layout = windowLayout(boxes, { width: room.width, height: room.height + taken }, frame);
	const { canvas, width, height } = layout;
	const [right, bottom] = [canvas.x + canvas.width, canvas.y + canvas.height];
	return {
		tree,
		layout,
		regions: {
			top: { x: 0, y: 0, width, height: canvas.y },
			// what floats is placed from the corner of the whole window, its title and menus among it
			floating: { x: 0, y: canvas.y + FRAME.title + MENU_HEIGHT, width, height: canvas.height },
			left: { x: 0, y: canvas.y, width: canvas.x, height: canvas.height },
			right: { x: right, y: canvas.y, width: width - right, height: canvas.height },
			bottom: { x: 0, y: bottom, width, height: height - bottom }
		}
	};
}

/** The menus of the profile, each with its commands; the program's own list stays behind them where its factory shapes none. */
export function ownMenus(
	tree: BarTree | undefined,
	{ catalogue, space, situation, index }: Pick<Workspace, 'catalogue' | 'space' | 'situation' | 'index'>
): readonly Group[] | undefined {
	const lines = tree?.bars.filter(({ item }) => item.form === 'menu' && !item.hidden && isIn(space, item, situation)) ?? [];
	const menus = lines.flatMap(({ children }) => children.filter(isPlace));
	if (menus.length === 0) return undefined;
	const own = menus.flatMap((menu): Group[] => {
		if (menu.item.flyout === undefined || menu.item.hidden) return [];
		const places = [...nodesFrom(menu)].filter((node) => isPlace(node) && !node.item.hidden) as BarNode<ItemOf<'place'>>[];
		return [
			{ name: menu.item.flyout, commands: places.flatMap(({ item }) => (item.command && catalogue.get(item.command)) || []) }
		];
	});
	return menus.some(({ stratum }) => stratum.kind === 'factory') ? own : [...own, ...menusOf(index)];
}
