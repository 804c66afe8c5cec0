import '../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { emptyAliasFile } from '../../../../core/chapters/aliases/file.ts';
import { indexOf } from '../../../../core/profile/circumstances.ts';
import { canonicalText } from '../../../../core/format/canonical.ts';
import { bring } from '../../../../core/hand-over/bring.ts';
import { compareFile } from '../../../../core/hand-over/compare.ts';
import { profileFile, readProfileFile, writeProfileFile } from '../../../../core/hand-over/profile-file.ts';
import { SECTIONS } from '../../../../core/hand-over/selection.ts';
import { FactoryWriteError, StaleChangeError, type KeyedChange } from '../../../../core/strata/change.ts';
import { namesOf, type AnyChange } from '../../../../core/chapter/chapter.ts';
import { ALL_CHAPTERS, CHAPTERS, type AnyChapter, type ChapterId } from '../../../../core/profile/chapters.ts';
import { differencesBetween } from '../../../../core/profile/differences.ts';
import { AnyChangeForm, applyEdit, inverseEdit, placedEdit, tagged, touchedBy } from '../../../../core/profile/edit.ts';
import type { AnyEntry } from '../../../../core/strata/entry.ts';
import { rebased } from '../../../../core/profile/rebase.ts';
import type { Profile, Stratum } from '../../../../core/strata/stratum.ts';
import { stratumOfWire, wireOf } from '../../../../core/profile/wire.ts';
import { varve } from '../../../../demo/varve/varve.ts';
import { subjectOf } from '../../demo-office.ts';

/*
 * What every chapter must hold, whatever it keeps: written from the interface of a chapter. A new chapter gives an arbitrary of what
 * a stratum may say, and is held to the same.
 */

const subject = subjectOf(varve);
const commands = varve.commands.slice(0, 3).map((c) => c.id);

/** What a stratum may say of each chapter: a few entries about few things, so that strata meet; or a text. */
const SAID: Readonly<Record<ChapterId, fc.Arbitrary<readonly unknown[]>>> = {
	modes: fc
		.array(
			fc.oneof(
				fc.record({
					op: fc.constant('set'),
					kind: fc.constant('mode'),
					axis: fc.constant('document'),
					id: fc.constantFrom('own.a', 'own.b'),
					label: fc.constantFrom('One', 'Two'),
					from: fc.constantFrom('cutting', 'own.a', 'gone'),
					bars: fc.constantFrom('shared', 'own')
				}),
				fc.record({
					op: fc.constant('set'),
					kind: fc.constant('favourite'),
					axis: fc.constant('document'),
					id: fc.constantFrom('own.a', 'cutting'),
					order: fc.constantFrom('a0', 'a1')
				}),
				fc.record({
					op: fc.constantFrom('remove', 'lock'),
					kind: fc.constant('mode'),
					axis: fc.constant('document'),
					id: fc.constantFrom('own.a', 'own.b')
				}),
				fc.record({
					op: fc.constantFrom('remove', 'lock'),
					kind: fc.constant('favourite'),
					axis: fc.constant('document'),
					id: fc.constantFrom('own.a', 'cutting')
				})
			),
			{ maxLength: 5 }
		)
		.map(ranked),
	gestures: fc
		.array(
			fc.oneof(
				fc.record({
					op: fc.constant('set'),
					kind: fc.constant('rose'),
					button: fc.constantFrom('Right', 'Middle'),
					modifiers: fc.constantFrom([], ['Ctrl']),
					scope: fc.constantFrom({}, { document: ['cutting'] }),
					directions: fc.constantFrom(4, 8),
					turn: fc.constantFrom(0, 10)
				}),
				fc.record({
					op: fc.constantFrom('remove', 'lock'),
					kind: fc.constant('rose'),
					button: fc.constantFrom('Right', 'Middle'),
					modifiers: fc.constantFrom([], ['Ctrl']),
					scope: fc.constantFrom({}, { document: ['cutting'] })
				})
			),
			{ maxLength: 5 }
		)
		.map(ranked),
	macros: fc
		.array(
			fc.oneof(
				fc.record({
					op: fc.constant('set'),
					id: fc.constantFrom('macro:a', 'macro:b', 'macro:c'),
					label: fc.constantFrom('One', 'Two'),
					description: fc.constant(''),
					icon: fc.constant('point'),
					inside: fc.boolean(),
					steps: fc.constantFrom([], [{ do: 'cancel' }])
				}),
				fc.record({ op: fc.constantFrom('remove', 'lock'), id: fc.constantFrom('macro:a', 'macro:b', 'macro:c') })
			),
			{ maxLength: 5 }
		)
		.map(ranked),
	shortcuts: fc
		.array(
			fc.record({
				op: fc.constantFrom('set', 'set', 'remove', 'lock'),
				command: fc.constantFrom(...commands),
				keys: fc.constantFrom('A', 'Ctrl+A', 'B'),
				scope: fc.constant({})
			}),
			{ maxLength: 5 }
		)
		.map(ranked),
	aliases: fc.option(
		fc
			.array(fc.constantFrom('a -> draw.arc\n', 'b -> rivet.row !\n', '# note\n', 'c -> level.line\n'), {
				minLength: 1,
				maxLength: 5
			})
			.map((lines) => [{ ...emptyAliasFile, text: lines.join('') }]),
		{ nil: [] }
	),
	bars: fc
		.array(
			fc.oneof(
				fc.record({
					op: fc.constant('set'),
					id: fc.constantFrom('main', 'tab', 'group', 'one', 'two'),
					parent: fc.constantFrom(null, 'main', 'tab', 'group', 'gone'),
					order: fc.constantFrom('a0', 'a1', 'a1V'),
					item: fc.oneof(
						fc.record({
							kind: fc.constant('group'),
							name: fc.constantFrom('Shape', 'Cut'),
							form: fc.constantFrom('large', 'folded')
						}),
						fc.record({
							kind: fc.constant('place'),
							command: fc.constantFrom(...commands),
							size: fc.constantFrom('large', 'small'),
							shows: fc.constant('both'),
							hidden: fc.boolean()
						})
					)
				}),
				fc.record({ op: fc.constantFrom('remove', 'lock'), id: fc.constantFrom('main', 'tab', 'group', 'one', 'two') })
			),
			{ maxLength: 5 }
		)
		.map(ranked),
	options: fc
		.array(
			fc.oneof(
				fc.record({
					op: fc.constant('set'),
					path: fc.constantFrom(...(varve.application.rules.options ?? []).slice(0, 3).map((o) => o.path)),
					value: fc.constantFrom(true, false)
				}),
				fc.record({
					op: fc.constantFrom('remove', 'lock'),
					path: fc.constantFrom(...(varve.application.rules.options ?? []).slice(0, 3).map((o) => o.path))
				})
			),
			{ maxLength: 5 }
		)
		.map(ranked),
	acceptances: fc
		.array(
			fc.record({
				op: fc.constant('set'),
				finding: fc.constantFrom('clash\n\nA', 'alias-clash\noffice\na\ndraw.arc'),
				circumstances: fc.constantFrom('00000000', '11111111'),
				reason: fc.constant('we know'),
				role: fc.constant('steward'),
				command: fc.constantFrom(...commands),
				keys: fc.constant('A'),
				scope: fc.constant({})
			}),
			{ maxLength: 3 }
		)
		.map(ranked)
};

