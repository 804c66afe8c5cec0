import type { AnyChange, FileConflict } from '../chapter/chapter.ts';
import { byChapter } from './chapters.ts';
import { tagged } from './edit.ts';
import type { Profile } from '../strata/stratum.ts';

export interface Rebased {
	readonly changes: readonly AnyChange[];
	/** The parts that have no place any more, in words. */
	readonly lost: readonly string[];
	/** Texts in which both sides touch the same lines; nothing of these is in `changes`. */
	readonly conflicts: readonly FileConflict[];
}

/**
 * An edit that was made on `base`, made again on the profile as it stands now: an entry that stands there is what it replaces,
 * and texts are merged line by line.
 */
export function rebased(now: Profile, changes: readonly AnyChange[], base: Profile): Rebased {
	const outcome = { changes: [] as AnyChange[], lost: [] as string[], conflicts: [] as FileConflict[] };
	for (const { chapter, changes: own } of byChapter(changes)) {
		const { changes: made, lost, conflicts } = chapter.rebase(now, own.map(bare), base);
		outcome.changes.push(...tagged(chapter, made));
		outcome.lost.push(...lost);
		outcome.conflicts.push(...conflicts);
	}
	return outcome;
}

const bare = ({ chapter: _, ...change }: AnyChange) => change;
