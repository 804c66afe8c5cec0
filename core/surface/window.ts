import type { PlaceBox, Rect } from './parts.ts';
import { hasIcon, hasText, SIZES } from './parts.ts';
import { tabLayout, tabLine, type GivingWay, type TabBox, type TabLayout } from './ribbon.ts';
import { textWidth } from './text-width.ts';

/** A screen that a desk has: its size in px of the screen, and how large the system draws, 1 for 100 %. */
export interface Screen {
	readonly name: string;
	readonly width: number;
	readonly height: number;
	readonly scale: number;
	/** The other screens of the same desk, in their order. */
	readonly others?: readonly Omit<Screen, 'name' | 'others'>[];
}

/** A toolbar or quick bar as far as the layout goes. */
export interface ToolbarBox {
	readonly id: string;
	readonly name: string;
	readonly places: readonly PlaceBox[];
	readonly icon: 16 | 24 | 32;
	readonly text: 'none' | 'beside' | 'below';
	/** At the top: above the ribbon instead of below it. */
	readonly isAbove?: boolean;
	readonly dock:
		| { readonly edge: 'top' | 'left' | 'right' | 'bottom'; readonly row: number }
		| { readonly edge: 'floating'; readonly monitor: number; readonly x: number; readonly y: number; readonly columns: number };
}

export interface RibbonBox {
	readonly id: string;
	readonly tabs: readonly TabBox[];
	/** The tab that stands in front. */
	readonly front: string | undefined;
}

/** What of the window is not the bars': heights in px, and panes at the sides. */
export interface WindowFrame {
	readonly title: number;
	readonly status: number;
	readonly givesWay: GivingWay;
}

export interface WindowBoxes {
	/** The lines of menus; one without titles lists what there is by itself. */
	readonly menus: readonly { readonly id: string; readonly name: string; readonly titles?: readonly PlaceBox[] }[];
	readonly ribbons: readonly RibbonBox[];
	readonly toolbars: readonly ToolbarBox[];
}

export interface PlacedToolbar {
	readonly bar: ToolbarBox;
	readonly rect: Rect;
	readonly places: readonly { readonly place: PlaceBox; readonly rect: Rect }[];
	/** What does not fit and is found in the bar's drawer. */
	readonly drawer: readonly PlaceBox[];
	/** On another monitor than the first. */
	readonly isElsewhere: boolean;
}

export interface PlacedRibbon {
	readonly ribbon: RibbonBox;
	readonly rect: Rect;
	readonly tabs: readonly { readonly tab: TabBox; readonly rect: Rect; readonly isOff: boolean }[];
	/** The tab in front; its rectangles are from the upper left corner of the window. */
	readonly strip: TabLayout | undefined;
	readonly front: TabBox | undefined;
}

export interface WindowLayout {
	readonly width: number;
	readonly height: number;
	readonly menus: Rect | undefined;
	/** The titles of the menus, as far as there is room for them. */
	readonly titles: readonly { readonly id: string; readonly place: PlaceBox; readonly rect: Rect }[];
	readonly ribbons: readonly PlacedRibbon[];
	readonly toolbars: readonly PlacedToolbar[];
	readonly canvas: Rect;
	/** How much of the window is left for the drawing, 0 to 1. */
	readonly share: number;
}

export const MENU_HEIGHT = 26;
const GRIP = 10;
const DRAWER = 18;
const PAD = 4;

/** The room that the system gives a window on a screen, in px of the window. */
export const roomOn = ({ width, height, scale }: Omit<Screen, 'name'>): { width: number; height: number } => ({
	width: Math.floor(width / scale),
	height: Math.floor(height / scale)
});

/** How much a place takes along its bar and across it. */
function placeSize({ icon, text }: ToolbarBox, place: PlaceBox, isAcross: boolean): { along: number; across: number } {
	if (place.kind === 'separator') return { along: SIZES.separator, across: icon + 2 * PAD };
	const isBare = place.shows === 'icon' || (text === 'none' && place.shows === 'both');
	const label = hasText(place) && !(isBare && hasIcon(place)) ? textWidth(place.label, SIZES.text) : 0;
	const mark = place.kind === 'flyout' ? DRAWER / 2 : 0;
	const own = hasIcon(place) ? icon : 0;
	const gap = label > 0 && own > 0 ? PAD : 0;
	const [inner, tall] = text === 'below' && label > 0 ? [Math.max(own, label), own + 14] : [own + gap + label, Math.max(own, 16)];
	const [width, height] = [Math.ceil(inner + 2 * PAD + mark), Math.ceil(tall + 2 * PAD)];
	return isAcross ? { along: height, across: width } : { along: width, across: height };
}

/** A bar in a row or column of so much room from a corner; what does not fit goes into its overflow. */
function lay(bar: ToolbarBox, x: number, y: number, room: number, isAcross: boolean): PlacedToolbar {
	const sizes = bar.places.map((place) => placeSize(bar, place, isAcross));
	const across = Math.max(bar.icon + 2 * PAD, ...sizes.map((s) => s.across)) + 2;
	const whole = GRIP + sizes.reduce((sum, s) => sum + s.along, 0);
	const isTight = whole > room;
	let at = GRIP;
	const places: { place: PlaceBox; rect: Rect }[] = [];
	const drawer: PlaceBox[] = [];
	bar.places.forEach((place, i) => {
		const { along } = sizes[i]!;
		if (drawer.length > 0 || (isTight && at + along > room - DRAWER)) {
			if (place.kind !== 'separator') drawer.push(place);
			return;
		}
		const rect = isAcross
			? { x: x + 1, y: y + at, width: across - 2, height: along }
			: { x: x + at, y: y + 1, width: along, height: across - 2 };
		places.push({ place, rect });
		at += along;
	});
	const length = Math.max(0, Math.min(room, drawer.length > 0 ? at + DRAWER : at));
	const rect = isAcross ? { x, y, width: across, height: length } : { x, y, width: length, height: across };
	return { bar, rect, places, drawer, isElsewhere: false };
}

