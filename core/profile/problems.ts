import type { AnyChange, Ground } from '../chapter/chapter.ts';
import type { ChangeProblem } from '../strata/change.ts';
import type { OpenApplication } from '../application/application.ts';
import type { Profile } from '../strata/stratum.ts';
import { byChapter } from './chapters.ts';
import { applyEdit } from './edit.ts';
import { indexOf } from './profile-index.ts';

/** The ground on which changes are judged: the profile before them, and in the catalogue the commands that come with them. */
export function groundFor(application: OpenApplication, profile: Profile, changes: readonly AnyChange[]): Ground {
	const adding = byChapter(changes).flatMap(({ chapter, changes: own }) => (chapter.commands ? own : []));
	return { index: indexOf(application, applyEdit(profile, adding)), profile };
}

/** What stands against the changes beyond their form, locks among it. The ground is that of `groundFor`. */
export function problemsOf(changes: readonly AnyChange[], ground: Ground): ChangeProblem[] {
	return byChapter(changes).flatMap(({ chapter, changes: own, places }) =>
		chapter.problems(own, ground).map(({ index, message }) => ({ index: places[index]!, message }))
	);
}

/** Those of the changes that nothing stands against, and why the others stay. */
export function soundOf(
	application: OpenApplication,
	profile: Profile,
	changes: readonly AnyChange[]
): { sound: AnyChange[]; stays: string[] } {
	const problems = problemsOf(changes, groundFor(application, profile, changes));
	const stays = new Map(problems.map(({ index, message }) => [index, message]));
	return { sound: changes.filter((_, i) => !stays.has(i)), stays: [...stays.values()] };
}
