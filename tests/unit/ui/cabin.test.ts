import { expect } from 'chai';
import fc from 'fast-check';
import { drawnCabin, FIRST_LOOK } from '../../../src/lib/ui/bench/cabin.ts';

const angle = fc.integer({ min: -180, max: 180 });
const camera = fc.record({ turn: angle, tilt: fc.integer({ min: -90, max: 90 }), roll: angle });
/** The sides of a box that lie opposite each other. */
const OPPOSITE = [
	[0, 3],
	[1, 4],
	[2, 5]
] as const;

describe('the cabin of the stand-in, from any side', () => {
	it('shows at most three sides, never two opposite ones, with all of their edges and corners', () => {
		fc.assert(
			fc.property(camera, (from) => {
				const { faces, edges, vertices, panes } = drawnCabin(from);
				const ids = faces.map(({ id }) => id);
				expect(ids.length).to.be.within(1, 3);
				for (const [one, other] of OPPOSITE) expect(ids.includes(one) && ids.includes(other)).to.equal(false);
				// a box shows 4, 7 or 9 edges and 4, 6 or 7 corners, by the number of sides
				expect([edges.length, vertices.length]).to.deep.equal([undefined, [4, 4], [7, 6], [9, 7]][ids.length]);
				if (ids.length === 1 && (ids[0] === 2 || ids[0] === 5)) expect(panes).to.deep.equal([]);
			})
		);
	});

	it('fits the drawing at first, and shows the front, the end and the roof', () => {
		const { faces, vertices, isFromAbove, floor } = drawnCabin(FIRST_LOOK);
		expect(faces.map(({ id }) => id)).to.deep.equal([0, 1, 2]);
		expect(isFromAbove).to.equal(true);
		for (const { x, y } of vertices) {
			expect(x).to.be.within(96, 452);
			expect(y).to.be.within(8, 308);
		}
		const numbers = [...floor.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map(([, , y]) => Number(y));
		expect(Math.max(...numbers)).to.be.below(308);
	});
});
