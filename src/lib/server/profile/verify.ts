import { and, asc, eq, gt } from 'drizzle-orm';
import { canonicalText } from '../../../../core/format/canonical.ts';
import { ALL_CHAPTERS } from '../../../../core/profile/chapters.ts';
import { applyEdit } from '../../../../core/profile/edit.ts';
import type { Profile, Stratum } from '../../../../core/strata/stratum.ts';
import type { Database } from '../db/open.ts';
import { edits } from '../db/schema.ts';
import type { Workspace } from './workspace.ts';

/**
 * How what is stored differs from what all edits come to, one after the other, in words; nothing if all is well. `profile` names the
 * strata and holds the factory's; `read` gives what is stored.
 */
export async function differencesFromEdits(
	db: Database,
	id: string,
	profile: Profile,
	read: () => Promise<Pick<Workspace, 'profile'>>
): Promise<string[]> {
	let folded: Profile = profile.map((stratum) => (stratum.kind === 'factory' ? stratum : { ...stratum, contents: {} }));
	const differing: string[] = [];
	let revision = 0;
	for (;;) {
		const some = await db
			.select()
			.from(edits)
			.where(and(eq(edits.application, id), gt(edits.revision, revision)))
			.orderBy(asc(edits.revision))
			.limit(200);
		if (some.length === 0) break;
		for (const edit of some) {
			revision = edit.revision;
			try {
				folded = applyEdit(folded, edit.changes);
			} catch (error) {
				differing.push(`${id}: edit ${revision} does not fit on those before it: ${(error as Error).message}`);
				return differing;
			}
		}
	}
	const stored = await read();
	for (const [i, stratum] of stored.profile.entries()) differing.push(...stratumDifferences(id, stratum, folded[i]!));
	return differing;
}

/** How two states of a stratum differ, in words. */
function stratumDifferences(id: string, stored: Stratum, folded: Stratum): string[] {
	const where = `${id}, ${stored.name}`;
	return ALL_CHAPTERS.flatMap((chapter) => {
		const byKey = (stratum: Stratum) =>
			new Map(
				chapter.list(chapter.contentIn(stratum)).map((said) => {
					const { key, isLock } = chapter.keyOf(said);
					return [`${isLock ? 'lock of ' : ''}${key.replaceAll('\n', ' ').trim()}`, canonicalText(said)] as const;
				})
			);
		const [have, want] = [byKey(stored), byKey(folded)];
		return [...new Set([...have.keys(), ...want.keys()])].flatMap((key) => {
			if (have.get(key) === want.get(key)) return [];
			const how = !want.has(key)
				? 'stands in the table and no edit says it'
				: !have.has(key)
					? 'is said by the edits and is not in the table'
					: 'is otherwise in the table than the edits say';
			return [`${where}: the ${[chapter.words.one, key].filter((text) => text !== '').join(' ')} ${how}`];
		});
	});
}
