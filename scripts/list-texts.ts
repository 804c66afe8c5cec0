/** npm run texts [folder]: every text of the interface, view by view, so that it is read in one go. Reads components and modules by Svelte's own parser. */
import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { parse } from 'svelte/compiler';

/** Attributes that people read or hear. */
const READ = /^(aria-label|aria-description|title|placeholder|label|name|hint|empty|does|alt)$/;
/** Attributes that nobody reads, whatever they are made of. */
const UNREAD = /^(class|classes|style|id|href|size|color|type)$/;
/** A string that may be a sentence or a label, not a name in code. */
const isText = (text: string) => /\p{L}{2}/u.test(text) && (/\s/.test(text.trim()) || /^\p{Lu}\p{Ll}/u.test(text.trim()));

interface Node {
	readonly type?: string;
	readonly [part: string]: unknown;
}

/** The texts of a component or a module, in the order in which they stand in it; an expression in a text is `…`. */
function textsOf(file: string): string[] {
	const found: string[] = [];
	const note = (text: string) => {
		const line = text.replace(/\s+/g, ' ').trim();
		if (isText(line)) found.push(line);
	};
	const template = ({ quasis }: { quasis: { value: { cooked: string } }[] }) => quasis.map(({ value }) => value.cooked).join('…');
	const visit = (node: unknown, attribute = ''): void => {
		if (Array.isArray(node)) {
			// text and expressions that follow each other are read as one
			let run = '';
			for (const one of node as Node[]) {
				if (one?.type === 'Text') run += one['data'] as string;
				else if (one?.type === 'ExpressionTag' && !attribute) {
					run += '…';
					visit(one['expression']);
				} else {
					note(run);
					run = '';
					visit(one, attribute);
				}
			}
			if (!attribute || READ.test(attribute)) note(run);
			return;
		}
		if (typeof node !== 'object' || node === null) return;
		const one = node as Node;
		if (one.type === 'ImportDeclaration') return;
		// of a value with a type the value
		if (one.type?.startsWith('TS')) return visit(one['expression'], attribute);
		if (one.type === 'Attribute') return visit(one['value'], one['name'] as string);
		if (UNREAD.test(attribute)) return;
		if (one.type === 'Literal' && typeof one['value'] === 'string') return note(one['value']);
		if (one.type === 'TemplateLiteral') {
			note(template(one as never));
			return visit(one['expressions'], attribute);
		}
		for (const value of Object.values(one)) visit(value, attribute);
	};
	const source = readFileSync(file, 'utf8');
	const component = file.endsWith('.ts') ? `<script lang="ts">${source}</script>` : source;
	const { fragment, instance, module } = parse(component, { modern: true, filename: file });
	visit(module?.content);
	visit(instance?.content);
	visit(fragment.nodes);
	return [...new Set(found)];
}

const folder = process.argv[2] ?? 'src';
const byFolder = new Map<string, string[]>();
for (const name of (readdirSync(folder, { recursive: true }) as string[]).toSorted())
	if (/\.(svelte|ts)$/.test(name) && !/^(lib\/server|routes\/api)\//.test(name)) {
		const file = join(folder, name);
		byFolder.set(dirname(file), [...(byFolder.get(dirname(file)) ?? []), file]);
	}
for (const [view, files] of byFolder) {
	console.log(`\n# ${relative('src', view)}`);
	for (const file of files) {
		const texts = textsOf(file);
		if (texts.length > 0) console.log(`\n## ${relative('src', file)}\n${texts.map((text) => `- ${text}`).join('\n')}`);
	}
}
