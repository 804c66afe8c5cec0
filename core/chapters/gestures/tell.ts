import type { InputRules } from '../../application/application.ts';
import { between, directionOf } from '../../hand/circular.ts';
import { directionText, type Motion } from '../../stroke/mouse.ts';
import { directionsOf, flickedInto, type SetRose } from './gesture.ts';

/** A press of a button until it is let go: how far it went, in px, and how long it took, in ms. */
export interface Press {
	readonly dx: number;
	readonly dy: number;
	readonly ms: number;
	/** The rose was shown while it was held, so that it is a flick however long it took. */
	readonly isShown?: boolean;
}

/** What a press was told to be, and why. */
export interface Told {
	readonly motion: Exclude<Motion, 'DoubleClick'> | 'Flick';
	/** Of a flick: the direction that it went into, and the one that it was next to be taken for. */
	readonly degrees?: number;
	readonly next?: number;
	readonly trace: string;
}

export const USUAL_POINTING = { slop: 6, hold: 450 } as const;

/** What a program takes a press for, by its rules: docs/resolution.md, What the mouse says. */
export function tellPress(
	{ dx, dy, ms, isShown = false }: Press,
	rules: InputRules['pointer'] = USUAL_POINTING,
	rose?: Pick<SetRose, 'directions' | 'turn'>
): Told {
	const far = Math.hypot(dx, dy);
	const measured = `${far.toFixed(0)} px in ${ms.toFixed(0)} ms`;
	if (far <= rules.slop) {
		const motion = ms >= rules.hold ? 'Hold' : 'Click';
		const why = motion === 'Hold' ? `held for ${rules.hold} ms and more` : `let go before ${rules.hold} ms`;
		return { motion, trace: `${measured}: not farther than ${rules.slop} px, ${why}.` };
	}
	if (!rose) return { motion: 'Drag', trace: `${measured}: farther than ${rules.slop} px, and no rose hears it: a drag.` };
	if (!isShown && rules.flickWithin !== undefined && ms > rules.flickWithin)
		return { motion: 'Drag', trace: `${measured}: longer than the ${rules.flickWithin} ms of a flick: a drag.` };
	const angle = directionOf(dx, dy);
	const degrees = flickedInto(rose, angle);
	const [, next] = directionsOf(rose)
		.map((one) => ({ one, off: Math.abs(between(one + rose.turn, angle)) }))
		.sort((a, b) => a.off - b.off)
		.map(({ one }) => one);
	return {
		motion: 'Flick',
		degrees,
		next: next!,
		trace: `${measured} at ${angle.toFixed(0)}°: ${directionText(degrees)} of ${rose.directions} directions, ${directionText(next!)} was next.`
	};
}
