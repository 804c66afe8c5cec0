import { parse as parseYaml } from 'yaml';
import { findNodeAtOffset, getNodePath, parseTree } from 'jsonc-parser';
import { FileRefusedError } from '../format/problem.ts';
import { parseKeys } from '../stroke/stroke.ts';
import { areSteps } from '../macro/steps.ts';
import { NEEDED, type Field } from './field.ts';
import { linesOf } from './lines.ts';
import { readWith } from './reading.ts';
import { Recipe, type RecordShape } from './recipe.ts';
import type { Reading } from './record.ts';

/** What somebody marked in a sample: for some fields of one record, where they stand. */
export type Marks = Partial<Record<Field, { readonly start: number; readonly end: number }>>;

export interface Proposal {
	readonly recipe: Recipe;
	readonly reading: Reading;
}

const COMMENT_SIGNS = ['##', ';;', '#', ';', '//', '--', "'", '!', '*', '%', 'REM'];
const JOINTS = ['->', '=>', '=', ':', ',', ';', '|', '\t', '>', ' '];

/**
 * Recipes for a sample, the best first: those that read most of its lines and the most commands that the application knows.
 * With marks they put the marked fields where they were marked.
 */
export function propose(
	text: string,
	holds: Recipe['holds'],
	knows: (command: string) => boolean,
	marks: Marks = {},
	name = 'My format'
): Proposal[] {
	const sample = text.slice(0, 200_000);
	// a macro's name and steps stand in a file as an alias and its command do
	const main = holds === 'shortcuts' ? 'keys' : 'alias';
	const asAlias: Marks = holds === 'macros' ? renamed(marks, MACRO_AS_ALIAS) : marks;
	const guessed = Object.keys(marks).length >= 2 ? fromMarks(sample, main, asAlias) : guesses(sample, main);
	const shapes = holds === 'macros' ? guessed.map(forMacros) : guessed;
	const [first, second] = NEEDED[holds];
	const seen = new Set<string>();
	const found: (Proposal & { score: number })[] = [];
	for (const record of shapes) {
		const recipe = Recipe.safeParse({ format: 'skarn-recipe', version: 1, name, holds, record });
		if (!recipe.success || seen.has(JSON.stringify(recipe.data.record))) continue;
		seen.add(JSON.stringify(recipe.data.record));
		try {
			const reading = readWith(recipe.data, 'sample', sample);
			const live = reading.records.filter((r) => !r.off);
			const read = JSON.stringify(reading.records.map((r) => Object.entries(r.fields).map(([f, s]) => [f, s.start, s.end])));
			if (live.length === 0 || seen.has(read)) continue;
			seen.add(read);
			const known = live.filter((r) =>
				holds === 'macros' ? areSteps(r.fields.steps!.value) : knows(r.fields.command!.value)
			).length;
			const plausible = live.filter(
				(r) => looksLike(main, r.fields[first]!.value) && (holds === 'macros' || !/\s/.test(r.fields[second]!.value))
			).length;
			if (2 * plausible < live.length || live.length < reading.unknown.length) continue;
			const notes = live.filter((r) => r.fields.note).length;
			found.push({
				recipe: recipe.data,
				reading,
				score: 4 * known + 2 * plausible + reading.records.length + 0.1 * notes - 2 * reading.unknown.length
			});
		} catch (error) {
			if (!(error instanceof FileRefusedError)) throw error;
		}
	}
	return found.sort((a, b) => b.score - a.score).map(({ recipe, reading }) => ({ recipe, reading }));
}

const MACRO_AS_ALIAS: Partial<Record<Field, Field>> = { macro: 'alias', steps: 'command', label: 'note' };
const ALIAS_AS_MACRO: Partial<Record<Field, Field>> = { alias: 'macro', command: 'steps', note: 'label' };

function renamed<T>(fields: Partial<Record<Field, T>>, names: Partial<Record<Field, Field>>): Partial<Record<Field, T>> {
	return Object.fromEntries((Object.entries(fields) as [Field, T][]).map(([f, value]) => [names[f] ?? f, value]));
}

