import { choosing, pointing, total, type TimeTerm } from '../time/pointing.ts';
import { groupLayout, placesIn, SIZES, type GroupBox, type GroupForm, type Rect } from './parts.ts';

const middle = ({ x, y, width, height }: Rect) => ({ x: x + width / 2, y: y + height / 2 });

/** The way from where the pointer usually is, the middle of the drawing, to a rectangle, and the narrower side of that. */
export function pointingAt(from: Rect, to: Rect): TimeTerm {
	const [a, b] = [middle(from), middle(to)];
	return pointing(Math.hypot(a.x - b.x, a.y - b.y), Math.max(1, Math.min(to.width, to.height)));
}

/** The way within a drawer that opens below its button, and the choice there among icons with names. */
export function inDrawer(places: number): TimeTerm[] {
	const at = Math.max(1, places / 2);
	return [
		{ ...pointing(at * SIZES.small.height, SIZES.small.height), name: 'in the overflow' },
		{ ...choosing(places), name: 'choose in the overflow' }
	];
}

/**
 * How long it takes to use each place of a group in one of its forms, in seconds, for a pointer that comes from `distance` px
 * away: an icon without its name is looked for among its like.
 */
export function secondsIn(group: GroupBox, form: GroupForm, distance: number): ReadonlyMap<string, number> {
	const used = group.places.filter((place) => place.kind !== 'separator');
	if (form === 'folded') {
		const seconds = total([pointing(distance, SIZES.large.least), ...inDrawer(used.length)]);
		return new Map(used.map(({ id }) => [id, seconds]));
	}
	const icons = form === 'icons' ? choosing(used.length).seconds : 0;
	return new Map(
		placesIn(groupLayout(group, form)).flatMap(({ place, rect }) =>
			place.kind === 'separator'
				? []
				: [[place.id, pointing(distance, Math.min(rect.width, rect.height)).seconds + icons] as const]
		)
	);
}
