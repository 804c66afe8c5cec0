import { diffIndices } from 'node-diff3';
import type { AnyChange } from '../chapter/chapter.ts';
import type { TextFile } from '../chapter/text.ts';
import { linesBetween } from '../text/lines.ts';
import { linesIn } from '../text/merge-texts.ts';
import type { Profile, StratumId } from '../strata/stratum.ts';
import { ALL_CHAPTERS, byChapter, type AnyChapter } from './chapters.ts';
import { inverseEdit, type Edit } from './edit.ts';

/** An edit as far as blame needs it. */
type Step = Pick<Edit, 'revision' | 'changes'>;

interface Text {
	readonly file: TextFile | null;
	/** By line the revision that wrote it. */
	readonly lines: readonly number[];
}

/** Whose revision it is that no edit has written. */
export const BEFORE_ALL = 0;

const placeOf = (stratum: string, chapter: string): string => `${stratum}\n${chapter}`;

/**
 * Which edit was the last to say or to take away what: of keyed chapters thing by thing, of texts line by line. It begins with the
 * profile as it was before all edits, and follows them in their order.
 */
export class Blame {
	readonly #things = new Map<string, Map<string, number>>();
	readonly #texts: Map<string, Text>;
	#revision = BEFORE_ALL;

	/** Who has said what of a profile that no edit has changed. */
	constructor(profile: Profile) {
		this.#texts = unwritten(textsOf(profile));
	}

	/**
	 * Who has said what of a profile that these edits have made, the oldest first; yields after each, as long texts and many edits take
	 * their time.
	 */
	static *after(profile: Profile, edits: readonly Step[]): Generator<undefined, Blame> {
		const files = textsOf(profile);
		for (const { changes } of edits.toReversed()) {
			for (const { chapter, stratum, changes: own } of byPlace(inverseEdit(changes))) {
				const place = placeOf(stratum, chapter.id);
				if (chapter.form === 'text') files.set(place, chapter.apply(files.get(place) ?? null, own) as TextFile | null);
			}
			yield;
		}
		const blame = new Blame([]);
		for (const [place, text] of unwritten(files)) blame.#texts.set(place, text);
		for (const edit of edits) {
			blame.follow(edit);
			yield;
		}
		return blame;
	}

	/** The last edit that it has followed. */
	get revision(): number {
		return this.#revision;
	}

	/** Follows the next edit. Throws `StaleChangeError` for a text that is not as the edit expects it. */
	follow({ revision, changes }: Step): void {
		for (const { chapter, stratum, changes: own } of byPlace(changes)) {
			const place = placeOf(stratum, chapter.id);
			if (chapter.form === 'text') {
				const { file: before, lines } = this.#texts.get(place) ?? { file: null, lines: [] };
				const file = chapter.apply(before, own) as TextFile | null;
				this.#texts.set(place, { file, lines: linesAfter(lines, before?.text ?? '', file?.text ?? '', revision) });
				continue;
			}
			const things = this.#things.get(place) ?? new Map<string, number>();
			for (const change of own) things.set(chapter.touches(change).slice(place.length + 1), revision);
			this.#things.set(place, things);
		}
		this.#revision = revision;
	}

	/** By thing of a keyed chapter, as `keyOf` of the chapter calls it, the revision that said it or took it away last. */
	things(stratum: StratumId, chapter: string): ReadonlyMap<string, number> {
		return this.#things.get(placeOf(stratum, chapter)) ?? new Map();
	}

	/** By line of a text the revision that wrote it; `BEFORE_ALL` for what no edit has written. */
	lines(stratum: StratumId, chapter: string): readonly number[] {
		return this.#texts.get(placeOf(stratum, chapter))?.lines ?? [];
	}
}

/** The changes by chapter and stratum. */
function byPlace(changes: readonly AnyChange[]): { chapter: AnyChapter; stratum: StratumId; changes: readonly AnyChange[] }[] {
	return byChapter(changes).flatMap(({ chapter, changes: own }) =>
		[...new Set(own.map((change) => change.stratum))].map((stratum) => ({
			chapter,
			stratum,
			changes: own.filter((change) => change.stratum === stratum)
		}))
	);
}

/** The texts of all strata, by their places. */
const textsOf = (profile: Profile): Map<string, TextFile | null> =>
	new Map(
		ALL_CHAPTERS.filter(({ form }) => form === 'text').flatMap((chapter) =>
			profile.map((stratum) => [placeOf(stratum.id, chapter.id), chapter.contentIn(stratum) as TextFile | null] as const)
		)
	);

/** Texts of which no edit has written a line. */
const unwritten = (files: ReadonlyMap<string, TextFile | null>): Map<string, Text> =>
	new Map([...files].map(([place, file]) => [place, { file, lines: linesIn(file?.text ?? '').map(() => BEFORE_ALL) }]));

/** By line of the text after an edit who wrote it: lines that a diff finds in both are whose they were. */
function linesAfter(lines: readonly number[], before: string, after: string, revision: number): readonly number[] {
	if (before === after) return lines;
	const { from, line, before: was, after: is } = linesBetween(before, after);
	const between = lines.slice(line - 1, was.line - 1);
	let next: number[] = [];
	let at = 0;
	for (const { buffer1, buffer2 } of diffIndices(linesIn(before.slice(from, was.to)), linesIn(after.slice(from, is.to)))) {
		next = next.concat(between.slice(at, buffer1[0]), new Array<number>(buffer2[1]).fill(revision));
		at = buffer1[0] + buffer1[1];
	}
	return lines.slice(0, line - 1).concat(next, between.slice(at), lines.slice(was.line - 1));
}
