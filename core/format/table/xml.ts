import { xmlParser } from '../xml.ts';
import type { Format, Tree } from './tree.ts';

interface Open {
	readonly name: string;
	readonly at: number;
	readonly attributes: (readonly [string, Tree])[];
	readonly children: Map<string, Tree[]>;
	text: string;
}

/** An element with nothing but text is that text; children of one name are a list, also when there is one. */
function closed({ at, attributes, children, text }: Open): Tree {
	const own = text.trim();
	if (attributes.length === 0 && children.size === 0) return { at, kind: 'text', text: own };
	const entries = [
		...attributes,
		...[...children].map(([name, items]) => {
			const [only] = items;
			const isPlain = items.length === 1 && only!.kind === 'text';
			return [name, isPlain ? only! : ({ at: only!.at, kind: 'list', items } as const)] as const;
		})
	];
	return { at, kind: 'map', entries: own === '' ? entries : [...entries, ['text', { at, kind: 'text', text: own }]] };
}

export const xml: Format = {
	name: 'XML',
	fits: (_, text) => /^\uFEFF?\s*</.test(text),
	treeOf(file, text) {
		const { parser, parse } = xmlParser(file, text);
		const root: Open = { name: '', at: 0, attributes: [], children: new Map(), text: '' };
		const open: Open[] = [root];
		let start = 0;
		parser.on('opentagstart', () => {
			start = text.lastIndexOf('<', parser.position - 1);
		});
		parser.on('opentag', ({ name, attributes }) => {
			const said = Object.entries(attributes as Record<string, string>);
			open.push({
				name,
				at: start,
				attributes: said.map(([key, value]) => [key, { at: start, kind: 'text', text: value }]),
				children: new Map(),
				text: ''
			});
		});
		const take = (more: string) => void (open.at(-1)!.text += more);
		parser.on('text', take);
		parser.on('cdata', take);
		parser.on('closetag', () => {
			const done = open.pop()!;
			const { children } = open.at(-1)!;
			children.set(done.name, [...(children.get(done.name) ?? []), closed(done)]);
		});
		parse();
		return closed(root);
	}
};
