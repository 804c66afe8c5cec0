import { aliasLines, type AliasFile } from '../chapters/aliases/file.ts';
import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import { indexOf, type Subject } from '../check/circumstances.ts';
import type { Scope } from '../context/scope.ts';
import type { SearchPaths } from '../folders/search.ts';
import type { OfficeDesks } from '../keyboard/office.ts';
import type { MacroEntry } from '../chapters/macros/macro.ts';
import { profileCatalogue } from '../chapters/macros/table.ts';
import { entryKey } from '../chapters/shortcuts/entry.ts';
import type { Profile, StratumId } from '../profile/stratum.ts';
import type { Brought } from './bring.ts';
import { previewImport } from './preview.ts';
import { isOfMachine, selectAliases, selectMacros, shortcutTest, type Section, type Selection } from './selection.ts';
import type { ShortcutRow } from './shortcut-row.ts';

/** What was read of a file, before anything is left out. */
export interface Parsed {
	readonly rows: readonly ShortcutRow[];
	/** See `ShortcutFile`. */
	readonly saysAll?: boolean;
	readonly macros?: readonly { readonly stratum: StratumId; readonly macros: readonly MacroEntry[] }[];
	readonly aliases?: readonly { readonly stratum: StratumId; readonly file: AliasFile }[];
	readonly folders?: SearchPaths;
}

/** What of it is wanted, and where it goes. */
export interface Wanted {
	readonly selection: Selection;
	/** One stratum for everything; without it the strata that the file names. */
	readonly into: StratumId | undefined;
	/** The stratum of what names none. */
	readonly otherwise: StratumId;
	/** The scope that every shortcut gets in place of its own. */
	readonly scope?: Scope;
	/** What the desks of the office tell of keys that the application does not hear as they are spelled. */
	readonly office?: Pick<OfficeDesks, 'heardAs'>;
}

export interface Compared extends Brought {
	/** Of the profile with the macros that come. */
	readonly index: ShortcutIndex;
	/** What the file holds of each part, before anything is left out. */
	readonly holds: Readonly<Record<Section, number>>;
	/** The outermost categories of the commands that the file names. */
	readonly categories: readonly string[];
}

/** Compares what a file says with the profile: macros first, since shortcuts and aliases may name them. */
export function compareFile(subject: Subject, profile: Profile, parsed: Parsed, wanted: Wanted): Compared {
	const { selection, into, otherwise, scope, office } = wanted;
	const [brought, files] = [parsed.macros ?? [], parsed.aliases ?? []];
	const placed = brought.map((b) => ({ ...b, stratum: into ?? b.stratum }));
	const catalogue = profileCatalogue(subject.catalogue, withMacros(profile, placed));
	const isIn = shortcutTest(selection, { space: subject.space, catalogue });
	const macros = placed
		.map((b) => ({ stratum: b.stratum, macros: selectMacros(b.macros, selection) }))
		.filter((b) => b.macros.length > 0);
	const index = indexOf(subject, withMacros(profile, macros));
	const rows = parsed.rows
		.filter((row) => isIn(row.shortcut, row.op === 'accept'))
		.map((row) => (isKnown(profile, row) ? row : heard(row, office)))
		.map((row) => (scope && row.op !== 'accept' ? { ...row, shortcut: { ...row.shortcut, scope } } : row));
	const aliases = files.flatMap(({ stratum, file }) => {
		const part = selectAliases(file, selection, catalogue);
		return part ? [{ stratum: into ?? stratum, file: part }] : [];
	});
	const acceptances = parsed.rows.filter((row) => row.op === 'accept').length;
	return {
		index,
		rows: previewImport(index, profile, rows, (row) => into ?? row.stratum ?? otherwise, parsed.saysAll),
		macros,
		aliases,
		folders: selection.sections.includes('machine') ? parsed.folders : undefined,
		holds: {
			shortcuts: parsed.rows.length - acceptances,
			acceptances,
			aliases: files.reduce((sum, f) => sum + aliasLines(f.file).lines.length, 0),
			macros: brought.reduce((sum, b) => sum + b.macros.filter((m) => !isOfMachine(m)).length, 0),
			machine: brought.reduce((sum, b) => sum + b.macros.filter(isOfMachine).length, parsed.folders ? 1 : 0)
		},
		categories: [...new Set(parsed.rows.flatMap(({ shortcut }) => catalogue.get(shortcut.command)?.category[0] ?? []))].sort()
	};
}

/** Whether a stratum says something of the shortcut just as the file spells it: then that is what the file means. */
const isKnown = (profile: Profile, { shortcut }: ShortcutRow): boolean =>
	profile.some(({ entries }) => (['set', 'lock'] as const).some((op) => entries.has(entryKey({ op, ...shortcut }))));

/** The row with its keys as the application hears them. An acceptance is of a finding about keys as they stand. */
function heard(row: ShortcutRow, office: Wanted['office']): ShortcutRow {
	const { keys } = row.shortcut;
	const meant = row.op === 'accept' ? undefined : office?.heardAs(keys);
	return meant === undefined || meant === keys ? row : { ...row, spelled: keys, shortcut: { ...row.shortcut, keys: meant } };
}

/** The profile with macros of a file put into its strata. */
function withMacros(profile: Profile, brought: Brought['macros']): Profile {
	return profile.map((stratum) => {
		const list = brought.filter((b) => b.stratum === stratum.id).flatMap((b) => b.macros);
		if (list.length === 0) return stratum;
		return { ...stratum, macros: new Map([...(stratum.macros ?? []), ...list.map((m) => [m.id, m] as const)]) };
	});
}
