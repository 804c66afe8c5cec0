import { generateKeyBetween } from 'fractional-indexing';
import { ownContextId, type AxisId, type NodeId } from '../../context/axis.ts';
import type { KeyedChange } from '../../strata/change.ts';
import { entryKeyFor, nextRank, type EntryOp } from '../../strata/entry.ts';
import { stratumById, type Profile, type Stratum, type StratumId } from '../../strata/stratum.ts';
import { slug } from '../../text/slug.ts';
import { favouritesOn, MODES, modesIn, thingFor, type ModesEntry, type SetMode } from './mode.ts';

type Part = KeyedChange<ModesEntry> & { readonly chapter: typeof MODES };
type Named = Pick<ModesEntry, 'kind' | 'axis' | 'id'>;

function change(stratum: Stratum, op: EntryOp, named: Named, make: (rank: number) => ModesEntry | null): Part[] {
	const content = modesIn(stratum);
	const before = content.get(entryKeyFor(op, thingFor(named))) ?? null;
	const after = make(before?.rank ?? nextRank(content));
	return before || after ? [{ chapter: MODES, stratum: stratum.id, before, after }] : [];
}

/** What a mode is, without its id and its place in the list. */
export type ModeSaid = Pick<SetMode, 'axis' | 'label' | 'from' | 'bars'>;

/** An id for a new mode, made of its name, that no stratum speaks of on any axis. */
export function freshModeId(profile: Profile, label: string): NodeId {
	const taken = new Set(profile.flatMap((s) => [...modesIn(s).values()].map((entry) => entry.id as string)));
	const stem = slug(label, 40);
	let id = ownContextId(stem);
	for (let n = 2; taken.has(id); n++) id = ownContextId(`${stem}-${n}`);
	return id;
}

/** The changes by which the stratum says what a mode is. */
export const setMode = (stratum: Stratum, id: NodeId, said: ModeSaid): Part[] =>
	change(stratum, 'set', { kind: 'mode', axis: said.axis, id }, (rank) => ({ op: 'set', kind: 'mode', id, ...said, rank }));

/** By which it is gone: what the stratum says itself goes, what lower ones say is hidden. */
export const takeAway = (profile: Profile, target: StratumId, { kind, axis, id }: Named): Part[] => {
	const stratum = stratumById(profile, target);
	const named = { kind, axis, id };
	const isBelow = profile
		.slice(0, profile.indexOf(stratum))
		.some((s) => modesIn(s).get(entryKeyFor('set', thingFor(named)))?.op === 'set');
	return change(stratum, 'set', named, (rank) => (isBelow ? ({ op: 'remove', ...named, rank } as ModesEntry) : null));
};

/** By which strata above may not change it, or may again. */
export const lockMode = (stratum: Stratum, { kind, axis, id }: Named, isLocked: boolean): Part[] =>
	change(stratum, 'lock', { kind, axis, id }, (rank) => (isLocked ? ({ op: 'lock', kind, axis, id, rank } as ModesEntry) : null));

/** By which a mode is a favourite, at a place among the others counted from 0. */
export function favour(profile: Profile, target: StratumId, axis: AxisId, id: NodeId, at: number): Part[] {
	const others = favouritesOn(profile, axis).filter(({ entry }) => entry.id !== id);
	const place = Math.max(0, Math.min(at, others.length));
	const before = others[place - 1]?.entry.order ?? null;
	const after = others.slice(place).find(({ entry }) => before === null || entry.order > before)?.entry.order ?? null;
	const order = generateKeyBetween(before, after);
	return change(stratumById(profile, target), 'set', { kind: 'favourite', axis, id }, (rank) => ({
		op: 'set',
		kind: 'favourite',
		axis,
		id,
		order,
		rank
	}));
}
