import { textWidth, twoLineWidth } from './text-width.ts';

/*
 * What the layout is made of, in px of the window at 100 %. The figures are those by which the stand-ins' windows are drawn.
 */

export interface Rect {
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
}

/** A command's button, a flyout or a separator, as far as the layout goes. */
export interface PlaceBox {
	readonly id: string;
	readonly kind: 'button' | 'flyout' | 'separator';
	readonly label: string;
	readonly isLarge: boolean;
	readonly shows: 'both' | 'icon' | 'text';
}

export interface GroupBox {
	readonly id: string;
	readonly name: string;
	readonly places: readonly PlaceBox[];
	/** The form in which somebody keeps it, whatever room there is. */
	readonly kept?: GroupForm | undefined;
}

/** From the widest to the narrowest. */
export const GROUP_FORMS = ['large', 'mixed', 'small', 'icons', 'folded'] as const;
export type GroupForm = (typeof GROUP_FORMS)[number];

export const SIZES = {
	text: 12,
	/** A ribbon's tabs, and the strip below them. */
	tabs: 26,
	strip: 88,
	/** Between the top of the strip and its places, and the line with the group's name. */
	stripPad: 3,
	groupName: 16,
	/** Left and right within a group. */
	groupPad: 6,
	large: { height: 66, least: 44, pad: 6, icon: 24 },
	small: { height: 22, icon: 16, pad: 5, gap: 4 },
	rows: 3,
	separator: 9
} as const;

const { large, small, rows } = SIZES;
const MARK = 10;

/** A flyout has a name and no icon of its own. */
export const hasText = (place: PlaceBox): boolean => place.shows !== 'icon' || place.kind === 'flyout';
export const hasIcon = (place: PlaceBox): boolean => place.shows !== 'text' && place.kind !== 'flyout';

/** A large button: the icon above, the name on two lines beneath. */
export function largeWidth(place: PlaceBox): number {
	if (place.kind === 'separator') return SIZES.separator;
	const text = hasText(place) ? twoLineWidth(place.label, SIZES.text) : 0;
	return Math.ceil(Math.max(large.least, text + 2 * large.pad));
}

/** A small button: the icon, and the name beside it unless only icons are wanted. */
export function smallWidth(place: PlaceBox, iconOnly = false): number {
	if (place.kind === 'separator') return SIZES.separator;
	const withText = hasText(place) && !(iconOnly && hasIcon(place));
	const icon = hasIcon(place) ? small.icon : 0;
	const text = withText ? textWidth(place.label, SIZES.text) + (icon > 0 ? small.gap : 0) : 0;
	return Math.ceil(icon + text + 2 * small.pad + (place.kind === 'flyout' ? MARK : 0));
}

/** Places in the order in which they are drawn: a large one is a column of its own, small ones stand three to a column. */
export interface Column {
	readonly x: number;
	readonly width: number;
	readonly places: readonly PlaceBox[];
	readonly isLarge: boolean;
}

export interface GroupLayout {
	readonly form: GroupForm;
	readonly width: number;
	readonly columns: readonly Column[];
}

function columnsOf(group: GroupBox, form: Exclude<GroupForm, 'folded'>): Column[] {
	const columns: Column[] = [];
	let x = SIZES.groupPad;
	let stack: PlaceBox[] = [];
	const add = (places: readonly PlaceBox[], width: number, isLarge: boolean) => {
		columns.push({ x, width, places, isLarge });
		x += width;
	};
	const flush = () => {
		if (stack.length === 0) return;
		add(stack, Math.max(...stack.map((place) => smallWidth(place, form === 'icons'))), false);
		stack = [];
	};
	for (const place of group.places) {
		const isLarge = form === 'large' || (form === 'mixed' && place.isLarge);
		if (place.kind === 'separator' || isLarge) {
			flush();
			add([place], largeWidth(place), true);
		} else {
			stack.push(place);
			if (stack.length === rows) flush();
		}
	}
	flush();
	return columns;
}

const known = new WeakMap<GroupBox, Map<GroupForm, GroupLayout>>();

/** A group in one of its forms. It is never narrower than its name. */
export function groupLayout(group: GroupBox, form: GroupForm): GroupLayout {
	let forms = known.get(group);
	if (!forms) known.set(group, (forms = new Map()));
	let layout = forms.get(form);
	if (!layout) forms.set(form, (layout = made(group, form)));
	return layout;
}

function made(group: GroupBox, form: GroupForm): GroupLayout {
	if (form === 'folded') {
		const width = Math.ceil(Math.max(large.least, twoLineWidth(group.name, SIZES.text) + 2 * large.pad + MARK));
		return { form, width: width + 2 * SIZES.groupPad, columns: [] };
	}
	const columns = columnsOf(group, form);
	const end = columns.reduce<number>((last, { x, width }) => Math.max(last, x + width), SIZES.groupPad);
	const name = textWidth(group.name, SIZES.text) + 2 * SIZES.groupPad;
	return { form, width: Math.ceil(Math.max(end + SIZES.groupPad, name)), columns };
}

/** Where each place of a group stands, from the upper left corner of the group. */
export function placesIn({ columns }: GroupLayout): { readonly place: PlaceBox; readonly rect: Rect }[] {
	return columns.flatMap(({ x, width, places, isLarge }) =>
		places.map((place, row) => ({
			place,
			rect: {
				x,
				y: SIZES.stripPad + (isLarge ? 0 : row * small.height),
				width,
				height: isLarge ? large.height : small.height
			}
		}))
	);
}
