import '$core/recipe/shapes/all';
import { expose } from 'comlink';
import { catalogueOf, type Application } from '$core/application/application';
import { aliasLines, type AliasFile } from '$core/alias/file';
import type { Scope } from '$core/context/scope';
import { isOfMachine, selectAliases, selectMacros, shortcutTest, type Section, type Selection } from '$core/format/selection';
import type { SearchPaths } from '$core/folders/search';
import { profileCatalogue } from '$core/macro/table';
import type { Command } from '$core/application/command';
import { indexOf } from '$core/check/circumstances';
import { contextSpace } from '$core/context/space';
import { readCsv } from '$core/format/csv';
import { previewImport, type PreviewRow } from '$core/format/preview';
import { FileRefusedError, refuseBySize, textOf, type FileProblem } from '$core/format/problem';
import { readMacros } from '$core/macro/file';
import { readProfileFile } from '$core/format/profile-json';
import { readShortcutsCsv } from '$core/format/shortcuts-csv';
import type { MacroEntry } from '$core/macro/macro';
import { decode } from '$core/recipe/bytes';
import type { Recipe } from '$core/recipe/recipe';
import { readShortcuts } from '$core/recipe/rows';
import { csvOfXlsx } from '$lib/xlsx';
import type { Profile, StratumId } from '$core/profile/stratum';

export interface Reading {
	readonly rows: readonly PreviewRow[];
	readonly refused: readonly FileProblem[];
	/** Set when the file is of another application or version than the one in front. */
	readonly foreign: string | undefined;
	/** The alias files that a profile file holds, each with the stratum that it names. */
	readonly aliases: readonly { readonly stratum: StratumId; readonly file: AliasFile }[];
	/** The macros that a profile file holds, by the stratum that it names. */
	readonly macros: readonly { readonly stratum: StratumId; readonly macros: readonly MacroEntry[] }[];
	/** Where the seats of another office search for their files. */
	readonly folders: SearchPaths | undefined;
	/** What the file holds of each part, before anything is left out. */
	readonly holds: Readonly<Record<Section, number>>;
	/** The outermost categories of the file's commands. */
	readonly categories: readonly string[];
}

/** A refusal as plain values: errors of our own classes do not cross from a worker whole. */
export interface Refusal {
	readonly message: string;
	readonly problems: readonly FileProblem[];
}

export type Answer<T> = { readonly value: T } | { readonly refusal: Refusal };

async function answering<T>(work: () => Promise<T>): Promise<Answer<T>> {
	try {
		return { value: await work() };
	} catch (error) {
		const problems = error instanceof FileRefusedError ? error.problems : [];
		return { refusal: { message: (error as Error).message, problems } };
	}
}

async function textFrom(file: File): Promise<string> {
	refuseBySize(file.name, file.size);
	return textOf(file.name, new Uint8Array(await file.arrayBuffer()));
}

