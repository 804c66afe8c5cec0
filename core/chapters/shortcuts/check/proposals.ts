import { put, takeAway } from '../../../answer/choices.ts';
import type { Command } from '../../../application/command.ts';
import { scopeText, type Scope } from '../../../context/scope.ts';
import type { Binding } from '../../../shortcut/effective.ts';
import { entryKey, shortcutsIn, type Entry } from '../../../shortcut/entry.ts';
import { levelOf, stratumById, type StratumId } from '../../../strata/stratum.ts';
import { bestStroke } from '../../../suggest/suggest.ts';
import type { Keys } from '../../../stroke/stroke.ts';
import type { Circumstances } from '../../../check/circumstances.ts';
import { labelOf, type Pen, type Proposal } from './finding.ts';

/** The binding goes. */
export function goes(c: Circumstances, pen: Pen, binding: Binding): Proposal {
	return {
		kind: 'take away',
		label: `Remove ${binding.keys} from ${labelOf(c, binding)}`,
		changes: () => takeAway(c.index, pen.profile, pen.target, binding)
	};
}

/** Several go at once. */
export function go(c: Circumstances, pen: Pen, bindings: readonly Binding[], label: string): Proposal {
	return {
		kind: 'take away',
		label,
		changes: () => bindings.flatMap((b, i) => takeAway(c.index, pen.profile, pen.target, b, i))
	};
}

function becomes(c: Circumstances, pen: Pen, binding: Binding, kind: string, label: string, keys: Keys, scope: Scope): Proposal {
	return {
		kind,
		label,
		changes: () => [
			...takeAway(c.index, pen.profile, pen.target, binding),
			...put(pen.profile, pen.target, { command: binding.command, keys, scope }, 1)
		]
	};
}

/** The binding moves to the best free stroke, if there is one. */
export function moves(c: Circumstances, pen: Pen, binding: Binding): Proposal[] {
	const command = c.index.catalogue.get(binding.command);
	const keys = command && bestStroke(c.index, c.office, command, binding.scope);
	return keys
		? [becomes(c, pen, binding, 'move', `Move ${labelOf(c, binding)} from ${binding.keys} to ${keys}`, keys, binding.scope)]
		: [];
}

export function movesTo(c: Circumstances, pen: Pen, binding: Binding, keys: Keys): Proposal {
	return becomes(c, pen, binding, 'move', `Move ${labelOf(c, binding)} from ${binding.keys} to ${keys}`, keys, binding.scope);
}

/** The binding is spelled as the application hears what the layouts of the office mean by it. */
export const respellings = (c: Circumstances, pen: Pen, binding: Binding, keys: Keys): Proposal[] =>
	c.office
		.meanings(keys)
		.filter((meant) => meant !== keys)
		.map((meant) => ({
			...movesTo(c, pen, binding, meant),
			kind: 'spell',
			label: `Write it as ${meant}`
		}));

/** The binding is limited to where the others do not meet it: to the contexts of one axis that they leave. */
export function limits(c: Circumstances, pen: Pen, binding: Binding, others: readonly Binding[]): Proposal[] {
	const { space } = c.index;
	const mine = space.bitsOf(binding.scope, binding.scopeText);
	return space.axes.flatMap((axis) => {
		if (!others.every((o) => o.scope[axis.id])) return [];
		const left = axis.nodes.filter((node) => {
			const bits = space.bitsOf({ [axis.id]: [node.id] } as Scope);
			return (
				mine.some((word, w) => (word & bits[w]!) !== 0) &&
				others.every((o) => !space.bitsOf({ [axis.id]: o.scope[axis.id]! } as Scope).some((word, w) => (word & bits[w]!) !== 0))
			);
		});
		// a context already covered by its parent in the list says nothing more
		const nodes = left.filter((node) => !left.some((other) => other.id === node.parent)).map((node) => node.id);
		if (nodes.length === 0 || nodes.length > 12) return [];
		const scope = { ...binding.scope, [axis.id]: nodes } as Scope;
		if (scopeText(scope) === binding.scopeText) return [];
		const label = `Limit ${binding.keys} for ${labelOf(c, binding)} to ${space.scopeLabel(scope)}`;
		return [becomes(c, pen, binding, 'limit', label, binding.keys, scope)];
	});
}

/** The command gets the best free stroke in all its contexts. */
export function gets(c: Circumstances, pen: Pen, command: Command): Proposal[] {
	const keys = bestStroke(c.index, c.office, command, {});
	return keys
		? [
				{
					kind: 'assign',
					label: `Assign ${keys} to ${command.label}`,
					changes: () => put(pen.profile, pen.target, { command: command.id, keys, scope: {} })
				}
			]
		: [];
}

/** An entry of a stratum that the pen may write is dropped. */
export function drops(pen: Pen, stratum: StratumId, entry: Entry, label: string): Proposal[] {
	const at = levelOf(pen.profile, stratum);
	const own = shortcutsIn(stratumById(pen.profile, stratum)).get(entryKey(entry));
	return own && stratumById(pen.profile, stratum).kind !== 'factory' && at <= levelOf(pen.profile, pen.target)
		? [{ kind: 'drop', label, changes: () => [{ stratum, before: own, after: null }] }]
		: [];
}
