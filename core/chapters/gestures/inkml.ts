/** Drawn shapes as InkML: W3C Recommendation, Ink Markup Language, 2011. The sections named here are of it. */

import { FileRefusedError } from '../../format/problem.ts';
import { xmlParser } from '../../format/xml.ts';
import { pathProblem, type Path } from '../../hand/unistroke.ts';
import { escapeXml } from '../../text/escape-xml.ts';
import { freeSlug } from '../../text/slug.ts';
import { MOST_SAMPLES, sampleOf, type Shape } from './shape.ts';

const INKML = 'http://www.w3.org/2003/InkML';

/** So many points a file may have in all. */
const MOST_POINTS = 1_000_000;

interface Channel {
	readonly name: string;
	readonly isRegular: boolean;
	/** What a value is multiplied with to be px, rightwards or downwards; 1 where nothing is said. */
	readonly scale?: number;
}

/** Px of a unit, 96 to the inch; by section 3.2.1 a channel without units is in those of the device, which are taken for px. */
const UNITS: Readonly<Record<string, number>> = {
	m: 96 / 0.0254,
	cm: 96 / 2.54,
	mm: 96 / 25.4,
	in: 96,
	pt: 96 / 72,
	pc: 16
};

/** By section 3.2.1 X grows to the right and Y downwards, unless the orientation is said to be the other. */
const scaleOf = ({ units, orientation }: Readonly<Record<string, string>>): number =>
	(UNITS[units ?? ''] ?? 1) * (orientation === '-ve' ? -1 : 1);

/** Beyond this, in px, no hand draws; and a drawing smaller than the least is one in units that nobody has named. */
const [MOST_PX, LEAST_PX] = [1e9, 4];
/** What a drawing of unknown units is made to measure, in px: shapes are told apart whatever their size. */
const COMMON_PX = 240;

/** Section 3.2.1: where no format is given, traces are of X and Y. */
const USUAL: readonly Channel[] = [
	{ name: 'X', isRegular: true },
	{ name: 'Y', isRegular: true }
];

type Order = '!' | "'" | '"';

/** What a channel was last: its value, its first difference, and how its values are meant. */
interface Last {
	value: number;
	step: number;
	order: Order;
}