async function byContent(file: File, onprogress: (stage: string) => void) {
	if (/\.xlsx$/i.test(file.name)) {
		refuseBySize(file.name, file.size);
		onprogress('Unfolding the sheet');
		const csv = await csvOfXlsx(file.name, new Uint8Array(await file.arrayBuffer()));
		return { ...readShortcutsCsv(file.name, csv), application: undefined };
	}
	const text = await textFrom(file);
	onprogress('Parsing');
	const isJson = /^\s*[{[]/.test(text.slice(0, 2000)) || /\.json$/i.test(file.name);
	return isJson ? readProfileFile(file.name, text) : { ...readShortcutsCsv(file.name, text), application: undefined };
}

async function byRecipe(recipe: Recipe, file: File, into: StratumId) {
	refuseBySize(file.name, file.size);
	const { text } = decode(file.name, new Uint8Array(await file.arrayBuffer()));
	if (recipe.holds === 'macros') {
		const { macros, refused } = readMacros(recipe, file.name, text);
		return { rows: [], refused, application: undefined, macros: [{ stratum: into, macros }] };
	}
	return { ...readShortcuts(recipe, file.name, text), application: undefined };
}

/** The profile with macros of a file put into its strata. */
function withMacros(profile: Profile, brought: Reading['macros'], into: StratumId | undefined): Profile {
	return profile.map((stratum) => {
		const list = brought.filter((b) => (into ?? b.stratum) === stratum.id).flatMap((b) => b.macros);
		if (list.length === 0) return stratum;
		return { ...stratum, macros: new Map([...(stratum.macros ?? []), ...list.map((m) => [m.id, m] as const)]) };
	});
}

const reading = {
	/** Reads a profile (JSON) or shortcuts (CSV) and compares them with the profile. `into` sends all to one stratum. */
	shortcuts: (
		file: File,
		{
			application,
			commands,
			profile,
			into,
			recipe,
			selection,
			scope
		}: {
			application: Application;
			commands: readonly Command[];
			profile: Profile;
			into: StratumId | undefined;
			recipe?: Recipe;
			selection: Selection;
			/** The scope that every shortcut gets in place of its own. */
			scope: Scope | undefined;
		},
		onprogress: (stage: string) => void
	) =>
		answering(async (): Promise<Reading> => {
			onprogress('Reading');
			const parsed = recipe ? await byRecipe(recipe, file, into ?? profile.at(-1)!.id) : await byContent(file, onprogress);
			onprogress(`Comparing ${parsed.rows.length} entries`);
			const space = contextSpace(application.axes, application.reachable);
			const brought = 'macros' in parsed ? parsed.macros : [];
			const subject = { application, space, catalogue: catalogueOf(commands, space) };
			const all = withMacros(profile, brought, into);
			const ground = { space, catalogue: profileCatalogue(subject.catalogue, all) };
			const isIn = shortcutTest(selection, ground);
			const wanted = parsed.rows
				.filter((row) => isIn(row.shortcut, row.op === 'accept'))
				.map((row) => (scope && row.op !== 'accept' ? { ...row, shortcut: { ...row.shortcut, scope } } : row));
			const macros = brought
				.map((b) => ({ stratum: into ?? b.stratum, macros: selectMacros(b.macros, selection) }))
				.filter((b) => b.macros.length > 0);
			const index = indexOf(subject, withMacros(profile, macros, undefined));
			const last = profile.at(-1)!.id;
			const rows = previewImport(index, profile, wanted, (row) => into ?? row.stratum ?? last);
			const files = 'aliases' in parsed ? parsed.aliases : [];
			const aliases = files.flatMap(({ stratum, file: whole }) => {
				const part = selectAliases(whole, selection, ground.catalogue);
				return part ? [{ stratum: into ?? stratum, file: part }] : [];
			});
			const folders = 'folders' in parsed ? parsed.folders : undefined;
			const acceptances = parsed.rows.filter((row) => row.op === 'accept').length;
			const holds = {
				shortcuts: parsed.rows.length - acceptances,
				acceptances,
				aliases: files.reduce((sum, f) => sum + aliasLines(f.file).lines.length, 0),
				macros: brought.reduce((sum, b) => sum + b.macros.filter((m) => !isOfMachine(m)).length, 0),
				machine: brought.reduce((sum, b) => sum + b.macros.filter(isOfMachine).length, folders ? 1 : 0)
			};
			const categories = [
				...new Set(parsed.rows.flatMap(({ shortcut }) => ground.catalogue.get(shortcut.command)?.category[0] ?? []))
			].sort();
			const other = parsed.application;
			const foreign =
				other && (other.id !== application.id || other.version !== application.version)
					? `This file was written for ${other.id} ${other.version}; here is ${application.id} ${application.version}.`
					: undefined;
			return {
				rows,
				refused: parsed.refused,
				foreign,
				aliases,
				macros,
				folders: selection.sections.includes('machine') ? folders : undefined,
				holds,
				categories
			};
		}),

	/** Reads a CSV list of any kind, for mapping its columns. */
	table: (file: File) =>
		answering(async () => {
			const { header, records } = readCsv(file.name, await textFrom(file));
			if (records.length === 0)
				throw new FileRefusedError(file.name, [
					{ line: 2, column: 1, message: 'there is only a header; expected one command a line' }
				]);
			return { header, records };
		})
};

export type ReadingWorker = typeof reading;

expose(reading);
