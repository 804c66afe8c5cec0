import '../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { indexOf } from '../../../../core/profile/circumstances.ts';
import { canonicalText } from '../../../../core/format/canonical.ts';
import { bring } from '../../../../core/hand-over/bring.ts';
import { compareFile } from '../../../../core/hand-over/compare.ts';
import { profileFile, readProfileFile, writeProfileFile } from '../../../../core/hand-over/profile-file.ts';
import { SECTIONS } from '../../../../core/hand-over/selection.ts';
import { FactoryWriteError, StaleChangeError, type KeyedChange } from '../../../../core/strata/change.ts';
import { namesOf } from '../../../../core/chapter/chapter.ts';
import { ALL_CHAPTERS, CHAPTERS, type AnyChapter, type ChapterId } from '../../../../core/profile/chapters.ts';
import { differencesBetween } from '../../../../core/profile/differences.ts';
import { AnyChangeForm, applyEdit, inverseEdit, placedEdit, touchedBy } from '../../../../core/profile/edit.ts';
import type { AnyEntry } from '../../../../core/strata/entry.ts';
import { rebased } from '../../../../core/profile/rebase.ts';
import type { Profile, Stratum } from '../../../../core/strata/stratum.ts';
import { stratumOfWire, wireOf } from '../../../../core/profile/wire.ts';
import { varve } from '../../../../demo/varve/varve.ts';
import { changesBetween, SAID } from '../../arbitrary-chapters.ts';
import { subjectOf } from '../../demo-office.ts';

/*
 * What every chapter must hold, whatever it keeps: written from the interface of a chapter. A new chapter gives an arbitrary of what
 * a stratum may say, and is held to the same.
 */

const subject = subjectOf(varve);

/** Of two entries under one key the last. */
const contentOf = (chapter: AnyChapter, said: readonly unknown[]): unknown => chapter.contentOf(said);

const profileOf = (chapter: AnyChapter, said: readonly (readonly unknown[])[]): Profile =>
	varve.strata.map((head, i): Stratum => ({
		...head,
		contents: { [chapter.id]: contentOf(chapter, i === 0 ? [] : (said[i - 1] ?? [])) }
	}));

const plain = (profile: Profile) => canonicalText(profile.map(wireOf));

