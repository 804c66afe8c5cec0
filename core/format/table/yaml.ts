import { isMap, isScalar, isSeq, type Node } from 'yaml';
import { yamlDocument } from '../yaml.ts';
import type { Format, Tree } from './tree.ts';

/** Aliases and anchors are not followed, so that no file can blow itself up. */
function grown(node: unknown): Tree {
	const at = (node as Node | null)?.range?.[0] ?? 0;
	if (isSeq(node)) return { at, kind: 'list', items: node.items.map(grown) };
	if (isMap(node))
		return {
			at,
			kind: 'map',
			entries: node.items.map(({ key, value }) => [isScalar(key) ? String(key.value) : String(key), grown(value)] as const)
		};
	return { at, kind: 'text', text: isScalar(node) && node.value !== null ? String(node.value) : '' };
}

export const yaml: Format = {
	name: 'YAML',
	fits: (file, text) => /\.ya?ml$/i.test(file) || /^\uFEFF?(?:\s*#.*\n)*(?:---|- |[\w-]+:\s*(?:\n|$))/.test(text),
	treeOf: (file, text) => grown(yamlDocument(file, text).contents)
};
