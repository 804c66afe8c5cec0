import { and, asc, eq, gt, lte, sql } from 'drizzle-orm';
import { canonicalText } from '../../../../core/format/canonical.ts';
import { ALL_CHAPTERS } from '../../../../core/profile/chapters.ts';
import { applyEdit, type Edit } from '../../../../core/profile/edit.ts';
import type { Profile, Stratum } from '../../../../core/strata/stratum.ts';
import type { Database } from '../db/open.ts';
import { applications, edits } from '../db/schema.ts';
import { inParts } from './parts.ts';
import { pauses } from '../pauses.ts';
import type { Workspace } from './workspace.ts';

/** A state of a program that was compared with all its edits up to a revision. */
export interface SoundState {
	readonly revision: number;
	readonly profile: Profile;
}

/** What was found, and the state that all edits come to. */
export interface Verified {
	readonly differing: readonly string[];
	readonly sound: SoundState;
}

/**
 * How what is stored differs from what all edits come to, one after the other, in words; nothing if all is well. `first` is what
 * is stored; `since` is where to begin instead of from nothing; `read` gives what is stored by then. Others are let in
 * between, and `progress` hears how far it has come.
 */
export async function differencesFromEdits(
	db: Database,
	id: string,
	first: Pick<Workspace, 'profile' | 'revision'>,
	read: () => Promise<Pick<Workspace, 'profile' | 'revision'>>,
	since?: SoundState,
	progress: (revision: number) => void = () => {}
): Promise<Verified> {
	const was = new Map(since?.profile.map((stratum) => [stratum.id, stratum.contents]));
	let stored = first;
	let folded: Profile = stored.profile.map((stratum) =>
		stratum.kind === 'factory' ? stratum : { ...stratum, contents: was.get(stratum.id) ?? {} }
	);
	const rest = pauses();
	const differing: string[] = [];
	let revision = since?.revision ?? 0;
	// what is written meanwhile is looked at as well
	for (;;) {
		const sizes = await db
			.select({ revision: edits.revision, size: sql<number>`pg_column_size(${edits.changes})` })
			.from(edits)
			.where(and(eq(edits.application, id), gt(edits.revision, revision), lte(edits.revision, stored.revision)))
			.orderBy(asc(edits.revision))
			.limit(2_000);
		if (sizes.length === 0) {
			const [row] = await db.select({ revision: applications.revision }).from(applications).where(eq(applications.id, id));
			if (row?.revision === stored.revision) break;
			stored = await read();
			continue;
		}
		for (const part of inParts(sizes, 200)) {
			const some = await db
				.select({ revision: edits.revision, changes: edits.changes })
				.from(edits)
				.where(and(eq(edits.application, id), gt(edits.revision, revision), lte(edits.revision, part.at(-1)!)))
				.orderBy(asc(edits.revision));
			const failed = foldedWith(folded, some);
			if ('message' in failed) {
				differing.push(`${id}: edit ${failed.revision} does not match the edits before it: ${failed.message}`);
				return { differing, sound: { revision: failed.revision - 1, profile: failed.profile } };
			}
			folded = failed.profile;
			revision = part.at(-1)!;
			progress(revision);
			await rest();
		}
	}
	for (const [i, stratum] of stored.profile.entries())
		for await (const line of stratumDifferences(id, stratum, folded[i]!, rest)) differing.push(line);
	return { differing, sound: { revision: stored.revision, profile: folded } };
}

type Folded = { readonly profile: Profile } | { readonly profile: Profile; readonly revision: number; readonly message: string };

/** The profile after several edits. They are applied as one; where that does not go, one by one, to say which of them does not fit. */
function foldedWith(profile: Profile, some: readonly Pick<Edit, 'revision' | 'changes'>[]): Folded {
	try {
		return {
			profile: applyEdit(
				profile,
				some.flatMap(({ changes }) => changes)
			)
		};
	} catch {
		let now = profile;
		for (const { revision, changes } of some)
			try {
				now = applyEdit(now, changes);
			} catch (error) {
				return { profile: now, revision, message: (error as Error).message };
			}
		return { profile: now };
	}
}

/** How two states of a stratum differ, in words. */
async function* stratumDifferences(
	id: string,
	stored: Stratum,
	folded: Stratum,
	rest: () => Promise<void>
): AsyncGenerator<string> {
	const where = `${id}, ${stored.name}`;
	for (const chapter of ALL_CHAPTERS) {
		const byKey = async (stratum: Stratum) => {
			const texts = new Map<string, string>();
			for (const said of chapter.list(chapter.contentIn(stratum))) {
				const { key, isLock } = chapter.keyOf(said);
				texts.set(`${isLock ? 'lock of ' : ''}${key.replaceAll('\n', ' ').trim()}`, canonicalText(said));
				await rest();
			}
			return texts;
		};
		const [have, want] = [await byKey(stored), await byKey(folded)];
		for (const key of new Set([...have.keys(), ...want.keys()])) {
			if (have.get(key) === want.get(key)) continue;
			const how = !want.has(key)
				? 'is in the table, but in no edit'
				: !have.has(key)
					? 'is in the edits, but not in the table'
					: 'differs between the table and the edits';
			yield `${where}: the ${[chapter.words.one, key].filter((text) => text !== '').join(' ')} ${how}`;
		}
	}
}
