import type { AliasRow } from '$core/chapters/aliases/report';
import type { Catalogue } from '$core/application/application';
import type { CommandId } from '$core/application/command';
import type { Column } from '../kit/columns';

/** The rows that say all of the words somewhere: alias, command, label or note. */
export function saying(rows: readonly AliasRow[], catalogue: Catalogue, words: string): readonly AliasRow[] {
	const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
	if (wanted.length === 0) return rows;
	return rows.filter((row) => {
		const text = `${row.alias} ${row.command} ${labelIn(catalogue, row)} ${row.note}`.toLowerCase();
		return wanted.every((word) => text.includes(word));
	});
}

const commandIn = (catalogue: Catalogue, { command }: AliasRow) => catalogue.get(command as CommandId);
const labelIn = (catalogue: Catalogue, row: AliasRow) => commandIn(catalogue, row)?.label ?? row.command;

/** By `line` the files stand in their own order, that of the uppermost stratum first. */
export function aliasColumns(catalogue: Catalogue, strata: readonly string[]): Column<AliasRow>[] {
	const useOf = (row: AliasRow) => commandIn(catalogue, row)?.use ?? -1;
	return [
		{
			id: 'line',
			name: 'Line',
			width: '48px',
			isNumber: true,
			order: 'in the order of the files',
			compare: (a, b) => strata.indexOf(b.stratum) - strata.indexOf(a.stratum) || a.line - b.line
		},
		{
			id: 'alias',
			name: 'Alias',
			width: 'minmax(60px, 0.8fr)',
			order: 'by the typed name',
			compare: (a, b) => a.alias.localeCompare(b.alias)
		},
		{
			id: 'length',
			name: 'Length',
			width: '52px',
			isNumber: true,
			order: 'by length',
			compare: (a, b) => a.alias.length - b.alias.length
		},
		{
			id: 'command',
			name: 'Command',
			width: 'minmax(90px, 1.3fr)',
			order: 'by the label',
			compare: (a, b) => labelIn(catalogue, a).localeCompare(labelIn(catalogue, b))
		},
		{ id: 'use', name: 'Runs', width: '38px', isNumber: true, order: 'by runs a day', compare: (a, b) => useOf(b) - useOf(a) },
		{
			id: 'cost',
			name: 'Time',
			width: '42px',
			isNumber: true,
			order: 'by seconds to type and accept (keystroke-level model)',
			compare: (a, b) => a.cost - b.cost
		},
		{ id: 'note', name: 'Note', width: 'minmax(40px, 1.1fr)' }
	];
}

export const STATES: Readonly<Record<AliasRow['state'], string>> = {
	holds: '',
	off: 'disabled line',
	twice: 'replaced by another line',
	covered: 'set at a higher level',
	locked: 'locked at a lower level',
	nothing: 'removes nothing'
};
