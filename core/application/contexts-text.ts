import { Axis, isWithin, type AxisId, type NodeId } from '../context/axis.ts';
import type { Reachable } from '../context/space.ts';
import { slug } from '../text/slug.ts';

/** Contexts as somebody writes them, and as an application has them. */
export interface Contexts {
	readonly axes: readonly Axis[];
	readonly reachable: Reachable;
}

/** What is written about contexts cannot be read. `line` counts from 1. */
export class ContextsError extends Error {
	override name = 'ContextsError';
	readonly line: number;
	constructor(line: number, message: string) {
		super(`line ${line}: ${message}`);
		this.line = line;
	}
}

/** On some axes, some contexts; on the others any. */
type Block = Reachable[number];

const MOST_BLOCKS = 200;

/** `Label` or `Label [id]`, where the id would not be made of the label so. */
const named = ({ id, label }: { readonly id: string; readonly label: string }): string =>
	slug(label) === id ? label : `${label} [${id}]`;

/**
 * The contexts as text: each axis with its contexts indented beneath it, then the axes of modes with the commands that switch them,
 * then which combinations occur alone, if not all do.
 */
export function contextsText({ axes, reachable }: Contexts): string {
	const lines = axes.flatMap((axis) => {
		const depth = (id: NodeId | undefined): number => {
			const parent = axis.nodes.find((n) => n.id === id)?.parent;
			return parent === undefined ? 0 : 1 + depth(parent);
		};
		const under = (parent: NodeId | undefined): string[] =>
			axis.nodes
				.filter((n) => n.parent === parent)
				.flatMap((n) => [`${'  '.repeat(1 + depth(n.id))}${named(n)}`, ...under(n.id)]);
		return [named(axis), ...under(undefined)];
	});
	const isAll = reachable.some((block) => Object.keys(block).length === 0);
	const blocks = isAll
		? []
		: reachable.map(
				(block) => `only ${(Object.keys(block) as AxisId[]).map((axis) => `${axis}: ${block[axis]!.join(' | ')}`).join('; ')}`
			);
	const modes = axes.flatMap(({ id, modes }) => {
		if (!modes) return [];
		const switches = Object.entries(modes).map(([node, command]) => `${node} = ${command}`);
		return [`modes ${id}${switches.length > 0 ? `: ${switches.join(' | ')}` : ''}`];
	});
	return [...lines, ...modes, ...blocks, ''].join('\n');
}

/**
 * Reads what `contextsText` writes. A `modes` line names an axis among whose contexts people switch themselves. `only` lines say which combinations occur, each context meaning itself alone; `never` lines take
 * combinations away, each context meaning all below it as well. Throws `ContextsError`.
 */
export function parseContexts(text: string): Contexts {
	const axes: { id: string; label: string; nodes: { id: string; label: string; parent?: string }[]; line: number }[] = [];
	const said: { word: string; rest: string; line: number }[] = [];
	let open: { indent: number; id: string }[] = [];
	for (const [i, raw] of text.split(/\r\n|\r|\n/).entries()) {
		const line = i + 1;
		if (raw.trim() === '') continue;
		const rule = /^(only|never|modes)\s+(.*)$/.exec(raw);
		if (rule) {
			said.push({ word: rule[1]!, rest: rule[2]!, line });
			continue;
		}
		const [, space = '', label = '', given] = /^(\s*)(.*?)(?:\s*\[([^\]]*)\])?\s*$/.exec(raw)!;
		if (label === '') throw new ContextsError(line, 'a context needs a name before its id in brackets');
		const id = given ?? slug(label);
		const indent = space.replaceAll('\t', '  ').length;
		if (indent === 0) {
			axes.push({ id: /^[a-z]/.test(id) ? id : `a-${id}`, label, nodes: [], line });
			open = [];
			continue;
		}
		const axis = axes.at(-1);
		if (!axis) throw new ContextsError(line, 'a context belongs under an axis, which starts at the beginning of a line');
		open = open.filter((above) => above.indent < indent);
		const parent = open.at(-1)?.id;
		axis.nodes.push({ id, label, ...(parent !== undefined && { parent }) });
		open.push({ indent, id });
	}
	if (axes.length === 0)
		throw new ContextsError(1, 'there is no axis; the first line names one, with its contexts indented below');
	let read = axes.map(({ line, ...axis }) => {
		const { data, error } = Axis.safeParse(axis);
		if (data) return data;
		const [issue] = error.issues;
		const message = axis.nodes.length === 0 ? `the axis ${axis.label} has no context` : issue!.message;
		throw new ContextsError(line, message);
	});
	for (const { word, rest, line } of said)
		if (word === 'modes') {
			const { axis, modes } = modesOf(read, rest, line);
			read = read.map((a) => (a.id === axis ? { ...a, modes } : a));
		}
	const twice = read.find((axis, i) => read.findIndex((other) => other.id === axis.id) !== i);
	if (twice) throw new ContextsError(axes.findLast((a) => a.id === twice.id)!.line, `the axis ${twice.label} is there twice`);

	let blocks: Block[] = said.filter(({ word }) => word === 'only').map(({ rest, line }) => blockOf(read, rest, line));
	if (blocks.length === 0) blocks = [{}];
	for (const { word, rest, line } of said)
		if (word === 'never') {
			blocks = blocks.flatMap((block) => without(read, block, below(read, blockOf(read, rest, line))));
			if (blocks.length > MOST_BLOCKS)
				throw new ContextsError(line, `these exclusions need more than ${MOST_BLOCKS} blocks; use only instead`);
			if (blocks.length === 0) throw new ContextsError(line, 'with this nothing can occur any more');
		}
	return { axes: read, reachable: blocks };
}

