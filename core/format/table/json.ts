import type { Node } from 'jsonc-parser';
import { treeOf } from '../json.ts';
import type { Format, Tree } from './tree.ts';

function grown(node: Node): Tree {
	const at = node.offset;
	const children = node.children ?? [];
	if (node.type === 'array') return { at, kind: 'list', items: children.map(grown) };
	if (node.type === 'object')
		return {
			at,
			kind: 'map',
			entries: children.flatMap(({ children: pair }) => (pair?.[1] ? [[String(pair[0]!.value), grown(pair[1])] as const] : []))
		};
	return { at, kind: 'text', text: node.value === null || node.value === undefined ? '' : String(node.value) };
}

export const json: Format = {
	name: 'JSON',
	fits: (_, text) => /^\uFEFF?\s*[[{]/.test(text),
	treeOf: (file, text) => grown(treeOf(file, text))
};
