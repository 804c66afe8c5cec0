import type { StratumId } from '../strata/stratum.ts';
import { acceptances } from '../chapters/acceptances/chapter.ts';
import { aliases } from '../chapters/aliases/chapter.ts';
import { bars } from '../chapters/bars/chapter.ts';
import { modes } from '../chapters/modes/chapter.ts';
import { gestures } from '../chapters/gestures/chapter.ts';
import { macros } from '../chapters/macros/chapter.ts';
import { options } from '../chapters/options/chapter.ts';
import { shortcuts } from '../chapters/shortcuts/chapter.ts';
import type { AnyChange, Chapter } from '../chapter/chapter.ts';

/** The one list of chapters, in the order in which they are worked through: those that add contexts or commands stand first. */
export const CHAPTERS = { modes, macros, shortcuts, gestures, aliases, options, bars, acceptances } as const;
export type ChapterId = keyof typeof CHAPTERS;

/** A chapter as those see it who know nothing of what it holds. */
export type AnyChapter = Chapter<unknown, unknown, { readonly stratum: StratumId }>;

export const ALL_CHAPTERS: readonly AnyChapter[] = Object.values(CHAPTERS) as unknown as AnyChapter[];

/** The chapter of this id. Throws `RangeError` for one that is not there. */
export function chapterOf(id: string): AnyChapter {
	const chapter = (CHAPTERS as unknown as Record<string, AnyChapter | undefined>)[id];
	if (!chapter || !Object.hasOwn(CHAPTERS, id))
		throw new RangeError(`there is no chapter "${id}"; known are ${Object.keys(CHAPTERS).join(', ')}`);
	return chapter;
}

/** The changes by their chapters, in the order of the list; each with its place among all. */
export function byChapter(changes: readonly AnyChange[]): { chapter: AnyChapter; changes: AnyChange[]; places: number[] }[] {
	const groups = new Map<string, { chapter: AnyChapter; changes: AnyChange[]; places: number[] }>();
	changes.forEach((change, i) => {
		let group = groups.get(change.chapter);
		if (!group) groups.set(change.chapter, (group = { chapter: chapterOf(change.chapter), changes: [], places: [] }));
		group.changes.push(change);
		group.places.push(i);
	});
	return ALL_CHAPTERS.flatMap((chapter) => groups.get(chapter.id) ?? []);
}
