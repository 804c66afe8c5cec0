import '../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import { propose, unsayable, type Marks } from '../../../../core/propose/propose.ts';
import { changeRecord, spliced } from '../../../../core/recipe/reading.ts';
import { readShortcuts } from '../../../../core/chapters/shortcuts/file.ts';
import type { Recipe } from '../../../../core/recipe/recipe.ts';
import { readKeys, writeKeys } from '../../../../core/recipe/spelling.ts';
import { parseKeys } from '../../../../core/stroke/stroke.ts';

/*
 * Formats of files such as offices have, all invented here: each with what it says. The first proposal from the sample alone must
 * read just that, and write a record without touching another line.
 */
const knows = (id: string) => /^(draw|edge|view|dim)\.[a-z]+$/.test(id);

interface Sample {
	readonly name: string;
	readonly holds: Recipe['holds'];
	readonly text: string;
	readonly says: string;
}

const KEYS = 'Ctrl+F edge.fillet, Ctrl+Shift+G edge.chamfer, F5 view.fit, L draw.line';
const NAMES = 'ln draw.line, ci draw.circle, ft view.fit, lv dim.level';

const SAMPLES: readonly Sample[] = [
	{
		name: 'plain',
		holds: 'shortcuts',
		says: KEYS,
		text: 'Ctrl+F = edge.fillet\nCtrl+Shift+G = edge.chamfer\nF5 = view.fit\nL = draw.line\n'
	},
	{
		name: 'command first',
		holds: 'shortcuts',
		says: KEYS,
		text: 'edge.fillet: Ctrl+F\nedge.chamfer: Ctrl+Shift+G\nview.fit: F5\ndraw.line: L\n'
	},
	{
		name: 'quoted keys',
		holds: 'shortcuts',
		says: KEYS,
		text: '"Ctrl+F" = edge.fillet\n"Ctrl+Shift+G" = edge.chamfer\n"F5" = view.fit\n"L" = draw.line\n'
	},
	{
		name: 'quoted both',
		holds: 'shortcuts',
		says: KEYS,
		text: "'edge.fillet' -> 'Ctrl+F'\n'edge.chamfer' -> 'Ctrl+Shift+G'\n'view.fit' -> 'F5'\n'draw.line' -> 'L'\n"
	},
	{
		name: 'nested json',
		holds: 'shortcuts',
		says: KEYS,
		text: '{"office":{"list":[{"on":{"press":"Ctrl+F"},"do":{"id":"edge.fillet"}},\n{"on":{"press":"Ctrl+Shift+G"},"do":{"id":"edge.chamfer"}},\n{"on":{"press":"F5"},"do":{"id":"view.fit"}},\n{"on":{"press":"L"},"do":{"id":"draw.line"}}]}}\n'
	},
	{
		name: 'json in groups',
		holds: 'shortcuts',
		says: KEYS,
		text: '{"groups":[\n{"title":"Edges","rows":[{"k":"Ctrl+F","c":"edge.fillet"},{"k":"Ctrl+Shift+G","c":"edge.chamfer"}]},\n{"title":"Others","rows":[{"k":"F5","c":"view.fit"},{"k":"L","c":"draw.line"}]}\n]}\n'
	},
	{
		name: 'json map',
		holds: 'shortcuts',
		says: KEYS,
		text: '{\n  "Ctrl+F": "edge.fillet",\n  "Ctrl+Shift+G": "edge.chamfer",\n  "F5": "view.fit",\n  "L": "draw.line"\n}\n'
	},
	{
		name: 'json pairs',
		holds: 'shortcuts',
		says: KEYS,
		text: '[["Ctrl+F","edge.fillet"],["Ctrl+Shift+G","edge.chamfer"],\n["F5","view.fit"],["L","draw.line"]]\n'
	},
	{
		name: 'json of one member',
		holds: 'shortcuts',
		says: KEYS,
		text: '[{"Ctrl+F":"edge.fillet"},{"Ctrl+Shift+G":"edge.chamfer"},\n{"F5":"view.fit"},{"L":"draw.line"}]\n'
	},
	{
		name: 'semicolon csv',
		holds: 'shortcuts',
		says: KEYS,
		text: 'Taste;Befehl;Bereich\nCtrl+F;edge.fillet;\nCtrl+Shift+G;edge.chamfer;\nF5;view.fit;\nL;draw.line;\n'
	},
	{
		name: 'semicolon csv in quotes',
		holds: 'shortcuts',
		says: KEYS,
		text: '"Nr";"was";"wie"\n"1";"edge.fillet";"Ctrl+F"\n"2";"edge.chamfer";"Ctrl+Shift+G"\n"3";"view.fit";"F5"\n"4";"draw.line";"L"\n'
	},
	{
		name: 'csv with unknown heads',
		holds: 'shortcuts',
		says: KEYS,
		text: 'a,b,c\nx,Ctrl+F,edge.fillet\nx,Ctrl+Shift+G,edge.chamfer\ny,F5,view.fit\ny,L,draw.line\n'
	},
	{
		name: 'xml with attributes',
		holds: 'shortcuts',
		says: KEYS,
		text: '<map>\n<b s="Ctrl+F" c="edge.fillet"/>\n<b s="Ctrl+Shift+G" c="edge.chamfer"/>\n<b s="F5" c="view.fit"/>\n<b c="draw.line" s="L"/>\n</map>\n'
	},
	{
		name: 'xml with text',
		holds: 'shortcuts',
		says: KEYS,
		text: '<map>\n<key on="Ctrl+F">edge.fillet</key>\n<key on="Ctrl+Shift+G">edge.chamfer</key>\n<key on="F5">view.fit</key>\n<key on="L">draw.line</key>\n</map>\n'
	},
	{
		name: 'yaml map',
		holds: 'shortcuts',
		says: KEYS,
		text: 'keys:\n  Ctrl+F: edge.fillet\n  Ctrl+Shift+G: edge.chamfer\n  F5: view.fit\n  L: draw.line\n'
	},
	{
		name: 'yaml pairs',
		holds: 'shortcuts',
		says: KEYS,
		text: '- [Ctrl+F, edge.fillet]\n- [Ctrl+Shift+G, edge.chamfer]\n- [F5, view.fit]\n- [L, draw.line]\n'
	},
	{
		name: 'yaml list of maps',
		holds: 'shortcuts',
		says: KEYS,
		text: '- s: Ctrl+F\n  c: edge.fillet\n- s: Ctrl+Shift+G\n  c: edge.chamfer\n- s: F5\n  c: view.fit\n- s: L\n  c: draw.line\n'
	},
	{
		name: 'yaml of one member',
		holds: 'shortcuts',
		says: KEYS,
		text: '- Ctrl+F: edge.fillet\n- Ctrl+Shift+G: edge.chamfer\n- F5: view.fit\n- L: draw.line\n'
	},
	{
		name: 'fixed columns',
		holds: 'shortcuts',
		says: KEYS,
		text: 'edge.fillet     Ctrl+F          round edge\nedge.chamfer    Ctrl+Shift+G    flat edge\nview.fit        F5              all of it\ndraw.line       L               one line\n'
	},
	{
		name: 'fixed columns with blanks in them',
		holds: 'shortcuts',
		says: KEYS,
		text: 'Ctrl + F            edge.fillet\nCtrl + Shift + G    edge.chamfer\nF5                  view.fit\nL                   draw.line\n'
	},
	{
		name: 'a comment sign of its own',
		holds: 'shortcuts',
		says: KEYS,
		text: '@@ keys of the office\nCtrl+F = edge.fillet\nCtrl+Shift+G = edge.chamfer\n@@ the rest\nF5 = view.fit\nL = draw.line\n'
	},
	{
		name: 'lines that go on',
		holds: 'shortcuts',
		says: KEYS,
		text: 'edge.fillet = \\\n    Ctrl+F\nedge.chamfer = Ctrl+Shift+G\nview.fit = \\\n    F5\ndraw.line = L\n'
	},
	{
		name: 'calls',
		holds: 'shortcuts',
		says: KEYS,
		text: 'bind("Ctrl+F", edge.fillet);\nbind("Ctrl+Shift+G", edge.chamfer);\nbind("F5", view.fit);\nbind("L", draw.line);\n'
	},
	{
		name: 'calls the other way round',
		holds: 'shortcuts',
		says: KEYS,
		text: "set key edge.fillet to 'Ctrl+F'\nset key edge.chamfer to 'Ctrl+Shift+G'\nset key view.fit to 'F5'\nset key draw.line to 'L'\n"
	},
	{
		name: 'modifiers behind the key',
		holds: 'shortcuts',
		says: KEYS,
		text: 'F+Ctrl = edge.fillet\nG+Ctrl+Shift = edge.chamfer\nF5 = view.fit\nL = draw.line\n'
	},
	{
		name: 'a joint with blanks',
		holds: 'shortcuts',
		says: KEYS,
		text: 'edge.fillet = Ctrl + F\nedge.chamfer = Ctrl + Shift + G\nview.fit = F5\ndraw.line = L\n'
	},
	{
		name: 'names of keys with a blank',
		holds: 'shortcuts',
		says: 'Ctrl+PageUp edge.fillet, Numpad5 edge.chamfer, F5 view.fit, L draw.line',
		text: 'edge.fillet = Ctrl+Page Up\nedge.chamfer = Num 5\nview.fit = F5\ndraw.line = L\n'
	},
	{
		name: 'German modifiers',
		holds: 'shortcuts',
		says: KEYS,
		text: 'edge.fillet: STRG-F\nedge.chamfer: STRG-Umschalt-G\nview.fit: F5\ndraw.line: L\n'
	},
	{
		name: 'short modifiers',
		holds: 'shortcuts',
		says: KEYS,
		text: 'C-f edge.fillet\nC-S-g edge.chamfer\nF5 view.fit\nl draw.line\n'
	},
	{
		name: 'ini',
		holds: 'shortcuts',
		says: KEYS,
		text: '; keys\n[any]\nedge.fillet=Ctrl+F\nedge.chamfer=Ctrl+Shift+G\nview.fit=F5\ndraw.line=L\n'
	},
	{
		name: 'names with an arrow',
		holds: 'aliases',
		says: NAMES,
		text: '# names\nln -> draw.line\nci -> draw.circle\nft -> view.fit\nlv -> dim.level\n'
	},
	{
		name: 'names in calls',
		holds: 'aliases',
		says: NAMES,
		text: 'alias("ln", draw.line);\nalias("ci", draw.circle);\nalias("ft", view.fit);\nalias("lv", dim.level);\n'
	},
	{
		name: 'names in columns',
		holds: 'aliases',
		says: NAMES,
		text: 'ln      draw.line      straight line\nci      draw.circle    round\nft      view.fit       all of it\nlv      dim.level      height\n'
	},
	{
		name: 'names with a word between',
		holds: 'aliases',
		says: NAMES,
		text: 'ln means draw.line\nci means draw.circle\nft means view.fit\nlv means dim.level\n'
	}
];

