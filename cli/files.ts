import '../core/recipe/shapes/all.ts';
import { readFileSync, writeFileSync } from 'node:fs';
import { ALIASES, emptyAliasFile, type AliasFile } from '../core/chapters/aliases/file.ts';
import { isAccepted } from '../core/check/acceptance.ts';
import type { Place } from '../core/check/finding.ts';
import { CHECKERS } from '../core/profile/checkers.ts';
import type { OpenApplication } from '../core/application/application.ts';
import { circumstancesOf } from '../core/profile/circumstances.ts';
import { readApplicationFile, type ApplicationFile } from '../core/application/application-file.ts';
import { readProfileFile, strataOf } from '../core/hand-over/profile-file.ts';
import { parseJson } from '../core/format/json.ts';
import { FileRefusedError, refuseBySize, type FileProblem } from '../core/format/problem.ts';
import type { Placed } from '../core/hand-over/sarif.ts';
import { readShortcutsCsv } from '../core/hand-over/shortcuts-csv.ts';
import { desksOf } from '../core/keyboard/desk.ts';
import { SHORTCUTS } from '../core/shortcut/entry.ts';
import { mayMeet, scopeText } from '../core/context/scope.ts';
import type { FileRow, Names } from '../core/chapter/chapter.ts';
import { chapterOf } from '../core/profile/chapters.ts';
import { holding, officeOf, StratumId, StratumKind, type Profile, type StratumHead } from '../core/strata/stratum.ts';
import { decode, encode, type Encoding } from '../core/format/bytes.ts';
import { Recipe } from '../core/recipe/recipe.ts';
import { SHIPPED_RECIPES } from '../core/recipe/shipped.ts';
import { BadInputError } from './problem.ts';

/** A file by its path (`-` for standard input), or a text that came from elsewhere with the name under which it is spoken of. */
export type Source = string | { readonly name: string; readonly text: string };

const nameOf = (source: Source): string => (typeof source === 'string' ? source : source.name);

/** Where the entries of each stratum stand, by their rank. */
export type Places = ReadonlyMap<StratumId, readonly { readonly file: string; readonly line: number }[]>;

export interface LoadedProfile {
	readonly profile: Profile;
	readonly places: Places;
	readonly refused: readonly (FileProblem & { file: string })[];
	/** The file of each stratum. */
	readonly fileOf: ReadonlyMap<StratumId, string>;
	/** The applications that the files name, each with the file. */
	readonly applications: readonly { readonly id: string; readonly version: string; readonly file: string }[];
}

export interface LoadedText {
	readonly text: string;
	readonly encoding: Encoding;
}

/** Reads a file, or standard input for `-`. Throws `BadInputError` or `FileRefusedError`. */
export function load(source: Source): LoadedText {
	if (typeof source !== 'string') return { text: source.text, encoding: 'utf-8' };
	const file = source;
	let bytes: Buffer;
	try {
		bytes = readFileSync(file === '-' ? 0 : file);
	} catch (error) {
		const { code, message } = error as NodeJS.ErrnoException;
		const reason = { ENOENT: 'there is no such file', EISDIR: 'it is a folder', EACCES: 'no permission to read it' }[code ?? ''];
		throw new BadInputError(`${file} cannot be read: ${reason ?? message}`);
	}
	refuseBySize(file, bytes.length);
	return decode(file, bytes);
}

/** Writes to a file, or to standard output without one. Throws `BadInputError`. */
export function deliver(out: string | undefined, text: string, encoding: Encoding = 'utf-8'): void {
	if (out === undefined || out === '-') {
		process.stdout.write(text);
		return;
	}
	const bytes = encode(out, { text, encoding });
	try {
		writeFileSync(out, bytes);
	} catch (error) {
		const { code, message } = error as NodeJS.ErrnoException;
		const reason = { ENOENT: 'its folder does not exist', EISDIR: 'it is a folder', EACCES: 'no permission to write it' }[
			code ?? ''
		];
		throw new BadInputError(`${out} cannot be written: ${reason ?? message}`);
	}
}

export function loadApplication(source: Source | undefined): ApplicationFile & OpenApplication {
	if (!source)
		throw new BadInputError('Name the application file with --application; `skarn export --what application` writes one.');
	return readApplicationFile(nameOf(source), load(source).text);
}

const ORDER = StratumKind.options;

/** Names where no application is at hand. */
export const PLAIN: Names = { meet: mayMeet, command: (id) => id, option: (path) => path, scope: scopeText };

