import type { Hearing, ShortcutIndex } from '../../answer/shortcut-index.ts';
import { difference, hasBit, intersection, isEmpty, union, type Bits } from '../../context/bits.ts';
import type { ContextSpace } from '../../context/space.ts';
import type { Profile } from '../../strata/stratum.ts';
import type { Keys } from '../../stroke/stroke.ts';
import { templateFor } from '../../hand/confusions.ts';
import { shapesHeard } from './flicks.ts';
import type { Listening } from './tell.ts';
import {
	directionsOf,
	flickIn,
	rosesOf,
	sameTrigger,
	shapeIn,
	shapeNamed,
	type PlacedRose,
	type SetRose,
	type Trigger
} from './gesture.ts';

/** The roses of the trigger, those that hold first: a narrower one stands before a wider, an upper stratum's before a lower one's. */
function inTheirOrder(profile: Profile, space: ContextSpace, trigger: Trigger): PlacedRose[] {
	const level = new Map(profile.map(({ id }, i) => [id, i]));
	return rosesOf(profile)
		.filter(({ entry }) => sameTrigger(entry, trigger))
		.sort((a, b) => {
			const [one, other] = [space.setOf(a.entry.scope), space.setOf(b.entry.scope)];
			if (space.isNarrower(one, other)) return -1;
			if (space.isNarrower(other, one)) return 1;
			return one.size - other.size || level.get(b.stratum.id)! - level.get(a.stratum.id)!;
		});
}

/** The rose that hears the trigger in a situation; undefined where none does. */
export const roseIn = (profile: Profile, space: ContextSpace, trigger: Trigger, situation: number): PlacedRose | undefined =>
	inTheirOrder(profile, space, trigger).find(({ entry }) => hasBit(space.bitsOf(entry.scope), situation));

/** What listens to the trigger in a situation: the rose, and the shapes that something is heard on. */
export const listeningTo = (
	profile: Profile,
	index: ShortcutIndex,
	trigger: Trigger,
	situation: number
): Listening & { readonly rose: SetRose | undefined } => ({
	rose: roseIn(profile, index.space, trigger, situation)?.entry,
	shapes: shapesHeard(index, trigger, situation).flatMap((id) => {
		const shape = shapeNamed(profile, id);
		return shape ? [templateFor(shape.entry)] : [];
	})
});

/** Where each input of a profile that is flicked or drawn is heard; each is worked out once. */
export function hearingOf(profile: Profile, space: ContextSpace): Hearing {
	const known = new Map<Keys, Bits>();
	return (keys) => {
		if (!keys.includes('Flick') && !keys.includes('Shape-')) return undefined;
		let bits = known.get(keys);
		if (!bits)
			known.set(keys, (bits = whereFlicked(profile, space, keys) ?? whereDrawn(profile, space, keys) ?? space.everywhere));
		return bits;
	};
}

/** Where a shape can be drawn: everywhere, if there are drawings of it. Undefined for what is no shape. */
function whereDrawn(profile: Profile, space: ContextSpace, keys: Keys): Bits | undefined {
	const drawn = shapeIn(keys);
	return drawn && (shapeNamed(profile, drawn.shape) ? space.everywhere : space.nowhere);
}

/** Where a flick input can be made: the situations whose rose has its direction. Undefined for what is no flick. */
export function whereFlicked(profile: Profile, space: ContextSpace, keys: Keys): Bits | undefined {
	const flick = flickIn(keys);
	if (!flick) return undefined;
	let left = space.everywhere;
	let heard = space.nowhere;
	for (const { entry } of inTheirOrder(profile, space, flick)) {
		const here = intersection(left, space.bitsOf(entry.scope));
		if (isEmpty(here)) continue;
		if (directionsOf(entry).includes(flick.degrees)) heard = union(heard, here);
		left = difference(left, here);
	}
	return heard;
}
