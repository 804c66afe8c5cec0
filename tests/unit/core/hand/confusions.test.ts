import { expect } from 'chai';
import { confusedWith, confusionsOf, strangerIn, type Tried } from '../../../../core/hand/confusions.ts';
import { drawnAgain, kappaOf } from '../../../../core/hand/drawn.ts';
import { seeded } from '../../../../core/hand/simulated.ts';
import { distance, UNLIKE, vectorOf, type Path } from '../../../../core/hand/unistroke.ts';
import { MARKS } from '../../strokes.ts';

const drawn = (name: string, times = 3, spread = 4): Path[] => {
	const random = seeded(name.length);
	return Array.from({ length: times }, () => drawnAgain(MARKS[name]!, kappaOf(spread), random));
};
const shape = (id: string, samples: readonly Path[] = drawn(id)): Tried => ({ id, samples, isEitherWay: false, isTurned: false });
const KAPPA = kappaOf(9);

describe('Confusions of drawn shapes', () => {
	it('are none among shapes that are unlike: each row is one', () => {
		const rows = confusionsOf(
			['circle', 'zed', 'ell'].map((name) => shape(name)),
			KAPPA
		);
		for (const [i, { taken, times, nearest }] of rows.entries()) {
			expect(times).to.be.at.least(60);
			expect(taken[i]).to.be.above(0.99);
			expect(taken.reduce((a, b) => a + b)).to.be.at.most(1 + 1e-9);
			expect(nearest!.margin).to.be.above(20);
		}
	});

	it('grow the less steady the hand is, and say which is nearest', () => {
		const [tick, cup] = [shape('tick'), shape('cup')];
		const rate = (spread: number) => {
			const { one, other } = confusedWith(tick, cup, kappaOf(spread));
			return one + other;
		};
		expect(rate(3)).to.be.below(0.02);
		expect(rate(25)).to.be.above(rate(9));
		expect(rate(25)).to.be.above(0.05);
		expect(confusionsOf([tick, cup, shape('zed')], KAPPA)[0]!.nearest!.id).to.equal('cup');
	});

	it('of one shape drawn as two are half of all', () => {
		const { one, other } = confusedWith(shape('here', drawn('ell', 4)), shape('there', drawn('ell', 5, 5)), KAPPA);
		expect(one + other).to.be.within(0.5, 1.5);
	});

	it('are the same each time, also after other shapes were looked at', () => {
		const [a, b] = [shape('hook'), shape('bow')];
		const first = confusedWith(a, b, KAPPA);
		confusionsOf([shape('zed'), b], kappaOf(20));
		expect(confusedWith(shape('hook'), shape('bow'), KAPPA)).to.deep.equal(first);
		expect(confusedWith(a, b, KAPPA)).to.deep.equal(first);
	});

	it('count samples against the others of their shape: leave one out', () => {
		// of two samples that are unlike each other, each is taken for nothing if it stands alone
		const odd = shape('odd', [MARKS['circle']!, MARKS['zed']!]);
		const [row] = confusionsOf([odd], kappaOf(0.5));
		expect(row!.taken[0]).to.be.closeTo(58 / 60, 1e-9);
	});

	it('find a drawing that is unlike the others', () => {
		expect(strangerIn(shape('ell'))).to.equal(undefined);
		expect(strangerIn(shape('ell', [MARKS['ell']!]))).to.equal(undefined);
		const mixed = shape('ell', [...drawn('ell'), MARKS['circle']!]);
		const { sample, distance: far } = strangerIn(mixed)!;
		expect(sample).to.equal(3);
		expect(far).to.be.above(UNLIKE);
		expect(far).to.be.closeTo(
			Math.min(...drawn('ell').map((path) => distance(vectorOf(MARKS['circle']!), vectorOf(path)))),
			1e-9
		);
	});

	it('of two are what counting among these two gives, whatever is left out of the counting', () => {
		const names = Object.keys(MARKS);
		for (const spread of [4, 9, 22])
			for (const [i, name] of names.entries()) {
				const [a, b] = [
					shape(name, drawn(name, 3, spread)),
					{ ...shape(names[(i + 5) % names.length]!), isEitherWay: i % 3 === 0 }
				];
				const turned = { ...b, isTurned: i % 2 === 0 };
				const [first, second] = confusionsOf([a, turned], kappaOf(spread));
				const { one, other } = confusedWith({ ...a }, { ...turned }, kappaOf(spread));
				expect(one, name).to.be.closeTo(first!.taken[1]!, 1e-9);
				expect(other, name).to.be.closeTo(second!.taken[0]!, 1e-9);
			}
	});
});
