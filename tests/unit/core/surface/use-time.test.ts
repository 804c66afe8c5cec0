import { expect } from 'chai';
import fc from 'fast-check';
import { GROUP_FORMS, type GroupBox } from '../../../../core/surface/parts.ts';
import { inDrawer, pointingAt, secondsIn } from '../../../../core/surface/use-time.ts';
import { pointing, total } from '../../../../core/time/pointing.ts';

const rect = fc.record({
	x: fc.integer({ min: 0, max: 1500 }),
	y: fc.integer({ min: 0, max: 900 }),
	width: fc.integer({ min: 10, max: 200 }),
	height: fc.integer({ min: 10, max: 80 })
});
const group = (places: number): GroupBox => ({
	id: 'g',
	name: 'Shape',
	places: Array.from({ length: places }, (_, i) => ({
		id: `p${i}`,
		kind: i % 4 === 3 ? 'separator' : 'button',
		label: 'Sweep along',
		isLarge: i === 0,
		shows: 'both'
	}))
});

describe('how long the use of a place takes', () => {
	it('is that of the distance between the middles, and of the narrower side', () => {
		fc.assert(
			fc.property(rect, rect, (from, to) => {
				const far = Math.hypot(from.x + from.width / 2 - to.x - to.width / 2, from.y + from.height / 2 - to.y - to.height / 2);
				expect(pointingAt(from, to).seconds).to.equal(pointing(far, Math.min(to.width, to.height)).seconds);
				expect(pointingAt(from, { ...to, x: to.x + 2000 }).seconds).to.be.at.least(pointingAt({ ...from, x: to.x }, to).seconds);
			})
		);
	});

	it('is known for every place of a group in every form, but for separators', () => {
		for (const places of [1, 4, 9])
			for (const form of GROUP_FORMS) {
				const seconds = secondsIn(group(places), form, 400);
				expect([...seconds.keys()]).to.have.members(
					group(places)
						.places.filter((p) => p.kind !== 'separator')
						.map((p) => p.id)
				);
				for (const one of seconds.values()) expect(one).to.be.greaterThan(0);
			}
	});

	it('is longer for an icon among its like than with its name, and longest in a drawer', () => {
		const by = Object.fromEntries(GROUP_FORMS.map((form) => [form, secondsIn(group(6), form, 400).get('p1')!]));
		expect(by['large']).to.be.lessThan(by['small']!);
		expect(by['small']).to.be.lessThan(by['icons']!);
		expect(by['icons']).to.be.lessThan(by['folded']!);
		expect(total(inDrawer(12))).to.be.greaterThan(total(inDrawer(3)));
	});
});
