import type { AnyChange } from '../chapter/chapter.ts';
import { chapterOf } from './chapters.ts';
import type { Edit } from './edit.ts';

/** What an edit says it has touched, as `touches` of its chapter calls it. */
const touched = (change: AnyChange): string => chapterOf(change.chapter).touches(change);

/** The edit that was the last to touch something of a keyed chapter in a stratum; undefined where none of these has. The newest stands first. */
export function lastTouching(
	history: readonly Edit[],
	{ chapter, stratum, key }: { readonly chapter: string; readonly stratum: string; readonly key: string }
): Edit | undefined {
	const wanted = `${stratum}\n${chapter}\n${key}`;
	return history.find(({ changes }) => changes.some((change) => change.chapter === chapter && touched(change) === wanted));
}
