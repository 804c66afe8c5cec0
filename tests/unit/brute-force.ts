import type { Axis, AxisId, NodeId } from '../../core/context/axis.ts';
import type { Scope } from '../../core/context/scope.ts';
import type { CommandId } from '../../core/application/command.ts';
import { shortcutsIn, shortcutKey, type Entry } from '../../core/shortcut/entry.ts';
import type { Profile } from '../../core/strata/stratum.ts';
import type { Small } from './arbitrary.ts';

/*
 * The independent oracle, written from the eight points of docs/resolution.md and not from the code: it enumerates situations
 * and compares names one by one, without sets of bits, an index or the fold of the program.
 */
export type Standing = readonly NodeId[];

/** What the oracle needs of an application. */
export type Ground = Pick<Small, 'axes' | 'reachable' | 'commands' | 'rules' | 'profile'>;

/** A shortcut in force, in the order of the application's list. */
export interface InForce {
	readonly key: string;
	readonly command: CommandId;
	readonly keys: string;
	readonly scope: Scope;
	readonly level: number;
	readonly rank: number;
}

function ancestors(axis: Axis, node: NodeId): NodeId[] {
	const parent = axis.nodes.find((n) => n.id === node)!.parent;
	return parent === undefined ? [node] : [node, ...ancestors(axis, parent)];
}

export function everySituation(axes: readonly Axis[], blocks: Small['reachable']): Standing[] {
	let all: NodeId[][] = [[]];
	for (const axis of axes) all = all.flatMap((part) => axis.nodes.map((n) => [...part, n.id]));
	return all.filter((s) => blocks.some((block) => axes.every((axis, a) => !block[axis.id] || block[axis.id]!.includes(s[a]!))));
}

export function isIn(axes: readonly Axis[], scope: Scope, s: Standing): boolean {
	return (Object.keys(scope) as AxisId[]).every((id) => {
		const a = axes.findIndex((axis) => axis.id === id);
		return scope[id]!.some((node) => ancestors(axes[a]!, s[a]!).includes(node));
	});
}

const situationsOf = new WeakMap<object, Standing[]>();
function situations(app: Ground): Standing[] {
	let all = situationsOf.get(app.reachable);
	if (!all) situationsOf.set(app.reachable, (all = everySituation(app.axes, app.reachable)));
	return all;
}

const inScope = (app: Ground, scope: Scope) => situations(app).filter((s) => isIn(app.axes, scope, s));
export const scopesMeet = (app: Ground, a: Scope, b: Scope) => inScope(app, a).some((s) => isIn(app.axes, b, s));
export const meansSame = (app: Ground, a: Scope, b: Scope) =>
	situations(app).every((s) => isIn(app.axes, a, s) === isIn(app.axes, b, s));
export function isNarrower(app: Ground, a: Scope, b: Scope): boolean {
	return inScope(app, a).every((s) => isIn(app.axes, b, s)) && inScope(app, b).some((s) => !isIn(app.axes, a, s));
}

/** Point 7: the strata one after the other, with what a lock below stops. */
function fold(app: Ground): { list: InForce[]; idle: { stratum: string; entry: Entry; reason: string }[] } {
	const list: InForce[] = [];
	const idle: { stratum: string; entry: Entry; reason: string }[] = [];
	const locks: { key: string; command: string; keys: string; scope: Scope; isRemoved: boolean }[] = [];
	app.profile.forEach((stratum, level) => {
		const entries = [...shortcutsIn(stratum).values()].sort((a, b) => a.rank - b.rank);
		const removedHere = new Set<string>();
		const stop = (entry: Entry, reason: string) => idle.push({ stratum: stratum.id, entry, reason });
		for (const entry of entries) {
			const { op, command, keys, scope, rank } = entry;
			const key = shortcutKey(entry);
			const at = list.findIndex((b) => b.key === key);
			if (op === 'set' && at < 0) {
				const isHeld = locks.some((l) => {
					if (l.keys !== keys) return false;
					if (l.isRemoved && l.key === key) return true;
					return (l.isRemoved || l.command !== command) && scopesMeet(app, l.scope, scope);
				});
				if (isHeld) stop(entry, 'locked');
				else list.push({ key, command, keys, scope, level, rank });
			} else if (op === 'remove') {
				if (at < 0) stop(entry, 'nothing-to-remove');
				else if (locks.some((l) => !l.isRemoved && l.key === key)) stop(entry, 'locked');
				else {
					list.splice(at, 1);
					removedHere.add(key);
				}
			}
		}
		for (const entry of entries) {
			if (entry.op !== 'lock') continue;
			const { command, keys, scope } = entry;
			const key = shortcutKey(entry);
			const isThere = list.some((b) => b.key === key);
			if (isThere || removedHere.has(key)) locks.push({ key, command, keys, scope, isRemoved: !isThere });
			else stop(entry, 'nothing-to-lock');
		}
	});
	return { list: list.sort((a, b) => b.level - a.level || a.rank - b.rank), idle };
}

const folds = new WeakMap<Profile, ReturnType<typeof fold>>();
function folded(app: Ground) {
	let known = folds.get(app.profile);
	if (!known) folds.set(app.profile, (known = fold(app)));
	return known;
}
export const inForce = (app: Ground): InForce[] => folded(app).list;
export const idle = (app: Ground) => folded(app).idle;

