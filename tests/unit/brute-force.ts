import type { Axis, AxisId, NodeId } from '../../core/context/axis.ts';
import type { Scope } from '../../core/context/scope.ts';
import type { Command } from '../../core/application/command.ts';
import type { Binding } from '../../core/profile/effective.ts';
import type { Small } from './arbitrary.ts';

/** The independent oracle: enumerates situations and compares names one by one, without sets of bits or an index. */
export type Standing = readonly NodeId[];

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

const exists = (app: Small, command: Command | undefined, s: Standing) =>
	command !== undefined && (command.contexts.length === 0 || command.contexts.some((scope) => isIn(app.axes, scope, s)));

/** Bindings on exactly these keys that are alive in the situation. */
export function alive(app: Small, keys: string, s: Standing): Binding[] {
	return app.index.effective.bindings.filter(
		(b) =>
			b.keys === keys &&
			isIn(app.axes, b.scope, s) &&
			exists(
				app,
				app.commands.find((c) => c.id === b.command),
				s
			)
	);
}

/** What happens, by name: the command that runs, or 'tie', 'typed', 'waits', 'cut' or 'nothing'. */
export function happens(app: Small, keys: string, s: Standing): string {
	const strokes = keys.split(' ');
	const isText = strokes.every((stroke) => !stroke.includes('+'));
	if (isText && app.rules.typing.some((scope) => isIn(app.axes, scope, s))) return 'typed';
	if (app.rules.sequences === 'at-once')
		for (let n = 1; n < strokes.length; n++) if (alive(app, strokes.slice(0, n).join(' '), s).length > 0) return 'cut';
	const live = alive(app, keys, s);
	const goesOn = app.index.effective.bindings.some((b) => b.keys.startsWith(keys + ' ') && alive(app, b.keys, s).includes(b));
	if (goesOn && (live.length === 0 || app.rules.sequences === 'wait')) return 'waits';
	if (live.length === 0) return 'nothing';
	return winner(app, keys, live);
}

function winner(app: Small, keys: string, live: readonly Binding[]): string {
	const all = everySituation(app.axes, app.reachable);
	const cover = (b: Binding) => all.filter((s) => isIn(app.axes, b.scope, s)).length;
	const overlap = (a: Binding, b: Binding) => all.filter((s) => isIn(app.axes, a.scope, s) && isIn(app.axes, b.scope, s)).length;
	const isNarrower = (a: Binding, b: Binding) => overlap(a, b) === cover(a) && cover(a) < cover(b);
	const different = new Set(live.map((b) => b.command));
	switch (app.rules.ambiguity) {
		case 'first':
			return live[0]!.command;
		case 'chooser':
			return different.size > 1 ? 'tie' : live[0]!.command;
		case 'narrowest': {
			if (different.size === 1) return live[0]!.command;
			const best = live.find((a) => live.every((b) => b.command === a.command || isNarrower(a, b)));
			return best ? best.command : 'tie';
		}
		case 'refuse': {
			const loaded: Binding[] = [];
			for (const b of app.index.effective.bindings.filter((x) => x.keys === keys))
				if (!loaded.some((l) => l.command !== b.command && overlap(l, b) > 0)) loaded.push(b);
			return live.find((b) => loaded.includes(b))?.command ?? 'nothing';
		}
	}
}
