import type { AliasRow } from '$core/chapters/aliases/report';
import type { Catalogue } from '$core/application/application';
import type { CommandId } from '$core/application/command';

export const SORTS = ['line', 'alias', 'command', 'length', 'use', 'cost'] as const;
export type Sort = (typeof SORTS)[number];

/** The rows in the wanted order that say the words somewhere; those of the file in hand come in its own order by `line`. */
export function arranged(
	rows: readonly AliasRow[],
	catalogue: Catalogue,
	sort: Sort,
	isDown: boolean,
	words: string
): AliasRow[] {
	const commandOf = (row: AliasRow) => catalogue.get(row.command as CommandId);
	const label = (row: AliasRow) => commandOf(row)?.label ?? row.command;
	const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
	const found = rows.filter((row) => {
		if (wanted.length === 0) return true;
		const text = `${row.alias} ${row.command} ${label(row)} ${row.note}`.toLowerCase();
		return wanted.every((word) => text.includes(word));
	});
	const strata = new Map([...new Set(rows.map((r) => r.stratum))].map((id, i) => [id, i]));
	const compare: Record<Sort, (a: AliasRow, b: AliasRow) => number> = {
		line: (a, b) => strata.get(b.stratum)! - strata.get(a.stratum)! || a.line - b.line,
		alias: (a, b) => a.alias.localeCompare(b.alias),
		command: (a, b) => label(a).localeCompare(label(b)),
		length: (a, b) => a.alias.length - b.alias.length,
		use: (a, b) => (commandOf(b)?.use ?? -1) - (commandOf(a)?.use ?? -1),
		cost: (a, b) => a.cost - b.cost
	};
	return found.sort((a, b) => (isDown ? -1 : 1) * compare[sort](a, b) || a.line - b.line);
}

export const STATES: Readonly<Record<AliasRow['state'], string>> = {
	holds: '',
	off: 'commented out',
	twice: 'another line holds',
	covered: 'said above',
	locked: 'locked below',
	nothing: 'takes nothing away'
};
