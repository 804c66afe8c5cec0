import { rad } from './circular.ts';
import { vonMises } from './simulated.ts';
import { POINTS, resampled, type Path } from './unistroke.ts';

/** Along a stroke a hand goes off its way in so many places, and in between by what lies on either side. */
const PLACES = 6;

/** How much longer or shorter a hand draws a part of a stroke than it was, at most. */
const LONGER = 0.15;

/**
 * A stroke as a hand of this concentration draws it another time: its direction goes off by a von Mises deviate in each of a few places
 * along it, the more of it the less steady the hand, and its parts come out longer or shorter.
 */
export function drawnAgain(path: Path, kappa: number, random: () => number): number[] {
	const points = resampled(path);
	const off = Array.from({ length: PLACES + 1 }, () => {
		const degrees = vonMises(0, kappa, random);
		return degrees > 180 ? degrees - 360 : degrees;
	});
	const longer = Array.from({ length: PLACES + 1 }, () => 1 + LONGER * (2 * random() - 1));
	const made = [points[0]!, points[1]!];
	for (let i = 1; i < POINTS; i++) {
		const at = ((i - 1) / (POINTS - 1)) * PLACES;
		const turn = rad(valueAt(off, at));
		const far = valueAt(longer, at);
		const [dx, dy] = [points[2 * i]! - points[2 * i - 2]!, points[2 * i + 1]! - points[2 * i - 1]!];
		made.push(
			made[2 * i - 2]! + far * (dx * Math.cos(turn) - dy * Math.sin(turn)),
			made[2 * i - 1]! + far * (dx * Math.sin(turn) + dy * Math.cos(turn))
		);
	}
	return made;
}

/** What lies between the values at a place, by how near it is to either. */
function valueAt(values: readonly number[], at: number): number {
	const before = Math.floor(at);
	return values[before]! + (values[before + 1]! - values[before]!) * (at - before);
}

/** The concentration of a hand that goes off by so many degrees, as far as it is narrow. */
export const kappaOf = (deviation: number): number => 1 / rad(deviation) ** 2;

/** How steady hands are taken to be where none was measured: 9 degrees, an assumption. */
export const USUAL_KAPPA = Math.round(kappaOf(9));
