import { Recipe } from './recipe.ts';

const make = (name: string, holds: Recipe['holds'], record: unknown, keys?: unknown): Recipe =>
	Recipe.parse({ format: 'skarn-recipe', version: 1, name, holds, record, ...(keys !== undefined && { keys }) });

/** Flicks of three buttons in eight directions, called by the points of the compass in a file's own words. */
const flicksCalled = (call: (button: string, point: string) => string): Record<string, string> =>
	Object.fromEntries(
		['Left', 'Middle', 'Right'].flatMap((button) =>
			['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW'].map((point, i) => [`${button}Flick${i * 45}`, call(button, point)])
		)
	);

/** The plain shape in which Skarn writes aliases where nothing else is wanted: `ln -> draw.segment # straight line`. */
export const ARROW_RECIPE: Recipe = Recipe.parse({
	format: 'skarn-recipe',
	version: 1,
	name: 'Arrow lines',
	holds: 'aliases',
	record: { shape: 'line', template: '{alias} -> {command}[ {lock:!}][ # {note}]', comment: '#' }
});

/**
 * Recipes that Skarn comes with: neutral shapes of the open formats, and the files of the three stand-ins, which are invented.
 * By the name under which the command line knows them.
 */
export const SHIPPED_RECIPES: Readonly<Record<string, Recipe>> = {
	'aliases-arrow': ARROW_RECIPE,
	'aliases-csv': make('Aliases as CSV', 'aliases', { shape: 'delimited', delimiter: ',', columns: ['alias', 'command', 'note'] }),
	'aliases-tsv': make('Aliases as TSV', 'aliases', {
		shape: 'delimited',
		delimiter: '\t',
		quote: '',
		columns: ['alias', 'command', 'note']
	}),
	'aliases-ini': make('Aliases as INI', 'aliases', {
		shape: 'line',
		template: '{alias} = {command}[ ; {note}]',
		comment: ';',
		sections: 'kept'
	}),
	'aliases-json': make('Aliases as JSON', 'aliases', {
		shape: 'json',
		at: '/aliases',
		fields: { alias: '/alias', command: '/command', note: '/note' }
	}),
	'aliases-yaml': make('Aliases as YAML', 'aliases', {
		shape: 'yaml',
		at: '/aliases',
		fields: { alias: '/alias', command: '/command', note: '/note' }
	}),
	'aliases-xml': make('Aliases as XML', 'aliases', {
		shape: 'xml',
		element: 'alias',
		fields: { alias: '@name', command: '@command', note: '.' }
	}),
	'shortcuts-csv': make('Shortcuts as CSV', 'shortcuts', {
		shape: 'delimited',
		delimiter: ',',
		columns: ['keys', 'command', 'context']
	}),
	'shortcuts-tsv': make('Shortcuts as TSV', 'shortcuts', {
		shape: 'delimited',
		delimiter: '\t',
		quote: '',
		columns: ['keys', 'command', 'context']
	}),
	'shortcuts-ini': make('Shortcuts as INI', 'shortcuts', {
		shape: 'line',
		template: '{command} = {keys}',
		comment: ';',
		sections: 'context'
	}),
	'shortcuts-json': make('Shortcuts as JSON', 'shortcuts', {
		shape: 'json',
		at: '/shortcuts',
		fields: { keys: '/keys', command: '/command', context: '/context' }
	}),
	'shortcuts-yaml': make('Shortcuts as YAML', 'shortcuts', {
		shape: 'yaml',
		at: '/shortcuts',
		fields: { keys: '/keys', command: '/command', context: '/context' }
	}),
	'shortcuts-xml': make('Shortcuts as XML', 'shortcuts', {
		shape: 'xml',
		element: 'shortcut',
		fields: { keys: '@keys', command: '@command', context: '@context' }
	}),
	'macros-csv': make('Macros as CSV', 'macros', {
		shape: 'delimited',
		delimiter: ',',
		columns: ['macro', 'label', 'steps', 'note']
	}),
	'macros-ini': make('Macros as INI', 'macros', { shape: 'line', template: '{macro} = {steps}', comment: '#' }),
	'macros-yaml': make('Macros as YAML', 'macros', {
		shape: 'yaml',
		at: '/macros',
		fields: { macro: '#', label: '/label', steps: '/steps', note: '/note' }
	}),
	'bars-csv': make('Toolbars as CSV', 'bars', {
		shape: 'delimited',
		delimiter: ',',
		columns: ['bar', 'tab', 'group', 'command', 'label']
	}),
	'bars-lines': make('Toolbars, one button per line', 'bars', {
		shape: 'line',
		template: '{bar}[ / {tab} / {group}] : {command}[ = {label}]',
		comment: '#'
	}),
	'gneiss-bars': make('Gneiss Solid 5, toolbars', 'bars', {
		shape: 'line',
		template: '{command}[ ({label})] => {bar}[ :: {tab} :: {group}]',
		comment: '//'
	}),
	'varve-bars': make('Varve Draft 7, toolbars', 'bars', {
		shape: 'line',
		template: '{bar} <- {command}[ # {label}]',
		comment: ';'
	}),
	'tuff-bars': make('Tuff Mesh 3, toolbars', 'bars', {
		shape: 'xml',
		element: 'place',
		fields: { bar: '@on', tab: '@tab', group: '@group', command: '@runs', label: '@called' }
	}),
	gneiss: make(
		'Gneiss Solid 5, keys',
		'shortcuts',
		{ shape: 'line', template: '{keys} : {command}', comment: '//', sections: 'context' },
		{
			names: {
				...flicksCalled((button, point) => `flick ${button.toLowerCase()} ${point}`),
				WheelUp: 'wheel away',
				WheelDown: 'wheel near'
			}
		}
	),
	varve: { ...ARROW_RECIPE, name: 'Varve Draft 7, typed names' },
	tuff: make(
		'Tuff Mesh 3, keys',
		'shortcuts',
		{ shape: 'xml', element: 'bind', fields: { command: '@to', keys: '@press', context: '@in' } },
		{ names: flicksCalled((button, point) => `${button.toLowerCase()}!${point.toLowerCase()}`) }
	)
};
