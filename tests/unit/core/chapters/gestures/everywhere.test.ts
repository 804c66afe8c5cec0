import { expect } from 'chai';
import { resolve } from '../../../../../core/answer/resolve.ts';
import { pressedEverywhere, toldIn } from '../../../../../core/chapters/gestures/everywhere.ts';
import { inputTold, type Press } from '../../../../../core/chapters/gestures/tell.ts';
import { drawnAgain, kappaOf } from '../../../../../core/hand/drawn.ts';
import { seeded } from '../../../../../core/hand/simulated.ts';
import { indexOf } from '../../../../../core/profile/circumstances.ts';
import { gneiss } from '../../../../../demo/gneiss/gneiss.ts';
import { demoProfile, subjectOf } from '../../../demo-office.ts';
import { MARKS } from '../../../strokes.ts';

const profile = demoProfile(gneiss);
const index = indexOf(subjectOf(gneiss), profile);
const RIGHT = { button: 'Right', modifiers: [] } as const;
const straight = (degrees: number): Press => {
	const angle = (degrees * Math.PI) / 180;
	const [dx, dy] = [80 * Math.sin(angle), -80 * Math.cos(angle)];
	return { dx, dy, ms: 120, path: [0, 0, dx / 2, dy / 2, dx, dy] };
};
const bent = (path: readonly number[]): Press => ({ dx: path.at(-2)! - path[0]!, dy: path.at(-1)! - path[1]!, ms: 900, path });

describe('What a press of the mouse does everywhere', () => {
	const presses: Record<string, Press> = {
		'a flick between two directions': straight(40),
		'a flick up': straight(2),
		'a click': { dx: 1, dy: 0, ms: 80, path: [0, 0, 1, 0] },
		'a drawn shape': bent(drawnAgain(MARKS['zed']!, kappaOf(4), seeded(2))),
		'a scrawl': bent(MARKS['spiral']!)
	};
	for (const [name, press] of Object.entries(presses))
		it(`is for ${name} what it does in each situation, and each situation stands once`, () => {
			const groups = pressedEverywhere(profile, index, RIGHT, press);
			const seen = new Set<number>();
			for (const { keys, outcome, situations } of groups)
				for (const situation of situations) {
					expect(seen.has(situation)).to.equal(false);
					seen.add(situation);
					const told = inputTold(RIGHT, toldIn(profile, index, RIGHT, press, situation));
					expect(told).to.equal(keys);
					expect(outcome.kind).to.equal(told === undefined ? 'nothing' : resolve(index, told, situation).kind);
				}
			expect(seen.size).to.equal(index.space.situations.length);
			const sizes = groups.map(({ situations }) => situations.length);
			expect(sizes).to.deep.equal([...sizes].sort((a, b) => b - a));
		});

	it('is another direction where a rose has more of them, and a shape only where something is heard on it', () => {
		const into = (press: Press) =>
			new Set(pressedEverywhere(profile, index, RIGHT, press).map(({ keys }): string => keys ?? 'none'));
		// sketches have eight directions, parts have four
		expect(into(presses['a flick between two directions']!)).to.deep.equal(new Set(['RightFlick45', 'RightFlick0']));
		const zigzag = into(presses['a drawn shape']!);
		expect(zigzag.has('RightShape-zigzag')).to.equal(true);
		expect(zigzag.size).to.be.above(1);
	});
});
