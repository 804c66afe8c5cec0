import { z } from 'zod';
import type { AnyChange, Names } from '../chapter/chapter.ts';
import { ALL_CHAPTERS, byChapter, chapterOf } from './chapters.ts';
import { FactoryWriteError } from '../strata/change.ts';
import type { Role } from '../strata/role.ts';
import { holding, StratumId, stratumById, type Profile } from '../strata/stratum.ts';

export type { AnyChange } from '../chapter/chapter.ts';

const isObject = (value: unknown): value is Record<string, unknown> =>
	typeof value === 'object' && value !== null && !Array.isArray(value);

/** A change of any chapter, which its member `chapter` names. */
export const AnyChangeForm = z.unknown().transform((value, ctx): AnyChange => {
	const refuse = (message: string, path: PropertyKey[] = []) => {
		ctx.addIssue({ code: 'custom', message, path });
		return z.NEVER;
	};
	if (!isObject(value)) return refuse('expected an object');
	const { chapter: id, ...rest } = value;
	const chapter = ALL_CHAPTERS.find((c) => c.id === id);
	if (!chapter)
		return refuse(`expected a chapter (${ALL_CHAPTERS.map((c) => c.id).join(', ')}), found ${JSON.stringify(id)}`, ['chapter']);
	const parsed = chapter.change.safeParse(rest);
	if (parsed.success) return { ...parsed.data, chapter: chapter.id };
	for (const issue of parsed.error.issues) ctx.addIssue({ code: 'custom', message: issue.message, path: issue.path });
	return z.NEVER;
});

/** Counts the edits; as far as the database does. */
export const Revision = z.number().int().min(0).max(2_147_483_647);

/** So many changes an edit has at most; a profile with as many shortcuts can be brought at once. */
const MOST_CHANGES = 100_000;

/**
 * What the interface sends: a named list of changes, made against a revision, applied whole or not at all. `stratum` is the one
 * that is written to; it decides what may be written (see `reaches`); `setup` is the one that the writer looks at.
 */
export const ProposedHead = z.strictObject({
	base: Revision,
	stratum: StratumId,
	setup: z.string().max(60).optional(),
	label: z.string().min(1).max(200),
	/** Each of them is looked at by itself. */
	changes: z.array(z.unknown()).min(1, 'an edit changes something').max(MOST_CHANGES)
});
/** The same with all changes looked at. */
export const ProposedEdit = ProposedHead.extend({
	changes: z.array(AnyChangeForm).min(1, 'an edit changes something').max(MOST_CHANGES)
});
export type ProposedEdit = z.infer<typeof ProposedEdit>;

/** An edit as it is kept for ever. `undoes` or `redoes` name the revision that it takes back or brings again. */
export interface Edit {
	readonly revision: number;
	readonly at: string;
	readonly role: Role;
	/** Who wrote it: the id of a person. */
	readonly by: string;
	/** The stratum that was written to. */
	readonly stratum: StratumId;
	readonly label: string;
	readonly changes: readonly AnyChange[];
	readonly undoes?: number;
	readonly redoes?: number;
}

/** The profile after it. Throws what chapters throw, or `FactoryWriteError`; then nothing is applied. */
export function applyEdit(profile: Profile, changes: readonly AnyChange[]): Profile {
	for (const id of new Set(changes.map((change) => change.stratum)))
		if (stratumById(profile, id).kind === 'factory') throw new FactoryWriteError();
	return applyAnywhere(profile, changes);
}

/** As `applyEdit`, and also to the factory, which no edit may change. */
export function applyAnywhere(profile: Profile, changes: readonly AnyChange[]): Profile {
	let now = profile;
	for (const group of byChapter(changes)) {
		const { chapter } = group;
		const byStratum = new Map<StratumId, AnyChange[]>();
		for (const change of group.changes) {
			const own = byStratum.get(change.stratum);
			if (own) own.push(change);
			else byStratum.set(change.stratum, [change]);
		}
		now = now.map((stratum) => {
			const own = byStratum.get(stratum.id);
			return own ? holding(stratum, chapter.id, chapter.apply(chapter.contentIn(stratum), own)) : stratum;
		});
	}
	return now;
}

/** What takes it all back, in the order in which it must be applied. */
export const inverseEdit = (changes: readonly AnyChange[]): AnyChange[] =>
	changes.map((change) => ({ ...chapterOf(change.chapter).inverse(change), chapter: change.chapter })).reverse();

/** The changes with the chapter that they are about. */
export const tagged = <C extends { readonly stratum: StratumId }>(chapter: { readonly id: string }, changes: readonly C[]) =>
	changes.map((change) => ({ ...change, chapter: chapter.id }));

/** The changes with places in their lists that nothing else has. */
export function placedEdit(profile: Profile, changes: readonly AnyChange[]): AnyChange[] {
	const placed = [...changes];
	for (const { chapter, changes: own, places } of byChapter(changes))
		chapter.placed(profile, own).forEach((change, i) => (placed[places[i]!] = { ...change, chapter: chapter.id }));
	return placed;
}

/** What both lists are about, in words. */
export function touchedBy(mine: readonly AnyChange[], theirs: readonly AnyChange[], names: Names): string[] {
	const keyOf = (change: AnyChange) => chapterOf(change.chapter).touches(change);
	const keys = new Set(mine.map(keyOf));
	return [...new Set(theirs.filter((change) => keys.has(keyOf(change))).map((c) => chapterOf(c.chapter).about(c, names)))];
}

type Step = Pick<Edit, 'revision' | 'stratum' | 'undoes' | 'redoes'>;

/**
 * The revisions that can be undone and redone now by whom writes to the stratum, the next one last: those of one's own.
 * Computed from the log alone, so that undo works across reloads: a new edit ends what could be redone.
 */
export function undoable(log: readonly Step[], stratum: StratumId): { undo: number[]; redo: number[] } {
	const undo: number[] = [];
	let redo: number[] = [];
	for (const step of log) {
		if (step.stratum !== stratum) continue;
		// of a long log only the newest steps may be known: what a step takes back is said by itself
		if (step.undoes !== undefined) {
			undo.pop();
			redo.push(step.undoes);
		} else if (step.redoes !== undefined) {
			redo.pop();
			undo.push(step.redoes);
		} else {
			undo.push(step.revision);
			redo = [];
		}
	}
	return { undo, redo };
}