/** Whether a file is JSON, by its name or by how it begins; anything else is taken for CSV. */
export const isJson = (name: string, text: string): boolean =>
	/\.json$/i.test(name) || /^\uFEFF?\s*[{["]/.test(text.slice(0, 2000));

/**
 * The strata of one or several profile files, the lowest first. A CSV of shortcuts is a personal stratum. What a stratum
 * says twice, or sets and removes, is refused at its line.
 */
export function loadProfile(files: readonly Source[]): LoadedProfile {
	const applications: { id: string; version: string; file: string }[] = [];
	const places = new Map<StratumId, { file: string; line: number }[]>();
	const refused: (FileProblem & { file: string })[] = [];
	const fileOf = new Map<StratumId, string>();
	const heads = new Map<StratumId, StratumHead>();
	const rows: FileRow[] = [];
	const lineOf = new Map<string, number>();
	for (const source of files) {
		const file = nameOf(source);
		const { text } = load(source);
		const profile = isJson(file, text) ? readProfileFile(file, text) : undefined;
		if (profile) applications.push({ ...profile.application, file });
		const read: { strata: readonly StratumHead[]; rows: readonly FileRow[]; refused: readonly FileProblem[] } = profile ?? {
			...readShortcutsCsv(file, text),
			strata: []
		};
		refused.push(...read.refused.map((problem) => ({ ...problem, file })));
		const named = new Map(read.strata.map((head) => [head.id, head]));
		const take = (id: StratumId) => {
			if (!heads.has(id)) {
				heads.set(id, named.get(id) ?? { id, kind: kindOf(id), name: id });
				places.set(id, []);
			}
			if (!fileOf.has(id)) fileOf.set(id, file);
		};
		for (const row of read.rows) {
			const id = row.stratum ?? ('personal' as StratumId);
			take(id);
			const chapter = chapterOf(row.chapter);
			const { key, isLock } = chapter.keyOf(row.said);
			const place = `${id}\n${row.chapter}\n${isLock}\n${key}`;
			const earlier = lineOf.get(place);
			if (earlier !== undefined) {
				const named = chapter.about({ stratum: id, before: null, after: row.said } as never, PLAIN);
				const message = `${named} is already in ${id} on line ${earlier}; a level contains each ${chapter.words.one} once`;
				refused.push({ line: row.line, column: 1, message, file });
				continue;
			}
			lineOf.set(place, row.line);
			rows.push({ ...row, stratum: id });
			if (row.chapter === SHORTCUTS) places.get(id)!.push({ file, line: row.line });
		}
		for (const { id } of read.strata) take(id);
	}
	if (heads.size === 0) throw new BadInputError('The profile has no level.');
	const strata = [...heads.values()].sort((a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind));
	return { profile: strataOf(strata, rows), places, refused, fileOf, applications };
}

const kindOf = (id: string): StratumKind => StratumKind.safeParse(id).data ?? 'personal';

/** A recipe that Skarn comes with, or one in a file. */
export function loadRecipe(name: string): Recipe {
	const shipped = SHIPPED_RECIPES[name];
	if (shipped && Object.hasOwn(SHIPPED_RECIPES, name)) return shipped;
	let value: unknown;
	try {
		({ value } = parseJson(name, load(name).text));
	} catch (error) {
		if (error instanceof BadInputError)
			throw new BadInputError(`There is no recipe "${name}". Name a file, or one of ${Object.keys(SHIPPED_RECIPES).join(', ')}.`);
		throw error;
	}
	const parsed = Recipe.safeParse(value);
	if (parsed.success) return parsed.data;
	throw new FileRefusedError(
		name,
		parsed.error.issues.map((issue) => ({ line: 1, column: 1, pointer: `/${issue.path.join('/')}`, message: issue.message }))
	);
}

/** An alias file beside the profile, and the stratum that it is of. */
export interface AliasPlace {
	readonly file: string;
	readonly stratum: StratumId;
}

/** The profile with an alias file put into a stratum, which is made if it is not there. */
export function withAliases(
	{ profile, ...rest }: LoadedProfile,
	file: string,
	recipe: Recipe,
	stratum: string
): LoadedProfile & { aliasFile: AliasPlace } {
	const id = StratumId.safeParse(stratum);
	if (!id.success) throw new BadInputError(`--stratum "${stratum}": ${id.error.issues[0]!.message}`);
	const { text, encoding } = load(file);
	const aliases: AliasFile = { ...emptyAliasFile, recipe, text, encoding };
	const known = profile.some((s) => s.id === stratum);
	if (!known && !StratumKind.safeParse(stratum).success)
		throw new BadInputError(
			`--stratum "${stratum}": the profile has no such level; it has ${profile.map((s) => s.id).join(', ')}.`
		);
	const next = known
		? profile.map((s) => (s.id === stratum ? holding(s, ALIASES, aliases) : s))
		: [...profile, { id: id.data, kind: kindOf(stratum), name: stratum, contents: { [ALIASES]: aliases } }];
	return {
		...rest,
		aliasFile: { file, stratum: id.data },
		profile: next.sort((a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind))
	};
}

export interface FoundFinding extends Placed {
	readonly accepted: boolean;
}

/** All findings of all chapters, each with the place that it is about, and with its id if those are wanted. */
export function findingsOf(
	application: ApplicationFile & OpenApplication,
	loaded: LoadedProfile & { aliasFile?: AliasPlace },
	released: Profile | undefined,
	ids: boolean
): FoundFinding[] {
	const { profile, places, fileOf, aliasFile } = loaded;
	const circumstances = circumstancesOf(application, profile, desksOf(application.seats), officeOf(released ?? []) ?? null);
	const [first = '-'] = fileOf.values();
	const placed = (at: Place | undefined): Pick<Placed, 'file' | 'line'> => {
		const entry = at?.rank === undefined ? undefined : places.get(at.stratum)?.[at.rank];
		if (entry) return entry;
		// a text within a profile is one string there; its own lines are told in the sentence
		if (at?.line !== undefined && at.stratum === aliasFile?.stratum) return { file: aliasFile.file, line: at.line };
		return { file: (at && fileOf.get(at.stratum)) ?? first, line: undefined };
	};
	const { accepted } = circumstances;
	return CHECKERS.flatMap(({ beginning, findings }) =>
		findings({ circumstances, profile, released }, 'told').map((finding) => ({
			rule: `${beginning}${finding.rule}`,
			title: finding.title,
			severity: finding.severity,
			sentence: finding.sentence(),
			id: ids ? finding.id : undefined,
			...placed(finding.place()),
			accepted: accepted.size > 0 && accepted.has(finding.id) && isAccepted(accepted, finding.acceptable())
		}))
	);
}
