import type { SearchPaths } from '../folders/search.ts';
import type { FileProblem } from '../format/problem.ts';
import type { AnyChange, Ground, Item } from '../chapter/chapter.ts';
import { ALL_CHAPTERS } from '../profile/chapters.ts';
import { tagged } from '../profile/edit.ts';
import type { Profile } from '../strata/stratum.ts';
import { isOpen } from './compare.ts';

/** Stands for where files lie, which a file can bring and which is no part of a profile. */
export const FOLDERS = 'folders';

/** The item of the places of files, against those that are known. */
export function foldersItem(profile: Profile, folders: SearchPaths, known: SearchPaths | undefined): Item {
	const isSame = JSON.stringify(known) === JSON.stringify(folders);
	return {
		key: FOLDERS,
		chapter: FOLDERS,
		state: isSame ? 'same' : (known?.groups.length ?? 0) > 0 ? 'replaced' : 'new',
		target: profile.at(-1)!.id,
		line: 1,
		op: 'set',
		caption: { label: 'Search folders', detail: 'the folders that seats search' },
		gone: 'replaces the current one',
		said: folders
	};
}

/**
 * One edit for the chosen items, and what could not be written. The index is that of the profile with the chosen commands.
 * Places of files are no part of a profile and come back beside it.
 */
export function bring(
	index: Ground['index'],
	profile: Profile,
	chosen: readonly Item[]
): { changes: AnyChange[]; left: FileProblem[]; folders: SearchPaths | undefined } {
	const open = chosen.filter(isOpen);
	const changes: AnyChange[] = [];
	const left: FileProblem[] = [];
	for (const chapter of ALL_CHAPTERS) {
		const own = open.filter((item) => item.chapter === chapter.id);
		if (own.length === 0) continue;
		const brought = chapter.bring(own, { index, profile });
		changes.push(...tagged(chapter, brought.changes));
		left.push(...brought.left.map((problem) => ({ ...problem, column: 1 })));
	}
	const folders = open.find((item) => item.chapter === FOLDERS)?.said as SearchPaths | undefined;
	return { changes, left, folders };
}

/** Every problem of a file and what is refused of its items in one list, for saving what was not taken. */
export function refusals(file: readonly FileProblem[], items: readonly Item[]): FileProblem[] {
	const words = new Map(ALL_CHAPTERS.map(({ id, words: { one } }) => [id, one]));
	return [
		...file,
		...items.flatMap(({ state, chapter, line, caption, reason }) =>
			state === 'refused'
				? [{ line, column: 1, message: caption.keys ? reason! : `${words.get(chapter)} ${caption.label}: ${reason}` }]
				: []
		)
	].sort((a, b) => a.line - b.line);
}
