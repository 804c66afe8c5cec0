import { expect } from 'chai';
import { CHECKERS } from '../../../../core/profile/checkers.ts';
import { ALL_CHAPTERS } from '../../../../core/profile/chapters.ts';

describe('The list of checks', () => {
	it('has one for each chapter but that of acceptances, in the order of the chapters', () => {
		const ids = ALL_CHAPTERS.map(({ id }) => id).filter((id) => id !== 'acceptances');
		expect(CHECKERS.map(({ chapter }) => chapter)).to.deep.equal(ids);
	});

	it('gives the findings of no two chapters the same beginning', () => {
		const beginnings = CHECKERS.map(({ beginning }) => beginning);
		for (const one of beginnings)
			for (const other of beginnings)
				if (one !== other && one !== '') expect(other.startsWith(one), `${other} ${one}`).to.equal(false);
		expect(new Set(beginnings).size).to.equal(beginnings.length);
	});
});
