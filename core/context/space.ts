import { z } from 'zod';
import { AxisId, NodeId, isOwnContext, isWithin, type Axis } from './axis.ts';
import { addBit, count, first, intersection, isSubset, meets, noBits, union, type Bits } from './bits.ts';
import { scopeText, type Scope } from './scope.ts';

/** One context on every axis at once, in the order of the application's axes. */
export type Situation = readonly NodeId[];

/**
 * Which combinations can occur: a list of blocks, each a product of contexts an axis may stand on.
 * A context in a block means exactly itself, not what lies below. An axis left out may stand anywhere.
 */
export const Reachable = z
	.array(z.record(AxisId, z.array(NodeId).min(1)))
	.min(1)
	.max(200);
export type Reachable = z.infer<typeof Reachable>;

export const MOST_SITUATIONS = 20_000;

/** With more scopes than this, which is narrower is not remembered. */
const MOST_PAIRED = 4_096;

/** A scope or situation names an axis or context that the application does not have. */
export class UnknownContextError extends Error {
	override name = 'UnknownContextError';
	readonly axis: string;
	readonly node: string | undefined;
	constructor(axis: string, node: string | undefined, known: readonly string[]) {
		super(
			node === undefined
				? `there is no axis "${axis}"; this application has ${known.join(', ')}`
				: `axis "${axis}" has no context "${node}"; it has ${known.join(', ')}`
		);
		this.axis = axis;
		this.node = node;
	}
}

/** A scope as the set of its reachable situations, with a number of its own in its space. */
export interface ScopeSet {
	readonly no: number;
	readonly bits: Bits;
	/** How many situations it holds. */
	readonly size: number;
	/** The number of the first of them, or -1. */
	readonly first: number;
}

/**
 * The reachable situations of an application, numbered, with scopes as sets of those numbers.
 * Two scopes meet if some reachable situation is in both; A is narrower than B if every reachable
 * situation of A is in B and not the reverse.
 */
export interface ContextSpace {
	readonly axes: readonly Axis[];
	readonly reachable: Reachable;
	/** The application's own space, without what people have made. */
	readonly base: ContextSpace;
	/** The contexts that people have made. */
	readonly own: readonly OwnContext[];
	/** Those that cannot be. */
	readonly baseless: readonly Baseless[];
	readonly situations: readonly Situation[];
	/** All situations. */
	readonly everywhere: Bits;
	/** No situation. Sets that turn out empty are this one, so that they are told by looking once. Never written to. */
	readonly nowhere: Bits;
	/**
	 * The situations of a scope, remembered by its text; a context that somebody has made and that is gone is nowhere. Throws
	 * `UnknownContextError`.
	 */
	bitsOf(scope: Scope, text?: string): Bits;
	setOf(scope: Scope, text?: string): ScopeSet;
	/** The union of the scopes; an empty list means everywhere. Throws `UnknownContextError`. */
	setOfAny(scopes: readonly Scope[]): ScopeSet;
	bitsOfAny(scopes: readonly Scope[]): Bits;
	/** These situations as a set with a number of its own. */
	setOfBits(bits: Bits): ScopeSet;
	/** The set of no situation, with `nowhere` as its bits. */
	readonly emptySet: ScopeSet;
	/** How many sets have a number so far. */
	readonly setCount: number;
	meet(a: Scope, b: Scope): boolean;
	/** Whether every situation of `a` is in `b` and not the reverse; remembered for each pair. */
	isNarrower(a: ScopeSet, b: ScopeSet): boolean;
	/** The number of a situation, or -1 if it cannot occur. */
	indexOf(situation: Situation): number;
	/** The situation that stands on the axis where `wanted` does and agrees with it most elsewhere; -1 where none stands there. */
	nearest(wanted: Situation, axis: number): number;
	/** The situation as labels joined by a middle dot, e.g. "Part · Edge · Canvas". */
	labelOf(index: number): string;
	scopeLabel(scope: Scope): string;
}

/**
 * A context that somebody has made of one of the application's (or of another own one) and that lies below it. It can be stood in
 * wherever that one can, and all that holds in that one holds in it.
 */
export interface OwnContext {
	readonly axis: AxisId;
	readonly id: NodeId;
	readonly label: string;
	readonly from: NodeId;
	/** Only bars that name it show in it. */
	readonly ownBars: boolean;
}

/** An own context that cannot be, and why. */
export interface Baseless {
	readonly own: OwnContext;
	readonly reason: string;
}

/** What of own contexts there is in a space. */
type Made = Pick<ContextSpace, 'base' | 'own' | 'baseless'>;

const spaces = new WeakMap<readonly Axis[], { readonly reachable: Reachable; readonly space: ContextSpace }>();

/**
 * The space of these axes, the same one as long as they are; an application is looked at when it is read, and then used.
 * Throws `UnknownContextError` for a block that names what is not there and `RangeError` for too many or no situations.
 */
export function contextSpace(axes: readonly Axis[], reachable: Reachable): ContextSpace {
	const known = spaces.get(axes);
	if (known?.reachable === reachable) return known.space;
	const space = newSpace(axes, reachable);
	spaces.set(axes, { reachable, space });
	return space;
}

