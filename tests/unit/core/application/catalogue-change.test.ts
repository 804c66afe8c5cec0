import { expect } from 'chai';
import fc from 'fast-check';
import { catalogueChange } from '../../../../core/application/catalogue-change.ts';
import { catalogueFromTable, guessMapping } from '../../../../core/application/catalogue-table.ts';
import type { Command, CommandId } from '../../../../core/application/command.ts';
import { readTable } from '../../../../core/format/table/table.ts';
import { factoryFrom } from '../../../../core/hand-over/profile-file.ts';
import { factoryOf } from '../../../../core/hand-over/factory-of.ts';
import { plainCommand } from '../../arbitrary.ts';

const command = (id: string, label: string): Command => ({ ...plainCommand(0, []), id: id as CommandId, label });
const ids = (list: readonly Command[]) => list.map((c) => c.id as string);

describe('another catalogue of a program', () => {
	it('is told as what is new, gone, renamed and relabelled', () => {
		const change = catalogueChange(
			[command('a', 'Line'), command('b', 'Arc'), command('c', 'Circle'), command('d', 'Old')],
			[command('a', 'Segment'), command('b2', 'Arc'), command('c', 'Circle'), command('e', 'New')]
		);
		expect(ids(change.fresh)).to.deep.equal(['e']);
		expect(ids(change.gone)).to.deep.equal(['d']);
		expect(change.renamed.map(({ from, to }) => [from.id, to.id])).to.deep.equal([['b', 'b2']]);
		expect(change.relabelled.map(({ from, to }) => [from.label, to.label])).to.deep.equal([['Line', 'Segment']]);
	});

	it('renames nothing where two have the name', () => {
		const change = catalogueChange([command('a', 'Arc'), command('b', 'Arc')], [command('c', 'Arc')]);
		expect([ids(change.fresh), ids(change.gone), change.renamed]).to.deep.equal([['c'], ['a', 'b'], []]);
	});

	it('accounts for every command once', () => {
		const list = fc.uniqueArray(
			fc.record({ id: fc.constantFrom('a', 'b', 'c', 'd', 'e'), label: fc.constantFrom('X', 'Y', 'Z') }),
			{ selector: (c) => c.id }
		);
		fc.assert(
			fc.property(list, list, (a, b) => {
				const [before, now] = [a, b].map((all) => all.map(({ id, label }) => command(id, label))) as [Command[], Command[]];
				const { fresh, gone, renamed } = catalogueChange(before, now);
				expect([...ids(fresh), ...renamed.map((r) => r.to.id as string)].sort()).to.deep.equal(
					ids(now.filter((c) => !before.some((o) => o.id === c.id))).sort()
				);
				expect([...ids(gone), ...renamed.map((r) => r.from.id as string)].sort()).to.deep.equal(
					ids(before.filter((c) => !now.some((o) => o.id === c.id))).sort()
				);
				for (const { from, to } of renamed) expect(from.label).to.equal(to.label);
			})
		);
	});
});

describe('a command list with the keys that the program has', () => {
	const text = [
		'Id;Label;Keys;Alias;Context',
		'wall;Wall;Ctrl+W | shift f2;wl,w;Plan',
		'door;Tür;Strg+Quark+T;;Plan',
		'fly;Fly;G F;;',
		''
	].join('\r\n');
	const { header, records } = readTable('x.csv', text);
	const form = {
		name: 'Own',
		version: '1',
		ambiguity: 'first',
		match: 'character',
		sequences: 'wait',
		typing: 'nowhere',
		hardwired: []
	} as const;
	const built = catalogueFromTable(records, guessMapping(header), { ...form, hardwired: [] });

	it('gives them to the factory, and tells what is no input with its line and column', () => {
		expect(built.inputs.map(({ command: c, keys, alias }) => `${c} ${keys ?? `typed ${alias}`}`)).to.deep.equal([
			'wall Ctrl+W',
			'wall Shift+F2',
			'wall typed wl',
			'wall typed w',
			'fly G F'
		]);
		expect(built.refused.map(({ line, column }) => [line, column])).to.deep.equal([[3, 3]]);
		expect(ids(built.commands)).to.deep.equal(['wall', 'door', 'fly']);
	});

	it('makes chapters that a factory takes', () => {
		const { said, refused } = factoryFrom(factoryOf(built.inputs));
		expect(refused).to.deep.equal([]);
		expect(said['shortcuts']).to.have.length(3);
		expect((said['aliases'] as { text: string }[])[0]!.text).to.equal('wl -> wall\nw -> wall\n');
		expect(factoryOf([])).to.deep.equal({});
	});
});
