import { findNodeAtLocation, modify, type Edit, type Node } from 'jsonc-parser';
import { treeOf } from '../../format/json.ts';
import { FileRefusedError, placeOf, type FileProblem } from '../../format/problem.ts';
import { columnOf, growingLines } from '../../text/lines.ts';
import { NotWritableError, type FileRecord, type Splice, type Values } from '../record.ts';
import { neededOf, type Field } from '../field.ts';
import type { ShapeOf } from '../recipe.ts';
import type { Fields } from '../template.ts';
import type { Shape } from './shape.ts';

type Json = ShapeOf<'json'>;

const stepsOf = (pointer: string): string[] =>
	pointer
		.split('/')
		.slice(1)
		.map((step) => step.replaceAll('~1', '/').replaceAll('~0', '~'));

const stepInto = (root: Node, steps: readonly string[]): Node | undefined =>
	findNodeAtLocation(
		root,
		steps.map((s, i) => (/^\d+$/.test(s) && findNodeAtLocation(root, steps.slice(0, i))?.type === 'array' ? Number(s) : s))
	);

/** A list or object of records, with the steps that lead to it. */
interface Holder {
	readonly node: Node;
	readonly path: readonly (string | number)[];
}

/** The lists and objects that hold the records, in the order of the file. */
function holdersOf({ at }: Json, file: string, text: string): Holder[] {
	const root = treeOf(file, text);
	let found: Holder[] = [{ node: root, path: [] }];
	for (const step of stepsOf(at))
		found = found.flatMap(({ node, path }): Holder[] => {
			if (step !== '*') {
				const next = stepInto(node, [step]);
				return next ? [{ node: next, path: [...path, node.type === 'array' ? Number(step) : step] }] : [];
			}
			return (node.children ?? []).flatMap((child, i): Holder[] => {
				if (node.type === 'array') return [{ node: child, path: [...path, i] }];
				const [name, value] = child.children ?? [];
				return name && value ? [{ node: value, path: [...path, String(name.value)] }] : [];
			});
		});
	const holders = found.filter(({ node }) => node.type === 'array' || node.type === 'object');
	if (holders.length > 0) return holders;
	throw new FileRefusedError(file, [
		{ ...placeOf(text, found[0]?.node.offset ?? 0), pointer: at, message: 'expected a list or an object of records here' }
	]);
}

/** The one in which the member at the offset stands; the last one if it is in none of them. */
const holderAround = (holders: readonly Holder[], offset: number | undefined): Holder =>
	holders.find(({ node }) => node.children?.some((c) => c.offset === offset)) ?? holders.at(-1)!;

/** The name and the value of a member; the only member of a record in a list gives it its name, where names are asked for. */
function partsOf(record: Json, holder: Node, child: Node): readonly (Node | undefined)[] {
	if (holder.type === 'object') return child.children ?? [];
	const [only, ...more] = child.children ?? [];
	const isNamed = child.type === 'object' && only && more.length === 0 && Object.values(record.fields).includes('#');
	return isNamed ? (only.children ?? []) : [undefined, child];
}

const spliceOf = ({ offset, length, content }: Edit): Splice => ({ start: offset, end: offset + length, insert: content });

/** New text is laid out as the rest of the file is. */
const optionsFor = (text: string) => ({
	formattingOptions: { insertSpaces: !/^\t/m.test(text), tabSize: 2, eol: text.includes('\r\n') ? '\r\n' : '\n' }
});

/** Records in a list, or in an object where the name of each is one of its fields. */
export const json: Shape<Json> = {
	read(record, file, text) {
		const holders = holdersOf(record, file, text);
		const records: FileRecord[] = [];
		const unknown: FileProblem[] = [];
		const needed = neededOf(record.fields);
		const lineOf = growingLines(text);
		for (const [holder, child] of holders.flatMap(({ node }) => (node.children ?? []).map((one) => [node, one] as const))) {
			const [name, value] = partsOf(record, holder, child);
			if (!value) continue;
			const fields: Fields = {};
			for (const [field, pointer] of Object.entries(record.fields) as [Field, string][]) {
				const node = pointer === '#' ? name : stepInto(value, stepsOf(pointer));
				if (node && node.type !== 'object' && node.type !== 'array' && node.value !== null && node.value !== false)
					fields[field] = { value: String(node.value), start: node.offset, end: node.offset + node.length };
			}
			const line = lineOf(child.offset);
			const missing = needed.find((f) => !fields[f]);
			if (missing)
				unknown.push({
					line,
					column: columnOf(text, child.offset),
					message: `expected the ${missing} at ${record.fields[missing]}`
				});
			else records.push({ line, start: child.offset, end: child.offset + child.length, fields, off: false });
		}
		return { records, unknown };
	},

	change(record, text, { start, fields }, values) {
		const splices: Splice[] = [];
		for (const f of Object.keys(values) as Field[]) {
			const span = fields[f];
			const pointer = record.fields[f];
			if (span) splices.push({ start: span.start, end: span.end, insert: JSON.stringify(values[f]) });
			else if (pointer === undefined || pointer === '#' || pointer === '')
				throw new NotWritableError(`the recipe has no place for the ${f}`);
			else {
				if (splices.some((s) => s.start === s.end)) throw new NotWritableError('add one field after the other');
				const { node: holder, path } = holderAround(holdersOf(record, 'file', text), start);
				const at = (holder.children ?? []).findIndex((c) => c.offset === start);
				const step = holder.type === 'array' ? at : String(holder.children![at]!.children![0]!.value);
				const edits = modify(text, [...path, step, ...stepsOf(pointer)], values[f], optionsFor(text));
				splices.push(...edits.map(spliceOf));
			}
		}
		return splices;
	},

	insert(record, text, after, values) {
		const { node: holder, path } = holderAround(holdersOf(record, 'file', text), after?.start);
		const options = optionsFor(text);
		const { name, value } = memberOf(record, holder, values);
		const children = holder.children ?? [];
		const model = children.find((c) => c.offset === after?.start) ?? children.at(-1);
		if (model) return [behind(text, holder, model, name, value)];
		const edits =
			holder.type === 'array'
				? modify(text, [...path, holder.children?.length ?? 0], value, { ...options, isArrayInsertion: true })
				: modify(text, [...path, name ?? ''], value, options);
		return edits.map(spliceOf);
	},

	remove(record, text, { start }) {
		const { node: holder, path } = holderAround(holdersOf(record, 'file', text), start);
		const at = (holder.children ?? []).findIndex((c) => c.offset === start);
		const child = holder.children![at]!;
		const step = holder.type === 'array' ? at : String(child.children![0]!.value);
		return modify(text, [...path, step], undefined, {}).map(spliceOf);
	},

	toggle() {
		throw new NotWritableError('JSON has no comments, so a record cannot be disabled; remove it instead');
	},

	write(record, rows, lineEnd) {
		if (stepsOf(record.at).includes('*'))
			throw new NotWritableError('the records of this format are in several lists; start from a file that has them');
		const built_ = rows.map((row) => built(record, row));
		const isMap = Object.values(record.fields).includes('#');
		let value: unknown = isMap
			? Object.fromEntries(built_.map(({ name, value }) => [name ?? '', value]))
			: built_.map((b) => b.value);
		for (const step of stepsOf(record.at).reverse()) value = { [step]: value };
		return (JSON.stringify(value, null, '\t') + '\n').replaceAll('\n', lineEnd);
	}
};

