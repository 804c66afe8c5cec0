import { expect } from 'chai';
import fc from 'fast-check';
import { Newest } from '../../../src/lib/state/newest.ts';
import { rejection } from '../refusal.ts';

describe('of several answers to the same question', () => {
	it('the one to what was asked last is taken, in whatever order they come, and all end when it is there', async () => {
		const order = fc.integer({ min: 1, max: 6 }).chain((n) =>
			fc.shuffledSubarray(
				Array.from({ length: n }, (_, i) => i),
				{ minLength: n, maxLength: n }
			)
		);
		await fc.assert(
			fc.asyncProperty(order, async (order) => {
				const newest = new Newest();
				const taken: number[] = [];
				const answers: ((n: number) => void)[] = [];
				const ends = order.map((_, i) =>
					newest
						.of(
							() => new Promise<number>((resolve) => (answers[i] = resolve)),
							(answer) => taken.push(answer)
						)
						.then(() => [...taken])
				);
				for (const i of order) answers[i]!(i);
				for (const seen of await Promise.all(ends)) expect(seen).to.deep.equal([order.length - 1]);
			})
		);
	});

	it('one that fails is told to who asked last, and an older one to nobody', async () => {
		const newest = new Newest();
		const taken: string[] = [];
		const fail = () => Promise.reject<string>(new Error('away'));
		const older = newest.of(fail, (answer) => taken.push(answer));
		const newer = newest.of(
			() => Promise.resolve('newer'),
			(answer) => taken.push(answer)
		);
		await Promise.all([older, newer]);
		expect(taken).to.deep.equal(['newer']);
		expect((await rejection(newest.of(fail, () => undefined))).message).to.equal('away');
	});
});
