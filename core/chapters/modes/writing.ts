import { ownContextId, type AxisId, type NodeId } from '../../context/axis.ts';
import { orderAmong } from '../../strata/order.ts';
import { stratumById, type Profile, type Stratum, type StratumId } from '../../strata/stratum.ts';
import { writingOf } from '../../strata/writing.ts';
import { freeSlug } from '../../text/slug.ts';
import { favouritesOn, MODES, modesIn, thingFor, type ModesEntry, type SetMode } from './mode.ts';

type Named = Pick<ModesEntry, 'kind' | 'axis' | 'id'>;

const { write, drop, hide } = writingOf<ModesEntry, typeof MODES>(MODES, modesIn);

/** What a mode is, without its id and its place in the list. */
export type ModeSaid = Pick<SetMode, 'axis' | 'label' | 'from' | 'bars'>;

/** An id for a new mode, made of its name, that no stratum speaks of on any axis. */
export function freshModeId(profile: Profile, label: string): NodeId {
	const taken = new Set(profile.flatMap((s) => [...modesIn(s).values()].map((entry) => entry.id)));
	return ownContextId(freeSlug(label, (id) => taken.has(ownContextId(id)), 40));
}

/** The changes by which the stratum says what a mode is. */
export const setMode = (stratum: Stratum, id: NodeId, said: ModeSaid) =>
	write(stratum, 'set', thingFor({ kind: 'mode', axis: said.axis, id }), (rank) => ({
		op: 'set',
		kind: 'mode',
		id,
		...said,
		rank
	}));

/** By which it is gone: what the stratum says itself goes, what lower ones say is hidden. */
export const takeAway = (profile: Profile, target: StratumId, { kind, axis, id }: Named) =>
	hide(profile, target, thingFor({ kind, axis, id }), (rank) => ({ op: 'remove', kind, axis, id, rank }) as ModesEntry);

/** By which the stratum says nothing of it any more. */
export const dropWord = (stratum: Stratum, about: Named) => drop(stratum, thingFor(about));

/** By which strata above may not change it, or may again. */
export const lockMode = (stratum: Stratum, { kind, axis, id }: Named, isLocked: boolean) =>
	write(stratum, 'lock', thingFor({ kind, axis, id }), (rank) =>
		isLocked ? ({ op: 'lock', kind, axis, id, rank } as ModesEntry) : null
	);

/** By which a mode is a favourite, at a place among the others counted from 0. */
export function favour(profile: Profile, target: StratumId, axis: AxisId, id: NodeId, at: number) {
	const others = favouritesOn(profile, axis).filter(({ entry }) => entry.id !== id);
	const order = orderAmong(
		others.map(({ entry }) => entry.order),
		at
	);
	const kind = 'favourite';
	return write(stratumById(profile, target), 'set', thingFor({ kind, axis, id }), (rank) => ({
		op: 'set',
		kind,
		axis,
		id,
		order,
		rank
	}));
}
