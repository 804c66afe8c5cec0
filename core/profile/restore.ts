import type { AnyChange } from '../chapter/chapter.ts';
import { stratumById, type Profile, type Stratum, type StratumId } from '../strata/stratum.ts';
import { canonicalText } from '../format/canonical.ts';
import { ALL_CHAPTERS, type AnyChapter } from './chapters.ts';
import { applyEdit, inverseEdit, type Edit } from './edit.ts';

/**
 * The changes by which a stratum says again what it said before some edits were made, as one edit. What other strata said does
 * not count. `since` are the edits that have been made from then on, the newest first; they lead to `profile`. Throws
 * `StaleChangeError` if they do not.
 */
export function restoring(profile: Profile, target: StratumId, since: readonly Pick<Edit, 'changes'>[]): AnyChange[] {
	let then = profile;
	for (const { changes } of since) {
		const own = changes.filter((change) => change.stratum === target);
		if (own.length > 0) then = applyEdit(then, inverseEdit(own));
	}
	if (then === profile) return [];
	const [now, before] = [stratumById(profile, target), stratumById(then, target)];
	return changesBetween(now, before);
}

/** The changes, entry by entry, that make what a stratum says out of what it says now. Where entries stand in their lists counts too. */
export const changesBetween = (from: Stratum, to: Stratum): AnyChange[] =>
	ALL_CHAPTERS.flatMap((chapter) => between(chapter, from, to));

function between(chapter: AnyChapter, from: Stratum, to: Stratum): AnyChange[] {
	const about = { chapter: chapter.id, stratum: from.id };
	const [now, then] = [from, to].map((stratum) => chapter.list(chapter.contentIn(stratum)));
	if (chapter.form === 'text') {
		const [file = null, wanted = null] = [now![0], then![0]];
		return canonicalText(file) === canonicalText(wanted) ? [] : [{ ...about, from: file, to: wanted } as AnyChange];
	}
	const keyOf = (said: unknown) => JSON.stringify(chapter.keyOf(said));
	const wanted = new Map(then!.map((said) => [keyOf(said), said]));
	const changes: { before: unknown; after: unknown }[] = [];
	for (const before of now!) {
		const key = keyOf(before);
		const after = wanted.get(key) ?? null;
		wanted.delete(key);
		if (canonicalText(before) !== canonicalText(after)) changes.push({ before, after });
	}
	for (const after of wanted.values()) changes.push({ before: null, after });
	return changes.map((change) => ({ ...about, ...change }) as AnyChange);
}
