import { stringify } from 'csv-stringify/browser/esm/sync';
import type { Catalogue } from '../application/application.ts';
import { CommandId } from '../application/command.ts';
import { parseScope, scopeText } from '../context/scope.ts';
import { SHORTCUTS, shortcutsIn, type Entry } from '../shortcut/entry.ts';
import type { FileRow } from '../chapter/chapter.ts';
import { EntryOp, inOrder } from '../strata/entry.ts';
import { StratumId, type Profile } from '../strata/stratum.ts';
import { parseKeys } from '../stroke/stroke.ts';
import { delimiterOf, readCsv } from '../format/csv.ts';
import { inert } from '../format/inert.ts';
import { FileRefusedError, type FileProblem } from '../format/problem.ts';

export const SHORTCUT_COLUMNS = ['keys', 'command', 'label', 'scope', 'stratum', 'op'] as const;

/** The shortcuts of the strata as rows, the first the header; the rest goes by the profile file alone. `label` is for people and is not read back. */
export function shortcutTable(strata: Profile, catalogue: Catalogue): string[][] {
	const rows = strata.flatMap((stratum) =>
		inOrder(shortcutsIn(stratum)).map(({ op, command, keys, scope }) => [
			keys,
			command,
			catalogue.get(command)?.label ?? '',
			scopeText(scope),
			stratum.id,
			op
		])
	);
	return [[...SHORTCUT_COLUMNS], ...rows];
}

/** The same as RFC 4180 CSV with CRLF; cells that a sheet would take for formulas are made inert. */
export function writeShortcutsCsv(strata: Profile, catalogue: Catalogue): string {
	return stringify(
		shortcutTable(strata, catalogue).map((row) => row.map(inert)),
		{
			record_delimiter: '\r\n',
			quoted_match: /[\r\n]/
		}
	);
}

/** The columns that are read, and which column of a file holds them, counted from 0. */
export const READ_COLUMNS = ['keys', 'command', 'scope', 'stratum', 'op'] as const;
export type ReadColumn = (typeof READ_COLUMNS)[number];
export type ShortcutColumns = Partial<Record<ReadColumn, number>>;
/** Without these a row says nothing. */
export const NEEDED_COLUMNS = ['keys', 'command'] as const satisfies readonly ReadColumn[];

const GUESSES: Readonly<Record<ReadColumn, RegExp>> = {
	keys: /^(keys?|shortcuts?|strokes?|hot ?keys?|accelerators?|key binding|input|tasten?|tastenkürzel|tastenkombination|kürzel|raccourcis?( clavier)?|touches?|scorciatoi[ae]|tasti|atajos?|teclas?)$/i,
	command: /^(commands?|command id|id|action|function|befehl|befehls-?id|funktion|commande|fonction|comando|funzione|función)$/i,
	scope: /^(scopes?|contexts?|when|where|kontext|bereich|contexte|portée|contesto|ambito|contexto|ámbito)$/i,
	stratum: /^(stratum|layer|ebene|niveau|livello|nivel)$/i,
	op: /^(op|operation|opération|operazione|operación)$/i
};

/** Which column holds what, read off the header's words. */
export function guessColumns(header: readonly string[]): ShortcutColumns {
	const found: ShortcutColumns = {};
	for (const column of READ_COLUMNS) {
		const exact = header.findIndex((name) => name.trim().toLowerCase() === column);
		const at = exact >= 0 ? exact : header.findIndex((name) => GUESSES[column].test(name.trim()));
		if (at >= 0) found[column] = at;
	}
	return found;
}

/**
 * Reads shortcuts, whatever of comma, semicolon and tab divides their columns; needs keys and command, takes scope, stratum and
 * op. `columns` says which column holds what; without it that is read off the header. Bad rows are refused one by one.
 */
export function readShortcutsCsv(
	file: string,
	text: string,
	columns?: ShortcutColumns
): { rows: FileRow<Entry>[]; refused: FileProblem[]; saysAll: boolean } {
	const { header, records } = readCsv(file, text, delimiterOf(text));
	const at = columns ?? guessColumns(header);
	for (const needed of NEEDED_COLUMNS)
		if (at[needed] === undefined)
			throw new FileRefusedError(file, [
				{ line: 1, column: 1, message: `there is no column "${needed}"; found ${header.join(', ')}` }
			]);

	const rows: FileRow<Entry>[] = [];
	const refused: FileProblem[] = [];
	for (const record of records) {
		const fields = Object.fromEntries(
			READ_COLUMNS.map((column) => [column, (at[column] === undefined ? '' : (record.fields[at[column]] ?? '')).trim()])
		) as Record<ReadColumn, string>;
		const read = <T>(column: ReadColumn, reader: (text: string) => T): T => {
			try {
				return reader(fields[column]);
			} catch (error) {
				throw Object.assign(new Error(`${column}: ${reason(error)}`), { column: at[column]! + 1 });
			}
		};
		try {
			if (record.fields.length > header.length)
				throw Object.assign(new Error(`${record.fields.length} fields where the header has ${header.length}`), {
					column: header.length + 1
				});
			rows.push({
				chapter: SHORTCUTS,
				line: record.line,
				said: {
					op: fields.op ? read('op', (op) => EntryOp.parse(op)) : 'set',
					rank: 0,
					keys: read('keys', parseKeys),
					command: read('command', (id) => CommandId.parse(id)),
					scope: fields.scope ? read('scope', parseScope) : {}
				},
				stratum: fields.stratum ? read('stratum', (id) => StratumId.parse(id)) : undefined
			});
		} catch (error) {
			const { message, column } = error as Error & { column: number };
			refused.push({ line: record.line, column, message });
		}
	}
	return { rows, refused, saysAll: at.op !== undefined };
}

function reason(error: unknown): string {
	const issues = (error as { issues?: { message: string }[] }).issues;
	return issues?.[0]?.message ?? (error as Error).message;
}
