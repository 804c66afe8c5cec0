import { expect } from 'chai';
import { compared } from '../../../../core/compare/compare.ts';
import { indexOf } from '../../../../core/profile/circumstances.ts';
import type { Profile, Stratum } from '../../../../core/strata/stratum.ts';
import { gneiss } from '../../../../demo/gneiss/gneiss.ts';
import { varve } from '../../../../demo/varve/varve.ts';
import { demoProfile, subjectOf } from '../../demo-office.ts';

const application = subjectOf(gneiss);

describe('profiles side by side', () => {
	const profile = demoProfile();
	const [factory, office] = profile as [Stratum, Stratum];
	const withOffice: Profile = [factory, office];

	it('show every shortcut in force on each side, and which are the same', () => {
		const rows = compared(application, [[factory], withOffice, profile]);
		const shortcuts = rows.filter(({ chapter }) => chapter === 'shortcuts');
		for (const [side, strata] of [[factory], withOffice, profile].entries()) {
			const shown = shortcuts.flatMap(({ key, cells }) => (cells[side] ? [key] : []));
			expect(shown.sort(), `side ${side}`).to.deep.equal(
				indexOf(application, strata)
					.effective.bindings.map((b) => b.key as string)
					.sort()
			);
		}
		const mass = shortcuts.find(({ command, caption }) => command === 'inspect.mass' && (caption.keys as string) === 'Alt+M')!;
		expect(mass.cells.map((cell) => cell?.stratum)).to.deep.equal([undefined, 'office', 'office']);
		expect(mass.isSame).to.equal(false);
		expect(new Set(rows.map(({ id }) => id)).size, 'each thing once').to.equal(rows.length);
		expect(new Set(rows.map(({ chapter }) => chapter)))
			.to.include('options')
			.and.include('bars')
			.and.include('gestures');
	});

	it('show typed names of a program with a command line', () => {
		const rows = compared(subjectOf(varve), [demoProfile(varve).slice(0, 1), demoProfile(varve)]).filter(
			({ chapter }) => chapter === 'aliases'
		);
		expect(rows.length).to.be.greaterThan(20);
		expect(rows.some(({ isSame }) => !isSame)).to.equal(true);
	});

	it('the same with itself, thing by thing', () => {
		expect(compared(application, [profile, profile]).every(({ isSame }) => isSame)).to.equal(true);
	});
});
