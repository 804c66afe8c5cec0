import { z } from 'zod';
import { ApplicationId } from '../application/application.ts';
import { SearchPaths } from '../folders/search.ts';
import { canonical } from '../format/canonical.ts';
import { memberLines } from '../format/json-lines.ts';
import { checkedJson, parseJson, problemAt } from '../format/json.ts';
import type { FileProblem } from '../format/problem.ts';
import type { FileRow } from '../chapter/chapter.ts';
import { ALL_CHAPTERS, chapterOf } from '../profile/chapters.ts';
import { headOf, StratumHead, type Profile, type Stratum } from '../strata/stratum.ts';
import { partsOfVersion1, Stratum1, type PartOfFile } from './profile-file-1.ts';

const MOST_ENTRIES = 100_000;

/** What each chapter has in a file: a list of entries, or a text with its recipe. */
const chaptersInFile = z.strictObject(
	Object.fromEntries(
		ALL_CHAPTERS.map(({ id, form, inFile }) => [id, (form === 'keyed' ? z.array(inFile).max(MOST_ENTRIES) : inFile).optional()])
	)
);

const head = {
	$schema: z.string().optional(),
	format: z.literal('skarn-profile'),
	application: z.strictObject({ id: ApplicationId, version: z.string().max(40) }),
	folders: SearchPaths.optional().meta({ description: 'the folders that the seats search for their files; machine-specific' })
};

/** The open format of a profile, or of some of its strata; docs/format.md describes it, docs/schema has its JSON Schema. */
export const ProfileFile = z.strictObject({
	...head,
	version: z.literal(2),
	strata: z
		.array(
			z.strictObject({
				...StratumHead.shape,
				chapters: chaptersInFile.meta({ description: 'the entries of the level by chapter; missing means none' })
			})
		)
		.min(1)
		.max(20)
});

/** A profile file as it is written. */
export interface ProfileDocument {
	readonly format: 'skarn-profile';
	readonly version: 2;
	readonly application: { readonly id: ApplicationId; readonly version: string };
	readonly strata: readonly (StratumHead & { readonly chapters: Readonly<Record<string, unknown>> })[];
	readonly folders?: SearchPaths;
}

/**
 * The strata as a document, entries in their order. Reading it back and importing it changes nothing; the same content gives the
 * same document, in whatever order the members of its parts were made.
 */
export function profileFile(
	application: { readonly id: ApplicationId; readonly version: string },
	strata: Profile,
	folders?: SearchPaths | null
): ProfileDocument {
	return {
		format: 'skarn-profile',
		version: 2,
		application: { id: application.id, version: application.version },
		strata: strata.map((stratum) => ({ ...headOf(stratum), chapters: chaptersOf(stratum) })),
		...(folders && { folders: canonical(folders) })
	};
}

function chaptersOf(stratum: Stratum): Record<string, unknown> {
	const chapters: Record<string, unknown> = {};
	for (const chapter of ALL_CHAPTERS) {
		const said = chapter.list(chapter.contentIn(stratum)).map((one) => chapter.toFile(one));
		if (said.length > 0) chapters[chapter.id] = chapter.form === 'keyed' ? said : said[0];
	}
	return chapters;
}

/** One entry a line, so that people can compare two files line by line. Ends with a line feed. */
export function writeProfileFile(file: ProfileDocument): string {
	const { strata, folders, ...first } = file;
	const lines = JSON.stringify({ ...first, ...(folders && { folders }) }, null, 2).slice(0, -2);
	const body = strata.map(({ chapters, ...stratum }) => {
		const listed = Object.entries(chapters).map(([id, said]) => {
			if (!Array.isArray(said)) return `\n      ${JSON.stringify(id)}:${JSON.stringify(said)}`;
			return `\n      ${JSON.stringify(id)}:[${said.map((row) => `\n        ${JSON.stringify(row)}`).join(',')}\n      ]`;
		});
		return `    ${JSON.stringify(stratum).slice(0, -1)},"chapters":{${listed.join(',')}${listed.length > 0 ? '\n    ' : ''}}}`;
	});
	return `${lines},\n  "strata": [\n${body.join(',\n')}\n  ]\n}\n`;
}

/** What was read of a profile file. */
export interface ProfileReading {
	readonly application: ProfileDocument['application'];
	readonly strata: readonly StratumHead[];
	readonly rows: readonly FileRow[];
	readonly refused: readonly FileProblem[];
	readonly folders: SearchPaths | undefined;
	/** Profile files say what they remove and lock besides what they set (see `Comparing`). */
	readonly saysAll: true;
}

const Any = z.custom<readonly unknown[]>(Array.isArray, 'expected a list');
const VERSIONS = {
	1: z.strictObject({ ...head, version: z.literal(1), strata: z.array(Stratum1).min(1).max(20) }),
	2: z.strictObject({
		...head,
		version: z.literal(2),
		strata: z
			.array(z.strictObject({ ...StratumHead.shape, chapters: z.record(z.string(), z.unknown()) }))
			.min(1)
			.max(20)
	})
};

/**
 * Reads a profile file of any version. A document that is not one throws `FileRefusedError` with line, column and JSON Pointer;
 * a single entry that is not sound, or a chapter that nobody knows, is refused in the result and the rest is kept.
 */
