import { expect } from 'chai';
import { Application, catalogueOf } from '../../../../core/application/application.ts';
import { contextSpace } from '../../../../core/context/space.ts';
import { catalogueFromTable, guessMapping, type ApplicationForm } from '../../../../core/application/catalogue-table.ts';
import { readCsv } from '../../../../core/format/csv.ts';

const form: ApplicationForm = {
	name: 'Ödland Rough',
	version: '2',
	ambiguity: 'first',
	match: 'position',
	sequences: 'wait',
	typing: ['plan'],
	hardwired: []
};
const csv = [
	'Name;ignored',
	'Command,Title,Menu,Modes,Keywords,Opposite',
	'cut_wall,"Cut ""wall""",Build > Walls,Plan|Section,"slice, split",join_wall',
	'join_wall,Join wall,Build > Walls,Plan,,',
	',No id,Build,,,',
	'join_wall,Twice,Build,,,',
	'fly,Fly,,,,land'
];

describe('catalogue from a table', () => {
	const { header, records } = readCsv('x.csv', csv.slice(1).join('\r\n'));
	const mapping = guessMapping(header);
	const { application, commands, refused } = catalogueFromTable(records, mapping, form);

	it('guesses what the columns mean', () => {
		expect(mapping).to.include({ id: 0, label: 1, category: 2, context: 3, synonyms: 4, opposite: 5 });
		expect(guessMapping(['Name', 'Menu'])).to.deep.include({ id: 0, label: 0, category: 1 });
	});

	it('gives an application that the core accepts, with the context words as one axis', () => {
		expect(Application.parse(application)).to.deep.equal(application);
		expect(application.id).to.equal('oedland-rough-2');
		expect(application.axes[0]!.nodes.map((n) => n.label)).to.deep.equal(['Plan', 'Section', 'Anywhere else']);
		const catalogue = catalogueOf(commands, contextSpace(application.axes, application.reachable));
		expect([...catalogue.values()].map((c) => c.label)).to.deep.equal(['Cut "wall"', 'Join wall', 'Fly']);
		expect(catalogue.get('cut_wall' as never)!.category).to.deep.equal(['Build', 'Walls']);
		expect(catalogue.get('cut_wall' as never)!.synonyms).to.deep.equal(['slice', 'split']);
	});

	it('refuses what it cannot take, with the line', () => {
		expect(refused.map((r) => r.line)).to.deep.equal([4, 5, 6]);
		expect(refused[1]!.message).to.include('is already on line 3');
		expect(refused[2]!.message).to.include('the opposite land is not in this list');
	});
});