/** A record as a member of that holder. */
function memberOf(record: Json, holder: Node, values: Values): { name: string | undefined; value: unknown } {
	const { name, value } = built(record, values);
	return holder.type === 'array' && name !== undefined ? { name: undefined, value: { [name]: value } } : { name, value };
}

/** A new member behind another one and laid out as that is; no other sign of the file changes. */
function behind(text: string, holder: Node, model: Node, name: string | undefined, value: unknown): Splice {
	const before = holder.children![holder.children!.indexOf(model) - 1];
	const from = before ? before.offset + before.length : holder.offset + 1;
	// what stands between a member and the one before it, without the comma: a line end and blanks, or a blank, or nothing
	const gap = text.slice(from, model.offset).replace(/^\s*,/, '');
	const lead = /^\s*$/.test(gap) ? gap : ' ';
	const own = text.slice(model.offset, model.offset + model.length);
	const indent = /[ \t]*$/.exec(lead)![0];
	const isTall = /[\r\n]/.test(own);
	const step = /\n([ \t]+)\S/.exec(own)?.[1]?.slice(indent.length) || '\t';
	const eol = text.includes('\r\n') ? '\r\n' : '\n';
	const written = isTall
		? JSON.stringify(value, null, step).replaceAll('\n', eol + indent)
		: inline(value, /^\{\s/.test(own) || /:\s*\{\s/.test(own));
	const colon = /^"(?:[^"\\]|\\.)*"(\s*:\s*)/.exec(own)?.[1] ?? ': ';
	const at = model.offset + model.length;
	return { start: at, end: at, insert: `,${lead}${name === undefined ? '' : JSON.stringify(name) + colon}${written}` };
}

/** A value on one line. */
function inline(value: unknown, isAiry: boolean): string {
	if (typeof value !== 'object' || value === null) return JSON.stringify(value);
	const members = Object.entries(value).map(([key, one]) => `${JSON.stringify(key)}: ${inline(one, isAiry)}`);
	return isAiry ? `{ ${members.join(', ')} }` : `{${members.join(', ')}}`;
}

/** A record as a value, and its name when the records are in an object. */
export function built(
	record: { readonly fields: Partial<Record<Field, string>> },
	values: Values
): { name: string | undefined; value: unknown } {
	let name: string | undefined;
	let value: unknown = {};
	for (const [field, pointer] of Object.entries(record.fields) as [Field, string][]) {
		const said = values[field];
		if (said === undefined || said === '') continue;
		if (pointer === '#') name = said;
		else if (pointer === '') value = said;
		else
			stepsOf(pointer).reduce(
				(into, step, i, steps) => {
					const next = i === steps.length - 1 ? said : Object.hasOwn(into, step) ? into[step] : {};
					Object.defineProperty(into, step, { value: next, enumerable: true, configurable: true, writable: true });
					return next as Record<string, unknown>;
				},
				value as Record<string, unknown>
			);
	}
	return { name, value: asLists(value) };
}

/** Objects whose members are called 0, 1, 2 … are lists: a pointer does not tell which of both it leads through. */
function asLists(value: unknown): unknown {
	if (typeof value !== 'object' || value === null) return value;
	const members = Object.entries(value).map(([key, one]) => [key, asLists(one)] as const);
	const isList =
		members.length > 0 && members.every(([key], i) => members.some(([other]) => other === String(i)) && /^\d+$/.test(key));
	return isList ? members.sort(([a], [b]) => Number(a) - Number(b)).map(([, one]) => one) : Object.fromEntries(members);
}