export function readProfileFile(file: string, text: string): ProfileReading {
	const document = parseJson(file, text);
	const isFirst = (document.value as { version?: unknown } | null)?.version === 1;
	const checked = isFirst ? checkedJson(document, VERSIONS[1]) : checkedJson(document, VERSIONS[2]);
	const rows: FileRow[] = [];
	const refused: FileProblem[] = [];
	const lines = memberLines(text, 'strata', isFirst ? undefined : 'chapters');
	checked.strata.forEach((stratum, s) => {
		const refuse = (path: readonly PropertyKey[], message: string) =>
			refused.push(problemAt(document, ['strata', s, ...path], message));
		const parts = 'chapters' in stratum ? partsOf(stratum.chapters, refuse) : partsOfVersion1(stratum);
		for (const { chapter: id, path, values } of parts) {
			const chapter = ALL_CHAPTERS.find((c) => c.id === id)!;
			const lineAt = lines[s]?.get(path.at(-1)!) ?? [];
			for (const { value, place } of values)
				try {
					const said = chapter.fromFile(value);
					rows.push({ chapter: id, line: lineAt[place ?? 0] ?? 1, stratum: stratum.id, said });
				} catch (error) {
					const { path: within, message } = issueOf(error);
					refuse([...path, ...(place === undefined ? [] : [place]), ...within], message);
				}
		}
	});
	return {
		application: checked.application,
		strata: checked.strata.map(headOf),
		rows,
		refused,
		folders: checked.folders,
		saysAll: true
	};
}

interface Refusal {
	readonly path: readonly PropertyKey[];
	readonly message: string;
}

/** What stands in chapters of a file, entries in their order. */
export function factoryFrom(chapters: Readonly<Record<string, unknown>>): {
	said: Record<string, unknown[]>;
	refused: Refusal[];
} {
	const said: Record<string, unknown[]> = {};
	const refused: Refusal[] = [];
	const parts = partsOf(chapters, ([, ...path], message) => refused.push({ path, message }));
	for (const { chapter, values } of parts)
		for (const { value, place } of values)
			try {
				(said[chapter] ??= []).push(chapterOf(chapter).fromFile(value));
			} catch (error) {
				const { path, message } = issueOf(error);
				refused.push({ path: [chapter, ...(place === undefined ? [] : [place]), ...path], message });
			}
	return { said, refused };
}

function partsOf(
	chapters: Readonly<Record<string, unknown>>,
	refuse: (path: readonly PropertyKey[], message: string) => void
): PartOfFile[] {
	return Object.entries(chapters).flatMap(([id, said]): PartOfFile[] => {
		const path = ['chapters', id];
		const chapter = ALL_CHAPTERS.find((c) => c.id === id);
		if (!chapter) {
			refuse(path, `this version knows no chapter "${id}"; known are ${ALL_CHAPTERS.map((c) => c.id).join(', ')}`);
			return [];
		}
		if (chapter.form === 'text') return [{ chapter: id, path, values: [{ value: said, place: undefined }] }];
		const list = Any.safeParse(said);
		if (list.success && list.data.length <= MOST_ENTRIES)
			return [{ chapter: id, path, values: list.data.map((value, place) => ({ value, place })) }];
		refuse(
			path,
			list.success ? `expected at most ${MOST_ENTRIES} entries, found ${list.data.length}` : list.error.issues[0]!.message
		);
		return [];
	});
}

/** The first thing that is wrong, and where below the entry. */
function issueOf(error: unknown): Refusal {
	if (error instanceof z.ZodError) return error.issues[0]!;
	const { message, path } = error as Error & { path?: readonly PropertyKey[] };
	if (!path) throw error;
	return { path, message };
}

/** The strata that rows come to, entries in the order of the rows. Of two that say one thing the last holds. */
export function strataOf(heads: readonly StratumHead[], rows: readonly FileRow[]): Profile {
	const said = new Map<string, unknown[]>();
	for (const row of rows) {
		const place = `${row.stratum}\n${row.chapter}`;
		const list = said.get(place);
		if (list) list.push(row.said);
		else said.set(place, [row.said]);
	}
	return heads.map((stratum) => stratumFrom(stratum, (chapter) => said.get(`${stratum.id}\n${chapter}`) ?? []));
}

/** The strata of a profile file, the lowest first; what cannot be read of it is passed over. Throws `FileRefusedError` for none. */
export function strataInFile(file: string, text: string): Profile {
	const { strata, rows } = readProfileFile(file, text);
	return strataOf(strata, rows);
}

/** A stratum with what is said of each chapter, in its order. */
export function stratumFrom(stratum: StratumHead, saidOf: (chapter: string) => readonly unknown[]): Stratum {
	const contents: Record<string, unknown> = {};
	for (const chapter of ALL_CHAPTERS) {
		const said = saidOf(chapter.id);
		if (said.length === 0) continue;
		const inPlace = chapter.form === 'keyed' ? said.map((entry, rank) => ({ ...(entry as object), rank })) : said;
		contents[chapter.id] = chapter.contentOf(inPlace);
	}
	return { ...headOf(stratum), contents };
}
