import { isSubset } from '../context/bits.ts';
import { cutWith } from '../context/meeting.ts';
import type { Scope } from '../context/scope.ts';
import type { Binding } from '../shortcut/effective.ts';
import type { SheetGround } from './ground.ts';

export const EVERYWHERE = 'everywhere';

/** Where a shortcut can be heard: its scope, cut with where its command exists. */
export function placesOf({ index }: SheetGround, { scope, command }: Binding, within: Scope = {}): Scope[] {
	const exists = index.catalogue.get(command)?.contexts ?? [];
	const cuts = cutWith(index.space, scope, exists);
	return Object.keys(within).length === 0 ? cuts : cuts.flatMap((cut) => cutWith(index.space, cut, [within]));
}

/** The place in words; `everywhere` if it is all that there is, or all of `within`. */
export function placeText(ground: SheetGround, binding: Binding, within: Scope = {}): string {
	const { space } = ground.index;
	const places = placesOf(ground, binding, within);
	const here = space.bitsOf(within);
	if (places.some((place) => isSubset(here, space.bitsOf(place)))) return EVERYWHERE;
	// what is said of the whole section need not be said of each row
	const axes = Object.keys(within);
	const bare = places.map((place) => Object.fromEntries(Object.entries(place).filter(([axis]) => !axes.includes(axis))));
	return [...new Set(bare.map((place, i) => space.scopeLabel(Object.keys(place).length > 0 ? place : places[i]!)))].join('; ');
}
