import { sampleOf } from '../core/chapters/gestures/shape.ts';
import { setShape } from '../core/chapters/gestures/writing.ts';
import { drawnAgain, kappaOf } from '../core/hand/drawn.ts';
import { seeded } from '../core/hand/simulated.ts';
import type { AnyChange } from '../core/profile/edit.ts';
import { stratumById, type Profile, type StratumId } from '../core/strata/stratum.ts';

/** The steadiness of the demo's hands at drawing, in degrees, and how often they have drawn each shape. */
const [SPREAD, TIMES] = [6, 4] as const;

const arc = (from: number, to: number, rx = 55, ry = rx): number[] =>
	Array.from({ length: 33 }, (_, i) => {
		const angle = ((from + ((to - from) * i) / 32) * Math.PI) / 180;
		return [rx * Math.sin(angle), -ry * Math.cos(angle)];
	}).flat();

/** What shapes look like: their corners, or points along them. */
const DRAWN: Readonly<Record<string, readonly number[]>> = {
	Ring: arc(0, 345),
	Frame: [0, 0, 0, 70, 110, 70, 110, 0, 4, 2],
	Zigzag: [0, 0, 70, 0, 0, 70, 70, 70],
	Hook: [0, 0, 80, 0, 80, 80],
	Tick: [0, 35, 30, 80, 95, 0],
	Notch: [0, 22, 30, 78, 88, 0]
};

/** The changes by which a stratum of the demo has some of the shapes, each drawn a few times. */
export const shapesDrawn =
	(...labels: readonly string[]) =>
	(profile: Profile, stratum: StratumId): AnyChange[] =>
		labels.flatMap((label, nth) => {
			const random = seeded(label.length * 101 + label.charCodeAt(0));
			const samples = Array.from({ length: TIMES }, () => sampleOf(drawnAgain(DRAWN[label]!, kappaOf(SPREAD), random)));
			const shape = { id: label.toLowerCase(), label, samples, isEitherWay: false, isTurned: false };
			return setShape(stratumById(profile, stratum), shape, nth);
		});
