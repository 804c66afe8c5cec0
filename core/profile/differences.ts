import type { AnyChange, Difference, Ground, Names, Pen } from '../chapter/chapter.ts';
import { OutOfReachError } from '../strata/change.ts';
import { ALL_CHAPTERS, chapterOf } from './chapters.ts';
import { problemsOf } from './problems.ts';
import { tagged } from './edit.ts';
import type { CommandId } from '../application/command.ts';
import { isPublished, type Profile, type Stratum } from '../strata/stratum.ts';

/** What one profile says and another does not, chapter by chapter. */
export const differencesBetween = (before: Profile, now: Profile, names: Names): Difference[] =>
	ALL_CHAPTERS.flatMap((chapter) => (sameContents(chapter, before, now) ? [] : chapter.differences(before, now, names)));

/** What is in force in one profile and otherwise in the other, each thing once, however many strata speak of it. */
export const differencesInForceBetween = (before: Profile, now: Profile, names: Names): Difference[] =>
	ALL_CHAPTERS.flatMap((chapter) =>
		sameContents(chapter, before, now) ? [] : (chapter.differencesInForce ?? chapter.differences)(before, now, names)
	);

/** The same contents say the same; most chapters of most profiles are so. */
function sameContents({ id }: { readonly id: string }, before: Profile, now: Profile): boolean {
	return before.length === now.length && before.every((s, i) => s.id === now[i]!.id && s.contents[id] === now[i]!.contents[id]);
}

/**
 * What strata of the office say otherwise than before, for all who may have them: for those who have the office's alone, and for
 * those who have any one of the others upon it. So a discipline hides nothing of another one that is seldom chosen together with it.
 * What is the same for several is told once.
 */
export function newsBetween(before: Profile, now: Profile, names: Names): Difference[] {
	const others = new Set([...before, ...now].filter((one) => !isPublished(one) && one.kind !== 'personal').map(({ id }) => id));
	const found = new Map<string, Difference>();
	for (const other of [undefined, ...others]) {
		const [was, is] = [before, now].map((all) => all.filter((one) => isPublished(one) || one.id === other));
		for (const difference of differencesBetween(was!, is!, names)) {
			const { id, kind, by, caption } = difference;
			const identity = JSON.stringify([id, kind, by, caption]);
			if (!found.has(identity)) found.set(identity, difference);
		}
	}
	return [...found.values()];
}

/** What can be taken back as one edit, and what has to stay, with why. */
export interface TakingBack {
	readonly changes: readonly AnyChange[];
	readonly stays: readonly { readonly difference: Difference; readonly reason: string }[];
}

/** Takes the differences back, written from the pen's stratum. What a lock or an upper stratum holds stays. */
export function takingBack(differences: readonly Difference[], ground: Ground, pen: Pen): TakingBack {
	const changes: AnyChange[] = [];
	const stays: { difference: Difference; reason: string }[] = [];
	for (const difference of differences) {
		const chapter = chapterOf(difference.chapter);
		try {
			const made = tagged(chapter, chapter.takeBack(difference, ground, pen));
			const [problem] = problemsOf(made, ground);
			if (problem) stays.push({ difference, reason: problem.message });
			else changes.push(...made);
		} catch (error) {
			if (!(error instanceof OutOfReachError)) throw error;
			stays.push({ difference, reason: error.message });
		}
	}
	return { changes, stays };
}

/** The changes by which the stratum says nothing any more, of these commands or of all. */
export const clearing = (stratum: Stratum, isIn?: (command: CommandId) => boolean): AnyChange[] =>
	ALL_CHAPTERS.flatMap((chapter) => tagged(chapter, chapter.clears(stratum, isIn)));
