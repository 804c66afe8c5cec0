import type { Scopes } from '../stand-in.ts';

/** Axes and reachable situations of the stand-in Tuff Mesh 3, invented for Skarn: skins, panels, mouldings and sheets for the cladding of cabins. */
export const axes = [
	{
		id: 'pane',
		label: 'Pane',
		nodes: [
			{ id: 'space', label: 'Cabin' },
			{ id: 'stations', label: 'Stations' },
			{ id: 'sheet', label: 'Sheet board' },
			{ id: 'gaps', label: 'Gap strip' },
			{ id: 'book', label: 'Panel book' },
			{ id: 'words', label: 'Notes and scripts' }
		]
	},
	{
		id: 'mode',
		label: 'Mode',
		nodes: [
			{ id: 'panel', label: 'Panels' },
			{ id: 'skin', label: 'Skin' },
			{ id: 'skin.point', label: 'Points of the skin', parent: 'skin' },
			{ id: 'skin.edge', label: 'Edges of the skin', parent: 'skin' },
			{ id: 'skin.patch', label: 'Patches of the skin', parent: 'skin' },
			{ id: 'moulding', label: 'Mouldings' },
			{ id: 'foil', label: 'Foil' },
			{ id: 'sight', label: 'Sight lines' }
		],
		modes: {
			panel: 'mode.panel',
			'skin.patch': 'mode.skin',
			moulding: 'mode.moulding',
			foil: 'mode.foil',
			sight: 'mode.sight'
		}
	},
	{
		id: 'selection',
		label: 'Selection',
		nodes: [
			{ id: 'nothing', label: 'Nothing selected' },
			{ id: 'one', label: 'One' },
			{ id: 'many', label: 'Several' }
		]
	}
];

export const reachable = [
	{ pane: ['space'], mode: ['panel', 'skin.point', 'skin.edge', 'skin.patch', 'moulding', 'foil', 'sight'] },
	{ pane: ['sheet'], mode: ['skin.point', 'skin.edge', 'skin.patch', 'foil'] },
	{ pane: ['stations', 'book', 'gaps'], mode: ['panel', 'skin.point', 'skin.edge', 'skin.patch', 'sight'] },
	{ pane: ['words'], mode: ['panel'], selection: ['nothing'] }
];

/** Keys by position, the narrowest context wins, a key that begins a sequence waits, text is typed in the notes alone. */
export const rules = {
	ambiguity: 'narrowest',
	match: 'position',
	sequences: 'wait',
	typing: [{ pane: ['words'] }],
	hardwired: [{ keys: 'Ctrl+F12', does: 'reports memory and frame times' }]
};

export const scopes = {
	any: {},
	space: { pane: ['space'] },
	panel: { pane: ['space'], mode: ['panel'] },
	skin: { pane: ['space', 'sheet'], mode: ['skin'] },
	shape: { pane: ['space'], mode: ['skin'] },
	point: { pane: ['space'], mode: ['skin.point'] },
	edge: { pane: ['space'], mode: ['skin.edge'] },
	patch: { pane: ['space'], mode: ['skin.patch'] },
	moulding: { pane: ['space'], mode: ['moulding'] },
	foil: { pane: ['space', 'sheet'], mode: ['foil'] },
	sight: { pane: ['space'], mode: ['sight'] },
	stations: { pane: ['stations'] },
	sheet: { pane: ['sheet'], mode: ['skin'] },
	gaps: { pane: ['gaps'] },
	book: { pane: ['book'] },
	many: { pane: ['space'], mode: ['panel'], selection: ['many'] },
	words: { pane: ['words'] }
} satisfies Scopes;
