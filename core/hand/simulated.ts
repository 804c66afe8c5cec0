import { turned } from './circular.ts';

/** Numbers from 0 up to 1 that are the same each time for the same seed (mulberry32). */
export function seeded(seed: number): () => number {
	let state = seed >>> 0;
	return () => {
		state = (state + 0x6d2b79f5) >>> 0;
		let t = state;
		t = Math.imul(t ^ (t >>> 15), t | 1);
		t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
		return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
	};
}

/** A direction in degrees of the von Mises distribution, by rejection from a wrapped Cauchy envelope (Best and Fisher 1979). */
export function vonMises(mean: number, kappa: number, random: () => number): number {
	if (kappa === Infinity) return turned(mean);
	if (kappa < 1e-6) return random() * 360;
	const tau = 1 + Math.sqrt(1 + 4 * kappa * kappa);
	const rho = (tau - Math.sqrt(2 * tau)) / (2 * kappa);
	const r = (1 + rho * rho) / (2 * rho);
	for (;;) {
		const z = Math.cos(Math.PI * random());
		const f = (1 + r * z) / (r + z);
		const c = kappa * (r - f);
		const u = random();
		if (c * (2 - c) > u || Math.log(c / u) + 1 >= c)
			return turned(mean + (Math.sign(random() - 0.5) * Math.acos(Math.max(-1, Math.min(1, f))) * 180) / Math.PI);
	}
}

/** How somebody's hand flicks: the same everywhere, but for what is said of single directions. */
export interface SimulatedHand {
	/** The concentration of its directions. */
	readonly kappa: number;
	/** How many degrees it goes off, by the wanted direction. */
	readonly bias?: (wanted: number) => number;
	/** How far it goes, in px, and how long it takes, in ms. */
	readonly length?: number;
	readonly ms?: number;
}

/** What a simulated hand does when it is to flick in some direction. */
export function flickOf(hand: SimulatedHand, wanted: number, random: () => number) {
	const { kappa, bias = () => 0, length = 90, ms = 160 } = hand;
	const angle = (vonMises(wanted + bias(wanted), kappa, random) * Math.PI) / 180;
	const far = length * (0.75 + 0.5 * random());
	return { wanted, dx: Math.sin(angle) * far, dy: -Math.cos(angle) * far, ms: Math.round(ms * (0.75 + 0.5 * random())) };
}
