import { isMap, isScalar, isSeq, parse as parseYaml, parseDocument } from 'yaml';
import { findNodeAtOffset, getNodePath, parseTree } from 'jsonc-parser';
import { FileRefusedError } from '../format/problem.ts';
import { StrokeSyntaxError } from '../stroke/stroke.ts';
import { areSteps } from '../chapters/macros/steps.ts';
import { SHIPPED_RECIPES } from '../recipe/shipped.ts';
import { NEEDED, type Field } from '../recipe/field.ts';
import { linesOf } from '../text/lines.ts';
import { readWith } from '../recipe/reading.ts';
import { Recipe, type KeySpelling, type RecordShape } from '../recipe/recipe.ts';
import { guessSpelling, readKeys } from '../recipe/spelling.ts';
import type { FileRecord, Reading } from '../recipe/record.ts';

/** What somebody marked in a sample: for some fields of one record, where they stand. */
export type Marks = Partial<Record<Field, { readonly start: number; readonly end: number }>>;

export interface Proposal {
	readonly recipe: Recipe;
	readonly reading: Reading;
}

const COMMENT_SIGNS = ['##', ';;', '#', ';', '//', '--', "'", '!', '*', '%', 'REM'];
const JOINTS = ['->', '=>', '=', ':', ',', ';', '|', '\t', '>', ' '];
const QUOTES = ['"', "'"];
/** What ends a line that goes on in the next one. */
const CONTINUED = ['\\', '&', '_', '...', '…'];

/** What a proposal goes by: what it is about, and which commands there are. */
interface Asked {
	readonly main: 'alias' | 'keys';
	readonly knows: (command: string) => boolean;
}

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
	/** What shapes of lines are tried on; those of trees need all of it. */
	const part = wholeLines(sample, LONGEST_TRIED);
	// a macro's name and steps stand in a file as an alias and its command do
	const main = holds === 'shortcuts' ? 'keys' : 'alias';
	const asAlias: Marks = renamed(marks, AS_ALIAS[holds]);
	const asked: Asked = { main, knows };
	const guessed = Object.keys(marks).length >= 2 ? fromMarks(sample, main, asAlias) : guesses(sample, part, asked);
	// where a place stands is told by nothing that is known: what Skarn ships is tried first
	const shipped = holds === 'bars' ? Object.values(SHIPPED_RECIPES).filter((recipe) => recipe.holds === 'bars') : [];
	const shapes = [...shipped.map(({ record }) => record), ...guessed.map((record) => instead(record, holds))];
	const [first, second] = NEEDED[holds];
	const seen = new Set<string>();
	const found: (Proposal & { score: number })[] = [];
	for (const record of shapes) {
		const recipe = Recipe.safeParse({ format: 'skarn-recipe', version: 1, name, holds, record });
		if (!recipe.success || seen.has(JSON.stringify(recipe.data.record))) continue;
		if (seen.size > MOST_TRIED) break;
		seen.add(JSON.stringify(recipe.data.record));
		try {
			const reading = readWith(recipe.data, 'sample', isTree(record) ? sample : part);
			const live = reading.records.filter((r) => !r.off);
			const read = JSON.stringify(reading.records.map((r) => Object.entries(r.fields).map(([f, s]) => [f, s.start, s.end])));
			if (live.length === 0 || seen.has(read)) continue;
			seen.add(read);
			const isKnown = (r: FileRecord) => (holds === 'macros' ? areSteps(r.fields.steps!.value) : knows(r.fields.command!.value));
			const inputs = holds === 'shortcuts' ? live.map((r) => r.fields.keys!.value) : [];
			const keys = inputs.some((text) => !isInput(text)) ? guessSpelling(inputs) : undefined;
			const sound = live.filter(
				(r) =>
					(holds === 'bars' ? BEGINS_A_NAME.test(r.fields[first]!.value) : looksLike(main, r.fields[first]!.value, keys)) &&
					(holds === 'macros' || isOneWord(r.fields[second]!.value))
			);
			const plausible = sound.length;
			const known = sound.filter(isKnown).length;
			if (2 * plausible < live.length || live.length < reading.unknown.length) continue;
			const notes = live.filter((r) => r.fields.note).length;
			found.push({
				recipe: keys ? { ...recipe.data, keys } : recipe.data,
				reading,
				score:
					6 * known +
					(known > 0 ? 0 : 3) * plausible +
					0.1 * notes +
					0.2 * (reading.records.length - live.length) +
					2 * worthOf(live.map((r) => r.fields[first]!.value)) -
					2 * (live.length - plausible) -
					0.05 * live.length -
					2 * reading.unknown.length -
					(inputs.length > 1 && shareFirstStroke(inputs, keys) ? 3 * live.length : 0)
			});
		} catch (error) {
			if (!(error instanceof FileRefusedError)) throw error;
		}
	}
	return found
		.sort((a, b) => b.score - a.score)
		.slice(0, MOST_GIVEN)
		.map(({ recipe }) => ({ recipe, reading: readWith(recipe, 'sample', sample) }));
}

