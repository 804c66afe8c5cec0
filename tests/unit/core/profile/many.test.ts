import { expect } from 'chai';
import { gneiss } from '../../../../demo/gneiss/gneiss.ts';
import { limitingAll, removingAll } from '../../../../core/profile/many.ts';
import { scopeText, type Scope } from '../../../../core/context/scope.ts';
import { indexOf } from '../../../../core/profile/circumstances.ts';
import { applyEdit } from '../../../../core/profile/edit.ts';
import type { StratumId } from '../../../../core/strata/stratum.ts';
import { subjectOf } from '../../demo-office.ts';

describe('what is done to the shortcuts of several commands at once', () => {
	const subject = subjectOf(gneiss);
	const { profile } = gneiss.history().at(-1)!;
	const index = indexOf(subject, profile);
	const commands = [...index.catalogue.keys()].filter((id) => index.of(id).length > 0);
	const [axis] = index.space.axes;
	const scope = { [axis!.id]: [axis!.nodes[0]!.id] } as Scope;
	const allOf = (at: typeof index) => commands.flatMap((id) => at.of(id));

	for (const target of ['office', 'personal'] as StratumId[]) {
		it(`from ${target}: all are removed but those that a lock or a stratum above holds, each with why`, () => {
			const { changes, stays } = removingAll({ index, profile }, target, commands);
			const after = indexOf(subject, applyEdit(profile, changes));
			expect(
				allOf(after)
					.map((b) => b.key)
					.sort()
			).to.deep.equal(stays.map(({ binding }) => binding.key).sort());
			expect(stays.every(({ reason }) => reason.length > 10)).to.equal(true);
		});

		it(`from ${target}: all are limited but those, and keep their keys`, () => {
			const { changes, stays } = limitingAll({ index, profile }, target, commands, scope);
			const after = indexOf(subject, applyEdit(profile, changes));
			const held = new Set(stays.map(({ binding }) => binding.key));
			const wrong = allOf(after).filter((b) => b.scopeText !== scopeText(scope) && !held.has(b.key));
			expect(wrong).to.deep.equal([]);
			const pairs = (at: typeof index) => new Set(allOf(at).map((b) => `${b.command} ${b.keys}`));
			expect(pairs(after)).to.deep.equal(pairs(index));
			expect(limitingAll({ index: after, profile: applyEdit(profile, changes) }, target, commands, scope).changes).to.deep.equal(
				[]
			);
		});
	}
});
