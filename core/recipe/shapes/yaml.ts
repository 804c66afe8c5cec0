import { isMap, isScalar, isSeq, stringify, type Node, type YAMLMap, type YAMLSeq } from 'yaml';
import { FileRefusedError, placeOf, type FileProblem } from '../../format/problem.ts';
import { yamlDocument } from '../../format/yaml.ts';
import { columnOf, growingLines, lineEndOf } from '../../text/lines.ts';
import { NotWritableError, type FileRecord, type Splice, type Values } from '../record.ts';
import { neededOf, type Field } from '../field.ts';
import type { ShapeOf } from '../recipe.ts';
import type { Fields } from '../template.ts';
import { lineAround, looksMeant, shifted } from './by-line.ts';
import { built } from './json.ts';
import type { Shape } from './shape.ts';
import { commentedOut, commentIn, commentOut, lineStart } from './yaml-comments.ts';

type Yaml = ShapeOf<'yaml'>;

const stepsOf = (pointer: string): string[] => pointer.split('/').slice(1);

const into = (node: unknown, steps: readonly string[]): unknown =>
	steps.reduce<unknown>(
		(at, step) => (isMap(at) ? at.get(step, true) : isSeq(at) && /^\d+$/.test(step) ? at.get(Number(step), true) : undefined),
		node
	);

/** The list or map that holds the records. Throws `FileRefusedError`. */
function holderIn(record: Yaml, text: string, file = 'file'): { holder: YAMLMap | YAMLSeq } {
	const document = yamlDocument(file, text);
	const holder = into(document.contents, stepsOf(record.at));
	if (isMap(holder) || isSeq(holder)) return { holder };
	throw new FileRefusedError(file, [
		{
			...placeOf(text, (holder as Node | undefined)?.range?.[0] ?? 0),
			pointer: record.at,
			message: 'expected a list or a map of records here'
		}
	]);
}

/** The records' nodes with their offsets; the end is that of what was said, without comments behind it. */
function itemsOf(text: string, holder: YAMLMap | YAMLSeq): { start: number; end: number; value: unknown }[] {
	return holder.items.map((item) => {
		const [, value] = partsOf(holder, item);
		const range = rangeIn(holder, item);
		return { start: range[0], end: endOf(text, value as Node | undefined) ?? range[1], value };
	});
}

/** The name and the value of an item of a list or map. */
const partsOf = (holder: YAMLMap | YAMLSeq, item: unknown): [name: unknown, value: unknown] =>
	isMap(holder) ? [(item as { key: unknown }).key, (item as { value: unknown }).value] : [undefined, item];

/** As `partsOf`; the only member of a record in a list gives it its name, where names are asked for. */
function saidIn(record: Yaml, holder: YAMLMap | YAMLSeq, item: unknown): [name: unknown, value: unknown] {
	const isNamed = isSeq(holder) && isMap(item) && item.items.length === 1 && Object.values(record.fields).includes('#');
	return isNamed ? partsOf(item, item.items[0]) : partsOf(holder, item);
}

/** Where an item begins, and what is said first in it ends. */
function rangeIn(holder: YAMLMap | YAMLSeq, item: unknown): readonly [number, number, number] {
	const [name, value] = partsOf(holder, item);
	return ((name ?? value) as Node | undefined)?.range ?? [0, 0, 0];
}

function fieldsIn(record: Yaml, text: string, name: unknown, value: unknown): Fields {
	const fields: Fields = {};
	for (const [field, pointer] of Object.entries(record.fields) as [Field, string][]) {
		const node = pointer === '#' ? name : into(value, stepsOf(pointer));
		if (isScalar(node) && node.range && node.value !== null && node.value !== false)
			fields[field] = { value: String(node.value), start: node.range[0], end: endOf(text, node)! };
	}
	return fields;
}

/** The records that are commented out; a comment that lacks what a record needs is a remark. */
function offIn(record: Yaml, text: string, holder: YAMLMap | YAMLSeq): FileRecord[] {
	const items = itemsOf(text, holder);
	if (holder.flow || items.length === 0 || !text.includes('#')) return [];
	const needed = neededOf(record.fields);
	const lineOf = growingLines(text);
	return commentedOut(text, holder, lineStart(text, items[0]!.start), items.at(-1)!.end).flatMap(
		({ start, end, holder: one, shift }) => {
			const fields = shifted(fieldsIn(record, text.slice(shift), ...saidIn(record, one, one.items[0])), shift);
			const isWhole = needed.every((f) => fields[f]) && (!isMap(one) || looksMeant(fields));
			return isWhole ? [{ line: lineOf(start), start, end, fields, off: true }] : [];
		}
	);
}

