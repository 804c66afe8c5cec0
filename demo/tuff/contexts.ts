import type { Scopes } from '../stand-in.ts';

/** Axes and reachable situations of the stand-in Tuff Mesh 3, invented for Skarn: polygon and surface modelling in panes and modes. */
export const axes = [
	{
		id: 'pane',
		label: 'Pane',
		nodes: [
			{ id: 'space', label: 'Space' },
			{ id: 'graph', label: 'Node graph' },
			{ id: 'flat', label: 'UV board' },
			{ id: 'time', label: 'Timeline' },
			{ id: 'outline', label: 'Outline' },
			{ id: 'words', label: 'Notes and scripts' }
		]
	},
	{
		id: 'mode',
		label: 'Mode',
		nodes: [
			{ id: 'thing', label: 'Things' },
			{ id: 'mesh', label: 'Mesh' },
			{ id: 'mesh.point', label: 'Mesh points', parent: 'mesh' },
			{ id: 'mesh.edge', label: 'Mesh edges', parent: 'mesh' },
			{ id: 'mesh.face', label: 'Mesh faces', parent: 'mesh' },
			{ id: 'clay', label: 'Clay' },
			{ id: 'colour', label: 'Colour' },
			{ id: 'bones', label: 'Bones' }
		]
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
	{ pane: ['space'], mode: ['thing', 'mesh.point', 'mesh.edge', 'mesh.face', 'clay', 'colour', 'bones'] },
	{ pane: ['flat'], mode: ['mesh.point', 'mesh.edge', 'mesh.face', 'colour'] },
	{ pane: ['graph', 'outline', 'time'], mode: ['thing', 'mesh.point', 'mesh.edge', 'mesh.face', 'bones'] },
	{ pane: ['words'], mode: ['thing'], selection: ['nothing'] }
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
	thing: { pane: ['space'], mode: ['thing'] },
	mesh: { pane: ['space', 'flat'], mode: ['mesh'] },
	shape: { pane: ['space'], mode: ['mesh'] },
	point: { pane: ['space'], mode: ['mesh.point'] },
	edge: { pane: ['space'], mode: ['mesh.edge'] },
	face: { pane: ['space'], mode: ['mesh.face'] },
	clay: { pane: ['space'], mode: ['clay'] },
	colour: { pane: ['space', 'flat'], mode: ['colour'] },
	bones: { pane: ['space'], mode: ['bones'] },
	graph: { pane: ['graph'] },
	flat: { pane: ['flat'], mode: ['mesh'] },
	time: { pane: ['time'] },
	outline: { pane: ['outline'] },
	many: { pane: ['space'], mode: ['thing'], selection: ['many'] },
	words: { pane: ['words'] }
} satisfies Scopes;