for (const id of Object.keys(CHAPTERS) as ChapterId[]) {
	const chapter = ALL_CHAPTERS.find((c) => c.id === id)!;
	const strata = fc.tuple(SAID[id], SAID[id]);
	const profile = strata.map((said) => profileOf(chapter, said));
	const names = namesOf(indexOf(subject, []));

	describe(`the chapter of ${chapter.words.many}, as any chapter`, () => {
		it('applies changes whole, and takes them back exactly, also to nothing', () => {
			fc.assert(
				fc.property(profile, profile, (before, after) => {
					const changes = changesBetween(chapter, before, after);
					const now = applyEdit(before, changes);
					expect(plain(now)).to.equal(plain(after));
					expect(plain(applyEdit(now, inverseEdit(changes)))).to.equal(plain(before));
					if (changes.length > 0) expect(() => applyEdit(now, changes)).to.throw(StaleChangeError);
				}),
				{ numRuns: 200 }
			);
		});

		it('never writes the factory', () => {
			fc.assert(
				fc.property(profile, (after) => {
					const [change] = changesBetween(chapter, profileOf(chapter, []), after);
					fc.pre(change !== undefined);
					expect(() => applyEdit(after, [{ ...change, stratum: varve.strata[0]!.id }])).to.throw(FactoryWriteError);
				})
			);
		});

		it('goes over the wire and through files as it is', () => {
			fc.assert(
				fc.property(profile, profile, (one, other) => {
					expect(plain((JSON.parse(JSON.stringify(one.map(wireOf))) as ReturnType<typeof wireOf>[]).map(stratumOfWire))).to.equal(
						plain(one)
					);
					for (const change of changesBetween(chapter, one, other))
						expect(canonicalText(AnyChangeForm.parse(JSON.parse(JSON.stringify(change))))).to.equal(canonicalText(change));
					const text = writeProfileFile(profileFile(varve.application, one));
					const read = readProfileFile('x.json', text);
					expect(read.refused).to.deep.equal([]);
					const rows = read.rows.map(({ stratum, said }) => [stratum, chapter.toFile(said)]);
					const written = one.flatMap((s) => chapter.list(chapter.contentIn(s)).map((said) => [s.id, chapter.toFile(said)]));
					expect(rows).to.deep.equal(written);
				}),
				{ numRuns: 100 }
			);
		});

		it('refuses changes that are none', () => {
			const stratum = varve.strata[1]!.id;
			for (const change of [
				{ chapter: id },
				{ chapter: id, stratum },
				{ chapter: id, stratum, before: null, after: null },
				{ chapter: id, stratum, from: null, to: null },
				{ chapter: id, stratum, before: {}, after: { op: 'set' } }
			])
				expect(AnyChangeForm.safeParse(change).success, JSON.stringify(change)).to.equal(false);
		});

		it('puts what was made on an older profile on a newer one, with places of its own', () => {
			fc.assert(
				fc.property(profile, profile, profile, (base, mine, theirs) => {
					const changes = changesBetween(chapter, base, mine);
					const { changes: made, lost, conflicts } = rebased(theirs, changes, base);
					const now = applyEdit(theirs, made);
					if (chapter.form === 'keyed') {
						expect(conflicts).to.deep.equal([]);
						// what stands in something that the other has removed is told
						if (id !== 'bars') expect(lost).to.deep.equal([]);
						for (const stratum of now) {
							const ranks = chapter.list(chapter.contentIn(stratum)).map((said) => (said as AnyEntry).rank);
							expect(new Set(ranks).size).to.equal(ranks.length);
						}
						// what I wanted holds: each entry of mine is there, or gone
						const at = (p: Profile, change: KeyedChange) => {
							const stratum = p.find((s) => s.id === change.stratum)!;
							const key = canonicalText(chapter.keyOf(change.before ?? change.after));
							return chapter.list(chapter.contentIn(stratum)).find((said) => canonicalText(chapter.keyOf(said)) === key);
						};
						for (const change of changes as unknown as KeyedChange[]) {
							const found = at(now, change) as AnyEntry | undefined;
							const said = (entry: unknown) => canonicalText({ ...(entry as object), rank: 0 });
							if (change.after) expect(said(found)).to.equal(said(change.after));
							else expect(found).to.equal(undefined);
						}
					}
					// on the profile that they were made on nothing changes
					expect(plain(applyEdit(base, rebased(base, changes, base).changes))).to.equal(plain(mine));
				}),
				{ numRuns: 200 }
			);
		});

		it('finds changes that touch the same thing, and says which', () => {
			fc.assert(
				fc.property(profile, profile, (before, after) => {
					const changes = changesBetween(chapter, before, after);
					const told = touchedBy(changes, changes, names);
					expect(told.length > 0).to.equal(changes.length > 0);
					for (const text of told) expect(text).to.not.equal('');
					expect(touchedBy(changes, [], names)).to.deep.equal([]);
				})
			);
		});

		it('gives new entries places that nothing else has', () => {
			fc.assert(
				fc.property(profile, profile, (before, after) => {
					const squeezed = changesBetween(chapter, before, after).map((change) => {
						const { after: entry, before: old } = change as unknown as KeyedChange;
						return entry && !old ? { ...change, after: { ...entry, rank: 0 } } : change;
					});
					const now = applyEdit(before, placedEdit(before, squeezed));
					for (const stratum of chapter.form === 'keyed' ? now : []) {
						const ranks = chapter.list(chapter.contentIn(stratum)).map((said) => (said as AnyEntry).rank);
						expect(new Set(ranks).size).to.equal(ranks.length);
					}
				})
			);
		});

		it('finds no difference where there is none', () => {
			fc.assert(
				fc.property(profile, (one) => {
					const again = one.map(wireOf).map(stratumOfWire);
					expect(differencesBetween(one, again, names)).to.deep.equal([]);
				})
			);
		});

		it('is brought whole to an empty office, after which the same file changes nothing', () => {
			fc.assert(
				fc.property(profile, (one) => {
					const bare = profileOf(chapter, []);
					const file = readProfileFile('x.json', writeProfileFile(profileFile(varve.application, one)));
					const wanted = {
						selection: { sections: SECTIONS, contexts: {}, categories: [] },
						into: undefined,
						otherwise: varve.strata[2]!.id
					};
					const { index, items } = compareFile(subject, bare, file, wanted);
					fc.pre(items.every((item) => item.state !== 'refused'));
					const { changes, left } = bring(index, bare, items);
					fc.pre(left.length === 0);
					const now = applyEdit(bare, changes);
					const texts = (p: Profile) =>
						p.map((s) =>
							chapter
								.list(chapter.contentIn(s))
								.map((said) => canonicalText(chapter.toFile(said)))
								.sort()
						);
					expect(texts(now)).to.deep.equal(texts(one));
					const again = compareFile(subject, now, file, wanted).items;
					expect(again.filter((item) => item.state !== 'same')).to.deep.equal([]);
				}),
				{ numRuns: 150 }
			);
		});
	});
}