function ranked(entries: readonly object[]): readonly object[] {
	return entries.map((entry, rank) => ({ ...entry, rank }));
}

/** Of two entries under one key the last. */
const contentOf = (chapter: AnyChapter, said: readonly unknown[]): unknown => chapter.contentOf(said);

const profileOf = (chapter: AnyChapter, said: readonly (readonly unknown[])[]): Profile =>
	varve.strata.map((head, i): Stratum => ({
		...head,
		contents: { [chapter.id]: contentOf(chapter, i === 0 ? [] : (said[i - 1] ?? [])) }
	}));

/** The changes that make one profile of the other. */
function changesBetween(chapter: AnyChapter, before: Profile, after: Profile): AnyChange[] {
	return before.flatMap((stratum, i): AnyChange[] => {
		const [was, is] = [stratum, after[i]!].map((s) => chapter.list(chapter.contentIn(s)));
		if (chapter.form === 'text') {
			const [from, to] = [was![0] ?? null, is![0] ?? null];
			return canonicalText(from) === canonicalText(to) ? [] : tagged(chapter, [{ stratum: stratum.id, from, to }]);
		}
		const keyed = (list: readonly unknown[]) =>
			new Map(list.map((said) => [canonicalText(chapter.keyOf(said)), said as AnyEntry]));
		const [old, now] = [keyed(was!), keyed(is!)];
		return tagged(
			chapter,
			[...new Set([...old.keys(), ...now.keys()])].flatMap((key): KeyedChange[] => {
				const [mine, theirs] = [old.get(key) ?? null, now.get(key) ?? null];
				return canonicalText(mine) === canonicalText(theirs) ? [] : [{ stratum: stratum.id, before: mine, after: theirs }];
			})
		);
	});
}

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
						expect([lost, conflicts]).to.deep.equal([[], []]);
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
