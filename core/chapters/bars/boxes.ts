import type { Catalogue, InputRules } from '../../application/application.ts';
import { hasBit, type Bits } from '../../context/bits.ts';
import type { ContextSpace } from '../../context/space.ts';
import type { GroupBox, PlaceBox } from '../../surface/parts.ts';
import type { GivingWay, TabBox } from '../../surface/ribbon.ts';
import type { RibbonBox, ToolbarBox, WindowBoxes } from '../../surface/window.ts';
import type { ItemOf } from './bar.ts';
import type { BarNode, BarTree } from './tree.ts';

/** What people read on a place: its own title, the name of what it runs, or of its flyout. */
export function labelOfPlace({ title, command, flyout }: ItemOf<'place'>, catalogue: Catalogue): string {
	return title ?? (command !== undefined ? (catalogue.get(command)?.label ?? command) : (flyout ?? ''));
}

function placeBox({ id, item }: BarNode<ItemOf<'place'>>, catalogue: Catalogue): PlaceBox {
	const kind = item.command !== undefined ? 'button' : item.flyout !== undefined ? 'flyout' : 'separator';
	return { id, kind, label: labelOfPlace(item, catalogue), isLarge: item.size === 'large', shows: item.shows };
}

export const isPlace = (node: BarNode): node is BarNode<ItemOf<'place'>> => node.item.kind === 'place';

/** The places that show: one may be switched off without being taken out. */
export const placesOf = (node: BarNode, catalogue: Catalogue): PlaceBox[] =>
	node.children.filter(isPlace).flatMap((place) => (place.item.hidden ? [] : [placeBox(place, catalogue)]));

const boxes = new WeakMap<BarNode, { readonly catalogue: Catalogue; readonly box: GroupBox }>();

/** A group as the layout takes it; the same box for the same node, so that what was measured of it stays known. */
function groupBox(node: BarNode<ItemOf<'group'>>, catalogue: Catalogue): GroupBox {
	const known = boxes.get(node);
	if (known?.catalogue === catalogue) return known.box;
	const box = { id: node.id, name: node.item.name, kept: node.item.form, places: placesOf(node, catalogue) };
	boxes.set(node, { catalogue, box });
	return box;
}

/** The tabs of a ribbon with their groups. */
export const tabsOf = (ribbon: BarNode, catalogue: Catalogue): TabBox[] =>
	ribbon.children.map((tab) => ({
		id: tab.id,
		name: (tab.item as ItemOf<'tab'>).name,
		// of most tabs only the name shows
		get groups() {
			return tab.children.map((group) => groupBox(group as BarNode<ItemOf<'group'>>, catalogue));
		}
	}));

/** A bar whose places stand beside each other, as the layout takes it. */
export function barBox(bar: BarNode<ItemOf<'bar'>>, catalogue: Catalogue): ToolbarBox {
	const { name, icon, text, dock, above } = bar.item;
	return { id: bar.id, name, places: placesOf(bar, catalogue), icon, text, dock, isAbove: above === true };
}

/** A toolbar or quick bar as the layout takes it; undefined for a bar of another form. */
export const toolbarBox = (bar: BarNode<ItemOf<'bar'>>, catalogue: Catalogue): ToolbarBox | undefined =>
	bar.item.form === 'toolbar' || bar.item.form === 'quick' ? barBox(bar, catalogue) : undefined;

/** The bars that show in a situation, as the layout takes them. `front` names the tabs in front. */
export function boxesIn(
	tree: BarTree,
	catalogue: Catalogue,
	space: ContextSpace,
	situation: number,
	front: ReadonlySet<string> = new Set()
): WindowBoxes {
	const shown = tree.bars.filter(({ item }) => !item.hidden && isIn(space, item, situation));
	const ribbons = shown.flatMap((bar): RibbonBox[] => {
		if (bar.item.form !== 'ribbon') return [];
		const tabs = tabsOf(bar, catalogue);
		return [{ id: bar.id, tabs, front: tabs.find((tab) => front.has(tab.id))?.id ?? tabs[0]?.id }];
	});
	const toolbars = shown.flatMap((bar) => toolbarBox(bar, catalogue) ?? []);
	const menus = shown
		.filter(({ item }) => item.form === 'menu')
		.map((bar) => ({ id: bar.id, name: bar.item.name, titles: placesOf(bar, catalogue) }));
	return { ribbons, toolbars, menus };
}

/** The situations in which a bar shows. A scope that the application does not have shows nowhere. */
export function whereShown(space: ContextSpace, { scope }: ItemOf<'bar'>): Bits {
	try {
		return space.bitsOf(scope);
	} catch {
		return space.nowhere;
	}
}

export const isIn = (space: ContextSpace, bar: ItemOf<'bar'>, situation: number): boolean =>
	hasBit(whereShown(space, bar), situation);

/** Which group of a ribbon gives way first, by the rules of the application. */
export const givesWayIn = ({ bars }: Pick<InputRules, 'bars'>): GivingWay => bars?.givesWay ?? 'last';
