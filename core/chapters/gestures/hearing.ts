import type { ShortcutIndex } from '../../answer/shortcut-index.ts';
import { difference, hasBit, intersection, union, type Bits } from '../../context/bits.ts';
import type { ContextSpace } from '../../context/space.ts';
import { levelOf, type Profile, type StratumHead, type StratumId } from '../../strata/stratum.ts';
import type { Keys } from '../../stroke/stroke.ts';
import { templateFor } from '../../hand/confusions.ts';
import { shapesHeard } from './flicks.ts';
import type { Listening } from './tell.ts';
import {
	directionsOf,
	flickIn,
	gesturesFold,
	rosesOf,
	roseThing,
	sameTrigger,
	shapeIn,
	shapeNamed,
	type PlacedRose,
	type SetRose,
	type Trigger
} from './gesture.ts';

/** The stratum whose lock keeps a rose of a stratum above from being heard: it locks one of the same trigger that meets it. */
export function roseLockedBy(
	profile: Profile,
	space: Pick<ContextSpace, 'meet'>,
	rose: Trigger & { readonly scope: SetRose['scope'] },
	by: StratumId
): StratumHead | undefined {
	const { locks, inForce, removed } = gesturesFold(profile);
	const level = levelOf(profile, by);
	for (const [thing, stratum] of locks) {
		const locked = (inForce.get(thing) ?? removed.get(thing))?.entry;
		if (locked?.kind !== 'rose' || levelOf(profile, stratum.id) >= level || thing === roseThing(rose)) continue;
		if (sameTrigger(locked, rose) && meetIn(space, locked.scope, rose.scope)) return stratum;
	}
	return undefined;
}

/** Whether two scopes meet; one with a context that the application does not have meets nothing. */
function meetIn(space: Pick<ContextSpace, 'meet'>, a: SetRose['scope'], b: SetRose['scope']): boolean {
	try {
		return space.meet(a, b);
	} catch {
		return false;
	}
}

interface HeardRose {
	readonly rose: PlacedRose;
	/** Where it is the one that is heard. */
	readonly where: Bits;
}

/**
 * The roses of a trigger with the situations in which each is heard: those of its scope, without the scopes of narrower ones; of
 * two that are not narrower than each other the upper stratum's is heard, then the earlier in the list.
 */
function heardRoses(profile: Profile, space: ContextSpace, trigger: Trigger): HeardRose[] {
	const level = new Map(profile.map(({ id }, i) => [id, i]));
	const roses = rosesOf(profile)
		.filter(({ entry, stratum }) => sameTrigger(entry, trigger) && !roseLockedBy(profile, space, entry, stratum.id))
		.map((rose) => ({ rose, set: space.setOf(rose.entry.scope) }))
		.sort((a, b) => level.get(b.rose.stratum.id)! - level.get(a.rose.stratum.id)! || a.rose.entry.rank - b.rose.entry.rank);
	let left = space.everywhere;
	return roses.map(({ rose, set }) => {
		let own = set.bits;
		for (const other of roses) if (space.isNarrower(other.set, set)) own = difference(own, other.set.bits);
		const where = intersection(own, left);
		left = difference(left, own);
		return { rose, where };
	});
}

/** The rose that hears the trigger in a situation; undefined where none does. */
export const roseIn = (profile: Profile, space: ContextSpace, trigger: Trigger, situation: number): PlacedRose | undefined =>
	heardRoses(profile, space, trigger).find(({ where }) => hasBit(where, situation))?.rose;

/** Where any rose hears the trigger. */
export const whereRoses = (profile: Profile, space: ContextSpace, trigger: Trigger): Bits =>
	heardRoses(profile, space, trigger).reduce((all, { where }) => union(all, where), space.nowhere);

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

/** Where an input of the mouse can be made; undefined for one that can be made everywhere. */
export type MouseHearing = (keys: Keys) => Bits | undefined;

/** Where each input of a profile that is flicked or drawn is heard; each is worked out once. */
export function hearingOf(profile: Profile, space: ContextSpace): MouseHearing {
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
	return heardRoses(profile, space, flick).reduce(
		(heard, { rose, where }) => (directionsOf(rose.entry).includes(flick.degrees) ? union(heard, where) : heard),
		space.nowhere
	);
}
