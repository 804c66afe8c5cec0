import { isMap, isScalar, isSeq, parseDocument, stringify, type Node } from 'yaml';
import { FileRefusedError, placeOf, type FileProblem } from '../../format/problem.ts';
import { columnOf, growingLines } from '../lines.ts';
import { NotWritableError, type FileRecord } from '../record.ts';
import type { Field } from '../field.ts';
import type { ShapeOf } from '../recipe.ts';
import type { Fields } from '../template.ts';
import { built } from './json.ts';
import type { Shape } from './shape.ts';

type Yaml = ShapeOf<'yaml'>;

const stepsOf = (pointer: string): string[] => pointer.split('/').slice(1);

const into = (node: unknown, steps: readonly string[]): unknown =>
	steps.reduce<unknown>(
		(at, step) => (isMap(at) ? at.get(step, true) : isSeq(at) && /^\d+$/.test(step) ? at.get(Number(step), true) : undefined),
		node
	);

/**
 * As JSON, read by the YAML 1.2 core schema. Aliases and anchors are not followed, so that no file can blow itself up; fields
 * are changed where they stand.
 */
export const yaml: Shape<Yaml> = {
	read(record, file, text) {
		const document = parseDocument(text, { prettyErrors: false, uniqueKeys: true, logLevel: 'silent' });
		const [error] = document.errors;
		if (error) throw new FileRefusedError(file, [{ ...placeOf(text, error.pos[0]), message: `not YAML: ${error.message}` }]);
		const holder = into(document.contents, stepsOf(record.at));
		if (!isMap(holder) && !isSeq(holder))
			throw new FileRefusedError(file, [
				{
					...placeOf(text, (holder as Node | undefined)?.range?.[0] ?? 0),
					pointer: record.at,
					message: 'expected a list or a map of records here'
				}
			]);
		const records: FileRecord[] = [];
		const unknown: FileProblem[] = [];
		const lineOf = growingLines(text);
		for (const item of holder.items) {
			const [name, value] = isMap(holder)
				? [(item as { key: unknown }).key, (item as { value: unknown }).value]
				: [undefined, item];
			const fields: Fields = {};
			for (const [field, pointer] of Object.entries(record.fields) as [Field, string][]) {
				const node = pointer === '#' ? name : into(value, stepsOf(pointer));
				if (isScalar(node) && node.range && node.value !== null && node.value !== false)
					fields[field] = { value: String(node.value), start: node.range[0], end: node.range[1] };
			}
			const range = (name as Node | undefined)?.range ?? (value as Node | undefined)?.range ?? [0, 0, 0];
			const end = (value as Node | undefined)?.range?.[1] ?? range[1];
			const line = lineOf(range[0]);
			const missing = (['alias', 'keys', 'command'] as const).find((f) => record.fields[f] !== undefined && !fields[f]);
			if (missing)
				unknown.push({
					line,
					column: columnOf(text, range[0]),
					message: `expected the ${missing} at ${record.fields[missing]}`
				});
			else records.push({ line, start: range[0], end, fields, off: false });
		}
		return { records, unknown };
	},

	change(_, __, { fields }, values) {
		return (Object.keys(values) as Field[]).map((f) => {
			const span = fields[f];
			if (!span) throw new NotWritableError(`this record has no ${f} yet; add it in the file`);
			return { start: span.start, end: span.end, insert: stringify(values[f]).trimEnd() };
		});
	},

	insert() {
		throw new NotWritableError('records are added to a YAML file by hand, or by writing the whole file anew');
	},
	remove() {
		throw new NotWritableError('records are taken out of a YAML file by hand, or by writing the whole file anew');
	},
	toggle() {
		throw new NotWritableError('records of a YAML file are switched off by hand');
	},

	write(record, rows, lineEnd) {
		const all = rows.map((row) => built(record, row));
		const isByName = Object.values(record.fields).includes('#');
		let value: unknown = isByName
			? Object.fromEntries(all.map(({ name, value }) => [name ?? '', value]))
			: all.map((b) => b.value);
		for (const step of stepsOf(record.at).reverse()) value = { [step]: value };
		return stringify(value).replaceAll('\n', lineEnd);
	}
};
