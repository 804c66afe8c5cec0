import { expect } from 'chai';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { drawnAgain, kappaOf } from '../../../core/hand/drawn.ts';
import { seeded } from '../../../core/hand/simulated.ts';
import { office } from '../page/office.ts';
import { MARKS } from '../strokes.ts';

// what a pointer says, by the fields of W3C Pointer Events: buttons 0 left, 1 middle, 2 right; a touch says button 0
const NONE = { ctrlKey: false, altKey: false, shiftKey: false, metaKey: false, pointerType: 'mouse' };

describe('the pointer over the drawing', () => {
	const demo = office();
	async function open(situation = 'part.solids') {
		const at = await demo.open(gneiss.application.id);
		const place = at.space.situations.findIndex((s) => (s[0] as string) === situation && (s[1] as string) === 'nothing');
		at.standIn(place);
		const session = new demo.browser.BenchSession(at);
		const pointing = new demo.browser.Pointing(at, session);
		pointing.middle = () => ({ x: 0, y: 0 });
		let now = 1_000;
		const event = (x: number, y: number) => ({ clientX: x, clientY: y, timeStamp: now });
		return {
			at,
			session,
			pointing,
			said: () => session.log.map(({ said }) => said).find((text) => text !== undefined) ?? '',
			ran: () => session.log.map(({ ran }) => ran as string | undefined).find((id) => id !== undefined),
			wait: (ms: number) => void (now += ms),
			down: (x: number, y: number, button: number, more: Partial<typeof NONE> = {}) =>
				pointing.down({ ...NONE, ...more, ...event(x, y), button }),
			move: (x: number, y: number) => pointing.move(event(x, y) as never),
			up: (x: number, y: number) => pointing.up(event(x, y) as never),
			draw(path: readonly number[], button: number, ms = 10) {
				this.down(path[0]!, path[1]!, button);
				for (let i = 2; i < path.length; i += 2) {
					this.wait(ms);
					this.move(path[i]!, path[i + 1]!);
				}
				this.up(path.at(-2)!, path.at(-1)!);
			}
		};
	}

	it('runs what a flick says, and nothing where the pointer was lost in the middle of it', async () => {
		const hand = await open();
		hand.draw([0, 0, 5, -40, 8, -80], 2);
		expect(hand.ran()).to.equal('solid.extrude');
		const many = hand.session.log.length;
		hand.down(0, 0, 2);
		hand.move(0, -60);
		hand.pointing.lose();
		expect(hand.up(0, -80)).to.equal(undefined);
		expect(hand.session.log.length).to.equal(many);
	});

	it('turns the cabin, follows the pointer and stops with it', async () => {
		const hand = await open();
		const before = hand.pointing.look.camera;
		hand.draw([0, 0, 10, 0, 60, 20], 1);
		expect(hand.ran()).to.equal('view.orbit');
		const after = hand.pointing.look.camera;
		expect(after.turn - before.turn).to.be.closeTo(60 * 0.4, 1e-9);
		expect(after.tilt - before.tilt).to.be.closeTo(20 * 0.4, 1e-9);
		hand.move(200, 200);
		expect(hand.pointing.look.camera).to.deep.equal(after);
	});

	it('draws a shape where something is heard on it, with the ink while it is drawn', async () => {
		const hand = await open('part.sketch');
		const path = drawnAgain(MARKS['zed']!, kappaOf(4), seeded(9));
		hand.down(path[0]!, path[1]!, 2);
		for (let i = 2; i < path.length; i += 2) {
			hand.wait(8);
			hand.move(path[i]!, path[i + 1]!);
		}
		expect(hand.pointing.ink.length).to.be.above(60);
		hand.up(path.at(-2)!, path.at(-1)!);
		expect(hand.pointing.ink).to.deep.equal([]);
		expect(hand.ran()).to.equal('sketch.trim');
		expect(hand.session.log.some(({ said }) => /bent: zigzag, \d+° off/.test(said ?? ''))).to.equal(true);
	});

	it('opens the menu at a click of the right button, and tells a double click of the middle one', async () => {
		const hand = await open();
		hand.down(0, 0, 2);
		hand.wait(80);
		expect(hand.up(1, 0)).to.equal('menu');
		const click = () => {
			hand.down(0, 0, 1);
			hand.wait(60);
			hand.up(0, 0);
			hand.wait(100);
		};
		click();
		expect(hand.ran()).to.equal(undefined);
		click();
		expect(hand.ran()).to.equal('view.fit');
		// two that are far apart in time are two clicks
		const many = hand.session.log.filter(({ ran }) => ran).length;
		hand.wait(2_000);
		click();
		hand.wait(2_000);
		click();
		expect(hand.session.log.filter(({ ran }) => ran)).to.have.length(many);
	});

	it('takes a finger for the left button: it selects, and what is bound to that button says so', async () => {
		const hand = await open();
		expect(hand.down(0, 0, 0, { pointerType: 'touch' }), 'selecting is not taken').to.equal(false);
		hand.up(0, 0);
		expect(hand.ran()).to.equal(undefined);
	});

	it('lets go of what the first button did when a second one comes down', async () => {
		const hand = await open();
		hand.down(0, 0, 2);
		hand.move(0, -50);
		expect(hand.down(0, -50, 1)).to.equal(false);
		expect(hand.said()).to.include('second button');
		hand.up(0, -80);
		expect(hand.ran()).to.equal(undefined);
	});

	it('comes nearer with the wheel about the pointer, and moves with modifiers', async () => {
		const hand = await open();
		const wheel = (deltaY: number, more: Partial<typeof NONE> = {}, deltaX = 0) =>
			hand.pointing.wheel({ ...NONE, ...more, deltaX, deltaY, clientX: 100, clientY: 50 });
		expect(wheel(-100)).to.equal(true);
		const { x, y, scale } = hand.pointing.look;
		expect([Math.round(x), Math.round(y), scale]).to.deep.equal([-20, -10, 1.2]);
		wheel(-100, { ctrlKey: true });
		expect(hand.pointing.look.y - y).to.be.closeTo(40, 1e-9);
		// browsers turn an upright wheel sideways while Shift is held
		wheel(0, { shiftKey: true }, -100);
		expect(hand.pointing.look.x - x).to.be.closeTo(40, 1e-9);
		expect(wheel(-100, { altKey: true })).to.equal(false);
	});
});
