import { expect } from 'chai';
import { copying, sayingsOf } from '../../../../core/profile/copying.ts';
import { applyEdit, placedEdit } from '../../../../core/profile/edit.ts';
import { problemsOf, groundFor } from '../../../../core/profile/problems.ts';
import type { StratumId } from '../../../../core/strata/stratum.ts';
import { demoProfile, subjectOf } from '../../demo-office.ts';
import { gneiss } from '../../../../demo/gneiss/gneiss.ts';

const [OFFICE, PERSONAL] = ['office', 'personal'] as StratumId[];
const wordsOf = (profile: ReturnType<typeof demoProfile>, id: StratumId) =>
	new Map(
		sayingsOf(profile, id).map(({ chapter, key, isLock, said }) => [
			`${chapter} ${key} ${isLock}`,
			JSON.stringify({ ...(said as object), rank: 0 })
		])
	);

describe('what one stratum says, said by another', () => {
	it('is there after it, in every chapter, and nothing else is touched', () => {
		const profile = demoProfile();
		const own = sayingsOf(profile, PERSONAL!);
		expect(new Set(own.map(({ chapter }) => chapter)).size).to.be.greaterThan(2);
		const after = applyEdit(profile, placedEdit(profile, copying(profile, own, OFFICE!)));
		const [before, now] = [wordsOf(profile, OFFICE!), wordsOf(after, OFFICE!)];
		for (const [place, said] of wordsOf(profile, PERSONAL!)) expect(now.get(place), place).to.equal(said);
		for (const [place, said] of before) if (!wordsOf(profile, PERSONAL!).has(place)) expect(now.get(place), place).to.equal(said);
		expect(copying(after, own, OFFICE!), 'a second time').to.deep.equal([]);
	});

	it('is judged as an edit is: what is locked below stays locked', () => {
		const profile = demoProfile();
		const own = sayingsOf(profile, OFFICE!)
			.filter(({ isLock }) => !isLock)
			.slice(0, 3);
		const changes = copying(profile, own, PERSONAL!);
		expect(
			problemsOf(changes, groundFor(subjectOf(gneiss), profile, changes)).every(({ message }) => message.length > 0)
		).to.equal(true);
	});
});