const VALUE = /\s*(?<order>[!'"])?\s*(?:(?<number>-?\s*(?:\d+\.?\d*|\.\d+))|#(?<hex>[0-9A-Fa-f]+)|(?<sign>[TF*?]))/y;

/**
 * The points of a trace, as X and Y, by section 3.3.1: values may be written outright, as differences (`'`), or as differences of
 * differences (`"`), `*` repeats, `?` is not known. Throws `SyntaxError` with what is wrong.
 */
export function pointsOf(text: string, channels: readonly Channel[] = USUAL): number[] {
	const last = channels.map((): Last => ({ value: 0, step: 0, order: '!' }));
	const [x, y] = ['X', 'Y'].map((name) => channels.findIndex((channel) => channel.name === name)) as [number, number];
	const regular = channels.filter(({ isRegular }) => isRegular).length;
	const points: number[] = [];
	for (const [nth, point] of text.split(',').entries()) {
		if (point.trim() === '') {
			if (text.trim() === '') return [];
			throw new SyntaxError(`the point ${nth + 1} is empty`);
		}
		VALUE.lastIndex = 0;
		let channel = 0;
		for (; VALUE.lastIndex < point.trimEnd().length; channel++) {
			const at = VALUE.lastIndex;
			const groups = VALUE.exec(point)?.groups;
			if (!groups) throw new SyntaxError(`the point ${nth + 1} has "${point.slice(at).trim().slice(0, 12)}", which is no value`);
			const own = last[channel];
			if (!own) throw new SyntaxError(`the point ${nth + 1} has more values than the ${channels.length} channels of its format`);
			if (groups['order']) own.order = groups['order'] as Order;
			take(own, groups, nth);
		}
		if (channel < regular) throw new SyntaxError(`the point ${nth + 1} has ${channel} of ${regular} values`);
		points.push(last[x]!.value, last[y]!.value);
	}
	return points;
}

function take(own: Last, { number, hex, sign }: Record<string, string | undefined>, nth: number): void {
	if (sign === '?' || sign === 'T' || sign === 'F') return;
	const before = own.value;
	if (sign === '*') {
		// the same again: the value, the difference, or the difference of differences
		if (own.order !== '!') own.value += own.step;
		return;
	}
	const said = hex !== undefined ? Number.parseInt(hex, 16) : Number(number!.replaceAll(/\s/g, ''));
	if (own.order !== '!' && nth === 0) throw new SyntaxError('the first point is said as a difference, of nothing');
	if (own.order === '!') own.value = said;
	else if (own.order === "'") own.value += said;
	else own.value += own.step + said;
	own.step = own.value - before;
}

/**
 * The points in px. One that measures too much to be kept, or next to nothing, is made of a common size. Throws `SyntaxError` for a
 * coordinate that is beyond all use.
 */
function inPx(points: readonly number[], channels: readonly Channel[]): number[] {
	const scales = ['X', 'Y'].map((name) => channels.find((channel) => channel.name === name)?.scale ?? 1) as [number, number];
	const scaled = points.map((value, i) => value * scales[i % 2 === 0 ? 0 : 1]!);
	const far = scaled.find((value) => !(Math.abs(value) <= MOST_PX));
	if (far !== undefined) throw new SyntaxError(`has a coordinate of ${far} px; expected at most ${MOST_PX}`);
	let side = 0;
	for (let i = 2; i < scaled.length; i++) side = Math.max(side, Math.abs(scaled[i]! - scaled[i % 2]!));
	const isUsual = side >= LEAST_PX && side <= 100 * COMMON_PX;
	// below this even the differences are lost in the arithmetic
	if (side < 1e-100) return scaled.map(() => 0);
	if (isUsual) return scaled;
	return scaled.map((value, i) => ((value - scaled[i % 2]!) / side) * COMMON_PX);
}

/** A shape as it stands in a file: how it is called there, and its drawings. */
export interface InkShape {
	readonly label: string;
	readonly samples: readonly Path[];
	readonly isEitherWay: boolean;
	readonly isTurned: boolean;
}

interface Group {
	label: string;
	id: string;
	marks: Set<string>;
	samples: number[][];
}

/**
 * The shapes of an InkML file. A trace group is one shape, each of its traces a drawing of it; its name is its annotation of type `truth`
 * or `label`, else its id. Traces outside of groups are one shape, called as the file is. Throws `FileRefusedError`.
 */
export function readInk(file: string, text: string): InkShape[] {
	const { parser, parse } = xmlParser(file, text);
	const loose: Group = { label: '', id: file.replace(/\.[^.]*$/, ''), marks: new Set(), samples: [] };
	const groups: Group[] = [];
	const open: string[] = [];
	/** The groups around, the innermost last. */
	const around: Group[] = [];
	const formats = new Map<string, Channel[]>();
	/** The format of each context and of each source of ink, as far as it is known. */
	const contexts = new Map<string, Channel[]>();
	const sources = new Map<string, Channel[]>();
	/** The contexts and sources that are open, the innermost last. */
	const settings: { readonly element: string; readonly id: string; format: Channel[] | undefined }[] = [];
	/** The format of traces that name no context: that of the last context outside of definitions (section 4.3). */
	let usual: readonly Channel[] = USUAL;
	/** The traces that another one goes on with (section 3.3.1, continuation). */
	const begun = new Map<string, readonly number[]>();
	let format: Channel[] | undefined;
	let isIntermittent = false;
	let current: readonly Channel[] = USUAL;
	let attributes: Readonly<Record<string, string>> = {};
	let content = '';
	let total = 0;
	/** Points of all traces, counted while they are read. */
	let commas = 0;
	let line = 1;
	let column = 1;
	const refuse = (message: string): never => {
		throw new FileRefusedError(file, [{ line, column, message }]);
	};

	/** By the format that holds; where none does, and X and Y alone do not fit, by the first one that the file defines. */
	function read(trace: string): number[] {
		try {
			return inPx(pointsOf(trace, current), current);
		} catch (error) {
			const [defined] = formats.values();
			if (current !== USUAL || !defined || !(error instanceof SyntaxError)) throw error;
			requireXY(defined);
			return inPx(pointsOf(trace, defined), defined);
		}
	}

	function requireXY(channels: readonly Channel[]): void {
		if (!channels.some((one) => one.name === 'X') || !channels.some((one) => one.name === 'Y'))
			refuse('the format of this trace has no channel X or no channel Y');
	}

	function endTrace(): void {
		if (attributes['type'] === 'penUp') return;
		let points: number[] = [];
		try {
			points = read(content);
		} catch (error) {
			if (!(error instanceof SyntaxError)) throw error;
			refuse(`in this trace ${error.message}`);
		}
		total += points.length / 2;
		if (total > MOST_POINTS) refuse(`the file has more than ${MOST_POINTS} points`);
		const { continuation, priorRef } = attributes;
		const prior = begun.get(priorRef?.replace(/^#/, '') ?? '');
		if ((continuation === 'middle' || continuation === 'end') && !prior)
			refuse(`this trace goes on with ${priorRef ?? 'another one'}, which does not come before it`);
		if (prior) points = [...prior, ...points];
		if (continuation === 'begin' || continuation === 'middle') {
			const id = attributes['xml:id'] ?? attributes['id'] ?? '';
			begun.set(id, points);
			return;
		}
		const problem = pathProblem(points);
		if (problem) refuse(`this trace ${problem}`);
		const { samples } = around.at(-1) ?? loose;
		if (samples.length === MOST_SAMPLES) refuse(`a shape has at most ${MOST_SAMPLES} drawings; this is one more`);
		samples.push(sampleOf(points));
	}

	parser.on('opentag', ({ name, attributes: found }) => {
		line = parser.line;
		column = parser.column;
		const element = name.replace(/^.*:/, '');
		if (open.length === 0 && element !== 'ink') refuse(`the file begins with <${name}>; InkML begins with <ink>`);
		open.push(element);
		attributes = found as Record<string, string>;
		content = '';
		if (element === 'traceFormat') {
			format = [];
			formats.set(attributes['xml:id'] ?? attributes['id'] ?? '', format);
			const inside = settings.at(-1);
			if (inside) inside.format = format;
			else if (!open.includes('definitions')) usual = format;
		} else if (element === 'intermittentChannels') isIntermittent = true;
		else if (element === 'channel')
			format?.push({ name: attributes['name'] ?? '', isRegular: !isIntermittent, scale: scaleOf(attributes) });
		else if (element === 'context' || element === 'inkSource') {
			const named = (key: string) => attributes[key]?.replace(/^#/, '') ?? '';
			const known =
				formats.get(named('traceFormatRef')) ?? sources.get(named('inkSourceRef')) ?? contexts.get(named('contextRef'));
			settings.push({ element, id: attributes['xml:id'] ?? attributes['id'] ?? '', format: known });
		} else if (element === 'traceGroup') {
			const id = attributes['xml:id'] ?? attributes['id'] ?? `shape ${groups.length + 1}`;
			const group = { label: '', id, marks: new Set<string>(), samples: [] };
			around.push(group);
			groups.push(group);
		} else if (element === 'trace') {
			const context = attributes['contextRef']?.replace(/^#/, '');
			current = (context !== undefined && contexts.get(context)) || usual;
			requireXY(current);
		}
	});
	parser.on('text', (more) => {
		content += more;
		if (open.at(-1) !== 'trace') return;
		for (let at = more.indexOf(','); at >= 0; at = more.indexOf(',', at + 1)) commas++;
		if (commas > MOST_POINTS) refuse(`the file has more than ${MOST_POINTS} points`);
	});
	parser.on('closetag', () => {
		const element = open.pop();
		const group = around.at(-1);
		if (element === 'trace') endTrace();
		else if (element === 'traceGroup') around.pop();
		else if (element === 'traceFormat') format = undefined;
		else if (element === 'context' || element === 'inkSource') {
			const { id, format: own } = settings.pop()!;
			if (own) {
				(element === 'context' ? contexts : sources).set(id, own);
				const outer = settings.at(-1);
				if (outer) outer.format ??= own;
				else if (element === 'context' && !open.includes('definitions')) usual = own;
			}
		} else if (element === 'intermittentChannels') isIntermittent = false;
		else if (element === 'annotation' && group) {
			if (attributes['type'] === 'truth' || attributes['type'] === 'label') group.label ||= content.trim().slice(0, 60);
			else if (attributes['type'] === 'drawn') group.marks.add(content.trim());
		}
	});
	parse();
	const shapes = [...groups, loose].filter(({ samples }) => samples.length > 0);
	if (shapes.length === 0) refuse('there is no trace in the file');
	return shapes.map(({ label, id, marks, samples }) => ({
		label: label || id.slice(0, 60),
		samples,
		isEitherWay: marks.has('either way'),
		isTurned: marks.has('turned')
	}));
}

/** Shapes as an InkML file: a trace group for each, in the default format of X and Y, Y downwards. */
export function writeInk(shapes: readonly Shape[]): string {
	const groups = shapes.map(({ id, label, samples, isEitherWay, isTurned }) => {
		const notes = [
			`<annotation type="truth">${escapeXml(label)}</annotation>`,
			...(isEitherWay ? ['<annotation type="drawn">either way</annotation>'] : []),
			...(isTurned ? ['<annotation type="drawn">turned</annotation>'] : [])
		];
		const traces = samples.map((path) => {
			const points = Array.from({ length: path.length / 2 }, (_, i) => `${path[2 * i]} ${path[2 * i + 1]}`);
			return `<trace>${points.join(', ')}</trace>`;
		});
		// an XML id begins with a letter
		return `\t<traceGroup xml:id="shape-${id}">\n${[...notes, ...traces].map((one) => `\t\t${one}\n`).join('')}\t</traceGroup>\n`;
	});
	return `<?xml version="1.0" encoding="UTF-8"?>\n<ink xmlns="${INKML}">\n${groups.join('')}</ink>\n`;
}

/** What a file brings, as shapes with ids that are free or those of the shapes that are called the same. */
export function inkAsShapes(found: readonly InkShape[], there: readonly Shape[]): Shape[] {
	const taken = new Set(there.map(({ id }) => id));
	return found.map((one) => {
		const same = there.find(({ label }) => label === one.label);
		const id = same?.id ?? freeSlug(one.label, (free) => taken.has(free));
		taken.add(id);
		return { ...one, id };
	});
}
