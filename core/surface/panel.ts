import { textWidth } from './text-width.ts';
import { SIZES, type PlaceBox, type Rect } from './parts.ts';

/** An opened menu, flyout or drawer: its places one below the other, each as wide as the widest, in px. */
export interface PanelLayout {
	readonly rect: Rect;
	readonly places: readonly { readonly place: PlaceBox; readonly rect: Rect }[];
}

export const PANEL = { row: 26, pad: 5, icon: 16, gap: 8, least: 160, mark: 16, rule: 7 } as const;

/**
 * A panel as it opens at a corner. Where there is no room to the right or below, it moves back into the window; what is higher than
 * the window begins at its top.
 */
export function panelLayout(
	places: readonly PlaceBox[],
	corner: { readonly x: number; readonly y: number },
	room: { readonly width: number; readonly height: number }
): PanelLayout {
	const { row, pad, icon, gap, least, mark, rule } = PANEL;
	const heightOf = (place: PlaceBox) => (place.kind === 'separator' ? rule : row);
	const text = Math.max(0, ...places.map((place) => textWidth(place.label, SIZES.text)));
	const width = Math.ceil(Math.max(least, text + icon + gap + mark + 4 * pad));
	const height =
		2 * pad +
		Math.max(
			row,
			places.reduce((sum, place) => sum + heightOf(place), 0)
		);
	const x = Math.max(0, Math.min(corner.x, room.width - width));
	const y = Math.max(0, Math.min(corner.y, room.height - height));
	let at = y + pad;
	return {
		rect: { x, y, width, height },
		places: places.map((place) => {
			const rect = { x: x + 1, y: at, width: width - 2, height: heightOf(place) };
			at += rect.height;
			return { place, rect };
		})
	};
}
