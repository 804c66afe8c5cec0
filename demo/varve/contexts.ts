import type { Scopes } from '../stand-in.ts';

/** Axes and reachable situations of the stand-in Varve Draft 7, invented for Skarn: 2D drafting with a command line. */
export const axes = [
	{
		id: 'document',
		label: 'Sheet',
		nodes: [
			{ id: 'plan', label: 'Plan' },
			{ id: 'plan.cabin', label: 'The whole cabin', parent: 'plan' },
			{ id: 'plan.detail', label: 'A detail, enlarged', parent: 'plan' },
			{ id: 'cutting', label: 'Cutting sheet' },
			{ id: 'symbol', label: 'Symbol editor' }
		]
	},
	{
		id: 'selection',
		label: 'Selection',
		nodes: [
			{ id: 'nothing', label: 'Nothing selected' },
			{ id: 'curve', label: 'Curve' },
			{ id: 'text', label: 'Text' },
			{ id: 'dimension', label: 'Dimension' },
			{ id: 'symbol', label: 'Placed symbol' },
			{ id: 'hatch', label: 'Hatch' }
		]
	},
	{
		id: 'pane',
		label: 'Pane',
		nodes: [
			{ id: 'canvas', label: 'Canvas' },
			{ id: 'command', label: 'Command line' },
			{ id: 'properties', label: 'Properties' },
			{ id: 'layers', label: 'Layers' }
		]
	}
];

export const reachable = [
	{ document: ['plan.cabin', 'plan.detail'], pane: ['canvas', 'command', 'properties', 'layers'] },
	{ document: ['cutting'], selection: ['nothing', 'curve', 'text', 'dimension'] },
	{ document: ['symbol'], selection: ['nothing', 'curve', 'text', 'hatch'], pane: ['canvas', 'command', 'properties', 'layers'] }
];

/** A command line listens wherever one draws, so that bare letters are text in every pane but the list of layers. */
export const rules = {
	ambiguity: 'first',
	match: 'character',
	sequences: 'at-once',
	typing: [{ pane: ['canvas', 'command', 'properties'] }],
	hardwired: [{ keys: 'F1', does: 'opens the help' }],
	aliases: {
		case: 'ignored',
		signs: 'letters and digits',
		longest: 12,
		completes: true,
		accept: ['Enter', 'Space'],
		twice: 'first'
	}
};

export const scopes = {
	any: {},
	plan: { document: ['plan'] },
	draw: { document: ['plan', 'symbol'] },
	cutting: { document: ['cutting'] },
	symbol: { document: ['symbol'] },
	curve: { selection: ['curve'] },
	text: { selection: ['text'] },
	dimension: { selection: ['dimension'] },
	placed: { selection: ['symbol'] },
	hatch: { selection: ['hatch'] },
	layers: { pane: ['layers'] },
	canvas: { pane: ['canvas'] }
} satisfies Scopes;
