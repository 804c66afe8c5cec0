import { flickOf, seeded } from '../core/hand/simulated.ts';
import type { Flick } from '../core/hand/hand-test.ts';

const DIRECTIONS = 8;
const TIMES = 5;

/** A hand test of a simulated hand: 40 flicks that spread by so many degrees, farther off on the diagonals, which it leans away from. */
export function handTest(seed: number, spread: number, lean: number): Flick[] {
	const random = seeded(seed);
	const hand = {
		kappa: 1 / ((spread * Math.PI) / 180) ** 2,
		bias: (wanted: number) => (wanted % 90 === 0 ? lean / 4 : lean)
	};
	return Array.from({ length: DIRECTIONS * TIMES }, (_, i) => {
		const { wanted, dx, dy, ms } = flickOf(hand, (i % DIRECTIONS) * (360 / DIRECTIONS), random);
		return { wanted, dx: Math.round(dx), dy: Math.round(dy), ms };
	});
}
