import { expect } from 'chai';
import { desksOf, DeskSetup, USUAL_DESK } from '../../../../core/keyboard/desk.ts';
import { narrowestOf, officeScreens, seatsWithout } from '../../../../core/keyboard/office-screens.ts';
import { SCREENS } from '../../../../core/surface/screens.ts';

const screen = (width: number, height: number, scale = 1) => ({ width, height, scale });
const seat = (id: string, ...screens: ReturnType<typeof screen>[]) => ({
	id,
	desk: { ...USUAL_DESK, ...(screens.length > 0 && { screens }) }
});

describe('the screens of an office', () => {
	const desks = desksOf([
		seat('A', screen(1920, 1080), screen(1920, 1080)),
		seat('B', screen(2560, 1440, 2)),
		seat('C', screen(1920, 1080)),
		seat('D')
	]);

	it('are the first ones of its desks, those of one size together, the one with least room first', () => {
		// 2560 px at 200 % are 1280 px of a window
		expect(officeScreens(desks).map(({ name }) => name)).to.deep.equal(['B: 2560 × 1440 at 200 %', 'A, C: 1920 × 1080']);
		expect(narrowestOf(desks).width).to.equal(2560);
		expect(desks, 'screens do not part desks that type alike').to.have.length(1);
	});

	it('are those that are usual where no seat has said which it has', () => {
		expect(officeScreens(desksOf([seat('D')]))).to.equal(SCREENS);
	});

	it('tell which seats lack a second monitor, of those that have said', () => {
		expect(seatsWithout(desks, 2)).to.deep.equal(['B', 'C']);
		expect(seatsWithout(desks, 1)).to.deep.equal([]);
	});

	it('are refused when they are none', () => {
		expect(DeskSetup.safeParse({ ...USUAL_DESK, screens: [] }).success).to.equal(false);
		expect(DeskSetup.safeParse({ ...USUAL_DESK, screens: [screen(0, 800)] }).success).to.equal(false);
		expect(DeskSetup.safeParse({ ...USUAL_DESK, screens: [screen(1280, 800, 1.25)] }).success).to.equal(true);
	});
});
