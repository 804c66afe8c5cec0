import { growingLines } from '../../text/lines.ts';
import { delimiterOf, readCsv } from '../csv.ts';
import { FileRefusedError } from '../problem.ts';
import { json } from './json.ts';
import type { Table, TableRecord, Tree } from './tree.ts';
import { xml } from './xml.ts';
import { yaml } from './yaml.ts';

const FORMATS = [json, xml, yaml];
const MOST_COLUMNS = 200;
/** Maps in maps below a record become columns with a dotted name, down to here. */
const DEEPEST = 3;

type Field = readonly [string, string];

interface Thing {
	readonly at: number;
	readonly fields: readonly Field[];
}

/**
 * Reads a list of any shape as a table: CSV by its header, whatever of comma, semicolon and tab divides it; of JSON, YAML and XML the most numerous kind of records, wherever in
 * the file they lie, with the plain fields of what is around them as columns of their own (`group.name`). Throws
 * `FileRefusedError`.
 */
export function readTable(file: string, text: string): Table {
	const format = FORMATS.find((f) => f.fits(file, text));
	if (!format) return readCsv(file, text, delimiterOf(text));
	let things: readonly Thing[];
	try {
		things = mostNumerous(format.treeOf(file, text));
	} catch (error) {
		if (!(error instanceof RangeError)) throw error;
		throw new FileRefusedError(file, [{ line: 1, column: 1, message: `${format.name} that is nested too deeply` }]);
	}
	if (things.length === 0)
		throw new FileRefusedError(file, [
			{ line: 1, column: 1, message: `this ${format.name} holds no list of records; expected one record for each command` }
		]);
	const columns = new Map<string, number>();
	for (const { fields } of things) for (const [name] of fields) if (!columns.has(name)) columns.set(name, columns.size);
	if (columns.size > MOST_COLUMNS)
		throw new FileRefusedError(file, [
			{ line: 1, column: 1, message: `the records have ${columns.size} fields; the most is ${MOST_COLUMNS}` }
		]);
	const lineOf = growingLines(text);
	const records = things.map(({ at, fields }): TableRecord => {
		const row = new Array<string>(columns.size).fill('');
		for (const [name, value] of fields) row[columns.get(name)!] = value;
		return { line: lineOf(at), fields: row };
	});
	return { header: [...columns.keys()], records };
}

function mostNumerous(tree: Tree): readonly Thing[] {
	const found = new Map<string, Thing[]>();
	gather(tree, '', [], false, found);
	let most: readonly Thing[] = [];
	for (const things of found.values()) if (things.length > most.length) most = things;
	return most;
}

/** Collects maps that stand in lists, or under names of their own, by the way that leads to them. */
function gather(tree: Tree, path: string, around: readonly Field[], isInList: boolean, found: Map<string, Thing[]>): void {
	const put = (way: string, at: number, fields: readonly Field[]) => {
		const known = found.get(way);
		if (known) known.push({ at, fields });
		else found.set(way, [{ at, fields }]);
	};
	if (tree.kind === 'list')
		for (const item of tree.items) {
			if (item.kind === 'map') put(path, item.at, [...plainFields(item), ...around]);
			gather(item, path, around, true, found);
		}
	if (tree.kind !== 'map') return;
	const name = path.slice(path.lastIndexOf('/') + 1);
	const inner = name === '' ? around : [...around, ...ownFields(tree).map(([key, value]): Field => [`${name}.${key}`, value])];
	const isKeyed = !isInList && tree.entries.length >= 3 && tree.entries.every(([, value]) => value.kind === 'map');
	for (const [key, value] of tree.entries) {
		if (isKeyed && value.kind === 'map') put(`${path}/*`, value.at, [['id', key], ...plainFields(value), ...around]);
		gather(value, isKeyed ? `${path}/*` : `${path}/${key}`, inner, isInList, found);
	}
}

/** What a map says itself, in plain text. */
function ownFields(tree: Tree): Field[] {
	return tree.kind === 'map' ? tree.entries.flatMap(([key, v]): Field[] => (v.kind === 'text' ? [[key, v.text]] : [])) : [];
}

/** The same with lists of texts, joined, and maps below it, dotted. */
function plainFields(tree: Tree, prefix = '', depth = 0): Field[] {
	if (tree.kind !== 'map') return [];
	return tree.entries.flatMap(([key, said]): Field[] => {
		const name = prefix + key;
		// an element of XML may always come again
		const value = said.kind === 'list' && said.items.length === 1 ? said.items[0]! : said;
		if (value.kind === 'text') return [[name, value.text]];
		if (value.kind === 'map') return depth < DEEPEST ? plainFields(value, `${name}.`, depth + 1) : [];
		const texts = value.items.flatMap((item) => (item.kind === 'text' ? [item.text] : []));
		return texts.length > 0 ? [[name, texts.join('; ')]] : [];
	});
}
