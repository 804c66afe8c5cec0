import { aliasLines, type AliasFile } from '../chapters/aliases/file.ts';
import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import type { SearchPaths } from '../folders/search.ts';
import { isGone, type MacroEntry } from '../chapters/macros/macro.ts';
import { saysSame } from '../chapters/macros/same.ts';
import { macroTable } from '../chapters/macros/table.ts';
import type { AliasChange } from '../profile/alias-change.ts';
import type { Said } from '../profile/edit.ts';
import { shortcutKey } from '../chapters/shortcuts/entry.ts';
import type { MacroChange } from '../profile/macro-change.ts';
import type { Profile, StratumId } from '../profile/stratum.ts';
import { importChanges, type PreviewRow } from './preview.ts';
import type { FileProblem } from '../format/problem.ts';

type State = PreviewRow['state'];

/** One thing of a file that can be taken or left: a shortcut, a macro, a whole alias file, the places of files. */
export type Item = {
	/** The same for the same thing of the file, whatever the profile says meanwhile. */
	readonly key: string;
	readonly state: State;
	readonly target: StratumId;
	/** Why it is refused; of a shortcut its row says it. */
	readonly reason?: string;
} & (
	| { readonly kind: 'shortcut'; readonly row: PreviewRow }
	| { readonly kind: 'macro'; readonly macro: MacroEntry }
	| { readonly kind: 'aliases'; readonly file: AliasFile; readonly lines: number }
	| { readonly kind: 'folders'; readonly folders: SearchPaths }
);

/** What was read of a file, compared with the profile. */
export interface Brought {
	readonly rows: readonly PreviewRow[];
	readonly macros: readonly { readonly stratum: StratumId; readonly macros: readonly MacroEntry[] }[];
	readonly aliases: readonly { readonly stratum: StratumId; readonly file: AliasFile }[];
	readonly folders: SearchPaths | undefined;
}

const FACTORY = 'the factory stratum is never written; import into another stratum';
const missing = (stratum: string) => `there is no stratum "${stratum}" here; choose one to import into`;

/** All that the file would do, one by one: whole files first, then macros, then shortcuts in their order. */
export function itemsOf(profile: Profile, { rows, macros, aliases, folders }: Brought, known: SearchPaths | undefined): Item[] {
	const items: Item[] = [];
	const last = profile.at(-1)!.id;
	const stateOf = (isThere: boolean, isSame: boolean): State => (isSame ? 'same' : isThere ? 'replaced' : 'new');
	if (folders)
		items.push({
			key: 'folders',
			kind: 'folders',
			target: last,
			folders,
			state: stateOf((known?.groups.length ?? 0) > 0, JSON.stringify(known) === JSON.stringify(folders))
		});
	for (const { stratum, file } of aliases) {
		const own = profile.find((s) => s.id === stratum);
		const isSame = own?.aliases?.text === file.text;
		const reason = !own ? missing(stratum) : own.kind === 'factory' && !isSame ? FACTORY : undefined;
		items.push({
			key: `aliases ${stratum}`,
			kind: 'aliases',
			target: stratum,
			file,
			lines: aliasLines(file).lines.length,
			state: reason ? 'refused' : stateOf((own?.aliases?.text ?? '') !== '', isSame),
			...(reason && { reason })
		});
	}
	const placed = macroTable(profile).inForce;
	for (const { stratum, macros: list } of macros) {
		const own = profile.find((s) => s.id === stratum);
		for (const macro of list) {
			const mine = own?.macros?.get(macro.id);
			const lock = placed.get(macro.id)?.lockedBy;
			const isSame = saysSame(mine, macro);
			const locked = !isSame && lock !== undefined && lock.id !== stratum;
			const reason = !own
				? missing(stratum)
				: locked
					? `${lock.name} has locked this macro`
					: own.kind === 'factory' && !isSame
						? FACTORY
						: undefined;
			items.push({
				key: `macro ${stratum} ${macro.id}`,
				kind: 'macro',
				target: stratum,
				macro,
				state: reason ? 'refused' : stateOf(mine !== undefined, isSame),
				...(reason && { reason })
			});
		}
	}
	return [
		...items,
		...rows.map((row): Item => {
			const { line, op, shortcut } = row.row;
			const key = `shortcut ${line} ${op} ${shortcutKey(shortcut)}`;
			return { key, kind: 'shortcut', target: row.target, state: row.state, row };
		})
	];
}

/** Whether taking it would change anything. */
export const isOpen = ({ state }: Item): boolean => state === 'new' || state === 'replaced';

/**
 * One edit for the chosen items, and what could not be written. The index is that of the profile with the chosen macros.
 * Places of files are no part of a profile and come back beside it.
 */
export function bring(
	index: ShortcutIndex,
	profile: Profile,
	chosen: readonly Item[]
): { said: Said; left: FileProblem[]; folders: SearchPaths | undefined } {
	const open = chosen.filter(isOpen);
	const { changes, left } = importChanges(
		index,
		profile,
		open.flatMap((item) => (item.kind === 'shortcut' ? [item.row] : []))
	);
	const aliases = open.flatMap((item): AliasChange[] =>
		item.kind === 'aliases'
			? [{ stratum: item.target, from: profile.find((s) => s.id === item.target)?.aliases ?? null, to: item.file }]
			: []
	);
	const macros = open.flatMap((item): MacroChange[] =>
		item.kind === 'macro'
			? [
					{
						stratum: item.target,
						before: profile.find((s) => s.id === item.target)?.macros?.get(item.macro.id) ?? null,
						after: item.macro
					}
				]
			: []
	);
	const folders = open.find((item) => item.kind === 'folders')?.folders;
	return { said: { changes, aliases, macros }, left, folders };
}

/** Every problem of a file and what is refused of its items in one list, for saving what was not taken. */
export function refusals(file: readonly FileProblem[], items: readonly Item[]): FileProblem[] {
	return [
		...file,
		...items.flatMap((item) =>
			item.state === 'refused'
				? [{ line: item.kind === 'shortcut' ? item.row.row.line : 1, column: 1, message: refusalOf(item) }]
				: []
		)
	].sort((a, b) => a.line - b.line);
}

function refusalOf(item: Item): string {
	switch (item.kind) {
		case 'shortcut':
			return item.row.reason ?? '';
		case 'macro':
			return `the macro ${macroName(item.macro)}: ${item.reason}`;
		case 'aliases':
			return `the aliases of ${item.target}: ${item.reason}`;
		case 'folders':
			return `where files lie: ${item.reason}`;
	}
}

/** What a macro of a file is called. */
export const macroName = (macro: MacroEntry): string => (isGone(macro) ? macro.id : macro.label);
