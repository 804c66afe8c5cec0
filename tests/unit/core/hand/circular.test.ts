import { expect } from 'chai';
import fc from 'fast-check';
import {
	between,
	concentrationOf,
	deviationOf,
	directionOf,
	kappaBounds,
	missOf,
	resultantOf,
	spreadOf,
	turned
} from '../../../../core/hand/circular.ts';
import { seeded, vonMises } from '../../../../core/hand/simulated.ts';

describe('statistics of directions', () => {
	it('have the mean and the resultant length of a published example', () => {
		// Mardia and Jupp, Directional Statistics, 2000: 350 and 10 degrees have the mean 0, not 180, and the length cos 10
		const { mean, length, n } = spreadOf([350, 10]);
		expect(Math.abs(between(0, mean))).to.be.lessThan(1e-9);
		expect(length).to.be.closeTo(0.9848, 5e-5);
		expect(n).to.equal(2);
		expect(spreadOf([90, 90, 90])).to.deep.include({ mean: 90, kappa: Infinity });
		expect(spreadOf([0, 180]).length).to.be.closeTo(0, 1e-12);
		expect(() => spreadOf([])).to.throw(RangeError);
	});

	it('have the A of the published table, and its inverse', () => {
		// A(k) = I1(k) / I0(k): Mardia and Jupp, 2000, appendix
		for (const [kappa, a] of [
			[1, 0.4464],
			[2, 0.6978],
			[5, 0.8934],
			[10, 0.9486]
		] as const) {
			expect(resultantOf(kappa), `A(${kappa})`).to.be.closeTo(a, 5e-5);
			expect(concentrationOf(resultantOf(kappa))).to.be.closeTo(kappa, 1e-6);
		}
		expect([resultantOf(0), resultantOf(Infinity), concentrationOf(0), concentrationOf(1)]).to.deep.equal([0, 1, 0, Infinity]);
	});

	it('have the A of its definition, by adding the density up', () => {
		for (const kappa of [0.01, 0.3, 1, 7, 60, 400, 5_000]) {
			let [cos, all] = [0, 0];
			const n = 40_000;
			for (let i = 0; i < n; i++) {
				const t = -Math.PI + ((i + 0.5) * 2 * Math.PI) / n;
				const density = Math.exp(kappa * (Math.cos(t) - 1));
				cos += Math.cos(t) * density;
				all += density;
			}
			expect(resultantOf(kappa), `A(${kappa})`).to.be.closeTo(cos / all, 1e-7);
		}
	});

	it('turn with what they are of', () => {
		fc.assert(
			fc.property(
				fc.array(fc.double({ min: 0, max: 359.9, noNaN: true }), { minLength: 2, maxLength: 12 }),
				fc.integer({ min: -720, max: 720 }),
				(angles, by) => {
					const [a, b] = [spreadOf(angles), spreadOf(angles.map((angle) => turned(angle + by)))];
					expect(b.length).to.be.closeTo(a.length, 1e-9);
					if (a.length > 1e-6) expect(Math.abs(between(turned(a.mean + by), b.mean))).to.be.lessThan(1e-6);
				}
			)
		);
		expect([directionOf(0, -5), directionOf(5, 0), directionOf(0, 5), directionOf(-5, 0)]).to.deep.equal([0, 90, 180, 270]);
		expect([between(350, 10), between(10, 350), between(0, 180)]).to.deep.equal([20, -20, 180]);
	});

	it('say how often a flick misses its sector as counting does', () => {
		const random = seeded(7);
		for (const [kappa, bias, half] of [
			[20, 0, 22.5],
			[20, 10, 22.5],
			[60, -5, 15],
			[3, 30, 45],
			[200, 20, 15],
			[0.5, 0, 90],
			[0.5, 170, 90]
		] as const) {
			const n = 40_000;
			let missed = 0;
			for (let i = 0; i < n; i++) if (Math.abs(between(0, vonMises(bias, kappa, random))) > half) missed++;
			const share = missed / n;
			// five standard errors of a counted share
			expect(missOf(kappa, bias, half), `${kappa}, ${bias}, ${half}`).to.be.closeTo(
				share,
				5 * Math.sqrt((share * (1 - share) + 1e-5) / n)
			);
		}
		expect([missOf(Infinity, 0, 10), missOf(Infinity, 20, 10), missOf(1, 0, 180)]).to.deep.equal([0, 1, 0]);
		expect(missOf(0, 0, 90), 'any direction: half of the circle').to.be.closeTo(0.5, 1e-9);
	});

	it('hold the spread of a simulated hand within their bounds as often as they say', () => {
		const random = seeded(3);
		let held = 0;
		const rounds = 600;
		for (let round = 0; round < rounds; round++) {
			const spread = spreadOf(Array.from({ length: 40 }, () => vonMises(75, 30, random)));
			const [low, high] = kappaBounds(spread)!;
			if (low <= 30 && 30 <= high) held++;
			expect(Math.abs(between(75, spread.mean))).to.be.lessThan(12);
		}
		// 95 %, and five standard errors of a count of so many
		expect(held / rounds).to.be.closeTo(0.95, 5 * Math.sqrt((0.95 * 0.05) / rounds));
		expect(kappaBounds(spreadOf([3]))).to.equal(undefined);
		expect(kappaBounds(spreadOf([3, 3]))).to.deep.equal([Infinity, Infinity]);
		expect([deviationOf(Infinity), deviationOf(0)]).to.deep.equal([0, 180]);
		expect(deviationOf(100), 'a tenth of a radian').to.be.closeTo(5.73, 0.005);
	});
});