/** A shape for aliases as one for macros. */
function forMacros(record: RecordShape): RecordShape {
	switch (record.shape) {
		case 'line':
			return {
				...record,
				template: record.template.replaceAll(/\{(\w+)/g, (_, name: Field) => `{${ALIAS_AS_MACRO[name] ?? name}`)
			};
		case 'delimited':
			return { ...record, columns: record.columns.map((column) => ALIAS_AS_MACRO[column] ?? column) };
		default:
			return { ...record, fields: renamed(record.fields, ALIAS_AS_MACRO) } as RecordShape;
	}
}

function looksLike(main: 'alias' | 'keys', value: string): boolean {
	if (main === 'alias') return /^\S{1,16}$/.test(value);
	if (/ctrl|control|alt|shift|meta|cmd/i.test(value)) return value.length <= 40;
	try {
		return parseKeys(value) !== undefined;
	} catch {
		return false;
	}
}

/** The sign with which most lines begin that say nothing, if any does. */
function commentSign(text: string): string | undefined {
	const counts = new Map<string, number>();
	for (const { start, end } of linesOf(text)) {
		const line = text.slice(start, end).trimStart();
		const sign = COMMENT_SIGNS.find((s) => line.startsWith(s));
		if (sign) counts.set(sign, (counts.get(sign) ?? 0) + 1);
	}
	return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
}

/** The word that stands second in most lines, as in `LN runs draw.segment`. */
function sharedWord(text: string): string[] {
	const counts = new Map<string, number>();
	let lines = 0;
	for (const { start, end } of linesOf(text)) {
		const words = text.slice(start, end).trim().split(/\s+/, 3);
		if (words.length < 3) continue;
		lines++;
		counts.set(words[1]!, (counts.get(words[1]!) ?? 0) + 1);
	}
	return [...counts].filter(([, n]) => n > 1 && n >= lines / 2).map(([word]) => word);
}

const literal = (text: string): string => text.replaceAll(/[\\[\]{}]/g, '\\$&');

function lineShapes(template: string, comment: string | undefined, text: string): RecordShape[] {
	const sections = /^[ \t]*\[[^\]\r\n]+\][ \t]*$/m.test(text) ? ('context' as const) : ('none' as const);
	const base = { shape: 'line' as const, sections, ...(comment && { comment }) };
	const signs = [...new Set([comment, '#', ';', '//'])].filter((s): s is string => s !== undefined);
	const withNote = template.includes('{note}')
		? []
		: signs.map((sign) => ({ ...base, template: `${template}[ ${literal(sign)} {note}]` }));
	return [{ ...base, template }, ...withNote];
}

