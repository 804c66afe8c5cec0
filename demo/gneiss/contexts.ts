import type { Application } from '../../core/application/application.ts';
import type { Keys } from '../../core/stroke/stroke.ts';

/** Axes and reachable situations of the stand-in Gneiss Solid 5, invented for Skarn. */
export const axes = [
	{
		id: 'document',
		label: 'Document',
		nodes: [
			{ id: 'part', label: 'Part' },
			{ id: 'part.solids', label: 'Part solids', parent: 'part' },
			{ id: 'part.sketch', label: 'Sketch in part', parent: 'part' },
			{ id: 'assembly', label: 'Assembly' },
			{ id: 'assembly.components', label: 'Assembly components', parent: 'assembly' },
			{ id: 'assembly.sketch', label: 'Sketch in assembly', parent: 'assembly' },
			{ id: 'drawing', label: 'Drawing' }
		]
	},
	{
		id: 'selection',
		label: 'Selection',
		nodes: [
			{ id: 'nothing', label: 'Nothing selected' },
			{ id: 'vertex', label: 'Vertex' },
			{ id: 'edge', label: 'Edge' },
			{ id: 'face', label: 'Face' },
			{ id: 'body', label: 'Body' },
			{ id: 'component', label: 'Component' }
		]
	},
	{
		id: 'pane',
		label: 'Pane',
		nodes: [
			{ id: 'canvas', label: 'Canvas' },
			{ id: 'tree', label: 'Tree' },
			{ id: 'properties', label: 'Properties' },
			{ id: 'console', label: 'Console' }
		]
	}
];

export const reachable = [
	{ document: ['part.solids'], selection: ['nothing', 'vertex', 'edge', 'face', 'body'] },
	{ document: ['part.sketch', 'assembly.sketch'], selection: ['nothing', 'vertex', 'edge'] },
	{ document: ['assembly.components'], selection: ['nothing', 'vertex', 'edge', 'face', 'component'] },
	{ document: ['drawing'], selection: ['nothing', 'vertex', 'edge'] }
];

export const rules: Application['rules'] = {
	ambiguity: 'chooser',
	match: 'character',
	sequences: 'at-once',
	typing: [{ pane: ['properties', 'console'] }] as unknown as Application['rules']['typing'],
	hardwired: [{ keys: 'Shift+F12' as Keys, does: 'opens its own fault report' }]
};

export type ScopeName =
	| 'any'
	| 'part'
	| 'model'
	| 'sketch'
	| 'space'
	| 'assembly'
	| 'drawing'
	| 'tree'
	| 'canvas'
	| 'console'
	| 'edge'
	| 'face'
	| 'body'
	| 'component';

/** Short names for the scopes that the catalogue and the factory shortcuts use again and again. */
export const scopes: Record<ScopeName, Record<string, string[]>> = {
	any: {},
	part: { document: ['part.solids'] },
	model: { document: ['part.solids', 'assembly.components'] },
	sketch: { document: ['part.sketch', 'assembly.sketch'] },
	space: { document: ['part', 'assembly'] },
	assembly: { document: ['assembly.components'] },
	drawing: { document: ['drawing'] },
	tree: { pane: ['tree'] },
	canvas: { pane: ['canvas'] },
	console: { pane: ['console'] },
	edge: { document: ['part.solids'], selection: ['edge'] },
	face: { document: ['part.solids'], selection: ['face'] },
	body: { document: ['part.solids'], selection: ['body'] },
	component: { document: ['assembly.components'], selection: ['component'] }
};