/** A bar that floats, in rows of so many columns. */
export function floatingBar(bar: ToolbarBox, dock: Extract<ToolbarBox['dock'], { edge: 'floating' }>): PlacedToolbar {
	let [x, y, row, width] = [PAD, GRIP, 0, 0];
	const places = bar.places.map((place, i) => {
		const { along, across } = placeSize(bar, place, false);
		if (i > 0 && i % dock.columns === 0) [x, y, row] = [PAD, y + row, 0];
		const rect = { x: dock.x + x, y: dock.y + y, width: along, height: across };
		x += along;
		row = Math.max(row, across);
		width = Math.max(width, x);
		return { place, rect };
	});
	const rect = { x: dock.x, y: dock.y, width: width + PAD, height: y + row + PAD };
	return { bar, rect, places, drawer: [], isElsewhere: dock.monitor > 1 };
}

/** The bars of one edge by rows, the outermost first; in a row they stand in the order that they have. */
function rowsAt(bars: readonly ToolbarBox[], edge: 'top' | 'left' | 'right' | 'bottom'): ToolbarBox[][] {
	const rows = new Map<number, ToolbarBox[]>();
	for (const bar of bars) if (bar.dock.edge === edge) rows.set(bar.dock.row, [...(rows.get(bar.dock.row) ?? []), bar]);
	return [...rows].sort(([a], [b]) => a - b).map(([, row]) => row);
}

const TITLE_PAD = 9;

/** The titles of menus along their line; what does not fit is left out. */
function titlesIn(menus: WindowBoxes['menus'], line: Rect): WindowLayout['titles'] {
	let x = line.x + PAD;
	return menus
		.flatMap(({ titles }) => titles ?? [])
		.flatMap((place) => {
			const width = Math.ceil(textWidth(place.label, SIZES.text) + 2 * TITLE_PAD);
			const rect = { x, y: line.y, width, height: line.height };
			x += width;
			return x > line.x + line.width ? [] : [{ id: place.id, place, rect }];
		});
}

/**
 * Every rectangle of the bars in a window, in px from its upper left corner, and the canvas that is left. From the outside in: the
 * title, menus, ribbons, the bars at the top and the bottom, then those at the sides; a floating bar takes nothing of the canvas.
 */
export function windowLayout(
	{ menus, ribbons, toolbars }: WindowBoxes,
	room: { width: number; height: number },
	frame: WindowFrame
): WindowLayout {
	const { width, height } = room;
	let [top, bottom, left, right] = [frame.title, height - frame.status, 0, width];
	const menuRect = menus.length > 0 ? { x: 0, y: top, width, height: MENU_HEIGHT } : undefined;
	if (menuRect) top += MENU_HEIGHT;
	const titles = menuRect ? titlesIn(menus, menuRect) : [];
	const placed: PlacedToolbar[] = [];
	const row = (
		bars: readonly ToolbarBox[],
		isAcross: boolean,
		start: number,
		end: number,
		at: (across: number) => number
	): number => {
		// in a row those that come first take what they need, and the last gives way
		const whole = bars.map((bar) => lay(bar, 0, 0, Infinity, isAcross).rect);
		const needs = whole.map((rect) => (isAcross ? rect.height : rect.width));
		const across = Math.max(...whole.map((rect) => (isAcross ? rect.width : rect.height)));
		const place = at(across);
		let from = start;
		bars.forEach((bar, i) => {
			const after = (bars.length - 1 - i) * (GRIP + DRAWER);
			const own = Math.max(GRIP + DRAWER, Math.min(needs[i]!, end - from - after));
			placed.push(isAcross ? lay(bar, place, from, own, true) : lay(bar, from, place, own, false));
			from += own;
		});
		return across;
	};
	const [above, below] = [toolbars.filter((bar) => bar.isAbove), toolbars.filter((bar) => !bar.isAbove)];
	for (const bars of rowsAt(above, 'top')) top += row(bars, false, 0, width, () => top);
	const placedRibbons = ribbons.map((ribbon): PlacedRibbon => {
		const rect = { x: 0, y: top, width, height: SIZES.tabs + SIZES.strip };
		const front = ribbon.tabs.find((tab) => tab.id === ribbon.front) ?? ribbon.tabs[0];
		const strip = front && tabLayout(front.groups, width, frame.givesWay, top + SIZES.tabs);
		const tabs = tabLine(ribbon.tabs, width).map((tab) => ({ ...tab, rect: { ...tab.rect, y: top } }));
		top += rect.height;
		return { ribbon, rect, tabs, strip, front };
	});
	for (const bars of rowsAt(below, 'top')) top += row(bars, false, 0, width, () => top);
	for (const bars of rowsAt(toolbars, 'bottom')) bottom -= row(bars, false, 0, width, (across) => bottom - across);
	for (const bars of rowsAt(toolbars, 'left')) left += row(bars, true, top, bottom, () => left);
	for (const bars of rowsAt(toolbars, 'right')) right -= row(bars, true, top, bottom, (across) => right - across);
	for (const bar of toolbars) if (bar.dock.edge === 'floating') placed.push(floatingBar(bar, bar.dock));
	const canvas = { x: left, y: top, width: Math.max(0, right - left), height: Math.max(0, bottom - top) };
	return {
		width,
		height,
		menus: menuRect,
		titles,
		ribbons: placedRibbons,
		toolbars: placed,
		canvas,
		share: width * height > 0 ? (canvas.width * canvas.height) / (width * height) : 0
	};
}
