import '$core/recipe/shapes/all';
import { expose } from 'comlink';
import { catalogueOf, type Application } from '$core/application/application';
import type { Scope } from '$core/context/scope';
import type { Command } from '$core/application/command';
import { contextSpace } from '$core/context/space';
import { readByRecipe } from '$core/hand-over/by-recipe';
import { compareFile, type Compared } from '$core/hand-over/compare';
import { readCsv } from '$core/format/csv';
import { readTable } from '$core/format/table/table';
import type { Table } from '$core/format/table/tree';
import type { Selection } from '$core/hand-over/selection';
import { FileRefusedError, refuseBySize, type FileProblem } from '$core/format/problem';
import { readProfileFile } from '$core/hand-over/profile-file';
import { readShortcutsCsv, type ShortcutColumns } from '$core/hand-over/shortcuts-csv';
import { decode } from '$core/format/bytes';
import type { Desk } from '$core/keyboard/desk';
import { officeDesks } from '$core/keyboard/office-desks';
import type { Recipe } from '$core/recipe/recipe';
import { csvOfXlsx } from '$lib/xlsx';
import type { Profile, StratumId } from '$core/strata/stratum';

export interface Reading extends Omit<Compared, 'index'> {
	readonly refused: readonly FileProblem[];
	/** Set when the file is of another application or version than the one in front. */
	readonly foreign: string | undefined;
	/** The names of strata of somebody's own in the file that are none of the profile's. */
	readonly ofOthers: readonly string[];
}

/** More entries than an edit can take are not brought; so many are handed to the page at once. */
const MOST_ROWS = 100_000;
const ROWS_AT_ONCE = 5_000;

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
	return decode(file.name, new Uint8Array(await file.arrayBuffer())).text;
}

async function byContent(file: File, columns: ShortcutColumns | undefined, onprogress: (stage: string) => void) {
	if (/\.xlsx$/i.test(file.name)) {
		refuseBySize(file.name, file.size);
		onprogress('Unfolding the sheet');
		const csv = await csvOfXlsx(file.name, new Uint8Array(await file.arrayBuffer()));
		return { ...readShortcutsCsv(file.name, csv, columns), application: undefined };
	}
	const text = await textFrom(file);
	onprogress('Parsing');
	const isJson = /^\s*[{[]/.test(text.slice(0, 2000)) || /\.json$/i.test(file.name);
	return isJson ? readProfileFile(file.name, text) : { ...readShortcutsCsv(file.name, text, columns), application: undefined };
}

async function byRecipe(recipe: Recipe, file: File, into: StratumId, profile: Profile) {
	refuseBySize(file.name, file.size);
	const { text } = decode(file.name, new Uint8Array(await file.arrayBuffer()));
	return { ...readByRecipe(recipe, file.name, text, into, profile), application: undefined };
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
			columns,
			selection,
			scope,
			desks
		}: {
			application: Application;
			commands: readonly Command[];
			profile: Profile;
			into: StratumId | undefined;
			recipe?: Recipe;
			/** Which column of a table holds what; without it that is read off the header. */
			columns?: ShortcutColumns;
			selection: Selection;
			/** The scope that every shortcut gets in place of its own. */
			scope: Scope | undefined;
			desks: readonly Desk[];
		},
		onprogress: (stage: string) => void,
		onitems: (items: Reading['items']) => Promise<void>
	) =>
		answering(async (): Promise<Omit<Reading, 'items'>> => {
			onprogress('Reading');
			const parsed = recipe
				? await byRecipe(recipe, file, into ?? profile.at(-1)!.id, profile)
				: await byContent(file, columns, onprogress);
			const held = parsed.rows.length + parsed.refused.length;
			if (held > MOST_ROWS)
				throw new FileRefusedError(file.name, [
					{
						line: [...parsed.rows, ...parsed.refused].map(({ line }) => line).sort((a, b) => a - b)[MOST_ROWS]!,
						column: 1,
						message: `the file holds ${held} entries; at most ${MOST_ROWS} are brought at once. Split it, and bring one part after the other`
					}
				]);
			onprogress(`Comparing ${parsed.rows.length} entries`);
			const space = contextSpace(application.axes, application.reachable);
			const subject = { application, space, catalogue: catalogueOf(commands, space) };
			const {
				index: _,
				items,
				...compared
			} = compareFile(subject, profile, parsed, {
				selection,
				into,
				otherwise: profile.at(-1)!.id,
				office: officeDesks(application.rules, desks),
				...(scope && { scope })
			});
			const other = parsed.application;
			const foreign =
				other && (other.id !== application.id || other.version !== application.version)
					? `This file was written for ${other.id} ${other.version}; here is ${application.id} ${application.version}.`
					: undefined;
			// in parts, so that taking them does not hold the page up
			for (let at = 0; at < items.length; at += ROWS_AT_ONCE) await onitems(items.slice(at, at + ROWS_AT_ONCE));
			const heads = 'strata' in parsed ? parsed.strata : [];
			const ofOthers = heads.flatMap(({ id, kind, name }) =>
				kind === 'personal' && !profile.some((stratum) => stratum.id === id) ? [name] : []
			);
			return { ...compared, refused: parsed.refused, foreign, ofOthers };
		}),

	/** Reads a list of any kind, for mapping its columns. */
	table: (file: File) =>
		answering(async (): Promise<Table> => {
			const isSheet = /\.xlsx$/i.test(file.name);
			refuseBySize(file.name, file.size);
			const { header, records } = isSheet
				? readCsv(file.name, await csvOfXlsx(file.name, new Uint8Array(await file.arrayBuffer())))
				: readTable(file.name, await textFrom(file));
			if (records.length === 0)
				throw new FileRefusedError(file.name, [
					{ line: 2, column: 1, message: 'there is only a header; expected one command a line' }
				]);
			return { header, records };
		})
};

export type ReadingWorker = typeof reading;

expose(reading);
