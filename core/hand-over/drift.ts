import type { AnyChange, Names } from '../chapter/chapter.ts';
import { FileRefusedError } from '../format/problem.ts';
import { readProfileFile, strataOf } from './profile-file.ts';
import { chapterOf } from '../profile/chapters.ts';
import { changesBetween } from '../profile/restore.ts';
import { officeOf, type Profile, type Stratum } from '../strata/stratum.ts';

/** One thing that the file of a seat says otherwise than it was laid. */
export interface DriftItem {
	readonly kind: 'added' | 'changed' | 'removed';
	/** The name of the stratum that says it. */
	readonly stratum: string;
	readonly chapter: string;
	/** What it is about, in words. */
	readonly about: string;
	/** What would make the stratum say the same. */
	readonly change: AnyChange;
}

/**
 * What the file of a seat says otherwise than the strata that were laid there, entry by entry; an entry that only stands at another
 * place of its list is none. Throws `FileRefusedError` for a file that is no profile, that says what cannot be read, or that holds
 * other strata.
 */
export function driftOf(file: string, text: string, laid: Profile, names: Names): DriftItem[] {
	const { strata, rows, refused } = readProfileFile(file, text);
	if (refused.length > 0) throw new FileRefusedError(file, refused);
	const there = strataOf(strata, rows);
	const refuse = (message: string) => new FileRefusedError(file, [{ line: 1, column: 1, message }]);
	const of = (one: Stratum) => (one.kind === 'office' ? officeOf(there) : there.find(({ id }) => id === one.id));
	const other = there.find((one) => !laid.some((was) => of(was) === one));
	if (other) throw refuse(`it contains the level ${other.name}, which was not installed`);
	return laid.flatMap((was) => {
		const found = of(was);
		if (!found) throw refuse(`the level ${was.name} is missing`);
		return changesBetween(was, { ...found, id: was.id }).flatMap((change) => {
			const [before, after] = sidesOf(change);
			const chapter = chapterOf(change.chapter);
			if (before !== null && after !== null && sameButRank(before, after)) return [];
			const kind = before === null ? 'added' : after === null ? 'removed' : 'changed';
			return [{ kind, stratum: was.name, chapter: change.chapter, about: chapter.about(change, names), change }];
		});
	});
}

/** What is said before and after, of an entry or of a whole text; null for nothing. */
const sidesOf = (change: AnyChange): [unknown, unknown] => {
	const { before, after, from, to } = change as unknown as Record<'before' | 'after' | 'from' | 'to', unknown>;
	return [before ?? from ?? null, after ?? to ?? null];
};

const sameButRank = (a: unknown, b: unknown): boolean =>
	JSON.stringify({ ...(a as object), rank: 0 }) === JSON.stringify({ ...(b as object), rank: 0 });