/** Point 1. */
export function isAlive(app: Ground, b: Pick<InForce, 'command' | 'scope'>, s: Standing): boolean {
	const command = app.commands.find((c) => c.id === b.command);
	const exists = command && (command.contexts.length === 0 || command.contexts.some((scope) => isIn(app.axes, scope, s)));
	return Boolean(exists) && isIn(app.axes, b.scope, s);
}

/** Point 2. */
export function isLoaded(app: Ground, b: InForce): boolean {
	if (app.rules.ambiguity !== 'refuse') return true;
	const loaded: InForce[] = [];
	for (const one of inForce(app).filter((x) => x.keys === b.keys))
		if (!loaded.some((l) => l.command !== one.command && scopesMeet(app, l.scope, one.scope))) loaded.push(one);
	return loaded.includes(b);
}

/** Bindings on exactly these keys that are alive in the situation, loaded or not. */
export const alive = (app: Ground, keys: string, s: Standing): InForce[] =>
	inForce(app).filter((b) => b.keys === keys && isAlive(app, b, s));

/** C and L of point 4. */
const completed = (app: Ground, keys: string, s: Standing) => alive(app, keys, s).filter((b) => isLoaded(app, b));
export const begun = (app: Ground, keys: string, s: Standing): InForce[] =>
	inForce(app).filter((b) => b.keys.startsWith(keys + ' ') && isAlive(app, b, s) && isLoaded(app, b));

/** Point 5: a command's id, `tie` with the parties, or nothing. */
export interface Verdict {
	readonly what: string;
	readonly parties: readonly InForce[];
}

function decide(app: Ground, C: readonly InForce[]): Verdict {
	if (C.length === 0) return { what: 'nothing', parties: [] };
	if (new Set(C.map((b) => b.command)).size === 1) return { what: C[0]!.command, parties: [] };
	const others = (a: InForce) => C.filter((b) => b.command !== a.command);
	switch (app.rules.ambiguity) {
		case 'first':
			return { what: C[0]!.command, parties: [] };
		case 'chooser':
			return { what: 'tie', parties: C };
		case 'narrowest': {
			const winner = C.find((a) => others(a).every((b) => isNarrower(app, a.scope, b.scope)));
			if (winner) return { what: winner.command, parties: [] };
			return { what: 'tie', parties: C.filter((a) => !others(a).some((b) => isNarrower(app, b.scope, a.scope))) };
		}
		case 'refuse':
			throw new Error('what is loaded for several commands never meets');
	}
}

export interface Happening extends Verdict {
	readonly input: string;
}

/** Points 3 and 4: a program that takes strokes one by one in one situation. */
export class Program {
	pending: string[] = [];
	readonly #app: Ground;
	readonly #s: Standing;
	readonly #types: boolean;

	constructor(app: Ground, s: Standing) {
		this.#app = app;
		this.#s = s;
		this.#types = app.rules.typing.some((scope) => isIn(app.axes, scope, s));
	}

	press(stroke: string): Happening[] {
		const app = this.#app;
		if (this.pending.length === 0 && this.#types && !stroke.includes('+')) return [{ input: stroke, what: 'typed', parties: [] }];
		const input = [...this.pending, stroke].join(' ');
		const C = completed(app, input, this.#s);
		const L = begun(app, input, this.#s);
		if (C.length + L.length === 0 && this.pending.length > 0) return [...this.pause(), ...this.press(stroke)];
		if (L.length > 0 && (C.length === 0 || app.rules.sequences === 'wait')) {
			this.pending = [...this.pending, stroke];
			return [];
		}
		this.pending = [];
		return [{ input, ...decide(app, C) }];
	}

	pause(): Happening[] {
		const input = this.pending.join(' ');
		if (input === '') return [];
		this.pending = [];
		const decided = decide(this.#app, completed(this.#app, input, this.#s));
		return decided.what === 'nothing' ? [] : [{ input, ...decided }];
	}
}

/**
 * What the whole input does, by name: the command that runs, or 'tie', 'typed', 'waits', 'cut' or 'nothing'. With `pause` what
 * it does when no further stroke comes.
 */
export function happens(app: Ground, keys: string, s: Standing, pause = false): string {
	return verdictOn(app, keys, s, pause).what;
}

export function verdictOn(app: Ground, keys: string, s: Standing, pause: boolean): Verdict {
	const program = new Program(app, s);
	const strokes = keys.split(' ');
	const all: Happening[] = [];
	for (const [n, stroke] of strokes.entries()) {
		all.push(...program.press(stroke));
		if (n === 0 && all[0]?.what === 'typed') return { what: 'typed', parties: [] };
	}
	if (program.pending.length === strokes.length) {
		if (!pause) return { what: 'waits', parties: [] };
		return program.pause()[0] ?? { what: 'nothing', parties: [] };
	}
	const [first] = all;
	if (first?.input === keys) return first;
	// it fell apart: it was cut short if its beginning, pressed with nothing pending, was decided on
	const isEarly = first && first.what !== 'nothing' && keys.startsWith(first.input + ' ');
	return { what: isEarly ? 'cut' : 'nothing', parties: [] };
}
