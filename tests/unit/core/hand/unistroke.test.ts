import { expect } from 'chai';
import fc from 'fast-check';
import { drawnAgain, kappaOf } from '../../../../core/hand/drawn.ts';
import { seeded } from '../../../../core/hand/simulated.ts';
import {
	backwards,
	distance,
	distanceTo,
	lengthOf,
	POINTS,
	recognise,
	resampled,
	straightness,
	templateOf,
	UNLIKE,
	vectorOf,
	type Path
} from '../../../../core/hand/unistroke.ts';
import { farFrom, prepared } from '../../golden-section.ts';
import { MARKS } from '../../strokes.ts';

const names = Object.keys(MARKS);
const moved = (path: Path, dx: number, dy: number): number[] => path.map((v, i) => v + (i % 2 === 0 ? dx : dy));
const scaled = (path: Path, by: number): number[] => path.map((v) => v * by);
const turnedBy = (path: Path, degrees: number): number[] => {
	const [s, c] = [Math.sin((degrees * Math.PI) / 180), Math.cos((degrees * Math.PI) / 180)];
	return path.map((v, i) => (i % 2 === 0 ? v * c - path[i + 1]! * s : path[i - 1]! * s + v * c));
};
const mark = fc.constantFrom(...names);

describe('Resampling a stroke', () => {
	it('gives 64 points, the ends among them, equally far apart along it', () => {
		// 630 px along an L: a point each 10 px
		const path = resampled([0, 0, 0, 315, 315, 315]);
		expect(path).to.have.length(2 * POINTS);
		expect(path.slice(0, 4).map(Math.round)).to.deep.equal([0, 0, 0, 10]);
		expect(path.slice(-4).map(Math.round)).to.deep.equal([305, 315, 315, 315]);
		// the corner lies between two of them
		expect(path.slice(62, 66).map(Math.round)).to.deep.equal([0, 310, 5, 315]);
	});

	it('gives the same stroke however finely it was sampled, and takes a hundred thousand points', () => {
		const fine = Array.from({ length: 100_000 }, (_, i) => {
			const a = (i / 99_999) * 6;
			return [60 * Math.sin(a), -60 * Math.cos(a)];
		}).flat();
		const coarse = resampled(fine, 400);
		expect(distance(vectorOf(fine), vectorOf(coarse))).to.be.below(0.2);
		expect(lengthOf(resampled(fine))).to.be.closeTo(360, 1);
	});

	it('refuses what has no way to follow, and says why', () => {
		expect(() => resampled([1, 1])).to.throw(RangeError, 'the stroke has fewer than two points');
		expect(() => resampled([])).to.throw(RangeError, 'fewer than two points');
		expect(() => resampled([1, 1, 1, 1, 1, 1])).to.throw(RangeError, 'has no size');
		expect(() => resampled([1, 1, Number.NaN, 2])).to.throw(RangeError, 'no number');
		expect(() => resampled([1, 1, Infinity, 2])).to.throw(RangeError, 'no number');
		expect(() => resampled([1, 1, 2])).to.throw(RangeError, 'an x without a y');
	});

	it('is not disturbed by points that lie on each other', () => {
		const plain = [0, 0, 50, 0, 50, 50];
		expect(resampled([0, 0, 0, 0, 50, 0, 50, 0, 50, 50, 50, 50])).to.deep.equal(resampled(plain));
	});
});