function said(recipe: Recipe, text: string, sample: Sample): string {
	if (sample.holds === 'shortcuts')
		return readShortcuts({ ...recipe, contexts: { ...recipe.contexts, any: {} } }, 'f', text)
			.rows.map(({ said: { keys, command } }) => `${keys} ${command}`)
			.join(', ');
	const { records } = propose(text, sample.holds, knows)[0]!.reading;
	return records
		.filter((r) => !r.off)
		.map((r) => `${r.fields.alias!.value} ${r.fields.command!.value}`)
		.join(', ');
}

describe('a collection of formats', () => {
	it('is of thirty and more', () => expect(SAMPLES.length).to.be.at.least(30));

	for (const sample of SAMPLES)
		it(`is understood by the first proposal, and written: ${sample.name}`, () => {
			const [best] = propose(sample.text, sample.holds, knows);
			expect(best, 'no proposal').to.not.equal(undefined);
			expect(said(best!.recipe, sample.text, sample), JSON.stringify(best!.recipe.record)).to.equal(sample.says);
			expect(best!.reading.unknown, 'lines that are not read').to.deep.equal([]);
			const at = best!.reading.records.findIndex((r) => !r.off && r.fields.command!.value === 'view.fit');
			const after = spliced(
				sample.text,
				changeRecord(best!.recipe, sample.text, best!.reading.records[at]!, { command: 'view.all' })
			);
			expect(after).to.equal(sample.text.replace('view.fit', 'view.all'));
		});

	it('of YAML can be marked', () => {
		const marks = (text: string, values: Record<string, string>): Marks =>
			Object.fromEntries(
				Object.entries(values).map(([f, v]) => [f, { start: text.indexOf(v), end: text.indexOf(v) + v.length }])
			);
		for (const name of ['yaml pairs', 'yaml list of maps', 'yaml of one member', 'yaml map']) {
			const sample = SAMPLES.find((s) => s.name === name)!;
			const [best] = propose(
				sample.text,
				'shortcuts',
				() => false,
				marks(sample.text, { keys: 'Ctrl+F', command: 'edge.fillet' })
			);
			expect(best && said(best.recipe, sample.text, sample), name).to.equal(sample.says);
		}
	});

	it('says why several names in a line cannot be said', () => {
		const text = 'draw.line: ln, li, l\ndraw.circle: ci, cr\nview.fit: ft, f\n';
		expect(unsayable(text, 'aliases', knows)).to.include('one command several names');
		for (const sample of SAMPLES) expect(unsayable(sample.text, sample.holds, knows), sample.name).to.equal(undefined);
	});

	it('spells keys both ways', () => {
		const spellings = SAMPLES.filter((s) => s.holds === 'shortcuts').map((s) => propose(s.text, s.holds, knows)[0]!.recipe.keys);
		for (const spelling of spellings)
			for (const keys of ['Ctrl+F', 'Ctrl+Alt+Shift+F5', 'PageUp', 'Ctrl+Numpad5', 'L'].map(parseKeys))
				expect(readKeys(writeKeys(keys, spelling), spelling), JSON.stringify(spelling)).to.equal(keys);
	});
});
