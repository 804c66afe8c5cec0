import { expect } from 'chai';
import fc from 'fast-check';
import { tellPress } from '../../../../../core/chapters/gestures/tell.ts';
import { between, directionOf } from '../../../../../core/hand/circular.ts';

/* By docs/resolution.md, What the mouse says. */
describe('a press, told apart', () => {
	const rose = { directions: 4, turn: 0 };
	const rules = { slop: 6, hold: 450, flickWithin: 250 };

	it('is a click or held by its time, where it stays within the slop', () => {
		expect(tellPress({ dx: 3, dy: 4, ms: 100 }, rules, { rose }).motion).to.equal('Click');
		expect(tellPress({ dx: 0, dy: 6, ms: 450 }, rules, { rose }).motion).to.equal('Hold');
		expect(tellPress({ dx: 0, dy: 6, ms: 449 }, rules).motion).to.equal('Click');
	});

	it('is a drag without a rose, and a flick with one if it is quick enough, or was shown the rose', () => {
		const far = { dx: 60, dy: -10, ms: 200 };
		expect(tellPress(far, rules).motion).to.equal('Drag');
		expect(tellPress(far, rules, { rose })).to.deep.equal({
			motion: 'Flick',
			degrees: 90,
			next: 0,
			trace: '61 px in 200 ms at 81°: → of 4 directions, ↑ was next.'
		});
		expect(tellPress({ ...far, ms: 251 }, rules, { rose }).motion).to.equal('Drag');
		expect(tellPress({ ...far, ms: 5_000, isShown: true }, rules, { rose }).motion).to.equal('Flick');
		expect(
			tellPress({ ...far, ms: 5_000 }, { slop: 6, hold: 450 }, { rose }).motion,
			'a program that does not look at the time'
		).to.equal('Flick');
	});

	it('goes into the direction that is nearest, and names the second nearest', () => {
		fc.assert(
			fc.property(
				fc.integer({ min: -300, max: 300 }),
				fc.integer({ min: -300, max: 300 }),
				fc.constantFrom(2, 3, 4, 6, 8, 9, 12),
				fc.constantFrom(-20, 0, 10),
				(dx, dy, directions, turn) => {
					if (Math.hypot(dx, dy) <= 6) return;
					const told = tellPress({ dx, dy, ms: 10 }, rules, { rose: { directions, turn } });
					const off = Array.from({ length: directions }, (_, i) => (i * 360) / directions)
						.map((degrees) => ({ degrees: Math.round(degrees), off: Math.abs(between(degrees + turn, directionOf(dx, dy))) }))
						.sort((a, b) => a.off - b.off);
					// exactly between two, either will do
					if (off[1]!.off - off[0]!.off < 1) return;
					expect(told.degrees).to.equal(off[0]!.degrees);
					if (directions > 2 && off[2]!.off - off[1]!.off >= 1) expect(told.next).to.equal(off[1]!.degrees);
				}
			)
		);
	});
});
