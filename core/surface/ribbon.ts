import { GROUP_FORMS, groupLayout, placesIn, SIZES, type GroupBox, type GroupForm, type PlaceBox, type Rect } from './parts.ts';
import { textWidth } from './text-width.ts';

/**
 * Which group gives way when a ribbon is too wide. last: the last one as far as it goes, then the one before it. turns: each by
 * one step in turn, from the last to the first. widest: by one step the one that is widest then.
 */
export const GIVING_WAYS = ['last', 'turns', 'widest'] as const;
export type GivingWay = (typeof GIVING_WAYS)[number];

export interface TabBox {
	readonly id: string;
	readonly name: string;
	readonly groups: readonly GroupBox[];
}

export interface PlacedBox {
	readonly id: string;
	readonly place: PlaceBox;
	readonly rect: Rect;
	readonly form: GroupForm;
}

export interface PlacedGroup {
	readonly group: GroupBox;
	readonly form: GroupForm;
	readonly rect: Rect;
}

/** A tab of a ribbon in a window of some width, in px. */
export interface TabLayout {
	readonly groups: readonly PlacedGroup[];
	readonly places: readonly PlacedBox[];
	/** The groups that are one button, with what is only found in their drawer. */
	readonly drawers: readonly { readonly group: GroupBox; readonly places: readonly PlaceBox[] }[];
	/** The groups for which there is no room even so. */
	readonly off: readonly GroupBox[];
	readonly width: number;
}

export const widthOf = (group: GroupBox, form: GroupForm): number => groupLayout(group, form).width;

/** The forms in which a group gives way, each narrower than the one before: one that saves nothing is left out. */
function stepsOf(group: GroupBox): GroupForm[] {
	if (group.kept) return [group.kept];
	const isAllLarge = group.places.every((place) => place.isLarge || place.kind === 'separator');
	const steps: GroupForm[] = [];
	// a group whose places are not all large begins as they are
	for (const form of isAllLarge ? GROUP_FORMS : GROUP_FORMS.slice(1)) {
		const before = steps.at(-1);
		if (before === undefined || widthOf(group, form) < widthOf(group, before)) steps.push(form);
	}
	return steps;
}

/** The forms by the program's own rule, the first ones that fit; `groups` stands in the order of the ribbon. */
export function givenWay(groups: readonly GroupBox[], width: number, way: GivingWay): GroupForm[] {
	const steps = groups.map(stepsOf);
	const at = groups.map(() => 0);
	const widths = groups.map((group, i) => widthOf(group, steps[i]![0]!));
	const can = (i: number) => at[i]! < steps[i]!.length - 1;
	let sum = widths.reduce((a, b) => a + b, 0);
	let turn = groups.length;
	while (sum > width) {
		const i = NEXT[way](can, widths, turn);
		if (i === undefined) break;
		turn = i;
		const now = widthOf(groups[i]!, steps[i]![++at[i]!]!);
		sum += now - widths[i]!;
		widths[i] = now;
	}
	return steps.map((forms, i) => forms[at[i]!]!);
}

type Next = (can: (i: number) => boolean, widths: readonly number[], turn: number) => number | undefined;

const NEXT: Readonly<Record<GivingWay, Next>> = {
	last(can, widths) {
		const i = widths.findLastIndex((_, k) => can(k));
		return i < 0 ? undefined : i;
	},
	turns(can, { length }, turn) {
		for (let step = 1; step <= length; step++) {
			const i = (turn - step + 2 * length) % length;
			if (can(i)) return i;
		}
		return undefined;
	},
	widest(can, widths) {
		let best: number | undefined;
		for (let i = widths.length - 1; i >= 0; i--) if (can(i) && (best === undefined || widths[i]! > widths[best]!)) best = i;
		return best;
	}
};

/** Lays a tab out with given forms, from the left and from a height; what ends behind the width is off. */
export function layTab(groups: readonly GroupBox[], forms: readonly GroupForm[], width: number, top = 0): TabLayout {
	const placed: PlacedGroup[] = [];
	const places: PlacedBox[] = [];
	const drawers: { group: GroupBox; places: readonly PlaceBox[] }[] = [];
	const off: GroupBox[] = [];
	let x = 0;
	groups.forEach((group, i) => {
		const layout = groupLayout(group, forms[i]!);
		if (off.length > 0 || x + layout.width > width) return void off.push(group);
		placed.push({ group, form: layout.form, rect: { x, y: top, width: layout.width, height: SIZES.strip } });
		if (layout.form === 'folded') drawers.push({ group, places: group.places.filter((p) => p.kind !== 'separator') });
		for (const { place, rect } of placesIn(layout))
			places.push({
				id: place.id,
				place,
				form: layout.form,
				rect: { x: rect.x + x, y: rect.y + top, width: rect.width, height: rect.height }
			});
		x += layout.width;
	});
	return { groups: placed, places, drawers, off, width: x };
}

/** A tab as the program itself lays it out. */
export const tabLayout = (groups: readonly GroupBox[], width: number, way: GivingWay, top = 0): TabLayout =>
	layTab(groups, givenWay(groups, width, way), width, top);

/** Where the tabs stand in their line; those that end behind the width are off. */
export function tabLine(
	tabs: readonly TabBox[],
	width: number
): { readonly tab: TabBox; readonly rect: Rect; readonly isOff: boolean }[] {
	let x = 0;
	return tabs.map((tab) => {
		const own = Math.ceil(textWidth(tab.name, SIZES.text + 1) + 24);
		const rect = { x, y: 0, width: own, height: SIZES.tabs };
		x += own;
		return { tab, rect, isOff: x > width };
	});
}
