import '../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import { propose, type Marks } from '../../../../core/propose/propose.ts';
import { SAMPLES } from '../recipe/samples.ts';

const commands = new Set([
	'draw.segment',
	'draw.circle',
	'layer.isolate',
	'dim.level',
	'edge.fillet',
	'edge.chamfer',
	'line.draw',
	'view.fit'
]);
const knows = (id: string) => commands.has(id);

const marked = (text: string, marks: Record<string, string>): Marks =>
	Object.fromEntries(
		Object.entries(marks).map(([field, value]) => [
			field,
			{ start: text.indexOf(value), end: text.indexOf(value) + value.length }
		])
	);

describe('proposing a recipe', () => {
	it('reads every sample without being told', () => {
		for (const { recipe, text, records } of SAMPLES) {
			const [best] = propose(text, recipe.holds, knows);
			const name = recipe.holds === 'aliases' ? 'alias' : 'keys';
			const known = best?.reading.records.filter((r) => knows(r.fields.command!.value)) ?? [];
			expect(known.length, `${recipe.name}: ${JSON.stringify(best?.recipe.record)}`).to.be.greaterThan(records - 2);
			expect(
				known.every((r) => r.fields[name]),
				recipe.name
			).to.equal(true);
		}
	});

	it('takes what was marked in one record for all others', () => {
		const text = 'Typed names\n=== names ===\n<LN>  runs  draw.segment ;; thin\n<DC>  runs  draw.circle\n<XX> runs view.fit\n';
		const [best] = propose(text, 'aliases', knows, marked(text, { alias: 'LN', command: 'draw.segment' }));
		expect(best!.reading.records.map((r) => `${r.fields.alias!.value} ${r.fields.command!.value}`)).to.include.members([
			'DC draw.circle',
			'XX view.fit'
		]);
		expect(best!.reading.unknown.map((u) => u.line)).to.include(1);
	});

	it('takes marks in a tree for places in it', () => {
		const json = '{"office":{"list":[{"k":{"press":"Ctrl+F"},"v":"edge.fillet"},{"k":{"press":"L"},"v":"line.draw"}]}}';
		const [best] = propose(json, 'shortcuts', knows, marked(json, { keys: 'Ctrl+F', command: 'edge.fillet' }));
		expect(best!.recipe.record).to.deep.equal({ shape: 'json', at: '/office/list', fields: { keys: '/k/press', command: '/v' } });
		const xml = '<a><row cmd="edge.fillet"><x/></row><row cmd="line.draw" k="L"/><row cmd="edge.fillet" k="Ctrl+F"/></a>';
		const at = xml.indexOf('line.draw');
		const marks = { command: { start: at, end: at + 9 }, keys: { start: xml.indexOf('"L"') + 1, end: xml.indexOf('"L"') + 2 } };
		const [found] = propose(xml, 'shortcuts', knows, marks);
		expect(found!.recipe.record).to.deep.equal({ shape: 'xml', element: 'row', fields: { command: '@cmd', keys: '@k' } });
		expect(found!.reading.records.length).to.equal(2);
	});

	it('finds the word that joins name and command, and the sign of the notes', () => {
		const text = 'Short names, list 7\n\nLN   runs  draw.segment   ;; thin\nDC   runs  draw.circle\n;; XX   runs  view.fit\n';
		const [best] = propose(text, 'aliases', knows);
		expect(best!.recipe.record).to.deep.include({ template: '{alias} runs {command}[ ;; {note}]', comment: ';;' });
	});

	it('has nothing to propose for what says nothing', () => {
		expect(propose('', 'aliases', knows)).to.deep.equal([]);
		expect(propose('only prose here\nand here', 'shortcuts', knows)).to.deep.equal([]);
	});
});
