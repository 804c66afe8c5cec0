import { expect } from 'chai';
import fc from 'fast-check';
import { between, directionOf, missOf } from '../../../../core/hand/circular.ts';
import {
	bearable,
	bestTurn,
	Flick,
	handSummary,
	middlesOf,
	missBounds,
	missesOf,
	sectorOf
} from '../../../../core/hand/hand-test.ts';
import { flickOf, seeded, type SimulatedHand } from '../../../../core/hand/simulated.ts';

const EIGHT = middlesOf({ directions: 8, turn: 0 });
const tested = (hand: SimulatedHand, rounds = 5, seed = 11) => {
	const random = seeded(seed);
	return handSummary(Array.from({ length: rounds }).flatMap(() => EIGHT.map((wanted) => flickOf(hand, wanted, random))))!;
};

describe('the hand test', () => {
	it('gives back the spread of the hand that took it, within its bounds', () => {
		let held = 0;
		for (let seed = 0; seed < 200; seed++) {
			const { kappa, directions, n } = tested({ kappa: 40 }, 5, seed);
			expect([n, directions.length]).to.deep.equal([40, 8]);
			if (kappa![0] <= 40 && 40 <= kappa![1]) held++;
		}
		expect(held / 200, '95 % confidence').to.be.within(0.87, 1);
	});

	it('does not take chance for bias: what it says of a straight hand is what such a hand misses', () => {
		// standard deviations in degrees; 8 directions, so sectors of 22.5 degrees either side
		for (const deviation of [9, 11]) {
			const kappa = (180 / Math.PI / deviation) ** 2;
			const truth = missOf(kappa, 0, 22.5);
			let [sum, bad, certain] = [0, 0, 0];
			for (let seed = 0; seed < 200; seed++) {
				const hand = tested({ kappa }, 5, seed + 1_000);
				const rose = { directions: 8, turn: 0 };
				sum += missesOf(hand, rose);
				if (missesOf(hand, rose) > 0.05) bad++;
				const [low, high] = missBounds(hand, rose);
				expect(low).to.be.at.most(missesOf(hand, rose));
				expect(high).to.be.at.least(missesOf(hand, rose));
				if (low > 0.05) certain++;
			}
			expect(sum / 200, `${deviation}°`).to.be.within(truth * 0.8, truth * 1.45);
			expect(bad, `${deviation}°: hands called bad by their figure`).to.be.below(100);
			expect(certain, `${deviation}°: hands that are certainly bad`).to.be.below(12);
		}
	});

	it('keeps its bounds down to a concentration of 2', () => {
		for (const kappa of [2, 3, 5, 20]) {
			let held = 0;
			for (let seed = 0; seed < 400; seed++) {
				const [low, high] = tested({ kappa }, 5, seed + 5_000).kappa!;
				if (low <= kappa && kappa <= high) held++;
			}
			expect(held / 400, `kappa ${kappa}`).to.be.within(0.9, 1);
		}
	});

	it('finds where the hand goes off, how far and how fast it goes', () => {
		const hand = { kappa: 400, bias: (wanted: number) => (wanted === 45 ? 9 : wanted === 270 ? -6 : 0), length: 120, ms: 200 };
		const { directions } = tested(hand, 40);
		for (const { wanted, bias, length, ms, n } of directions) {
			expect(bias, `${wanted}`).to.be.closeTo(hand.bias(wanted), 2.5);
			expect(length).to.be.closeTo(120, 15);
			expect(ms).to.be.closeTo(200, 25);
			expect(n).to.equal(40);
		}
	});

	it('says how often a rose is missed as counting flicks does', () => {
		const hand = { kappa: 25, bias: (wanted: number) => 6 * Math.sin((wanted * Math.PI) / 180) };
		const summary = tested(hand, 400);
		for (const rose of [
			{ directions: 4, turn: 0 },
			{ directions: 8, turn: 0 },
			{ directions: 8, turn: 10 },
			{ directions: 12, turn: 0 }
		]) {
			const random = seeded(rose.directions * 31 + rose.turn);
			let [missed, all] = [0, 0];
			for (let round = 0; round < 3_000; round++)
				middlesOf({ ...rose, turn: 0 }).forEach((wanted, i) => {
					const { dx, dy } = flickOf(hand, wanted, random);
					all++;
					if (sectorOf(rose, directionOf(dx, dy)) !== i) missed++;
				});
			expect(missesOf(summary, rose), `${rose.directions} turned by ${rose.turn}`).to.be.closeTo(missed / all, 0.015);
		}
	});

	it('finds the number of directions that the hand bears, and the turn that suits it', () => {
		const steady = bearable(tested({ kappa: 600 }));
		const shaky = bearable(tested({ kappa: 12 }));
		expect(steady.most).to.equal(12);
		expect(shaky.most).to.be.within(2, 5);
		expect(steady.roses.map((rose) => rose.directions)).to.deep.equal([2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]);
		for (const { misses, least } of [...steady.roses, ...shaky.roses]) expect(least).to.be.at.most(misses + 1e-12);
		// a hand that goes 15 degrees off everywhere wants the rose turned by so much
		const askew = bestTurn(tested({ kappa: 300, bias: () => 15 }, 40), 8);
		expect(Math.abs(between(15, askew.turn))).to.be.lessThan(3);
		expect(bearable(tested({ kappa: 12 }), 0.9).most, 'whoever lets nearly all go wrong bears all').to.equal(12);
	});

	it('counts no flick without a length, and says nothing of none', () => {
		expect(handSummary([])).to.equal(undefined);
		expect(handSummary([{ wanted: 0, dx: 0, dy: 0, ms: 3 }])).to.equal(undefined);
		const one = handSummary([{ wanted: 360, dx: 1, dy: 0, ms: 3 }])!;
		expect(one.directions[0]).to.deep.include({ wanted: 0, bias: 90, n: 1 });
		expect(one.spread.kappa, 'of one flick nobody knows').to.equal(Infinity);
		expect(Flick.safeParse({ wanted: 0, dx: Number.NaN, dy: 0, ms: 0 }).success).to.equal(false);
	});

	it('puts every direction into the sector whose middle is nearest', () => {
		fc.assert(
			fc.property(
				fc.integer({ min: 2, max: 12 }),
				fc.integer({ min: 0, max: 359 }),
				fc.double({ min: 0, max: 359.99, noNaN: true }),
				(directions, turn, angle) => {
					const rose = { directions, turn };
					const far = middlesOf(rose).map((middle) => Math.abs(between(middle, angle)));
					expect(far[sectorOf(rose, angle)]).to.be.closeTo(Math.min(...far), 1e-6);
				}
			)
		);
	});
});
