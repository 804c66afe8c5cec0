import { Recipe } from '../../../../core/recipe/recipe.ts';

const recipe = (name: string, holds: 'aliases' | 'shortcuts', record: unknown): Recipe =>
	Recipe.parse({ format: 'skarn-recipe', version: 1, name, holds, record });

/** One recipe and one file for every shape; the files are invented. */
export const SAMPLES: readonly { recipe: Recipe; text: string; records: number }[] = [
	{
		recipe: recipe('arrow', 'aliases', { shape: 'line', template: '{alias} -> {command}[ {lock:!}][ # {note}]', comment: '#' }),
		text: '# head\n\nln   -> draw.segment    # straight\ndc->draw.circle\n#lx  -> layer.isolate   # off\nlvl -> dim.level !\n',
		records: 4
	},
	{
		recipe: recipe('ini', 'shortcuts', { shape: 'line', template: '{command} = {keys}', comment: ';', sections: 'context' }),
		text: '; keys\r\n[part]\r\nedge.fillet=Ctrl+F\r\nedge.chamfer = Ctrl+G\r\n\r\n[sketch]\r\nline.draw = L\r\n',
		records: 3
	},
	{
		recipe: recipe('csv', 'aliases', { shape: 'delimited', delimiter: ',', columns: ['alias', 'command', 'note'] }),
		text: 'alias,command,note\r\nln,draw.segment,"straight, ""thin"""\r\ndc,draw.circle,\r\n',
		records: 2
	},
	{
		recipe: recipe('tsv', 'shortcuts', {
			shape: 'delimited',
			delimiter: '\t',
			quote: '',
			header: false,
			columns: ['keys', 'command', 'skip'],
			comment: '//'
		}),
		text: 'Ctrl+F\tedge.fillet\tx\n//Ctrl+G\tedge.chamfer\ty\nL\tline.draw\tz\n',
		records: 3
	},
	{
		recipe: recipe('json', 'aliases', { shape: 'json', at: '/names', fields: { alias: '/a', command: '/do/id', note: '/n' } }),
		text: '{\n  "version": 3,\n  "names": [\n    { "a": "ln", "do": { "id": "draw.segment" }, "n": "straight" },\n    { "a": "dc", "do": { "id": "draw.circle" } }\n  ]\n}\n',
		records: 2
	},
	{
		recipe: recipe('json by name', 'aliases', { shape: 'json', fields: { alias: '#', command: '' } }),
		text: '{ "ln": "draw.segment", "dc": "draw.circle" }',
		records: 2
	},
	{
		recipe: recipe('yaml', 'aliases', {
			shape: 'yaml',
			at: '/aliases',
			fields: { alias: '/name', command: '/runs', note: '/note' }
		}),
		text: '# office\naliases:\n  - name: ln   # straight\n    runs: draw.segment\n  - {name: "dc", runs: draw.circle, note: round}\n  - name: lvl\n    runs: dim.level\n    note:\n',
		records: 3
	},
	{
		recipe: recipe('xml', 'shortcuts', { shape: 'xml', element: 'bind', fields: { keys: '@on', command: '.', note: '@why' } }),
		text: '<?xml version="1.0"?>\n<setup>\n\t<bind on="Ctrl+F" why="a &amp; b">edge.fillet</bind>\n\t<bind why=\'\' on = \'Ctrl+G\'>\n\t\tedge.chamfer\n\t</bind>\n</setup>\n',
		records: 2
	},
	{
		recipe: recipe('yaml by name', 'aliases', { shape: 'yaml', fields: { alias: '#', command: '' } }),
		text: 'ln: draw.segment # straight\ndc: draw.circle\nlvl: "dim.level"\n',
		records: 3
	},
	{
		recipe: recipe('yaml in one line', 'shortcuts', { shape: 'yaml', at: '/keys', fields: { keys: '/on', command: '/runs' } }),
		text: 'version: 2\r\nkeys: [{on: F2, runs: edge.fillet}, {on: F3, runs: edge.chamfer}] # all\r\nother: true\r\n',
		records: 2
	}
];
