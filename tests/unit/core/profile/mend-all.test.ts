import '../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import { desksOf } from '../../../../core/keyboard/desk.ts';
import { findingsIn } from '../../../../core/profile/checkers.ts';
import { circumstancesOf } from '../../../../core/profile/circumstances.ts';
import { applyEdit } from '../../../../core/profile/edit.ts';
import { mendingAll } from '../../../../core/profile/mend-all.ts';
import { lookingAfter } from '../../../../core/profile/trial.ts';
import type { Looking } from '../../../../core/check/finding.ts';
import { seats } from '../../../../demo/office.ts';
import { tuff } from '../../../../demo/tuff/tuff.ts';
import { varve } from '../../../../demo/varve/varve.ts';
import type { StandIn } from '../../../../demo/stand-in.ts';
import { demoProfile, subjectOf } from '../../demo-office.ts';

describe('mending all findings of a kind', () => {
	let mended = 0;
	after(() => expect(mended, 'of all applications').to.be.greaterThan(3));

	for (const standIn of [varve, tuff] as StandIn[])
		it(`of ${standIn.application.name}: what is told is done by one edit, and adds no error`, () => {
			const application = subjectOf(standIn);
			const profile = demoProfile(standIn);
			const before: Looking = {
				circumstances: circumstancesOf(application, profile, desksOf(seats), null),
				profile,
				released: undefined
			};
			const chapters = ['aliases', 'macros', 'options'];
			for (const stratum of profile.filter((s) => s.kind !== 'factory')) {
				const found = findingsIn(before, chapters);
				const kinds = new Map(
					found.flatMap((f) =>
						f.fixes({ profile, target: stratum.id }).map((fix) => [`${f.chapter} ${f.rule} ${fix.kind}`, { f, kind: fix.kind }])
					)
				);
				for (const [name, { f, kind }] of kinds) {
					const alike = found.filter((one) => one.chapter === f.chapter && one.rule === f.rule);
					const work = mendingAll(application, before, alike, kind, stratum.id);
					let step = work.next();
					let seen = 0;
					for (; !step.done; step = work.next()) expect(step.value).to.equal(++seen);
					const { labels, left, changes } = step.value;
					expect(seen, name).to.equal(alike.length);
					expect(labels.length + left, name).to.be.at.most(alike.length);
					expect(labels.length, name).to.be.greaterThan(0);
					// all of it as one edit
					const then = findingsIn(lookingAfter(application, before, applyEdit(profile, changes)), chapters);
					const ids = new Set(then.map((one) => one.id));
					expect(alike.filter((one) => ids.has(one.id)).length, name).to.equal(left);
					const errors = new Set(found.flatMap((one) => (one.severity === 'error' ? [one.id] : [])));
					for (const one of then) if (one.severity === 'error') expect(errors, one.id).to.include(one.id);
					mended += labels.length;
				}
			}
		});
});
