import type { Hearing } from '../../answer/shortcut-index.ts';
import { difference, hasBit, intersection, isEmpty, union, type Bits } from '../../context/bits.ts';
import type { ContextSpace } from '../../context/space.ts';
import type { Profile } from '../../strata/stratum.ts';
import type { Keys } from '../../stroke/stroke.ts';
import { directionsOf, flickIn, rosesOf, sameTrigger, type PlacedRose, type Trigger } from './gesture.ts';

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

/** The same for every input of a profile, each worked out once. */
export function hearingOf(profile: Profile, space: ContextSpace): Hearing {
	const known = new Map<Keys, Bits>();
	return (keys) => {
		if (!keys.includes('Flick')) return undefined;
		let bits = known.get(keys);
		if (!bits) known.set(keys, (bits = whereFlicked(profile, space, keys) ?? space.everywhere));
		return bits;
	};
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
