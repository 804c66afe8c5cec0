import '../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import type { Looking } from '../../../../core/check/finding.ts';
import { CHECKERS, findingsIn } from '../../../../core/profile/checkers.ts';
import { circumstancesOf } from '../../../../core/profile/circumstances.ts';
import { SEVERITIES } from '../../../../core/check/severity.ts';
import { GROUPINGS, groupsOf } from '../../../../core/check/groups.ts';
import { desksOf } from '../../../../core/keyboard/desk.ts';
import { applyEdit } from '../../../../core/profile/edit.ts';
import type { Profile } from '../../../../core/strata/stratum.ts';
import { seats } from '../../../../demo/office.ts';
import { standIns } from '../../../../demo/fill.ts';
import type { StandIn } from '../../../../demo/stand-in.ts';
import { demoProfile, subjectOf } from '../../demo-office.ts';

const looking = (standIn: StandIn, profile: Profile): Looking => ({
	circumstances: circumstancesOf(subjectOf(standIn), profile, desksOf(seats), null),
	profile,
	released: undefined
});

describe('findings of all chapters', () => {
	it('are of every check, errors first, and no two have one id', () => {
		for (const standIn of standIns) {
			const all = findingsIn(looking(standIn, demoProfile(standIn)));
			const severities = all.map((f) => SEVERITIES.indexOf(f.severity));
			expect(severities).to.deep.equal(severities.toSorted((a, b) => a - b));
			expect(new Set(all.map((f) => f.id)).size).to.equal(all.length);
			for (const f of all) {
				expect(f.sentence(), f.id).to.match(/\.$/);
				expect(f.acceptable().id).to.equal(f.id);
			}
			for (const by of GROUPINGS) expect(groupsOf(all, by, (id) => id).flatMap((g) => g.findings)).to.have.members(all);
		}
		const chapters = new Set(standIns.flatMap((s) => findingsIn(looking(s, demoProfile(s))).map((f) => f.chapter)));
		expect([...chapters]).to.have.members(CHECKERS.map((c) => c.chapter));
	});

	for (const { chapter } of CHECKERS)
		it(`of ${chapter} have ways out that were tried: each removes its finding and adds no error`, () => {
			let tried = 0;
			for (const standIn of standIns) {
				const profile = demoProfile(standIn);
				const before = findingsIn(looking(standIn, profile), [chapter]);
				const errors = before.filter((f) => f.severity === 'error').length;
				for (const finding of before)
					for (const { id: target } of profile.slice(1))
						for (const fix of finding.fixes({ profile, target })) {
							tried++;
							const after = findingsIn(looking(standIn, applyEdit(profile, fix.changes)), [chapter]);
							expect(
								after.map((f) => f.id),
								fix.label
							).to.not.include(finding.id);
							expect(after.filter((f) => f.severity === 'error').length, fix.label).to.be.at.most(errors);
						}
			}
			expect(tried).to.be.greaterThan(0);
		});
});
