import type { AnyChange, Names } from '../chapter/chapter.ts';
import { FileRefusedError } from '../format/problem.ts';
import { readProfileFile, strataOf } from './profile-file.ts';
import { chapterOf } from '../profile/chapters.ts';
import { changesBetween } from '../profile/restore.ts';
import { officeOf, type Stratum } from '../strata/stratum.ts';

/** One thing that the file of a seat says otherwise than the release it was laid from. */
export interface DriftItem {
	readonly kind: 'added' | 'changed' | 'removed';
	readonly chapter: string;
	/** What it is about, in words. */
	readonly about: string;
	/** What would make the release say the same. */
	readonly change: AnyChange;
}

/**
 * What the file of a seat says otherwise than the release, entry by entry; an entry that only stands at another place of its
 * list is none. Throws `FileRefusedError` for a file that is no profile, that says what cannot be read, or that has no office
 * stratum.
 */
export function driftOf(file: string, text: string, release: Stratum, names: Names): DriftItem[] {
	const { strata, rows, refused } = readProfileFile(file, text);
	if (refused.length > 0) throw new FileRefusedError(file, refused);
	const found = officeOf(strataOf(strata, rows));
	if (!found) throw new FileRefusedError(file, [{ line: 1, column: 1, message: 'there is no office stratum in it' }]);
	return changesBetween(release, { ...found, id: release.id }).flatMap((change) => {
		const [before, after] = sidesOf(change);
		const chapter = chapterOf(change.chapter);
		if (before !== null && after !== null && sameButRank(before, after)) return [];
		const kind = before === null ? 'added' : after === null ? 'removed' : 'changed';
		return [{ kind, chapter: change.chapter, about: chapter.about(change, names), change }];
	});
}

/** What is said before and after, of an entry or of a whole text; null for nothing. */
const sidesOf = (change: AnyChange): [unknown, unknown] => {
	const { before, after, from, to } = change as unknown as Record<'before' | 'after' | 'from' | 'to', unknown>;
	return [before ?? from ?? null, after ?? to ?? null];
};

const sameButRank = (a: unknown, b: unknown): boolean =>
	JSON.stringify({ ...(a as object), rank: 0 }) === JSON.stringify({ ...(b as object), rank: 0 });