/**
 * The space with own contexts in it. The situations of the given one keep their numbers; those of own contexts come behind them.
 * What cannot be (it is made of what is not there or what nobody can stand in, its id is taken, there would be more than
 * `MOST_SITUATIONS`) is left out and listed as baseless.
 */
export function withOwn({ base }: ContextSpace, own: readonly OwnContext[]): ContextSpace {
	if (own.length === 0) return base;
	let { axes } = base;
	// an axis that a block leaves out means the contexts that were there, not those that come
	let blocks: Reachable = base.reachable.map((block) =>
		Object.fromEntries(axes.map((axis) => [axis.id, block[axis.id] ?? axis.nodes.map((n) => n.id)]))
	);
	let many = base.situations.length;
	const made: OwnContext[] = [];
	let baseless: Baseless[] = [];
	for (let waiting = own; waiting.length > 0; waiting = baseless.map((b) => b.own)) {
		const left: Baseless[] = [];
		for (const context of waiting) {
			const { id, label, from, axis: axisId } = context;
			const more = blocks.filter((block) => block[axisId]?.includes(from)).map((block) => ({ ...block, [axisId]: [id] }));
			const after = many + more.reduce<number>((sum, block) => sum + sizeOf(axes, block), 0);
			const reason = baselessReason(axes, context, more.length > 0, after);
			if (reason !== undefined) {
				left.push({ own: context, reason });
				continue;
			}
			axes = axes.map((a) => (a.id === axisId ? { ...a, nodes: [...a.nodes, { id, label, parent: from }] } : a));
			blocks = [...blocks, ...more];
			many = after;
			made.push(context);
		}
		baseless = left;
		// what is made of one that stands behind it comes in the next round
		if (left.length === waiting.length) break;
	}
	return newSpace(axes, blocks, { base, own: made, baseless });
}

function baselessReason(
	axes: readonly Axis[],
	{ id, from, axis: axisId }: OwnContext,
	isStoodIn: boolean,
	situations: number
): string | undefined {
	const axis = axes.find((a) => a.id === axisId);
	if (!axis) return `there is no axis "${axisId}"`;
	if (axis.nodes.some((n) => n.id === id)) return `there is a context "${id}" already`;
	const source = axis.nodes.find((n) => n.id === from);
	if (!source) return `it is based on "${from}", which does not exist`;
	if (!isStoodIn) return `it is based on ${source.label}, which cannot be active`;
	if (situations > MOST_SITUATIONS) return `with it ${situations} situations could be reached; the most is ${MOST_SITUATIONS}`;
	return undefined;
}

const sizeOf = (axes: readonly Axis[], block: Reachable[number]): number =>
	axes.reduce<number>((product, { id, nodes }) => product * (block[id] ?? nodes).length, 1);