describe('How far strokes are apart', () => {
	it('does not depend on where they are, how large, and how the pair is turned', () => {
		fc.assert(
			fc.property(
				mark,
				mark,
				fc.double({ min: -500, max: 500, noNaN: true }),
				fc.double({ min: 0.1, max: 20, noNaN: true }),
				fc.integer({ min: 0, max: 359 }),
				(a, b, move, scale, turn) => {
					const plain = distance(vectorOf(MARKS[a]!), vectorOf(MARKS[b]!));
					const [one, other] = [a, b].map((name) => vectorOf(turnedBy(scaled(moved(MARKS[name]!, move, -move), scale), turn)));
					expect(distance(one!, other!)).to.be.closeTo(plain, 1e-4);
					expect(distance(other!, one!)).to.be.closeTo(plain, 1e-4);
				}
			)
		);
	});

	it('is nothing for the same stroke turned any way, where any turn is made good, and grows with the turn where it is not', () => {
		fc.assert(
			fc.property(mark, fc.integer({ min: -180, max: 180 }), (name, turn) => {
				const [plain, other] = [vectorOf(MARKS[name]!), vectorOf(turnedBy(MARKS[name]!, turn))];
				expect(distance(plain, other, 180)).to.be.below(1e-3);
				// the turn that is left over is the angle between the vectors: the closed form of the description
				expect(distance(plain, other)).to.be.closeTo(Math.max(0, Math.abs(turn) - 22.5), 1e-3);
			})
		);
	});

	it('is the least over all turns: the closed form against trying them', () => {
		const [a, b] = [vectorOf(MARKS['zed']!), vectorOf(turnedBy(MARKS['ess']!, 70))];
		let least = 180;
		for (let turn = -180; turn < 180; turn += 0.05)
			least = Math.min(least, distance(Float64Array.from(turnedBy([...a], turn)), b, 0));
		expect(distance(a, b, 180)).to.be.closeTo(least, 0.01);
	});

	it('tells a stroke drawn from its end, unless it may be', () => {
		const zigzag = MARKS['zed']!;
		const reversed = Array.from({ length: zigzag.length / 2 }, (_, i) => [zigzag.at(-2 - 2 * i)!, zigzag.at(-1 - 2 * i)!]).flat();
		expect(distanceTo(vectorOf(reversed), templateOf('zed', [zigzag]))).to.be.above(UNLIKE);
		expect(distanceTo(vectorOf(reversed), templateOf('zed', [zigzag], { isEitherWay: true }))).to.be.below(0.5);
		expect(backwards(backwards(vectorOf(zigzag)))).to.deep.equal(vectorOf(zigzag));
	});

	it('tells straight strokes from bent ones', () => {
		expect(straightness([0, 0, 30, 40])).to.equal(1);
		// a half circle: 2 r over pi r
		expect(straightness(MARKS['bow']!)).to.be.closeTo(2 / Math.PI, 0.01);
		expect(straightness(MARKS['box']!)).to.equal(0);
	});
});

describe('Recognising strokes', () => {
	const templates = names.map((name) => templateOf(name, [MARKS[name]!]));
	/** Of strokes drawn by a hand of this spread in degrees, how many are taken for another one. */
	function wrong(spread: number, recognised: (path: Path) => string): number {
		const random = seeded(3);
		let errors = 0;
		const times = 40;
		for (const name of names)
			for (let i = 0; i < times; i++) if (recognised(drawnAgain(MARKS[name]!, kappaOf(spread), random)) !== name) errors++;
		return errors / (names.length * times);
	}

	it('finds each stroke, the nearest first, and all others after it', () => {
		for (const name of names) {
			const [best, ...rest] = recognise(scaled(moved(MARKS[name]!, 40, 7), 1.7), templates);
			expect(best!.shape).to.equal(name);
			expect(best!.distance).to.be.below(0.01);
			expect(rest).to.have.length(names.length - 1);
		}
	});

	// Wobbrock, Wilson and Li, UIST 2007: 97 % with one sample, over 99 % with three, of sixteen shapes; here of simulated hands
	it('is right as often as its description reports, of hands that go off by 9 degrees', () => {
		expect(wrong(9, (path) => recognise(path, templates)[0]!.shape)).to.be.below(0.01);
	});

	it('is right more often than the golden section search that it succeeds: docs/decisions/0023', () => {
		const golden = names.map((name) => [name, prepared(MARKS[name]!)] as const);
		const byGolden = (path: Path) => {
			const points = prepared(path);
			return golden.map(([name, template]) => ({ name, far: farFrom(points, template) })).sort((a, b) => a.far - b.far)[0]!.name;
		};
		expect(wrong(14, (path) => recognise(path, templates)[0]!.shape)).to.be.below(wrong(14, byGolden));
	});
});