function guesses(text: string, main: 'alias' | 'keys'): RecordShape[] {
	const start = text.replace(/^\uFEFF/, '').trimStart();
	if (start.startsWith('{') || (start.startsWith('[') && parseTree(start) !== undefined && /^\[\s*[{[]/.test(start)))
		return treeShapes('json', () => JSON.parse(start), main);
	if (start.startsWith('<')) return xmlShapes(text, main);
	const comment = commentSign(text);
	const shapes: RecordShape[] = [];
	for (const joint of [...JOINTS, ...sharedWord(text)]) {
		const sign = joint.trim() === '' ? ' ' : ` ${literal(joint)} `;
		for (const [a, b] of [
			[main, 'command'],
			['command', main]
		] as const)
			shapes.push(...lineShapes(`{${a}}${sign}{${b}}`, comment, text));
	}
	for (const delimiter of [',', ';', '\t', '|']) {
		const [head] = text.split(/\r\n|\r|\n/, 1);
		const names = head!.split(delimiter).map((n) => n.trim().replaceAll('"', '').toLowerCase());
		if (names.length < 2) continue;
		const columns = names.map((n) => fieldOfName(n, main));
		if (columns.includes(main) && columns.includes('command'))
			shapes.unshift({ shape: 'delimited', delimiter, quote: '"', header: true, columns, ...(comment && { comment }) });
		for (const [a, b] of [
			[0, 1],
			[1, 0]
		] as const) {
			const plain: Field[] = names.map((_, i) => (i === a ? main : i === b ? 'command' : 'skip'));
			shapes.push({ shape: 'delimited', delimiter, quote: '"', header: false, columns: plain, ...(comment && { comment }) });
		}
	}
	if (/^[\w-]+:|^- /m.test(text)) shapes.push(...treeShapes('yaml', () => parseYaml(text, { maxAliasCount: 0 }), main));
	return shapes;
}

const NAMES: readonly (readonly [Field, RegExp])[] = [
	['command', /command|function|action|target|befehl|^id$|runs|^do$/],
	['keys', /key|shortcut|stroke|^on$/],
	['alias', /alias|name|short|abbr|typed/],
	['note', /note|comment|description|remark|why/],
	['context', /context|scope|where|mode/]
];

function fieldOfName(name: string, main: 'alias' | 'keys'): Field {
	const other = main === 'alias' ? 'keys' : 'alias';
	return NAMES.find(([field, pattern]) => field !== other && pattern.test(name.toLowerCase()))?.[0] ?? 'skip';
}

function fieldsByName(
	names: readonly string[],
	main: 'alias' | 'keys',
	placeOf: (name: string) => string
): Partial<Record<Field, string>> {
	const fields: Partial<Record<Field, string>> = {};
	for (const name of names) {
		const field = fieldOfName(name, main);
		if (field !== 'skip') fields[field] ??= placeOf(name);
	}
	return fields;
}

const pointerStep = (step: string | number): string => '/' + String(step).replaceAll('~', '~0').replaceAll('/', '~1');

function treeShapes(shape: 'json' | 'yaml', read: () => unknown, main: 'alias' | 'keys'): RecordShape[] {
	const shapes: RecordShape[] = [];
	const visit = (value: unknown, at: string, depth: number) => {
		if (typeof value !== 'object' || value === null || depth > 4) return;
		const children = Object.entries(value).slice(0, 200);
		const objects = children.filter(([, c]) => typeof c === 'object' && c !== null && !Array.isArray(c));
		if (objects.length > 0) {
			const names = Object.keys(objects[0]![1] as object);
			const fields = fieldsByName(names, main, pointerStep);
			if (!Array.isArray(value))
				shapes.push({ shape, at, fields: { [main]: '#', ...(fields.command && { command: fields.command }) } });
			shapes.push({ shape, at, fields });
		}
		if (!Array.isArray(value) && children.some(([, c]) => typeof c === 'string'))
			shapes.push({ shape, at, fields: { [main]: '#', command: '' } }, { shape, at, fields: { command: '#', [main]: '' } });
		for (const [key, child] of children) visit(child, at + pointerStep(key), depth + 1);
	};
	try {
		visit(read(), '', 0);
	} catch {
		// what is broken is told when the recipe reads the file
	}
	return shapes;
}

function xmlShapes(text: string, main: 'alias' | 'keys'): RecordShape[] {
	const byElement = new Map<string, Set<string>>();
	for (const [, element, attributes] of text.matchAll(
		/<([\p{L}_][\p{L}\p{N}_.:-]*)((?:\s+[\p{L}_][\p{L}\p{N}_.:-]*\s*=\s*(?:"[^"<]*"|'[^'<]*'))*)\s*\/?>/gu
	)) {
		const names = byElement.get(element!) ?? new Set<string>();
		for (const [, name] of attributes!.matchAll(/([\p{L}_][\p{L}\p{N}_.:-]*)\s*=/gu)) names.add(name!);
		byElement.set(element!, names);
	}
	return [...byElement].flatMap(([element, names]): RecordShape[] => {
		const fields = fieldsByName([...names], main, (name) => `@${name}`);
		const free = (['command', main] as const).filter((f) => !fields[f]);
		return [
			{ shape: 'xml', element, fields },
			...free.map((f) => ({ shape: 'xml' as const, element, fields: { ...fields, [f]: '.' } }))
		];
	});
}

function fromMarks(text: string, main: 'alias' | 'keys', marks: Marks): RecordShape[] {
	const spans = (Object.entries(marks) as [Field, { start: number; end: number }][]).sort(([, a], [, b]) => a.start - b.start);
	const first = spans[0]![1].start;
	const start = text.replace(/^\uFEFF/, '').trimStart();
	const tree =
		start.startsWith('{') || /^\[\s*[{[]/.test(start)
			? markedJson(text, spans)
			: start.startsWith('<')
				? markedXml(text, spans)
				: [];
	if (tree.length > 0) return tree;
	const line = [...linesOf(text)].find((l) => l.start <= first && first <= l.end);
	if (!line || spans.some(([, s]) => s.end > line.end)) return [];
	let template = '';
	let at = line.start;
	for (const [field, span] of spans) {
		template += literal(text.slice(at, span.start)).replaceAll(/[ \t]+/g, ' ') + `{${field}}`;
		at = span.end;
	}
	const rest = text.slice(at, line.end).trim();
	template = template.trim();
	const comment = commentSign(text);
	const shapes = lineShapes(template, comment, text);
	const sign = COMMENT_SIGNS.find((s) => rest.startsWith(s));
	if (rest && sign && !marks.note) shapes.unshift(...lineShapes(`${template}[ ${literal(sign)} {note}]`, comment, text));
	else if (rest)
		shapes.push(
			...lineShapes(`${template} ${literal(rest)}`, comment, text),
			...lineShapes(`${template}[ ${literal(rest[0]!)}{skip}]`, comment, text)
		);
	for (const delimiter of [',', ';', '\t', '|']) {
		const cells = text.slice(line.start, line.end).split(delimiter);
		if (cells.length < 2) continue;
		let offset = line.start;
		const columns = cells.map((cell): Field => {
			const from = offset;
			offset += cell.length + 1;
			return spans.find(([, s]) => s.start >= from && s.end <= from + cell.length)?.[0] ?? 'skip';
		});
		for (const header of [false, true])
			shapes.push({ shape: 'delimited', delimiter, quote: '"', header, columns, ...(comment && { comment }) });
	}
	return shapes;
}

function markedJson(text: string, spans: readonly [Field, { start: number; end: number }][]): RecordShape[] {
	const root = parseTree(text);
	if (!root) return [];
	const marked = spans.flatMap(([field, { start }]) => {
		const node = findNodeAtOffset(root, start, true);
		if (!node) return [];
		const isName = node.parent?.type === 'property' && node.parent.children?.[0] === node;
		return [{ field, path: getNodePath(isName ? node.parent!.children![1]! : node), isName }];
	});
	if (marked.length < 2) return [];
	let shared = 0;
	while (marked.every(({ path }) => path.length > shared && path[shared] === marked[0]!.path[shared])) shared++;
	// the record is what all marked values share; a name stands for the record itself
	const depth = Math.min(shared, ...marked.filter((m) => m.isName).map((m) => m.path.length));
	const at = marked[0]!.path
		.slice(0, depth - 1)
		.map(pointerStep)
		.join('');
	const fields = Object.fromEntries(
		marked.map(({ field, path, isName }) => [
			field,
			isName && path.length === depth ? '#' : path.slice(depth).map(pointerStep).join('')
		])
	);
	return [{ shape: 'json', at, fields }];
}

function markedXml(text: string, spans: readonly [Field, { start: number; end: number }][]): RecordShape[] {
	const places = spans.map(([field, { start }]) => {
		const open = text.lastIndexOf('<', start);
		const isInside = text.indexOf('>', open) < start;
		const element = /^<([\p{L}_][\p{L}\p{N}_.:-]*)/u.exec(text.slice(open, open + 200))?.[1];
		const attribute = /([\p{L}_][\p{L}\p{N}_.:-]*)\s*=\s*["'][^"']*$/u.exec(text.slice(open, start))?.[1];
		return { field, element, place: isInside ? '.' : attribute && `@${attribute}` };
	});
	const element = places[0]?.element;
	if (!element || places.some((p) => p.element !== element || !p.place)) return [];
	return [{ shape: 'xml', element, fields: Object.fromEntries(places.map(({ field, place }) => [field, place])) }];
}
