import type { Catalogue, InputRules } from '../../application/application.ts';
import { isWithin } from '../../context/axis.ts';
import { difference, hasBit, type Bits } from '../../context/bits.ts';
import { scopeText, type Scope } from '../../context/scope.ts';
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

const rule = (id: string): PlaceBox => ({ id, kind: 'separator', label: '', isLarge: false, shows: 'both' });

/** The tabs of a ribbon that is drawn as toolbars: its groups one behind the other, each tab in a row of its own. */
const tabsAsToolbars = (ribbon: BarNode<ItemOf<'bar'>>, catalogue: Catalogue): ToolbarBox[] =>
	ribbon.children.map((tab, row) => {
		const { name, dock = { edge: 'top', row } } = tab.item as ItemOf<'tab'>;
		const places = tab.children.flatMap((group, i) => [
			...(i > 0 ? [rule(`~${group.id}~0`)] : []),
			...placesOf(group, catalogue)
		]);
		const { icon, text } = ribbon.item;
		return { id: tab.id, name, places, icon, text, dock };
	});

/** What a synthetic box stands for: the bar with the part of it, counted by its separators. */
export function partOf(id: string): { readonly id: string; readonly part: number } {
	const [, of = id, part = '0'] = id.startsWith('~') ? id.split('~') : [];
	return { id: of, part: Number(part) };
}

/** A toolbar that is drawn as a tab: what separators part are its groups, called after what stands first in them. */
function toolbarAsTab(bar: BarNode<ItemOf<'bar'>>, catalogue: Catalogue): TabBox {
	const parts: PlaceBox[][] = [[]];
	for (const place of placesOf(bar, catalogue))
		if (place.kind === 'separator') parts.push([]);
		else parts.at(-1)!.push(place);
	const nameOf = (places: readonly PlaceBox[]): string => {
		const named = places.find(({ id }) => bar.children.some((child) => child.id === id && isPlace(child) && child.item.command));
		const node = bar.children.find((child) => child.id === named?.id);
		const command = node && isPlace(node) && node.item.command ? catalogue.get(node.item.command) : undefined;
		return command?.category.at(-1) ?? bar.item.name;
	};
	const groups = parts.map((places, i) => ({ id: `~${bar.id}~${i}`, name: nameOf(places), places }));
	return { id: bar.id, name: bar.item.name, groups: groups.filter(({ places }) => places.length > 0) };
}

/** A bar whose places stand beside each other, as the layout takes it. */
export function barBox(bar: BarNode<ItemOf<'bar'>>, catalogue: Catalogue): ToolbarBox {
	const { name, icon, text, dock, above } = bar.item;
	return { id: bar.id, name, places: placesOf(bar, catalogue), icon, text, dock, isAbove: above === true };
}

/** A toolbar or quick bar as the layout takes it; undefined for a bar of another form. */
export const toolbarBox = (bar: BarNode<ItemOf<'bar'>>, catalogue: Catalogue): ToolbarBox | undefined =>
	(bar.item.form === 'toolbar' && bar.item.as !== 'tab') || bar.item.form === 'quick' ? barBox(bar, catalogue) : undefined;

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
		if (bar.item.form !== 'ribbon' || bar.item.as === 'toolbars') return [];
		const tabs = tabsOf(bar, catalogue);
		return [{ id: bar.id, tabs, front: tabs.find((tab) => front.has(tab.id))?.id ?? tabs[0]?.id }];
	});
	const asTabs = shown.filter((bar) => bar.item.form === 'toolbar' && bar.item.as === 'tab');
	if (asTabs.length > 0) {
		const tabs = asTabs.map((bar) => toolbarAsTab(bar, catalogue));
		ribbons.push({ id: 'toolbars-as-ribbon', tabs, front: tabs.find((tab) => front.has(tab.id))?.id ?? tabs[0]?.id });
	}
	const toolbars = shown.flatMap((bar) =>
		bar.item.form === 'ribbon' && bar.item.as === 'toolbars' ? tabsAsToolbars(bar, catalogue) : (toolbarBox(bar, catalogue) ?? [])
	);
	const menus = shown
		.filter(({ item }) => item.form === 'menu')
		.map((bar) => ({ id: bar.id, name: bar.item.name, titles: placesOf(bar, catalogue) }));
	return { ribbons, toolbars, menus };
}

const shownBits = new WeakMap<ContextSpace, Map<string, Bits>>();

/**
 * The situations in which a bar of this scope shows: those that lie in it, but in a mode with bars of its own only if the scope
 * names that mode, or one made from it. A scope that the application does not have shows nowhere.
 */
export function whereShown(space: ContextSpace, { scope }: Pick<ItemOf<'bar'>, 'scope'>): Bits {
	let known = shownBits.get(space);
	if (!known) shownBits.set(space, (known = new Map()));
	const text = scopeText(scope);
	let bits = known.get(text);
	if (!bits) known.set(text, (bits = shownIn(space, scope)));
	return bits;
}

function shownIn(space: ContextSpace, scope: Scope): Bits {
	try {
		return space.own.reduce((bits, { axis: axisId, id, ownBars }) => {
			const axis = space.axes.find((a) => a.id === axisId)!;
			const isNamed = scope[axisId]?.some((node) => axis.nodes.some((n) => n.id === node) && isWithin(axis, node, id));
			return ownBars && !isNamed ? difference(bits, space.bitsOf({ [axisId]: [id] })) : bits;
		}, space.bitsOf(scope));
	} catch {
		return space.nowhere;
	}
}

export const isIn = (space: ContextSpace, bar: ItemOf<'bar'>, situation: number): boolean =>
	hasBit(whereShown(space, bar), situation);

/** Which group of a ribbon gives way first, by the rules of the application. */
export const givesWayIn = ({ bars }: Pick<InputRules, 'bars'>): GivingWay => bars?.givesWay ?? 'last';