/** Where a node ends: of a block collection, where its last scalar does. */
function endOf(text: string, node: Node | undefined): number | undefined {
	if ((isMap(node) || isSeq(node)) && !node.flow && node.items.length > 0) {
		const last = node.items.at(-1);
		const pair = isMap(node) ? (last as { key: Node; value: Node | null }) : undefined;
		return pair ? (endOf(text, pair.value ?? undefined) ?? pair.key.range?.[1]) : endOf(text, last as Node);
	}
	if (!node?.range) return undefined;
	const [start, end] = node.range;
	// a folded or literal text has its last line ends within its range
	const isText = isScalar(node) && (node.type === 'BLOCK_FOLDED' || node.type === 'BLOCK_LITERAL');
	return isText ? start + text.slice(start, end).trimEnd().length : end;
}

/**
 * A value as it is written in place of one that stands there as `source`, in the same quotes. Within braces and brackets more
 * signs need quotes than elsewhere (YAML 1.2, 7.3.3).
 */
function scalar(value: string, source: string, isFlow: boolean): string {
	const options = { lineWidth: 0, blockQuote: false } as const;
	if (source.startsWith('"')) return stringify(value, { ...options, defaultStringType: 'QUOTE_DOUBLE' }).trimEnd();
	const type = source.startsWith("'") && !/[\n\r]/.test(value) ? 'QUOTE_SINGLE' : 'PLAIN';
	if (!isFlow) return stringify(value, { ...options, defaultStringType: type }).trimEnd();
	return stringify([value], { ...options, defaultStringType: type, collectionStyle: 'flow', flowCollectionPadding: false })
		.trimEnd()
		.slice(1, -1);
}

/** Values as a list or map within braces or brackets, without these. */
const flowInside = (said: unknown): string =>
	stringify(said, { collectionStyle: 'flow', lineWidth: 0, blockQuote: false }).trim().slice(1, -1).trim();

/** Records as block lists and maps, in lines. */
const block = (said: unknown): string => stringify(said, { lineWidth: 0, blockQuote: false }).trimEnd();

/** The whole of the holder with the blanks and the line end before it, so that `[]` can stand behind its name. */
function leadOf(text: string, holder: YAMLMap | YAMLSeq): { start: number; end: number } {
	const items = itemsOf(text, holder);
	const begin = holder.flow ? holder.range![0] : Math.min(holder.range![0], lineStart(text, items[0]!.start));
	const end = holder.flow ? holder.range![1] : items.at(-1)!.end;
	return { start: begin - (/\s*$/.exec(text.slice(0, begin))?.[0].length ?? 0), end };
}

/** More entries of one record, behind those that it has. */
function appended(text: string, value: YAMLMap, more: readonly (readonly [string, string])[]): Splice {
	const said = Object.fromEntries(more);
	const end = endOf(text, value)!;
	if (value.flow) {
		const brace = text.lastIndexOf('}', end);
		const at = brace - /\s*$/.exec(text.slice(0, brace))![0].length;
		return { start: at, end: at, insert: `${value.items.length > 0 ? ', ' : ''}${flowInside(said)}` };
	}
	const indent = ' '.repeat(columnOf(text, (value.items[0]!.key as Node).range![0]) - 1);
	const at = lineAround(text, end).end;
	const lines = block(said).replaceAll(/^/gm, indent).replaceAll('\n', lineEndOf(text));
	return { start: at, end: at, insert: /[\r\n]$/.test(text.slice(0, at)) ? lines + lineEndOf(text) : lineEndOf(text) + lines };
}

/**
 * As JSON, read by the YAML 1.2 core schema. Aliases and anchors are not followed, so that no file can blow itself up; fields
 * are changed where they stand.
 */
