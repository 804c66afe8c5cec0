import { expect } from 'chai';
import { choosing, difficulty, pointing, total } from '../../../../core/time/pointing.ts';

describe('pointing and choosing', () => {
	// MacKenzie, Human-Computer Interaction 7, 1992; ISO/TS 9241-411: ID = log2(D / W + 1)
	for (const [distance, width, bits] of [
		[128, 16, 3.17],
		[240, 20, 3.7]
	] as const)
		it(`has a difficulty of ${bits} bits at a distance of ${distance} and a width of ${width}`, () => {
			expect(difficulty(distance, width)).to.be.closeTo(bits, 0.005);
		});

	it('takes longer the further and the smaller, and never less than a click', () => {
		for (let d = 0; d < 2000; d += 50)
			for (let w = 8; w < 200; w += 16) {
				const { seconds } = pointing(d, w);
				expect(seconds).to.be.at.least(0.1);
				expect(pointing(d + 10, w).seconds).to.be.at.least(seconds);
				expect(pointing(d, w + 10).seconds).to.be.at.most(seconds);
			}
	});

	// Hick 1952; Hyman 1953: T = b log2(n + 1), so that each doubling of n + 1 adds the same
	it('grows by the same for each doubling of the choice', () => {
		const [one, three, seven] = [1, 3, 7].map((n) => choosing(n).seconds) as [number, number, number];
		expect(three - one).to.be.closeTo(seven - three, 1e-12);
		expect(choosing(0).seconds).to.equal(0);
	});

	it('unfolds into terms that sum up', () => {
		const terms = [pointing(240, 20), choosing(7)];
		expect(total(terms)).to.equal(terms[0]!.seconds + terms[1]!.seconds);
		expect(terms.every(({ how }) => /bit|log2/.test(how))).to.equal(true);
	});
});
