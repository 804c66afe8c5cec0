import type { Names } from '$core/chapter/chapter';
import { chapterOf } from '$core/profile/chapters';
import type { AnyChange } from '$core/profile/edit';

/** A part of an edit for people. */
export interface Part {
	readonly sign: '+' | '±' | '−';
	readonly text: string;
	readonly words: string;
}

/** What a change does, in words: it comes, changes or goes, and what it is about. */
export function captionOf(change: AnyChange, names: Names): Part {
	const chapter = chapterOf(change.chapter);
	const { before, after } = change as unknown as { before?: unknown; after?: { op?: string } | null };
	const isGoing = after === null || after?.op === 'remove';
	return { sign: isGoing ? '−' : before ? '±' : '+', text: chapter.about(change, names), words: chapter.words.one };
}
