import type { Scope } from '../../context/scope.ts';
import type { Profile, Stratum, StratumId } from '../../strata/stratum.ts';
import { writingOf } from '../../strata/writing.ts';
import { GESTURES, gesturesIn, roseThing, shapeThing, type GestureEntry, type SetRose, type Trigger } from './gesture.ts';
import type { Shape } from './shape.ts';

const { write, drop, hide } = writingOf<GestureEntry, typeof GESTURES>(GESTURES, gesturesIn);

/** What a rose is known by. */
export type RoseName = Trigger & { readonly scope: Scope };

const nameOf = ({ button, modifiers, scope }: RoseName) => ({ kind: 'rose' as const, button, modifiers: [...modifiers], scope });

/** The changes by which the stratum says how many directions a rose has, and how it is turned. */
export const setRose = (stratum: Stratum, rose: RoseName & Pick<SetRose, 'directions' | 'turn'>) =>
	write(stratum, 'set', roseThing(rose), (rank) => ({
		op: 'set',
		...nameOf(rose),
		directions: rose.directions,
		turn: rose.turn,
		rank
	}));

/** By which there is no such rose any more: what the stratum says itself goes, what lower ones say is hidden. */
export const takeRoseAway = (profile: Profile, target: StratumId, rose: RoseName) =>
	hide(profile, target, roseThing(rose), (rank) => ({ op: 'remove', ...nameOf(rose), rank }));

/** By which strata above may not change it, or may again. */
export const lockRose = (stratum: Stratum, rose: RoseName, isLocked: boolean) =>
	write(stratum, 'lock', roseThing(rose), (rank) => (isLocked ? { op: 'lock', ...nameOf(rose), rank } : null));

const shapeNameOf = (id: string) => ({ kind: 'shape' as const, id });

/** The changes by which the stratum says what a shape is drawn like; `offset` spaces several in one edit. */
export const setShape = (stratum: Stratum, { id, label, samples, isEitherWay, isTurned }: Shape, offset = 0) =>
	write(
		stratum,
		'set',
		shapeThing(id),
		(rank) => ({
			op: 'set',
			...shapeNameOf(id),
			label,
			samples: samples.map((sample) => [...sample]),
			isEitherWay,
			isTurned,
			rank
		}),
		offset
	);

/** By which there is no such shape any more; what runs by it waits. */
export const takeShapeAway = (profile: Profile, target: StratumId, id: string) =>
	hide(profile, target, shapeThing(id), (rank) => ({ op: 'remove', ...shapeNameOf(id), rank }));

/** By which strata above may not change it, or may again. */
export const lockShape = (stratum: Stratum, id: string, isLocked: boolean) =>
	write(stratum, 'lock', shapeThing(id), (rank) => (isLocked ? { op: 'lock', ...shapeNameOf(id), rank } : null));

/** By which the stratum says nothing of the thing any more. */
export const dropThing = drop;
