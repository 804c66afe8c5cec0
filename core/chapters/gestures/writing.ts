import type { Scope } from '../../context/scope.ts';
import type { KeyedChange } from '../../strata/change.ts';
import { entryKeyFor, nextRank, type EntryOp } from '../../strata/entry.ts';
import { stratumById, type Profile, type Stratum, type StratumId } from '../../strata/stratum.ts';
import { GESTURES, gesturesIn, roseThing, type GestureEntry, type SetRose, type Trigger } from './gesture.ts';

type Part = KeyedChange<GestureEntry> & { readonly chapter: typeof GESTURES };

/** What a rose is known by. */
export type RoseName = Trigger & { readonly scope: Scope };

function change(stratum: Stratum, op: EntryOp, rose: RoseName, make: (rank: number) => GestureEntry | null): Part[] {
	const content = gesturesIn(stratum);
	const before = content.get(entryKeyFor(op, roseThing(rose))) ?? null;
	const after = make(before?.rank ?? nextRank(content));
	return before || after ? [{ chapter: GESTURES, stratum: stratum.id, before, after }] : [];
}

const nameOf = ({ button, modifiers, scope }: RoseName) => ({ kind: 'rose' as const, button, modifiers: [...modifiers], scope });

/** The changes by which the stratum says how many directions a rose has, and how it is turned. */
export const setRose = (stratum: Stratum, rose: RoseName & Pick<SetRose, 'directions' | 'turn'>): Part[] =>
	change(stratum, 'set', rose, (rank) => ({ op: 'set', ...nameOf(rose), directions: rose.directions, turn: rose.turn, rank }));

/** By which there is no such rose any more: what the stratum says itself goes, what lower ones say is hidden. */
export function takeRoseAway(profile: Profile, target: StratumId, rose: RoseName): Part[] {
	const stratum = stratumById(profile, target);
	const isBelow = profile
		.slice(0, profile.indexOf(stratum))
		.some((s) => gesturesIn(s).get(entryKeyFor('set', roseThing(rose)))?.op === 'set');
	return change(stratum, 'set', rose, (rank) => (isBelow ? { op: 'remove', ...nameOf(rose), rank } : null));
}

/** By which strata above may not change it, or may again. */
export const lockRose = (stratum: Stratum, rose: RoseName, isLocked: boolean): Part[] =>
	change(stratum, 'lock', rose, (rank) => (isLocked ? { op: 'lock', ...nameOf(rose), rank } : null));
