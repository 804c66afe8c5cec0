import fc from 'fast-check';
import { emptyAliasFile } from '../../core/chapters/aliases/file.ts';
import { canonicalText } from '../../core/format/canonical.ts';
import type { AnyChange } from '../../core/chapter/chapter.ts';
import { tagged } from '../../core/profile/edit.ts';
import type { KeyedChange } from '../../core/strata/change.ts';
import type { AnyEntry } from '../../core/strata/entry.ts';
import { ALL_CHAPTERS, type AnyChapter, type ChapterId } from '../../core/profile/chapters.ts';
import type { Profile, Stratum } from '../../core/strata/stratum.ts';
import { varve } from '../../demo/varve/varve.ts';

const commands = varve.commands.slice(0, 3).map((c) => c.id);

/** Arbitrary contents of a stratum for each chapter: a few entries about few things, so that strata meet; or a text. */
export const SAID: Readonly<Record<ChapterId, fc.Arbitrary<readonly unknown[]>>> = {
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
				command: fc.constantFrom(...commands, 'macro:a', 'mode:a', 'bar:main'),
				keys: fc.constantFrom('A', 'Ctrl+A', 'B', 'A B', 'RightFlick90', 'RightDrag'),
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
							kind: fc.constant('bar'),
							form: fc.constantFrom('cursor', 'toolbar'),
							name: fc.constantFrom('Near', 'Far'),
							scope: fc.constantFrom({}, { document: ['cutting'] }),
							dock: fc.constant({ edge: 'top', row: 0 }),
							icon: fc.constant(16),
							text: fc.constant('none'),
							keys: fc.constantFrom('A', 'Ctrl+A', 'Q'),
							hidden: fc.boolean()
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
				command: fc.constantFrom(...commands, 'macro:a', 'mode:a', 'bar:main'),
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

/** A profile of Varve Draft 7 whose strata above an empty factory say something in every chapter. */
export const wholeProfile: fc.Arbitrary<Profile> = fc.tuple(fc.record(SAID), fc.record(SAID)).map((said) =>
	varve.strata.map((head, i): Stratum => ({
		...head,
		contents: Object.fromEntries(
			ALL_CHAPTERS.map((chapter) => [
				chapter.id,
				chapter.contentOf(i === 0 ? [] : (said[i - 1]?.[chapter.id as ChapterId] ?? []))
			])
		)
	}))
);

/** The changes of one chapter that make one profile of the other. */
export function changesBetween(chapter: AnyChapter, before: Profile, after: Profile): AnyChange[] {
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
