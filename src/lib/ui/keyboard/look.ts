import type { Severity } from '$core/check/severity';
import { SEVERITIES } from '$core/check/severity';
import type { Key } from '$core/keyboard/board';
import type { Face, Plane } from '$core/answer/key-face';
import { planeOf } from '$core/answer/key-face';
import type { StratumKind } from '$core/strata/stratum';
import { readable, type Modifier } from '$core/stroke/stroke';
import { SIGNS } from '../findings/severity';
import { keptText, outcomeText } from '../wording';
import { commandOn, legendOf } from './legend';
import { isKept, isTaken, layOf, passes, type Filter, type Board } from './mark';

export type Pip = StratumKind | 'free' | 'tied' | 'kept';

/** What a key looks like in the drawing. */
export interface Look {
	readonly key: Key;
	readonly legend: string;
	readonly command: string;
	readonly severity: Severity | undefined;
	/** In the reach drawing, the way of the fingers in place of the pips. */
	readonly reach: string | undefined;
	/** One for each combination of the common modifiers, undefined where none is heard; none for a key that is not heard at all. */
	readonly pips: readonly (Pip | undefined)[];
	readonly isTaken: boolean;
	readonly isSilent: boolean;
	/** Left out by the filter. */
	readonly isDim: boolean;
	/** Of the modifiers that are held. */
	readonly isHeld: boolean;
	/** In the reach drawing, how near a free stroke lies, from 0 to 1. */
	readonly near: number | undefined;
	readonly isWasted: boolean;
}

/** What the drawing shows. */
export interface Show {
	readonly modifiers: readonly Modifier[];
	readonly filter: Filter;
	readonly drawing: 'taken' | 'reach';
	readonly ground: Board;
}

/** From this way on, in millimetres, a free stroke is not shaded any more. */
const FAR = 120;

function worst({ keys }: Plane, { findings }: Board): Severity | undefined {
	const here = keys === undefined ? undefined : findings.get(keys);
	return here && SEVERITIES.find((s) => s !== 'note' && here.some((f) => f.severity === s));
}

function pipOf(plane: Plane, { kindOf, office }: Board): Pip | undefined {
	const { keys, binding, outcome } = plane;
	if (keys === undefined) return undefined;
	if (outcome?.kind === 'chooser' || outcome?.kind === 'undecided') return 'tied';
	if (binding) return kindOf(binding.stratum);
	return isKept(plane, office) ? 'kept' : 'free';
}

export function lookOf(face: Face, { modifiers, filter, drawing, ground }: Show): Look {
	const plane = planeIn(face, modifiers);
	const lay = drawing === 'reach' ? layOf(face, plane, ground.office, ground.index) : undefined;
	const isSilent = plane.keys === undefined;
	return {
		key: face.key,
		legend: legendOf(face.key.code, face.legends, modifiers.includes('Shift')),
		command: commandOn(plane, ground.index) || (isKept(plane, ground.office) ? 'kept' : ''),
		severity: worst(plane, ground),
		reach: lay ? (lay.reach ? `${lay.reach.mm.toFixed(0)} mm` : '') : undefined,
		pips: isSilent || lay ? [] : face.planes.map((p) => pipOf(p, ground)),
		isTaken: isTaken(plane),
		isSilent,
		isDim: !passes(filter, plane, ground),
		isHeld: modifiers.includes(face.key.code.replace(/Left|Right/, '').replace('Control', 'Ctrl') as Modifier),
		near: lay?.isFree ? (lay.reach ? Math.max(0, 1 - lay.reach.mm / FAR) : 0) : undefined,
		isWasted: lay?.isWasted ?? false
	};
}

/** What is read out of a key. */
export function saidOf(face: Face, show: Show): string {
	const { legend, command, reach, severity } = lookOf(face, show);
	const { keys, outcome } = planeIn(face, show.modifiers);
	const drawn = [legend, command, reach].filter((text) => text).join(' ');
	if (keys === undefined) return `${drawn}, ${sideName(face.key.code) ?? 'takes no shortcut'}`;
	const does = outcome ? outcomeText(show.ground.index, outcome) : '';
	const keeps = keptText(keys, show.ground.office.kept(keys));
	return `${drawn}, ${readable(keys)}: ${does}${keeps ? `; ${keeps}` : ''}${severity ? `, ${SIGNS[severity].name}` : ''}`;
}

/** Where a modifier is, as in "left Shift". */
function sideName(code: string): string | undefined {
	const [, name, side] = /^(Control|Shift|Alt|Meta)(Left|Right)$/.exec(code) ?? [];
	return name && side && `${side.toLowerCase()} ${name === 'Meta' ? 'system key' : name}`;
}

const planeIn = (face: Face, modifiers: readonly Modifier[]): Plane => face.planes[Math.max(0, planeOf(modifiers))]!;
