import { expect } from 'chai';
import fc from 'fast-check';
import { dragged, USUAL_MANNER, wheeled, type Look } from '../../../../core/surface/looking.ts';
import { facesViewer, orbited, seenBy, TURN_OF_PX, type Camera, type Point3 } from '../../../../core/surface/turning.ts';

const FRONT: Camera = { turn: 0, tilt: 0, roll: 0 };
const START: Look = { x: 0, y: 0, scale: 1, camera: FRONT };
const rounded = ({ x, y, depth }: { x: number; y: number; depth: number }) =>
	[x, y, depth].map((v) => Math.round(v * 1e6) / 1e6 + 0);
const angle = fc.integer({ min: -180, max: 180 });
const camera = fc.record({ turn: angle, tilt: fc.integer({ min: -90, max: 90 }), roll: angle });
const coordinate = fc.integer({ min: -10, max: 10 });
const point = fc.tuple(coordinate, coordinate, coordinate) as fc.Arbitrary<Point3>;

describe('Looking at a thing in space', () => {
	it('from the front shows x to the right and z upwards', () => {
		expect(rounded(seenBy(FRONT)([1, 2, 3]))).to.deep.equal([1, -3, 2]);
	});

	it('from above shows y upwards, and a quarter turn brings x to the back', () => {
		expect(rounded(seenBy({ turn: 0, tilt: 90, roll: 0 })([1, 2, 3]))).to.deep.equal([1, -2, -3]);
		expect(rounded(seenBy({ turn: 90, tilt: 0, roll: 0 })([1, 0, 0]))).to.deep.equal([0, 0, 1]);
	});

	it('turns and moves nothing nearer: lengths stay', () => {
		fc.assert(
			fc.property(camera, point, (from, at) => {
				const { x, y, depth } = seenBy(from)(at);
				expect(Math.hypot(x, y, depth)).to.be.closeTo(Math.hypot(...at), 1e-9);
			})
		);
	});

	it('shows of two opposite faces at most one', () => {
		fc.assert(
			fc.property(camera, fc.constantFrom<Point3>([1, 0, 0], [0, 1, 0], [0, 0, 1]), (from, [x, y, z]) => {
				expect(facesViewer(from, [x, y, z]) && facesViewer(from, [-x, -y, -z])).to.equal(false);
			})
		);
	});

	it('is dragged so that what is near follows the pointer', () => {
		// a point in front of the middle
		const near: Point3 = [0, -1, 0];
		expect(seenBy(orbited(FRONT, 20, 0))(near).x).to.be.above(0);
		expect(seenBy(orbited(FRONT, 0, 20))(near).y).to.be.above(0);
		expect(orbited(FRONT, 10, 0).turn).to.equal(10 * TURN_OF_PX);
	});

	it('never looks past straight down or up, and comes back where it was after a whole turn', () => {
		expect(orbited(FRONT, 0, 10_000).tilt).to.equal(90);
		expect(orbited(FRONT, 0, -10_000).tilt).to.equal(-90);
		expect(orbited({ turn: 170, tilt: 0, roll: 0 }, 50, 0).turn).to.equal(-170);
	});
});

describe('Navigating a drawing', () => {
	const at = { x: 70, y: -30 };
	/** Where a point of the drawing lies on the screen, from the middle. */
	const place = ({ x, y, scale }: Look, px: number, py: number) => [x + px * scale, y + py * scale];

	it('keeps what lies under the pointer when it comes nearer, or the middle', () => {
		fc.assert(
			fc.property(fc.array(fc.boolean(), { maxLength: 12 }), (notches) => {
				let look = START;
				for (const isUp of notches) {
					const under = [(at.x - look.x) / look.scale, (at.y - look.y) / look.scale] as const;
					look = wheeled(look, isUp ? 'view.zoom-in' : 'view.zoom-out', isUp ? 'Up' : 'Down', at, USUAL_MANNER);
					const now = place(look, ...under);
					expect(now[0]).to.be.closeTo(at.x, 1e-6);
					expect(now[1]).to.be.closeTo(at.y, 1e-6);
				}
			})
		);
		const middle = wheeled(START, 'view.zoom-in', 'Up', at, { ...USUAL_MANNER, about: 'middle' });
		expect([middle.x, middle.y]).to.deep.equal([0, 0]);
		expect(middle.scale).to.equal(1.2);
	});

	it('goes the other way where it is reversed, and as fast as is said', () => {
		expect(wheeled(START, 'view.zoom-in', 'Up', at, { ...USUAL_MANNER, zoom: 'reversed' }).scale).to.be.closeTo(1 / 1.2, 1e-9);
		const plain = dragged(START, 'view.orbit', { x: 10, y: 5 }, at, USUAL_MANNER).camera;
		const other = dragged(START, 'view.orbit', { x: 10, y: 5 }, at, { ...USUAL_MANNER, orbit: 'reversed', speed: 2 }).camera;
		expect([other.turn, other.tilt]).to.deep.equal([-2 * plain.turn, -2 * plain.tilt]);
	});

	it('is moved by a drag as far as the pointer goes, and by the wheel along or across', () => {
		expect(dragged(START, 'view.pan', { x: 3, y: 4 }, at, USUAL_MANNER)).to.deep.equal({ ...START, x: 3, y: 4 });
		expect(wheeled(START, 'view.pan', 'Down', at, USUAL_MANNER).y).to.equal(-40);
		expect(wheeled(START, 'view.pan-across', 'Down', at, USUAL_MANNER)).to.deep.equal({ ...START, x: -40 });
	});

	it('comes no nearer and goes no farther than it can be seen', () => {
		let look = START;
		for (let i = 0; i < 30; i++) look = wheeled(look, 'view.zoom-in', 'Up', at, USUAL_MANNER);
		expect(look.scale).to.equal(5);
		for (let i = 0; i < 60; i++) look = wheeled(look, 'view.zoom-out', 'Down', at, USUAL_MANNER);
		expect(look.scale).to.equal(0.4);
	});
});
