import '../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { consequences } from '../../../../core/answer/consequences.ts';
import { resolve, sameOutcome } from '../../../../core/answer/resolve.ts';
import { check, Checks } from '../../../../core/chapters/shortcuts/check/check.ts';
import { findingId } from '../../../../core/chapters/shortcuts/check/finding.ts';
import { ALL_CHAPTERS } from '../../../../core/profile/chapters.ts';
import { circumstancesOf, indexOf } from '../../../../core/profile/circumstances.ts';
import { followEdit } from '../../../../core/profile/follow-edit.ts';
import { applyChanges, type Change } from '../../../../core/shortcut/change.ts';
import type { Profile } from '../../../../core/strata/stratum.ts';
import type { Keys } from '../../../../core/stroke/stroke.ts';
import { varve } from '../../../../demo/varve/varve.ts';
import { changesBetween, wholeProfile } from '../../arbitrary-chapters.ts';
import { small } from '../../arbitrary.ts';
import { subjectOf } from '../../demo-office.ts';

const subject = subjectOf(varve);
const circumstances = (profile: Profile) => circumstancesOf(subject, profile, [], null);

describe('a check of keys that follows edits', () => {
	it('finds the same as a check from scratch after any edit of any chapter', () => {
		fc.assert(
			fc.property(wholeProfile, wholeProfile, (before, after) => {
				const checks = new Checks(circumstances(before));
				for (const _ of checks.steps());
				let now = before;
				for (const chapter of ALL_CHAPTERS) {
					// one chapter after the other, as people write
					const then = now.map((stratum, i) => ({
						...stratum,
						contents: { ...stratum.contents, [chapter.id]: after[i]!.contents[chapter.id] }
					})) as Profile;
					followEdit(checks, circumstances(then), changesBetween(chapter, now, then));
					const ids = (found: Parameters<typeof findingId>[0][]) => found.map(findingId).sort();
					expect(ids(checks.list()), chapter.id).to.deep.equal(ids(check(circumstances(then))));
					now = then;
				}
			}),
			{ numRuns: 60 }
		);
	});
});

describe('the consequences of changed shortcuts', () => {
	it('name every input that does something else, and every command that is left without one', () => {
		// all inputs of three strokes at most that the small applications have keys for
		const strokes = ['A', 'B', 'Ctrl+A'];
		const inputs = [...strokes, ...strokes.flatMap((a) => strokes.map((b) => `${a} ${b}`))].flatMap((two) => [
			two,
			...(two.includes(' ') ? strokes.map((c) => `${two} ${c}`) : [])
		]) as Keys[];
		fc.assert(
			fc.property(small(), small(), (app, other) => {
				const personal = app.profile.at(-1)!;
				const wanted = other.profile.at(-1)!;
				const shortcuts = ALL_CHAPTERS.find(({ id }) => id === 'shortcuts')!;
				const scoped = shortcuts.list(shortcuts.contentIn(wanted)).map((said) => ({ ...(said as object), scope: {} }));
				const next = [
					...app.profile.slice(0, -1),
					{ ...personal, contents: { ...personal.contents, shortcuts: shortcuts.contentOf(scoped) } }
				] as Profile;
				const changes = changesBetween(shortcuts, app.profile, next) as unknown as Change[];
				const subjectOfApp = {
					application: { rules: app.rules, axes: app.axes } as never,
					space: app.space,
					catalogue: app.index.catalogue
				};
				const before = indexOf(subjectOfApp, app.profile);
				const after = indexOf(subjectOfApp, applyChanges(app.profile, changes));
				const told = consequences(before, app.profile, changes);
				// what merely begins or goes on from an input that changed need not be named by itself
				const touched = new Set(told.changes.flatMap(({ keys, situations }) => situations.map((s) => `${keys} ${s}`)));
				for (const keys of inputs)
					for (let s = 0; s < app.space.situations.length; s++) {
						if (before.on(keys).length + after.on(keys).length + before.longer(keys).length + after.longer(keys).length === 0)
							continue;
						const isSame = sameOutcome(resolve(before, keys, s), resolve(after, keys, s));
						expect(touched.has(`${keys} ${s}`), `${keys} in ${s}`).to.equal(!isSame);
					}
				const lost = app.commands.filter(({ id }) => before.of(id).length > 0 && after.of(id).length === 0).map(({ id }) => id);
				expect([...told.stranded].sort()).to.deep.equal(lost.sort());
			}),
			{ numRuns: 300 }
		);
	});
});
