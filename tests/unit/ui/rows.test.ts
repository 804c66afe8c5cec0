import { expect } from 'chai';
import type { AliasRow } from '../../../core/chapters/aliases/report.ts';
import type { StratumId } from '../../../core/strata/stratum.ts';
import { constructTable } from '@tanstack/table-core';
import { storeReactivityBindings } from '@tanstack/table-core/store-reactivity-bindings';
import { aliasColumns, saying } from '../../../src/lib/ui/aliases/rows.ts';
import { definitionsOf, features } from '../../../src/lib/ui/kit/columns.ts';
import { varve } from '../../../demo/varve/varve.ts';
import { subjectOf } from '../demo-office.ts';

const { catalogue } = subjectOf(varve);
const row = (stratum: string, line: number, alias: string, command: string, more: Partial<AliasRow> = {}): AliasRow => ({
	stratum: stratum as StratumId,
	kind: 'office',
	line,
	record: line - 1,
	alias,
	command,
	note: '',
	locks: false,
	state: 'holds',
	cost: alias.length,
	...more
});
const rows = [
	row('factory', 1, 'dl', 'draw.segment'),
	row('office', 2, 'ca', 'draw.circle', { note: 'round hole' }),
	row('office', 1, 'zz', 'no.such'),
	row('personal', 1, 'b', 'draw.segment')
];
const columns = aliasColumns(catalogue, ['factory', 'office', 'personal']);
const SORTS = columns.filter((column) => column.compare).map((column) => column.id);
/** The rows as the table puts them in order. */
function arranged(sort: string, isDown = false, words = ''): AliasRow[] {
	const table = constructTable({
		features: Object.assign({ coreReactivityFeature: storeReactivityBindings() }, features),
		columns: definitionsOf(columns),
		data: [...saying(rows, catalogue, words)],
		state: { sorting: [{ id: sort, desc: isDown }] }
	});
	return table.getRowModel().rows.map((r) => r.original);
}
const order = (...how: Parameters<typeof arranged>) => arranged(...how).map((r) => `${r.stratum} ${r.alias}`);

describe('rows of the alias table', () => {
	it('come in the order of the files, the upper stratum first', () => {
		expect(order('line')).to.deep.equal(['personal b', 'office zz', 'office ca', 'factory dl']);
	});

	it('are sorted by what they say, and the other way round', () => {
		expect(order('alias')).to.deep.equal(['personal b', 'office ca', 'factory dl', 'office zz']);
		expect(order('length')[0]).to.equal('personal b');
		expect(order('cost', true).at(-1)).to.equal('personal b');
		const uses = arranged('use').map((r) => catalogue.get(r.command as never)?.use ?? -1);
		expect(uses).to.deep.equal([...uses].sort((a, b) => b - a));
	});

	it('sort commands by label, and by id where the catalogue has none', () => {
		const labels = arranged('command').map((r) => catalogue.get(r.command as never)?.label ?? r.command);
		expect(labels).to.deep.equal([...labels].sort((a, b) => a.localeCompare(b)));
	});

	it('are those that say every word somewhere: alias, command, label or note', () => {
		expect(order('line', false, 'ROUND hole')).to.deep.equal(['office ca']);
		expect(order('line', false, 'segment')).to.deep.equal(['personal b', 'factory dl']);
		expect(order('line', false, 'round segment')).to.deep.equal([]);
	});

	it('are all there in every order', () => {
		for (const sort of SORTS) for (const isDown of [false, true]) expect(arranged(sort, isDown)).to.have.members(rows);
	});
});
