import { expect } from 'chai';
import { desksOf, USUAL_DESK } from '../../../../core/keyboard/desk.ts';
import { officeDesks } from '../../../../core/keyboard/office-desks.ts';
import { BUTTONS, MOTIONS, mouseInput, mouseKey, mouseLegend, WHEELS, type MouseInput } from '../../../../core/stroke/mouse.ts';
import { canHear } from '../../../../core/stroke/hear.ts';
import {
	legendsOf,
	looseKeys,
	parseKeys,
	readable,
	strokesOf,
	typesCharacter,
	type Keys
} from '../../../../core/stroke/stroke.ts';

const all: MouseInput[] = [
	...BUTTONS.flatMap((button) => [
		...MOTIONS.map((motion): MouseInput => ({ kind: 'button', button, motion })),
		...[0, 30, 45, 359].map((degrees): MouseInput => ({ kind: 'flick', button, degrees })),
		{ kind: 'shape' as const, button, shape: 'door-left' }
	]),
	...WHEELS.map((wheel): MouseInput => ({ kind: 'wheel', wheel }))
];

describe('what the mouse says, as an input', () => {
	it('has one text for each, which reads back, in any case of letters and with modifiers', () => {
		for (const input of all) {
			const key = mouseKey(input);
			expect(mouseInput(key)).to.deep.equal(input);
			expect(parseKeys(`ctrl+shift+${key.toLowerCase()}`)).to.equal(`Ctrl+Shift+${key}`);
			expect(parseKeys(parseKeys(key))).to.equal(key);
		}
		expect(new Set(all.map(mouseKey)).size).to.equal(all.length);
		expect(parseKeys('RightFlickNE')).to.equal('RightFlick45');
		expect(looseKeys('alt rightflickw')).to.equal('Alt+RightFlick270');
	});

	it('is no key by another name: what cannot be is refused, and arrows stay arrows', () => {
		for (const text of [
			'RightFlick360',
			'RightFlick',
			'RightFlickX',
			'UpperClick',
			'WheelClick',
			'RightShape-',
			'RightShape-a b',
			'Click'
		])
			expect(mouseInput(text), text).to.equal(undefined);
		expect(() => parseKeys('RightFlick400')).to.throw(
			'"RightFlick400" is not a key stroke: expected one character or a key name such as Enter, F5, ArrowUp or KeyA, or mouse input such as RightFlickNE or MiddleDrag'
		);
		expect(parseKeys('Right')).to.equal('ArrowRight');
		expect(() => parseKeys('G RightClick')).to.throw('mouse input stands alone and cannot be part of a sequence');
	});

	it('is heard by every application, and is no text', () => {
		for (const stroke of all.flatMap((input) => strokesOf(mouseKey(input) as Keys))) {
			expect(typesCharacter(stroke)).to.equal(false);
			for (const match of ['position', 'character'] as const) expect(canHear(stroke, match)).to.equal(true);
		}
		expect(legendsOf(strokesOf('Ctrl+RightFlick45' as Keys)[0]!)).to.deep.equal(['Ctrl', 'Right ↗']);
		expect(legendsOf(strokesOf('RightFlick30' as Keys)[0]!)).to.deep.equal(['Right 30°']);
		expect(legendsOf(strokesOf('WheelDown' as Keys)[0]!)).to.deep.equal(['Wheel ↓']);
	});

	it('reads in a text as it stands on a cap, every input of the mouse', () => {
		for (const input of all)
			expect(readable(`Move Ctrl+${mouseKey(input)} away`)).to.equal(`Move Ctrl+${mouseLegend(input)} away`);
		expect(readable('Click, Right and Shape-up are words')).to.equal('Click, Right and Shape-up are words');
	});

	it('is told where the pointing device of a desk cannot say it', () => {
		const desks = desksOf([
			{ id: 'A', desk: USUAL_DESK },
			{ id: 'B', desk: { ...USUAL_DESK, pointer: 'pen' } },
			{ id: 'C', desk: { ...USUAL_DESK, pointer: 'many' } }
		]);
		expect(desks).to.have.length(3);
		const office = officeDesks({ match: 'character', hardwired: [] } as never, desks);
		const seatsWithout = (keys: string) => office.troubles(keys as Keys).flatMap((t) => t.desks.flatMap((desk) => desk.seats));
		expect(seatsWithout('RightFlick0')).to.deep.equal([]);
		expect(seatsWithout('MiddleDrag')).to.deep.equal(['B']);
		expect(seatsWithout('WheelUp')).to.deep.equal(['B']);
		expect(seatsWithout('BackClick')).to.deep.equal(['A', 'B']);
		expect(
			office.goodStrokes.some((keys) => keys.includes('Flick')),
			'none is suggested for a key'
		).to.equal(false);
		expect(office.reach('Ctrl+RightFlick0' as Keys)?.effort).to.equal('easy');
	});
});