export const yaml: Shape<Yaml> = {
	read(record, file, text) {
		const { holder } = holderIn(record, text, file);
		const records: FileRecord[] = [];
		const unknown: FileProblem[] = [];
		const needed = neededOf(record.fields);
		const lineOf = growingLines(text);
		for (const item of holder.items) {
			const [name, value] = saidIn(record, holder, item);
			const fields = fieldsIn(record, text, name, value);
			const range = rangeIn(holder, item);
			const end = endOf(text, value as Node | undefined) ?? range[1];
			const line = lineOf(range[0]);
			const missing = needed.find((f) => !fields[f]);
			if (missing)
				unknown.push({
					line,
					column: columnOf(text, range[0]),
					message: `expected the ${missing} at ${record.fields[missing]}`
				});
			else records.push({ line, start: range[0], end, fields, off: false });
		}
		return { records: [...records, ...offIn(record, text, holder)].sort((a, b) => a.start - b.start), unknown };
	},

	change(record, text, { start, fields, off }, values) {
		const splices: Splice[] = [];
		const { flow } = holderIn(record, text).holder;
		const isFlow = (at: number) => Boolean(flow) || /[{[]/.test(text.slice(start, at));
		if (off && Object.values(values).some((value) => /[\r\n]/.test(value)))
			throw new NotWritableError('a disabled record cannot have values of several lines');
		const missing: Values = {};
		for (const f of Object.keys(values) as Field[]) {
			const span = fields[f];
			if (span)
				splices.push({
					start: span.start,
					end: span.end,
					insert: scalar(values[f]!, text.slice(span.start, span.end), isFlow(span.start))
				});
			else missing[f] = values[f]!;
		}
		if (Object.keys(missing).length > 0) {
			const item = itemsOf(text, holderIn(record, text).holder).find((i) => i.start === start);
			if (!isMap(item?.value) || Object.keys(missing).some((f) => !/^\/[^/]+$/.test(record.fields[f as Field] ?? '')))
				throw new NotWritableError(`this record has no ${Object.keys(missing).join(' and ')} yet; add it in the file by hand`);
			const more: [string, string][] = [];
			for (const [f, said] of Object.entries(missing)) {
				const key = record.fields[f as Field]!.slice(1);
				// a key without a value, or with one that says no
				const there = item.value.get(key, true)?.range;
				if (!there) more.push([key, said]);
				else
					splices.push({
						start: there[0],
						end: there[1],
						insert: (there[0] === there[1] ? ' ' : '') + scalar(said, text.slice(there[0], there[1]), isFlow(there[0]))
					});
			}
			if (more.length > 0) splices.push(appended(text, item.value, more));
		}
		return splices;
	},

	insert(record, text, after, values) {
		const { holder } = holderIn(record, text);
		const { name, value } = built(record, values);
		const said = isMap(holder) ? { [name ?? '']: value } : [name === undefined ? value : { [name]: value }];
		const items = itemsOf(text, holder);
		const item = items.find((i) => i.start === after?.start) ?? items.at(-1);
		if (!item || holder.flow) {
			if (item) return [{ start: item.end, end: item.end, insert: `, ${flowInside(said)}` }];
			const [open, close] = isMap(holder) ? ['{ ', ' }'] : ['[ ', ' ]'];
			return [{ start: holder.range![0], end: holder.range![1], insert: open + flowInside(said) + close }];
		}
		const first = lineAround(text, item.start);
		const indent = ' '.repeat(columnOf(text, isMap(holder) ? item.start : text.lastIndexOf('-', item.start)) - 1);
		const lines = block(said).replaceAll(/^/gm, indent).replaceAll('\n', lineEndOf(text));
		const end = Math.max(first.end, lineAround(text, item.end).end);
		const isLast = end === text.length && !/[\r\n]$/.test(text);
		return [{ start: end, end, insert: isLast ? lineEndOf(text) + lines : lines + lineEndOf(text) }];
	},

	remove(record, text, { start, end, off }) {
		if (off) return [{ start: lineStart(text, start), end: lineAround(text, end).end, insert: '' }];
		const { holder } = holderIn(record, text);
		const items = itemsOf(text, holder);
		const at = items.findIndex((i) => i.start === start);
		const item = items[at]!;
		if (items.length === 1)
			return [{ ...leadOf(text, holder), insert: `${record.at === '' ? '' : ' '}${isMap(holder) ? '{}' : '[]'}` }];
		if (holder.flow) {
			const [next, before] = [items[at + 1], items[at - 1]];
			return [{ start: next ? item.start : before!.end, end: next ? next.start : item.end, insert: '' }];
		}
		return [{ start: lineStart(text, item.start), end: lineAround(text, item.end).end, insert: '' }];
	},

	toggle(record, text, { start, end }, off) {
		if (!off) return commentIn(text, start, end);
		const { holder } = holderIn(record, text);
		const items = itemsOf(text, holder);
		if (holder.flow) throw new NotWritableError('records in one line cannot be disabled; remove it instead');
		if (items.length === 1) throw new NotWritableError('without its last record there would be no list; remove it instead');
		const item = items.find((i) => i.start === start)!;
		return commentOut(text, lineStart(text, start), item.end);
	},

	write(record, rows, lineEnd) {
		const all = rows.map((row) => built(record, row));
		const isByName = Object.values(record.fields).includes('#');
		let value: unknown = isByName
			? Object.fromEntries(all.map(({ name, value }) => [name ?? '', value]))
			: all.map((b) => b.value);
		for (const step of stepsOf(record.at).reverse()) value = { [step]: value };
		return (block(value) + '\n').replaceAll('\n', lineEnd);
	}
};
