import { FileRefusedError } from '../format/problem.ts';
import type { Field } from './field.ts';
import { fieldsOf, type Recipe, type RecordShape } from './recipe.ts';
import { NotWritableError, type FileRecord, type Reading, type Splice, type Values } from './record.ts';
import { shapeOf } from './shapes/shapes.ts';
import type { Fields } from './template.ts';

/*
 * What is written is read back before it is given out: a value can hold signs that its format has no way to say, and a file that
 * says something else than was meant is worse than a refusal.
 */

const read = (record: RecordShape, text: string): Reading => shapeOf(record.shape).read(record as never, 'file', text);

/** What a record says, as far as the format can say it: of a lock only whether it is there, and nothing of empty fields. */
function saying(values: Values | Fields, fields: readonly Field[]): Map<Field, string> {
	const said = new Map<Field, string>();
	for (const field of fields) {
		if (field === 'skip') continue;
		const one = values[field];
		const value = typeof one === 'string' ? one : one?.value;
		if (value !== undefined && value !== '') said.set(field, field === 'lock' ? 'locked' : value);
	}
	return said;
}

function difference(wanted: Map<Field, string>, found: Map<Field, string>): string | undefined {
	for (const field of new Set([...wanted.keys(), ...found.keys()])) {
		const [want, have] = [wanted.get(field), found.get(field)];
		if (want === have) continue;
		if (want === undefined) return `the result would also read as the ${field} "${have}"`;
		return `"${short(want)}" cannot be written as the ${field} in this format: it would read as ${have === undefined ? 'nothing' : `"${short(have)}"`}`;
	}
	return undefined;
}

const short = (text: string) => JSON.stringify(text.length > 60 ? `${text.slice(0, 60)}…` : text).slice(1, -1);

/** Reads the text; what is no file of the format any more is not written. */
function readNew(record: RecordShape, text: string): Reading {
	try {
		return read(record, text);
	} catch (error) {
		if (!(error instanceof FileRefusedError)) throw error;
		throw new NotWritableError(`the file could not be read any more afterwards: ${error.problems[0]?.message ?? error.message}`);
	}
}

/** Throws `NotWritableError` if the file does not say just these records. */
export function refuseLostRows({ record }: Recipe, rows: readonly Values[], text: string): void {
	const fields = fieldsOf(record);
	const { records } = readNew(record, text);
	const found = records.filter(({ off }) => !off);
	for (const [i, row] of rows.entries()) {
		const wanted = saying(row, fields);
		const one = found[i];
		const problem = one ? difference(wanted, saying(one.fields, fields)) : 'it would not be read as a record';
		if (problem)
			throw new NotWritableError(`record ${i + 1} (${[...wanted.values()].slice(0, 2).map(short).join(', ')}): ${problem}`);
	}
	if (found.length > rows.length)
		throw new NotWritableError(`what is written would read as ${found.length} records instead of ${rows.length}`);
}

/** The lines of the text that the splices touch, and those that stand there afterwards. */
function touched(text: string, splices: readonly Splice[], around: { readonly start: number; readonly end: number }) {
	const from = Math.min(around.start, ...splices.map((s) => s.start));
	const to = Math.max(around.end, ...splices.map((s) => s.end));
	const start = Math.max(text.lastIndexOf('\n', from - 1), text.lastIndexOf('\r', from - 1)) + 1;
	const rest = text.slice(to).search(/[\r\n]/);
	const end = rest === -1 ? text.length : to + rest;
	return { start, end };
}

/** Records of lines can be read by themselves; of other files the whole must be read. */
function apart(record: RecordShape): RecordShape | undefined {
	switch (record.shape) {
		case 'line':
			return record.sections === 'context' || record.continues ? undefined : record;
		case 'delimited':
			return { ...record, header: false };
		case 'json':
		case 'yaml':
		case 'xml':
			return undefined;
	}
}

/**
 * Throws `NotWritableError` if the text with the splices does not say what it said, but for the record with its new values; or
 * for a new record of them, if there is no such record yet.
 */
export function refuseLost(
	recipe: Recipe,
	text: string,
	splices: readonly Splice[],
	values: Values,
	{ changes, after }: { readonly changes?: FileRecord; readonly after?: FileRecord | undefined }
): void {
	const fields = fieldsOf(recipe.record);
	const put = (part: string, from: number) =>
		[...splices]
			.sort((a, b) => b.start - a.start || b.end - a.end)
			.reduce((now, s) => now.slice(0, s.start - from) + s.insert + now.slice(s.end - from), part);
	const alone = apart(recipe.record);
	const near = changes ?? after ?? { start: text.length, end: text.length };
	const { start, end } = alone ? touched(text, splices, near) : { start: 0, end: text.length };
	const record = alone ?? recipe.record;
	const old = text.slice(start, end);
	const before = read(record, old).records;
	const now = readNew(record, put(old, start)).records;
	const wanted = saying(changes ? { ...valuesOf(changes.fields), ...values } : values, fields);
	const same = (a: FileRecord, b: FileRecord) =>
		a.off === b.off && difference(saying(a.fields, fields), saying(b.fields, fields)) === undefined;
	let at = changes ? before.findIndex((r) => r.start + start === changes.start) : 0;
	if (!changes) while (at < before.length && now[at] && same(before[at]!, now[at]!)) at++;
	const expected = changes ? before.length : before.length + 1;
	const one = now[at];
	if (now.length !== expected || !one)
		throw new NotWritableError(
			now.length < expected
				? `${[...wanted.values()].map((v) => `"${short(v)}"`).join(', ')} would not be read as a record of this format any more`
				: `what is written would read as ${now.length - expected} more records than there should be`
		);
	const found = saying(one.fields, fields);
	// a new record among others is in the section that they are in, unless it asks for one
	if (!changes && !wanted.has('context')) found.delete('context');
	const problem = difference(wanted, found);
	if (problem) throw new NotWritableError(problem);
	const isOff = changes?.off ?? false;
	if (one.off !== isOff) throw new NotWritableError(`what is written would be ${one.off ? 'a comment' : 'a record that holds'}`);
	const others = now.filter((_, i) => i !== at);
	const kept = changes ? before.filter((_, i) => i !== at) : before;
	if (!kept.every((r, i) => same(r, others[i]!))) throw new NotWritableError('another record would change');
}

const valuesOf = (fields: Fields): Values => Object.fromEntries(Object.entries(fields).map(([name, span]) => [name, span.value]));