const same = (name: string, { id, label }: { readonly id: string; readonly label: string }) =>
	name.toLowerCase() === id || name.toLowerCase() === label.toLowerCase();

/** `mode: skin = mode.skin | foil = mode.foil`, by ids or labels; the axis alone where no command switches. */
function modesOf(axes: readonly Axis[], text: string, line: number): { axis: AxisId; modes: NonNullable<Axis['modes']> } {
	const [, name = '', rest = ''] = /^([^:]*)(?::(.*))?$/s.exec(text)!;
	const axis = axes.find((a) => same(name.trim(), a));
	if (!axis) throw new ContextsError(line, `there is no axis "${name.trim()}"; there are ${axes.map((a) => a.label).join(', ')}`);
	const modes: NonNullable<Axis['modes']> = {};
	for (const part of rest.split('|').filter((p) => p.trim() !== '')) {
		const [, context = '', command = ''] = /^([^=]*)(?:=(.*))?$/s.exec(part)!;
		const node = axis.nodes.find((n) => same(context.trim(), n));
		if (!node || command.trim() === '')
			throw new ContextsError(
				line,
				`"${part.trim()}" is not a mode with its command; expected a context of ${axis.label}, = and the id of the command that switches to it`
			);
		modes[node.id] = command.trim();
	}
	return { axis: axis.id, modes };
}

/** `document: part | drawing; selection: edge`, by ids or labels; without an axis, a context that only one axis has. */
function blockOf(axes: readonly Axis[], text: string, line: number): Block {
	const block: Block = {};
	for (const part of text.split(/[;+]/).map((p) => p.trim())) {
		const [first = '', rest] = part.includes(':') ? part.split(':').map((p) => p.trim()) : [undefined, part];
		const names = (rest ?? '').split('|').map((n) => n.trim());
		const axis =
			first === ''
				? axes.find((a) => names.every((name) => a.nodes.some((n) => same(name, n))))
				: axes.find((a) => same(first, a));
		if (!axis) throw new ContextsError(line, `there is no axis for "${part}"; there are ${axes.map((a) => a.label).join(', ')}`);
		block[axis.id] = names.map((name) => {
			const node = axis.nodes.find((n) => same(name, n));
			if (!node)
				throw new ContextsError(
					line,
					`"${name}" is no context of ${axis.label}; it has ${axis.nodes.map((n) => n.label).join(', ')}`
				);
			return node.id;
		});
	}
	return block;
}

/** The block with all that lies below its contexts. */
function below(axes: readonly Axis[], block: Block): Block {
	return Object.fromEntries(
		axes.flatMap((axis) => {
			const tops = block[axis.id];
			return tops ? [[axis.id, axis.nodes.filter((n) => tops.some((top) => isWithin(axis, n.id, top))).map((n) => n.id)]] : [];
		})
	);
}

/** The block without another one, as blocks that share nothing. */
function without(axes: readonly Axis[], block: Block, taken: Block): Block[] {
	const pieces: Block[] = [];
	let rest: Block = block;
	for (const axis of axes) {
		const gone = taken[axis.id];
		if (!gone) continue;
		const mine = rest[axis.id] ?? axis.nodes.map((n) => n.id);
		const kept = mine.filter((n) => !gone.includes(n));
		const met = mine.filter((n) => gone.includes(n));
		if (kept.length > 0) pieces.push({ ...rest, [axis.id]: kept });
		if (met.length === 0) return pieces;
		rest = { ...rest, [axis.id]: met };
	}
	return pieces;
}
