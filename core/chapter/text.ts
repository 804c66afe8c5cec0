import { counted } from '../text/counted.ts';
import { z } from 'zod';
import { canonical, canonicalText } from '../format/canonical.ts';
import type { Recipe } from '../recipe/recipe.ts';
import { shared } from '../text/lines.ts';
import { StaleChangeError } from '../strata/change.ts';
import type { Chapter, Difference, FileConflict, Ground, Names, Selection, Words } from './chapter.ts';
import { closedReason } from './keyed.ts';
import { mergeTexts } from '../text/merge-texts.ts';
import { contentOf, holding, StratumId, stratumById, type Profile } from '../strata/stratum.ts';

/** A text byte for byte, with the recipe by which it is read and written. */
export interface TextFile {
	readonly recipe: Recipe;
	readonly text: string;
}

/** A part of the text of a stratum's file before and after, by its place. */
export const TextSplice = z.strictObject({
	stratum: StratumId,
	at: z.number().int().min(0),
	before: z.string().max(10_000_000),
	after: z.string().max(10_000_000)
});
export type TextSplice = z.infer<typeof TextSplice>;

/** A whole file before and after: begun, brought from outside, read by another recipe, or taken away. */
export interface TextSwap<File extends TextFile = TextFile> {
	readonly stratum: StratumId;
	readonly from: File | null;
	readonly to: File | null;
}

export type TextChange<File extends TextFile = TextFile> = TextSplice | TextSwap<File>;

const isSplice = (change: TextChange): change is TextSplice => 'at' in change;
const short = (text: string) => (text.length > 40 ? `${text.slice(0, 40)}…` : text);

/** The one splice that makes a text of another: what both begin and end with stays. Undefined if they are the same. */
export function spliceBetween(stratum: StratumId, before: string, after: string): TextSplice | undefined {
	if (before === after) return undefined;
	const { beginning: at, ending } = shared(before, after);
	return { stratum, at, before: before.slice(at, before.length - ending), after: after.slice(at, after.length - ending) };
}

/** The change that makes a text of a file: of one that is there a splice, of none a whole file. Undefined if nothing changes. */
export function textChange<File extends TextFile>(
	stratum: StratumId,
	file: File | null,
	begin: File,
	text: string
): TextChange<File> | undefined {
	if (file) return spliceBetween(stratum, file.text, text);
	return text === '' ? undefined : { stratum, from: null, to: { ...begin, text } };
}

/** All that differs from one chapter of texts to the next. */
export interface TextDefinition<File extends TextFile> {
	readonly id: string;
	readonly words: Words;
	readonly file: z.ZodType<File>;
	/** What a text is called: "the alias file". */
	readonly called: string;
	/** How many things the text says. */
	size(file: File): number;
	/** What the files say and did not say, line by line. */
	differences(before: Profile, now: Profile, names: Names): Difference[];
	takeBack: TextChapter<File>['takeBack'];
	/** The text with what is selected of it. */
	select(file: File, selection: Selection, ground: Pick<Ground, 'index'>): File;
	/** Why the stratum cannot say what it says after the changes that it did not say before. */
	problem(before: Profile, after: Profile, stratum: StratumId, ground: Ground): string | undefined;
}

export type TextChapter<File extends TextFile> = Chapter<File | null, File, TextChange<File>>;

