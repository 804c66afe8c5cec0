import { stringify } from 'csv-stringify/browser/esm/sync';
import type { Catalogue } from '../application/application.ts';
import { CommandId } from '../application/command.ts';
import { parseScope, scopeText } from '../context/scope.ts';
import { SHORTCUTS, shortcutsIn, type Entry } from '../shortcut/entry.ts';
import type { FileRow } from '../chapter/chapter.ts';
import { EntryOp, inOrder } from '../strata/entry.ts';
import { StratumId, type Profile } from '../strata/stratum.ts';
import { parseKeys } from '../stroke/stroke.ts';
import { byHeader, readCsv } from '../format/csv.ts';
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

/** Reads shortcuts; needs the columns keys and command, takes scope, stratum and op. Bad rows are refused one by one. */
export function readShortcutsCsv(
	file: string,
	text: string
): { rows: FileRow<Entry>[]; refused: FileProblem[]; saysAll: boolean } {
	const { header, records } = readCsv(file, text);
	const names = header.map((name) => name.toLowerCase());
	for (const needed of ['keys', 'command'])
		if (!names.includes(needed))
			throw new FileRefusedError(file, [
				{ line: 1, column: 1, message: `there is no column "${needed}"; found ${header.join(', ')}` }
			]);

	const rows: FileRow<Entry>[] = [];
	const refused: FileProblem[] = [];
	for (const record of records) {
		const fields = byHeader(header, record);
		const read = <T>(column: string, reader: (text: string) => T): T => {
			try {
				return reader(fields[column]!);
			} catch (error) {
				throw Object.assign(new Error(`${column}: ${reason(error)}`), { column: names.indexOf(column) + 1 });
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
					op: fields['op'] ? read('op', (op) => EntryOp.parse(op)) : 'set',
					rank: 0,
					keys: read('keys', parseKeys),
					command: read('command', (id) => CommandId.parse(id)),
					scope: fields['scope'] ? read('scope', parseScope) : {}
				},
				stratum: fields['stratum'] ? read('stratum', (id) => StratumId.parse(id)) : undefined
			});
		} catch (error) {
			const { message, column } = error as Error & { column: number };
			refused.push({ line: record.line, column, message });
		}
	}
	return { rows, refused, saysAll: names.includes('op') };
}

function reason(error: unknown): string {
	const issues = (error as { issues?: { message: string }[] }).issues;
	return issues?.[0]?.message ?? (error as Error).message;
}
