import type { AnyChange } from '../chapter/chapter.ts';
import { canonicalText } from '../format/canonical.ts';
import { entryKeyFor, nextRank, type AnyEntry, type Entries } from '../strata/entry.ts';
import { stratumById, type Profile, type StratumId } from '../strata/stratum.ts';
import { ALL_CHAPTERS, chapterOf } from './chapters.ts';

/** Something that a stratum says, by its chapter and key. */
export interface Saying {
	readonly chapter: string;
	readonly key: string;
	readonly isLock: boolean;
	readonly said: unknown;
}

/** All that a stratum says entry by entry; texts are no entries. */
export const sayingsOf = (profile: Profile, id: StratumId): Saying[] =>
	ALL_CHAPTERS.filter(({ form }) => form === 'keyed').flatMap((chapter) =>
		chapter
			.list(chapter.contentIn(stratumById(profile, id)))
			.map((said) => ({ chapter: chapter.id, ...chapter.keyOf(said), said }))
	);

/** The changes by which one stratum says what another one does. What it says so already is left out. */
export function copying(profile: Profile, sayings: readonly Saying[], target: StratumId): AnyChange[] {
	const stratum = stratumById(profile, target);
	const next = new Map<string, number>();
	return sayings.flatMap(({ chapter: id, said }): AnyChange[] => {
		const chapter = chapterOf(id);
		const entries = chapter.contentIn(stratum) as Entries<AnyEntry>;
		const { key, isLock } = chapter.keyOf(said);
		const found = entries.get(entryKeyFor(isLock ? 'lock' : 'set', key)) ?? null;
		const rank = found?.rank ?? next.get(id) ?? nextRank(entries);
		if (!found) next.set(id, rank + 1);
		const after = { ...(said as object), rank };
		const isSame = found !== null && canonicalText(chapter.toFile(found)) === canonicalText(chapter.toFile(after));
		return isSame ? [] : [{ chapter: id, stratum: target, before: found, after } as AnyChange];
	});
}