/** A chapter that is one text a stratum. */
export function textChapter<File extends TextFile>(definition: TextDefinition<File>): TextChapter<File> {
	const { id, words, file: schema, called } = definition;
	const contentIn = contentOf<File | null>(id, null);
	const apply = (content: File | null, changes: readonly TextChange<File>[]) =>
		changes.reduce((now, change) => changed(now, change, called), content);
	const nameOf = (profile: Profile, stratum: StratumId) => profile.find((s) => s.id === stratum)?.name ?? stratum;

	return {
		id,
		words,
		form: 'text',
		said: schema,
		inFile: schema,
		change: z.union([
			TextSplice,
			z
				.strictObject({ stratum: StratumId, from: schema.nullable(), to: schema.nullable() })
				.refine(({ from, to }) => from !== null || to !== null, 'a change needs a text before or after it')
		]) as unknown as z.ZodType<TextChange<File>>,
		contentIn,
		list: (content) => (content ? [content] : []),
		contentOf: ([file]) => file ?? null,
		keyOf: () => ({ key: '', isLock: false }),
		toFile: canonical,
		fromFile: (value) => schema.parse(value),
		size: definition.size,
		apply,
		inverse: (change) =>
			isSplice(change)
				? { ...change, before: change.after, after: change.before }
				: { ...change, from: change.to, to: change.from },
		rebase(now, changes, base) {
			const outcome = { changes: [] as TextChange<File>[], lost: [] as string[], conflicts: [] as FileConflict[] };
			for (const stratum of new Set(changes.map((change) => change.stratum)))
				rebaseOne(
					stratum,
					changes.filter((change) => change.stratum === stratum),
					outcome
				);
			return outcome;

			function rebaseOne(
				stratum: StratumId,
				own: readonly TextChange<File>[],
				{ changes: made, lost, conflicts }: typeof outcome
			) {
				const here = now.find((s) => s.id === stratum);
				if (!here) return void lost.push(`${called} of ${stratum}, a level that no longer exists`);
				const former = base.find((s) => s.id === stratum);
				const before = former ? contentIn(former) : null;
				let mine: File | null;
				try {
					mine = apply(before, own);
				} catch (error) {
					if (!(error instanceof StaleChangeError)) throw error;
					return void lost.push(
						`what was written into ${called} of ${here.name}, since it was written on another text than the one before`
					);
				}
				const theirs = contentIn(here);
				const isUntouched = canonicalText(theirs) === canonicalText(before);
				if (isUntouched) return void made.push(...(own.length === 1 ? own : [{ stratum, from: theirs, to: mine }]));
				if (!mine) return void lost.push(`that ${called} of ${here.name} goes, since it was changed meanwhile`);
				const { text, conflicts: touching } = mergeTexts(before?.text ?? '', mine.text, theirs?.text ?? '');
				// another recipe reads their lines otherwise: then there is no text that says both
				const isOneRecipe = !theirs || canonicalText(mine.recipe) === canonicalText(theirs.recipe);
				if (touching.length > 0 || !isOneRecipe)
					return void conflicts.push({ chapter: id, stratum, mine: mine.text, both: text, touching });
				if (!theirs || own.some((change) => !isSplice(change))) made.push({ stratum, from: theirs, to: { ...mine, text } });
				else {
					const splice = spliceBetween(stratum, theirs.text, text);
					if (splice) made.push(splice);
				}
			}
		},
		touches: ({ stratum }) => `${stratum}\n${id}`,
		about: ({ stratum }) => `${called} of ${stratum}`,
		differences: definition.differences,
		takeBack: definition.takeBack,
		// of some commands the lines go in the view of the text
		clears: (stratum, isIn) => {
			const from = contentIn(stratum);
			return from && !isIn ? [{ stratum: stratum.id, from, to: null }] : [];
		},
		selector: (selection, ground) => (file) =>
			!selection.sections.includes(id)
				? undefined
				: selection.categories.length === 0
					? file
					: definition.select(file, selection, ground),
		isOfMachine: () => false,
		compare: (rows, { profile }, { targetOf }) =>
			rows.map((row) => {
				const { said, line } = row;
				const target = targetOf(row);
				const stratum = profile.find((s) => s.id === target);
				const own = stratum ? contentIn(stratum) : null;
				const isSame = own !== null && own.text === said.text && canonicalText(own.recipe) === canonicalText(said.recipe);
				const reason = isSame ? undefined : closedReason(profile, target);
				const lines = (file: File) => counted(definition.size(file), 'line');
				return {
					key: `${id} ${target}`,
					chapter: id,
					state: reason ? 'refused' : isSame ? 'same' : (own?.text ?? '') !== '' ? 'replaced' : 'new',
					target,
					line,
					op: 'set',
					caption: {
						label: `${words.one[0]!.toUpperCase()}${words.one.slice(1)}, ${lines(said)}`,
						detail: ''
					},
					...(reason && { reason }),
					gone: own && !isSame ? `in place of the ${lines(own)} that exist here` : '',
					said
				};
			}),
		bring: (items, { profile }) => ({
			changes: items.map(({ target, said }) => ({
				stratum: target,
				from: contentIn(stratumById(profile, target)),
				to: said as File
			})),
			left: []
		}),
		placed: (_, changes) => changes,
		problems(changes, ground) {
			let now = ground.profile;
			return changes.flatMap((change, index) => {
				const before = now;
				const { stratum } = change;
				now = now.map((s) => (s.id === stratum ? holding(s, id, apply(contentIn(s), [change])) : s));
				const message = definition.problem(before, now, stratum, ground);
				return message ? [{ index, message: `${message}; ${nameOf(now, stratum)} cannot change it` }] : [];
			});
		}
	};
}

function changed<File extends TextFile>(content: File | null, change: TextChange<File>, called: string): File | null {
	if (!isSplice(change)) {
		if (canonicalText(content) !== canonicalText(change.from))
			throw new StaleChangeError(
				`${called} of ${change.stratum} does not match this edit: expected ${toldFile(change.from)}, found ${toldFile(content)}`
			);
		return change.to;
	}
	const { stratum, at, before, after } = change;
	const found = content?.text.slice(at, at + before.length);
	if (content === null || found !== before || at > content.text.length)
		throw new StaleChangeError(
			`${called} of ${stratum} does not match this edit: expected "${short(before)}", found ${content === null ? 'no file' : `"${short(found!)}"`}`
		);
	return { ...content, text: content.text.slice(0, at) + after + content.text.slice(at + before.length) };
}

const toldFile = (file: TextFile | null): string => (file ? `"${short(file.text)}" read by ${file.recipe.name}` : 'no file');
