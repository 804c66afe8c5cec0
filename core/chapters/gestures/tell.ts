import type { InputRules } from '../../application/application.ts';
import { between, directionOf } from '../../hand/circular.ts';
import { lengthOf, recognise, STRAIGHT, straightness, UNLIKE, type Path, type Template } from '../../hand/unistroke.ts';
import { directionText, type Motion } from '../../stroke/mouse.ts';
import type { Keys } from '../../stroke/stroke.ts';
import { directionsOf, flickedInto, flickKeys, motionKeys, shapeKeys, type SetRose, type Trigger } from './gesture.ts';

/** A press of a button until it is let go: how far it went, in px, and how long it took, in ms. */
export interface Press {
	readonly dx: number;
	readonly dy: number;
	readonly ms: number;
	/** The rose was shown while it was held, so that it is a flick however long it took. */
	readonly isShown?: boolean;
	/** The way that it went, where it is known. */
	readonly path?: Path;
}

/** What listens to the trigger of a press. */
export interface Listening {
	readonly rose?: Pick<SetRose, 'directions' | 'turn'> | undefined;
	/** The shapes that something is heard on. */
	readonly shapes?: readonly Template[];
}

/** What a press was told to be, and why. */
export interface Told {
	/** Undefined for a stroke that is bent and like none of the shapes, and for a flick that came back to where it began. */
	readonly motion: Exclude<Motion, 'DoubleClick'> | 'Flick' | 'Shape' | undefined;
	/** Of a flick: the direction that it went into, and the one that it was next to be taken for. */
	readonly degrees?: number;
	readonly next?: number;
	/** Of a drawn shape: which. */
	readonly shape?: string;
	readonly trace: string;
}

/** The input that a press was told to be; undefined if it is none. */
export function inputTold(trigger: Trigger, { motion, degrees, shape }: Told): Keys | undefined {
	if (motion === undefined) return undefined;
	if (motion === 'Flick') return flickKeys(trigger, degrees!);
	return motion === 'Shape' ? shapeKeys(trigger, shape!) : motionKeys(trigger, motion);
}

export const USUAL_POINTING = { slop: 6, hold: 450 } as const;

/** What a program takes a press for, by its rules: docs/resolution.md, What the mouse says. */
export function tellPress(
	{ dx, dy, ms, isShown = false, path }: Press,
	rules: InputRules['pointer'] = USUAL_POINTING,
	{ rose, shapes = [] }: Listening = {}
): Told {
	const far = Math.hypot(dx, dy);
	const moved = path ? Math.max(far, farthest(path)) : far;
	const measured = `${moved.toFixed(0)} px in ${ms.toFixed(0)} ms`;
	if (path && shapes.length > 0 && !isShown && moved > rules.slop && straightness(path) < STRAIGHT)
		return tellShape(path, ms, shapes);
	if (moved <= rules.slop) {
		const motion = ms >= rules.hold ? 'Hold' : 'Click';
		const why = motion === 'Hold' ? `held for ${rules.hold} ms and more` : `let go before ${rules.hold} ms`;
		return { motion, trace: `${measured}: not farther than ${rules.slop} px, ${why}.` };
	}
	if (!rose) return { motion: 'Drag', trace: `${measured}: farther than ${rules.slop} pxand without a rose: a drag.` };
	if (!isShown && rules.flickWithin !== undefined && ms > rules.flickWithin)
		return { motion: 'Drag', trace: `${measured}: longer than the ${rules.flickWithin} ms of a flick: a drag.` };
	if (far <= rules.slop)
		return { motion: undefined, trace: `${measured}, and back to where it began: no direction, so nothing runs.` };
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

/** How far a stroke goes from where it begins, in px. */
function farthest(path: Path): number {
	let far = 0;
	for (let i = 2; i < path.length; i += 2) far = Math.max(far, Math.hypot(path[i]! - path[0]!, path[i + 1]! - path[1]!));
	return far;
}

function tellShape(path: Path, ms: number, shapes: readonly Template[]): Told {
	const [best, second] = recognise(path, shapes);
	const measured = `${lengthOf(path).toFixed(0)} px in ${ms.toFixed(0)} ms, bent`;
	const beside = second ? `; ${second.shape} was next with ${second.distance.toFixed(0)}°` : '';
	if (best!.distance > UNLIKE)
		return {
			motion: undefined,
			trace: `${measured}: no shape matches; ${best!.shape} is closest with ${best!.distance.toFixed(0)}°.`
		};
	return {
		motion: 'Shape',
		shape: best!.shape,
		trace: `${measured}: ${best!.shape}, ${best!.distance.toFixed(0)}° off${beside}.`
	};
}