/** What stands in a file as the fields of an alias do. */
const AS_ALIAS: Readonly<Record<Recipe['holds'], Partial<Record<Field, Field>>>> = {
	aliases: {},
	shortcuts: {},
	macros: { macro: 'alias', steps: 'command', label: 'note' },
	bars: { bar: 'alias', label: 'note' }
};

function renamed<T>(fields: Partial<Record<Field, T>>, names: Partial<Record<Field, Field>>): Partial<Record<Field, T>> {
	return Object.fromEntries((Object.entries(fields) as [Field, T][]).map(([f, value]) => [names[f] ?? f, value]));
}

/** A shape for aliases as one for what else stands in a file like them. */
function instead(record: RecordShape, holds: Recipe['holds']): RecordShape {
	const names: Partial<Record<Field, Field>> = Object.fromEntries(
		Object.entries(AS_ALIAS[holds]).map(([own, alias]) => [alias, own])
	);
	if (Object.keys(names).length === 0) return record;
	switch (record.shape) {
		case 'line':
			return { ...record, template: record.template.replaceAll(/\{(\w+)/g, (_, name: Field) => `{${names[name] ?? name}`) };
		case 'delimited':
			return { ...record, columns: record.columns.map((column) => names[column] ?? column) };
		default:
			return { ...record, fields: renamed(record.fields, names) } as RecordShape;
	}
}

/** The name of a bar may be of several words; a sign in front of it is one of comments. */
const BEGINS_A_NAME = /^[\p{L}\p{N}]/u;

/** So much of a sample of lines is tried on, and so many proposals are given. */
const LONGEST_TRIED = 8_000;
const MOST_GIVEN = 8;

const isTree = ({ shape }: RecordShape): boolean => shape === 'json' || shape === 'yaml' || shape === 'xml';

function wholeLines(text: string, most: number): string {
	if (text.length <= most) return text;
	const end = Math.max(text.lastIndexOf('\n', most), text.lastIndexOf('\r', most));
	return end === -1 ? text.slice(0, most) : text.slice(0, end + 1);
}

/** So many shapes are tried on a sample. */
const MOST_TRIED = 900;

/** From 0 to 2: inputs or names differ from each other, and are more than numbers. */
function worthOf(values: readonly string[]): number {
	const different = new Set(values.map((value) => value.toLowerCase())).size;
	const rich = values.filter((value) => /\D/.test(value)).length;
	return (different + rich) / values.length;
}

/** Whether all inputs begin with the same bare sign and go on: then it is a sign of the format, and none of theirs. */
function shareFirstStroke(inputs: readonly string[], spelling: KeySpelling | undefined): boolean {
	const firsts = inputs.map((text) => {
		const strokes = isInput(text, spelling) ? readKeys(text, spelling).split(' ') : [];
		return strokes.length > 1 && !strokes[0]!.includes('+') ? strokes[0] : undefined;
	});
	return firsts[0] !== undefined && !/[\p{L}\p{N}]/u.test(firsts[0]) && firsts.every((first) => first === firsts[0]);
}

const isOneWord = (value: string): boolean => !/[\s"'(){}<>]/.test(value);

function isInput(text: string, spelling?: KeySpelling): boolean {
	try {
		return readKeys(text, spelling) !== '';
	} catch (error) {
		if (error instanceof StrokeSyntaxError) return false;
		throw error;
	}
}

function looksLike(main: 'alias' | 'keys', value: string, spelling?: KeySpelling): boolean {
	if (main === 'alias') return /^\S{1,16}$/.test(value) && !/["'(){}<>,]/.test(value);
	if (isInput(value, spelling)) return true;
	// in a spelling that nobody knows yet
	return !/["'(){}<>]/.test(value) && /ctrl|control|strg|alt|shift|meta|cmd/i.test(value) && value.length <= 40;
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
	const continues = CONTINUED.find((sign) => text.split(/\r\n|\r|\n/).some((l) => l.trimEnd().endsWith(sign)));
	const base = { shape: 'line' as const, sections, ...(comment && { comment }), ...(continues && { continues }) };
	if (/\} \{/.test(template) && /\S(?: {2,}|\t+)\S/.test(text)) {
		const columns = { ...base, gap: 'wide' as const };
		return [
			{ ...columns, template },
			{ ...columns, template: `${template} {note}` },
			{ ...columns, template: template.replace('} {', '} {skip} {') },
			{ ...base, template }
		];
	}
	const signs = [...new Set([comment, '#', ';', '//'])].filter((s): s is string => s !== undefined);
	const withNote = template.includes('{note}')
		? []
		: signs.map((sign) => ({ ...base, template: `${template}[ ${literal(sign)} {note}]` }));
	return [{ ...base, template }, ...withNote];
}

function guesses(sample: string, text: string, asked: Asked): RecordShape[] {
	const start = sample.replace(/^\uFEFF/, '').trimStart();
	if (start.startsWith('{') || (start.startsWith('[') && parseTree(start) !== undefined && /^\[\s*[{["]/.test(start)))
		return treeShapes('json', () => JSON.parse(start), asked);
	if (start.startsWith('<')) return xmlShapes(sample, asked);
	const signs = [commentSign(text), ...ownSigns(text, asked)].filter((sign) => sign !== undefined);
	const comments = [...new Set([...signs, undefined])];
	const shapes: RecordShape[] = [];
	for (const comment of comments) {
		shapes.push(...delimitedShapes(text, asked, comment));
		for (const template of templatesIn(text, asked, comment)) shapes.push(...lineShapes(template, comment, text));
		for (const joint of [...JOINTS, ...sharedWord(text)])
			for (const template of templatesWith(joint, asked.main, text)) shapes.push(...lineShapes(template, comment, text));
	}
	if (/^[\w-]+:|^\s*- /m.test(text)) shapes.unshift(...treeShapes('yaml', () => parseYaml(sample, { maxAliasCount: 0 }), asked));
	return shapes;
}

/** Main field and command in either order around the joint, bare or in quotes if there are such. */
function templatesWith(joint: string, main: Field, text: string): string[] {
	const sign = joint.trim() === '' ? ' ' : ` ${literal(joint)} `;
	const quotes = QUOTES.filter((quote) => text.split(quote).length > 2);
	const templates: string[] = [];
	for (const [a, b] of [
		[main, 'command'],
		['command', main]
	] as const) {
		templates.push(`{${a}}${sign}{${b}}`);
		for (const q of quotes)
			templates.push(`${q}{${a}}${q}${sign}${q}{${b}}${q}`, `${q}{${a}}${q}${sign}{${b}}`, `{${a}}${sign}${q}{${b}}${q}`);
	}
	return templates;
}

/** Signs or words with which lines begin that hold no command, such as a file's own sign for remarks. */
function ownSigns(text: string, { knows }: Asked): string[] {
	const counts = new Map<string, number>();
	for (const { start, end } of linesOf(text)) {
		const line = text.slice(start, end).trim();
		const sign = /^(?:[^\p{L}\p{N}\s"'[]{1,4}|\p{Lu}{2,4}(?=\s))/u.exec(line)?.[0];
		const holdsCommand = line.split(/[^\p{L}\p{N}._-]+/u).some((word) => knows(word));
		if (sign && !holdsCommand) counts.set(sign, (counts.get(sign) ?? 0) + 1);
		// a record that is commented out has the sign before it
		if (sign && holdsCommand && !/\p{L}/u.test(sign)) counts.set(sign, (counts.get(sign) ?? 0) + 0.5);
	}
	return [...counts]
		.filter(([sign, n]) => n > 1 || !/\p{L}/u.test(sign))
		.sort((a, b) => b[1] - a[1])
		.slice(0, 2)
		.map(([sign]) => sign);
}

/** Something that stands in a line as a command does: one that is known, or a word with joints in it. */
const COMMAND = /[\p{L}_][\p{L}\p{N}_]*(?:[.:/-][\p{L}\p{N}_]+)+|[\p{L}_]{4,}/gu;
/** Keys with modifiers or a key with a name, as many strokes as there are; or one sign. */
const INPUT =
	/(?:(?:ctrl|control|strg|alt|option|shift|umschalt|meta|cmd|command|win|[CMSA])\s?[+-]\s?)+[^\s"'(),;=<>]+|F\d{1,2}\b|[^\s"'(),;=<>]+(?:\s?\+\s?(?:ctrl|strg|alt|shift|meta))+|(?<![\p{L}\p{N}._])[\p{L}\p{N}](?![\p{L}\p{N}._])/giu;
const NAME = /[\p{L}\p{N}_]{1,12}/gu;

/** Templates that some lines have: all that stands around a command and an input or name in them. */
function templatesIn(text: string, { main, knows }: Asked, comment: string | undefined): string[] {
	const templates = new Map<string, number>();
	let looked = 0;
	for (const { start, end } of linesOf(text)) {
		const line = text.slice(start, end);
		if (line.trim() === '' || (comment && line.trimStart().startsWith(comment))) continue;
		if (++looked > 12) break;
		const commands = [...line.matchAll(COMMAND)].filter(([word]) => knows(word) || /[.:/]/.test(word));
		const inputs = [...line.matchAll(main === 'keys' ? INPUT : NAME)];
		for (const command of commands.slice(0, 2))
			for (const input of inputs.slice(0, 6)) {
				const [c, i] = [command.index, input.index];
				if (i < c + command[0].length && c < i + input[0].length) continue;
				const parts = [
					{ field: 'command', from: c, to: c + command[0].length },
					{ field: main as string, from: i, to: i + input[0].length }
				].sort((a, b) => a.from - b.from);
				let template = '';
				let at = 0;
				for (const { field, from, to } of parts) {
					template += literal(line.slice(at, from)) + `{${field}}`;
					at = to;
				}
				template = (template + literal(line.slice(at))).trim().replaceAll(/[ \t]+/g, ' ');
				// without what is only of this line
				const bare = template.replace(/(\}["')\];, ]*)[^{}]*$/, '$1').trim();
				for (const one of new Set([template, bare])) templates.set(one, (templates.get(one) ?? 0) + 1);
			}
	}
	return [...templates]
		.sort((a, b) => b[1] - a[1])
		.slice(0, 12)
		.map(([template]) => template);
}

/** Fields between delimiters: by their names in the first line, or by what stands in them. */
function delimitedShapes(text: string, asked: Asked, comment: string | undefined): RecordShape[] {
	const shapes: RecordShape[] = [];
	const { main } = asked;
	for (const delimiter of [',', ';', '\t', '|']) {
		if (comment === delimiter) continue;
		const lines = [...linesOf(text)]
			.map(({ start, end }) => text.slice(start, end))
			.filter((l) => l.trim() !== '' && !(comment && l.startsWith(comment)));
		const [head = ''] = lines;
		const unquoted = (cell: string) => cell.trim().replaceAll('"', '');
		const names = head.split(delimiter).map((n) => unquoted(n).toLowerCase());
		if (names.length < 2) continue;
		const base = { shape: 'delimited' as const, delimiter, quote: '"' as const, ...(comment && { comment }) };
		const columns = names.map((n) => fieldOfName(n, main));
		if (
			columns.includes(main) &&
			columns.includes('command') &&
			new Set(columns.filter((c) => c !== 'skip')).size === columns.filter((c) => c !== 'skip').length
		)
			shapes.push({ ...base, header: true, columns });
		const values = new Map(
			names.map((_, i) => [String(i), lines.slice(1, 40).map((l) => unquoted(l.split(delimiter)[i] ?? ''))])
		);
		const byValue = fieldsByValue(values, asked);
		if (byValue) {
			const guessed: Field[] = names.map((_, i) =>
				byValue.command === String(i) ? 'command' : byValue[main] === String(i) ? main : 'skip'
			);
			shapes.push({ ...base, header: true, columns: guessed }, { ...base, header: false, columns: guessed });
		}
		for (const [a, b] of [
			[0, 1],
			[1, 0]
		] as const) {
			const plain: Field[] = names.map((_, i) => (i === a ? main : i === b ? 'command' : 'skip'));
			shapes.push({ ...base, header: false, columns: plain });
		}
	}
	return shapes;
}

/**
 * Which place holds commands and which the inputs or names, by the values that stand there; undefined if that cannot be told.
 */
function fieldsByValue(
	places: ReadonlyMap<string, readonly string[]>,
	{ main, knows }: Asked
): Partial<Record<Field, string>> | undefined {
	const share = (values: readonly string[], test: (value: string) => boolean) => {
		const said = values.filter((v) => v !== '');
		return said.length === 0 ? 0 : said.filter(test).length / said.length;
	};
	const best = (test: (value: string) => boolean, not?: string) =>
		[...places]
			.filter(([place]) => place !== not)
			.map(([place, values]) => ({ place, share: share(values, test), worth: values.length === 0 ? 0 : worthOf(values) }))
			.sort((a, b) => b.share + 0.1 * b.worth - a.share - 0.1 * a.worth)[0];
	const known = best(knows);
	const command =
		known && known.share > 0 ? known : best((value) => /^[\p{L}_][\p{L}\p{N}_]*([.:_/-][\p{L}\p{N}_]+)+$/u.test(value));
	if (!command || command.share < 0.3) return undefined;
	const isMain = (value: string) =>
		main === 'keys' ? isInput(value) || looksLike('keys', value) : /^\S{1,8}$/.test(value) && !/^\d+$/.test(value);
	const other = best(isMain, command.place);
	if (!other || other.share < 0.3) return undefined;
	return { command: command.place, [main]: other.place };
}

const NAMES: readonly (readonly [Field, RegExp])[] = [
	['command', /command|function|action|target|befehl|funktion|^id$|runs|^do$|^cmd$|^run$|^to$/],
	['keys', /key|shortcut|stroke|taste|kürzel|^on$|press|hotkey|^input$|binding/],
	['alias', /alias|name|short|abbr|typed|kürzel|abkürzung/],
	['note', /note|comment|description|remark|why|bemerkung|hinweis|kommentar/],
	['context', /context|scope|where|mode|bereich|kontext/]
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

/** The pointers to all texts in a record, with what stands there. */
function leavesOf(value: unknown, at = '', depth = 0): [pointer: string, text: string][] {
	if (typeof value === 'string' || typeof value === 'number') return [[at, String(value)]];
	if (typeof value !== 'object' || value === null || depth > 3) return [];
	return Object.entries(value)
		.slice(0, 30)
		.flatMap(([name, member]) => leavesOf(member, at + pointerStep(name), depth + 1));
}

/** The places of fields in records like these: by the names on the way to them, and by what stands there. */
function recordShapes(records: readonly unknown[], asked: Asked): Partial<Record<Field, string>>[] {
	const places = new Map<string, string[]>();
	for (const record of records.slice(0, 60))
		for (const [pointer, text] of leavesOf(record)) {
			const known = places.get(pointer);
			if (known) known.push(text);
			else places.set(pointer, [text]);
		}
	const named = fieldsByName(
		[...places.keys()].map((p) => p.slice(1)),
		asked.main,
		(name) => `/${name}`
	);
	const byValue = fieldsByValue(places, asked);
	return [named, ...(byValue ? [{ ...named, ...byValue }, byValue] : [])];
}

function treeShapes(shape: 'json' | 'yaml', read: () => unknown, asked: Asked): RecordShape[] {
	const { main } = asked;
	const shapes: RecordShape[] = [];
	const isObject = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null;
	/** The values that a pointer leads to, of which a step can be `*`. */
	const visit = (values: readonly unknown[], at: string, depth: number) => {
		const holders = values.filter(isObject);
		if (holders.length === 0 || depth > 4) return;
		const isList = holders.every((holder) => Array.isArray(holder));
		const members = holders.flatMap((holder) => Object.values(holder)).slice(0, 300);
		const records = members.filter(isObject);
		if (records.length > 0) {
			for (const fields of recordShapes(records, asked)) shapes.push({ shape, at, fields });
			if (!isList)
				for (const fields of recordShapes(records, asked))
					if (fields.command) shapes.push({ shape, at, fields: { [main]: '#', command: fields.command } });
			// records of one member, which gives each its name
			if (isList && records.every((record) => !Array.isArray(record) && Object.keys(record).length === 1))
				shapes.push({ shape, at, fields: { [main]: '#', command: '' } }, { shape, at, fields: { command: '#', [main]: '' } });
		}
		if (!isList && members.some((member) => typeof member === 'string'))
			shapes.push({ shape, at, fields: { [main]: '#', command: '' } }, { shape, at, fields: { command: '#', [main]: '' } });
		if (holders.length === 1)
			for (const [key, child] of Object.entries(holders[0]!).slice(0, 200)) visit([child], at + pointerStep(key), depth + 1);
		if (shape === 'json' && records.length > 1) {
			visit(records, `${at}/*`, depth + 1);
			for (const name of new Set(records.flatMap((record) => Object.keys(record)).slice(0, 40)))
				visit(
					records.map((record) => record[name]),
					`${at}/*${pointerStep(name)}`,
					depth + 2
				);
		}
	};
	try {
		visit([read()], '', 0);
	} catch {
		// what is broken is told when the recipe reads the file
	}
	return shapes;
}

function xmlShapes(text: string, asked: Asked): RecordShape[] {
	const { main } = asked;
	const byElement = new Map<string, Map<string, string[]>>();
	const add = (places: Map<string, string[]>, place: string, value: string) =>
		void places.set(place, [...(places.get(place) ?? []), value]);
	for (const [, element, attributes, inside] of text.matchAll(
		/<([\p{L}_][\p{L}\p{N}_.:-]*)((?:\s+[\p{L}_][\p{L}\p{N}_.:-]*\s*=\s*(?:"[^"<]*"|'[^'<]*'))*)\s*\/?>([^<]*)/gu
	)) {
		const places = byElement.get(element!) ?? new Map<string, string[]>();
		for (const [, name, value] of attributes!.matchAll(/([\p{L}_][\p{L}\p{N}_.:-]*)\s*=\s*["']([^"']*)["']/gu))
			add(places, `@${name}`, value!);
		if (inside!.trim() !== '') add(places, '.', inside!.trim());
		byElement.set(element!, places);
	}
	return [...byElement].flatMap(([element, places]): RecordShape[] => {
		const names = [...places.keys()].filter((place) => place !== '.').map((place) => place.slice(1));
		const fields = fieldsByName(names, main, (name) => `@${name}`);
		const byValue = fieldsByValue(places, asked);
		const free = (['command', main] as const).filter((f) => !fields[f]);
		return [
			{ shape: 'xml', element, fields },
			...free.map((f) => ({ shape: 'xml' as const, element, fields: { ...fields, [f]: '.' } })),
			...(byValue ? [{ shape: 'xml' as const, element, fields: byValue }] : [])
		];
	});
}

/** Why no recipe can say what such a sample holds, in words; undefined if nothing speaks against it. */
export function unsayable(text: string, holds: Recipe['holds'], knows: (command: string) => boolean): string | undefined {
	if (holds !== 'aliases') return undefined;
	let several = 0;
	let lines = 0;
	for (const { start, end } of linesOf(text.slice(0, 20_000))) {
		const words = text.slice(start, end).split(/[^\p{L}\p{N}._-]+/u);
		if (!words.some((word) => knows(word))) continue;
		lines++;
		const line = text.slice(start, end);
		// a list of short names beside the command, with the same sign between any two of them
		const list = /(?:^|[\s:=>(])([\p{L}\p{N}]{1,6}(?:\s*[,;/|]\s*[\p{L}\p{N}]{1,6})+)(?:[\s)]|$)/u.exec(line);
		if (list && !list[1]!.split(/[,;/|]/).some((word) => knows(word.trim()))) several++;
	}
	return lines > 1 && 2 * several > lines
		? 'Lines of this file seem to give one command several names. A record of a recipe has one name: split such lines, and import the file again.'
		: undefined;
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
				: /^\s*- |^[\w-]+:\s*$/m.test(text)
					? markedYaml(text, spans)
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
	return markedTree('json', marked);
}

function markedYaml(text: string, spans: readonly [Field, { start: number; end: number }][]): RecordShape[] {
	const document = parseDocument(text, { logLevel: 'silent' });
	if (document.errors.length > 0) return [];
	const marked: Marked[] = [];
	const visit = (node: unknown, path: readonly (string | number)[]): void => {
		if (isMap(node))
			for (const { key, value } of node.items) {
				const inside = [...path, String(isScalar(key) ? key.value : '')];
				take(key, inside, true);
				visit(value, inside);
			}
		else if (isSeq(node)) node.items.forEach((item, i) => visit(item, [...path, i]));
		else take(node, path, false);
	};
	const take = (node: unknown, path: readonly (string | number)[], isName: boolean): void => {
		if (!isScalar(node) || !node.range) return;
		const [from, to] = node.range;
		const span = spans.find(([, { start, end }]) => start >= from && end <= to);
		if (span) marked.push({ field: span[0], path, isName });
	};
	visit(document.contents, []);
	return markedTree('yaml', marked);
}

/** A marked value or name, by the way that leads to it, or to what it is the name of. */
interface Marked {
	readonly field: Field;
	readonly path: readonly (string | number)[];
	readonly isName: boolean;
}

function markedTree(shape: 'json' | 'yaml', marked: readonly Marked[]): RecordShape[] {
	if (marked.length < 2) return [];
	let shared = 0;
	while (marked.every(({ path }) => path.length > shared && path[shared] === marked[0]!.path[shared])) shared++;
	// the record is what all marked values share; a name stands for the record itself
	const depth = Math.min(shared, ...marked.filter((m) => m.isName).map((m) => m.path.length));
	const place = (at: number): RecordShape => ({
		shape,
		at: marked[0]!.path
			.slice(0, at - 1)
			.map(pointerStep)
			.join(''),
		fields: Object.fromEntries(
			marked.map(({ field, path, isName }) => [
				field,
				isName && path.length === depth ? '#' : path.slice(depth).map(pointerStep).join('')
			])
		)
	});
	// the only member of a record in a list gives it its name
	const isMember = marked.some((m) => m.isName && m.path.length === depth) && typeof marked[0]!.path[depth - 2] === 'number';
	return isMember ? [place(depth - 1), place(depth)] : [place(depth)];
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
