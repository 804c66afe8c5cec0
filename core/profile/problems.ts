import type { AnyChange, Ground } from '../chapter/chapter.ts';
import type { ChangeProblem } from '../strata/change.ts';
import { byChapter } from './chapters.ts';

/** What stands against the changes beyond their form, locks among it. The ground is that before the changes, commands that come with them in its catalogue. */
export function problemsOf(changes: readonly AnyChange[], ground: Ground): ChangeProblem[] {
	return byChapter(changes).flatMap(({ chapter, changes: own, places }) =>
		chapter.problems(own, ground).map(({ index, message }) => ({ index: places[index]!, message }))
	);
}