function newSpace(axes: readonly Axis[], reachable: Reachable, made?: Made): ContextSpace {
	const axisById = new Map(axes.map((axis) => [axis.id, axis]));
	if (axisById.size !== axes.length) throw new RangeError('two axes have the same id');
	const labels = new Map(axes.map((axis) => [axis.id, new Map(axis.nodes.map((n) => [n.id, n.label]))]));

	const checkNames = (named: Partial<Record<AxisId, readonly NodeId[]>>) => {
		for (const id of Object.keys(named) as AxisId[]) {
			const axis = axisById.get(id);
			if (!axis)
				throw new UnknownContextError(
					id,
					undefined,
					axes.map((a) => a.id)
				);
			for (const node of named[id] ?? [])
				if (!labels.get(id)!.has(node) && !isOwnContext(node))
					throw new UnknownContextError(
						id,
						node,
						axis.nodes.map((n) => n.id)
					);
		}
	};

	const situations: Situation[] = [];
	const indexByText = new Map<string, number>();
	for (const block of reachable) {
		checkNames(block);
		const choices = axes.map((axis) => block[axis.id] ?? axis.nodes.map((n) => n.id));
		const size = sizeOf(axes, block);
		if (size > MOST_SITUATIONS)
			throw new RangeError(`a block of reachable situations holds ${size} combinations; the most is ${MOST_SITUATIONS}`);
		for (let n = 0; n < size; n++) {
			let rest = n;
			const situation = choices.map((nodes) => {
				const node = nodes[rest % nodes.length]!;
				rest = Math.floor(rest / nodes.length);
				return node;
			});
			const text = situation.join('\n');
			if (!indexByText.has(text)) {
				indexByText.set(text, situations.length);
				situations.push(situation);
			}
		}
	}
	if (situations.length === 0) throw new RangeError('no situation can be reached');
	if (situations.length > MOST_SITUATIONS)
		throw new RangeError(`${situations.length} situations can be reached; the most is ${MOST_SITUATIONS}`);

	const size = situations.length;
	const everywhere = noBits(size);
	for (let i = 0; i < size; i++) addBit(everywhere, i);
	const nowhere = noBits(size);

	const bitsByNode = new Map<string, Bits>();
	axes.forEach((axis, a) => {
		const around = new Map(axis.nodes.map((node): [NodeId, Bits[]] => [node.id, []]));
		for (const node of axis.nodes) {
			const bits = noBits(size);
			bitsByNode.set(`${axis.id}\n${node.id}`, bits);
			for (const [id, sets] of around) if (isWithin(axis, id, node.id)) sets.push(bits);
		}
		situations.forEach((situation, i) => {
			for (const bits of around.get(situation[a]!)!) addBit(bits, i);
		});
	});

	const emptySet: ScopeSet = { no: 0, bits: nowhere, size: 0, first: -1 };
	const everySet: ScopeSet = { no: 1, bits: everywhere, size, first: 0 };
	/** By the text of a scope, or by the texts of several with line ends between them. */
	const sets = new Map<string, ScopeSet>([
		['none', emptySet],
		['', everySet]
	]);
	const numbered = (text: string, bits: Bits): ScopeSet => {
		const size = count(bits);
		const set = { no: sets.size, bits: size === 0 ? nowhere : bits, size, first: first(bits) };
		sets.set(text, set);
		return set;
	};
	const setOf = (scope: Scope, text = scopeText(scope)): ScopeSet => {
		const known = sets.get(text);
		if (known) return known;
		checkNames(scope);
		const axisBits = (Object.keys(scope) as AxisId[]).map((axis) =>
			scope[axis]!.map((node) => bitsByNode.get(`${axis}\n${node}`) ?? nowhere).reduce(union)
		);
		return numbered(text, axisBits.reduce(intersection, everywhere));
	};
	const unionOf = (scopes: readonly Scope[]): ScopeSet => {
		if (scopes.length === 0) return everySet;
		if (scopes.length === 1) return setOf(scopes[0]!);
		const text = scopes.map((scope) => scopeText(scope)).join('\n');
		return sets.get(text) ?? numbered(text, scopes.map((scope) => bitsOf(scope)).reduce(union));
	};
	/** Of lists that cannot change any more: a catalogue says the same few thousands of times. */
	const ofLists = new WeakMap<readonly Scope[], ScopeSet>();
	const setOfAny = (scopes: readonly Scope[]): ScopeSet => {
		let set = ofLists.get(scopes);
		if (!set) {
			set = unionOf(scopes);
			if (Object.isFrozen(scopes)) ofLists.set(scopes, set);
		}
		return set;
	};
	const bitsOf = (scope: Scope, text?: string): Bits => setOf(scope, text).bits;

	/** A square by the numbers of two scopes: 1 for narrower, 2 for not, 0 for not asked yet. */
	let side = 64;
	let narrower = new Uint8Array(side * side);
	const isNarrower = (a: ScopeSet, b: ScopeSet): boolean => {
		if (a.size >= b.size) return false;
		if (sets.size > MOST_PAIRED) return isSubset(a.bits, b.bits);
		if (sets.size > side) {
			while (sets.size > side) side *= 2;
			narrower = new Uint8Array(side * side);
		}
		return (narrower[a.no * side + b.no] ||= isSubset(a.bits, b.bits) ? 1 : 2) === 1;
	};

	const spoken: string[] = [];
	const worded = new WeakMap<Scope, string>();
	const nodeLabel = (axis: AxisId, node: NodeId) =>
		labels.get(axis)?.get(node) ?? (isOwnContext(node) ? `${node} (not there)` : node);
	const space: ContextSpace = {
		axes,
		reachable,
		get base() {
			return made?.base ?? space;
		},
		own: made?.own ?? [],
		baseless: made?.baseless ?? [],
		situations,
		everywhere,
		nowhere,
		bitsOf,
		setOf,
		setOfAny,
		bitsOfAny: (scopes) => setOfAny(scopes).bits,
		setOfBits(bits) {
			const text = `bits ${bits.join()}`;
			return sets.get(text) ?? numbered(text, bits);
		},
		emptySet,
		get setCount() {
			return sets.size;
		},
		meet: (a, b) => meets(bitsOf(a), bitsOf(b)),
		isNarrower,
		indexOf: (situation) => indexByText.get(situation.join('\n')) ?? -1,
		nearest(wanted, axis) {
			const exact = indexByText.get(wanted.join('\n'));
			if (exact !== undefined) return exact;
			let [best, most] = [-1, -1];
			for (const [i, situation] of situations.entries()) {
				if (situation[axis] !== wanted[axis]) continue;
				const agreed = situation.filter((node, a) => node === wanted[a]).length;
				if (agreed > most) [best, most] = [i, agreed];
			}
			return best;
		},
		labelOf: (index) => (spoken[index] ??= situations[index]!.map((node, a) => nodeLabel(axes[a]!.id, node)).join(' · ')),
		scopeLabel(scope) {
			let label = worded.get(scope);
			if (label === undefined) {
				label =
					axes
						.filter((axis) => scope[axis.id])
						.map((axis) => scope[axis.id]!.map((node) => nodeLabel(axis.id, node)).join(' or '))
						.join(' · ') || 'Everywhere';
				worded.set(scope, label);
			}
			return label;
		}
	};
	return space;
}
