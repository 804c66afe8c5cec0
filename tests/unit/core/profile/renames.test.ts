import '../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import type { CommandId } from '../../../../core/application/command.ts';
import { aliasFileIn, aliasLines } from '../../../../core/chapters/aliases/file.ts';
import { macrosIn } from '../../../../core/chapters/macros/macro.ts';
import { applyAnywhere, applyEdit } from '../../../../core/profile/edit.ts';
import { followingRenames } from '../../../../core/profile/renames.ts';
import { wireOf } from '../../../../core/profile/wire.ts';
import { shortcutsIn } from '../../../../core/shortcut/entry.ts';
import type { Stratum } from '../../../../core/strata/stratum.ts';
import { varve } from '../../../../demo/varve/varve.ts';

/** Which commands a stratum speaks of, by chapter. */
function spokenOf(stratum: Stratum) {
	const file = aliasFileIn(stratum);
	return {
		shortcuts: [...shortcutsIn(stratum).values()].map((e) => e.command as string),
		aliases: file ? aliasLines(file).lines.map((l) => l.command) : [],
		macros: [...macrosIn(stratum).values()].flatMap((e) =>
			e.op === 'set' ? e.steps.flatMap((step) => (step.do === 'run' ? [step.command as string] : [])) : []
		)
	};
}

describe('what a profile says of renamed commands', () => {
	const { profile } = varve.history().at(-1)!;
	const all = profile.flatMap((s) => Object.values(spokenOf(s)).flat()).filter((id) => /^[a-z]+\.[a-z-]+$/.test(id));
	const renamed = new Map([...new Set(all)].map((id) => [id, `${id}-anew`] as [CommandId, CommandId]));
	const anew = (ids: readonly string[]) => ids.map((id) => renamed.get(id as CommandId) ?? id).sort();

	for (const stratum of profile)
		it(`is said of their new ids in every chapter of ${stratum.name}, and nothing else changes`, () => {
			const changes = followingRenames(stratum, renamed);
			const [after] = applyAnywhere([stratum], changes) as [typeof stratum];
			const [was, is] = [spokenOf(stratum), spokenOf(after)];
			for (const chapter of ['shortcuts', 'aliases', 'macros'] as const)
				expect([...is[chapter]].sort()).to.deep.equal(anew(was[chapter]));
			const [back] = applyAnywhere([after], followingRenames(after, new Map([...renamed].map(([from, to]) => [to, from]))));
			expect(aliasFileIn(back!)?.text).to.equal(aliasFileIn(stratum)?.text);
			if (stratum.kind === 'factory') return;
			const edited = applyEdit(profile, changes).find((s) => s.id === stratum.id)!;
			expect(wireOf(edited)).to.deep.equal(wireOf(after));
		});

	it('is left alone where nothing was renamed', () => {
		for (const stratum of profile) {
			expect(followingRenames(stratum, new Map())).to.deep.equal([]);
			expect(followingRenames(stratum, new Map([['no.such' as CommandId, 'no.other' as CommandId]]))).to.deep.equal([]);
		}
	});
});
