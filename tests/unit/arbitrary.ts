import fc from 'fast-check';
import { shortcutIndex, type ShortcutIndex } from '../../core/answer/shortcut-index.ts';
import { catalogueOf, type AmbiguityRule, type Application, type InputRules } from '../../core/application/application.ts';
import type { Command, CommandId } from '../../core/application/command.ts';
import type { Axis, AxisId, NodeId } from '../../core/context/axis.ts';
import type { Scope } from '../../core/context/scope.ts';
import { contextSpace, type ContextSpace, type Reachable } from '../../core/context/space.ts';
import type { Circumstances } from '../../core/check/circumstances.ts';
import type { OpenApplication } from '../../core/application/application.ts';
import { circumstancesOf } from '../../core/profile/circumstances.ts';
import { effectiveProfile } from '../../core/shortcut/effective.ts';
import { entryKey, type Entry } from '../../core/shortcut/entry.ts';
import type { Profile, StratumHead } from '../../core/strata/stratum.ts';
import { stratumOf } from './strata.ts';
import type { Keys } from '../../core/stroke/stroke.ts';

/** Small random applications for properties: few keys, so that things meet often. */
export interface Small {
	readonly axes: readonly Axis[];
	readonly reachable: Reachable;
	readonly space: ContextSpace;
	readonly commands: readonly Command[];
	readonly rules: InputRules;
	readonly profile: Profile;
	readonly index: ShortcutIndex;
}

const axisOf = (a: number, parents: readonly number[]): Axis => ({
	id: `axis${a}` as AxisId,
	label: `Axis ${a}`,
	nodes: parents.map((parent, i) => ({
		id: `n${i}` as NodeId,
		label: `Node ${i}`,
		// a parent stands earlier in the list; the modulus gives a random tree
		...(i > 0 && parent % (i + 1) < i && { parent: `n${parent % (i + 1)}` as NodeId })
	}))
});

const axes = fc
	.array(fc.array(fc.nat(7), { minLength: 1, maxLength: 5 }), { minLength: 1, maxLength: 3 })
	.map((list) => list.map((parents, a) => axisOf(a, parents)));

export const scopeOf = (list: readonly Axis[]): fc.Arbitrary<Scope> =>
	fc
		.tuple(
			...list.map((axis) =>
				fc.option(
					fc.subarray(
						axis.nodes.map((n) => n.id),
						{ minLength: 1, maxLength: Math.min(2, axis.nodes.length) }
					),
					{ freq: 2 }
				)
			)
		)
		.map((choices) => Object.fromEntries(choices.flatMap((nodes, a) => (nodes ? [[list[a]!.id, nodes]] : []))) as Scope);

export const KEYS = ['A', 'B', 'Ctrl+A', 'A B', 'A B A', 'Ctrl+A B', 'A Ctrl+A'] as Keys[];

export const heads = [
	{ id: 'factory', kind: 'factory', name: 'Factory' },
	{ id: 'office', kind: 'office', name: 'Office' },
	{ id: 'personal', kind: 'personal', name: 'Personal' }
] as StratumHead[];

/** A command of no account, numbered. */
export const plainCommand = (i: number, contexts: Scope[]): Command => ({
	id: `c${i}` as CommandId,
	label: `Command ${i}`,
	description: '',
	category: ['All'],
	icon: '',
	kind: 'one-shot',
	nested: false,
	synonyms: [],
	contexts
});

export const small = (rule?: AmbiguityRule): fc.Arbitrary<Small> =>
	axes.chain((list) => {
		const scope = scopeOf(list);
		const shortcut = fc.record({ command: fc.nat(4), keys: fc.constantFrom(...KEYS), scope });
		return fc
			.record({
				blocks: fc.array(scope, { minLength: 1, maxLength: 3 }),
				contexts: fc.array(fc.array(scope, { maxLength: 2 }), { minLength: 5, maxLength: 5 }),
				ambiguity: rule ? fc.constant(rule) : fc.constantFrom<AmbiguityRule>('narrowest', 'first', 'chooser', 'refuse'),
				sequences: fc.constantFrom<InputRules['sequences']>('at-once', 'wait'),
				typing: fc.array(scope, { maxLength: 1 }),
				strata: fc.tuple(
					...heads.map((head) =>
						fc.array(
							fc.record({
								op: fc.constantFrom(...(head.kind === 'factory' ? ['set'] : ['set', 'set', 'remove', 'lock'])),
								shortcut
							}),
							{ maxLength: 7 }
						)
					)
				)
			})
			.map(({ blocks, contexts, ambiguity, sequences, typing, strata }): Small => {
				const space = contextSpace(list, blocks);
				const commands = contexts.map((scopes, i) => plainCommand(i, scopes));
				const rules: InputRules = { ambiguity, match: 'character', sequences, typing, hardwired: [] };
				const profile = heads.map((head, s) => {
					const entries = strata[s]!.map(
						({ op, shortcut: { command, keys, scope: limited } }, rank) =>
							({ op, command: `c${command}`, keys, scope: limited, rank }) as Entry
					);
					return stratumOf(head, [...new Map(entries.map((e) => [entryKey(e), e])).values()]);
				});
				const index = shortcutIndex(effectiveProfile(profile, space), space, catalogueOf(commands, space), rules);
				const told = () => JSON.stringify({ list, blocks, rules, contexts, strata });
				return Object.assign(
					{ axes: list, reachable: blocks, space, commands, rules, profile, index },
					{ [fc.toStringMethod]: told }
				);
			});
	});

export const subjectOf = ({ axes: list, reachable, space, commands, rules }: Small): OpenApplication => ({
	application: {
		id: 'small',
		name: 'Small',
		version: '1',
		axes: [...list],
		reachable,
		rules
	} as unknown as OpenApplication['application'],
	space,
	catalogue: catalogueOf(commands, space)
});

/** What a check of the application looks at, in an office with one usual desk. */
export const circumstances = (app: Small, profile = app.profile, released: readonly Entry[] | null = null): Circumstances =>
	circumstancesOf(subjectOf(app), profile, [], released && stratumOf(heads[1]!, released));

/** An application of as many commands, all of them on one key everywhere. */
export function crowded(count: number) {
	const list = [axisOf(0, [0, 1, 2])];
	const space = contextSpace(list, [{}]);
	const rules: InputRules = { ambiguity: 'chooser', match: 'character', sequences: 'at-once', typing: [], hardwired: [] };
	const commands = Array.from({ length: count }, (_, i) => plainCommand(i, []));
	const entries = commands.map(({ id }, rank): Entry => ({ op: 'set', command: id, keys: 'Q' as Keys, scope: {}, rank }));
	const application = {
		id: 'crowded',
		name: 'Crowded',
		version: '1',
		axes: list,
		reachable: [{}],
		rules
	} as unknown as Application;
	return { application, space, catalogue: catalogueOf(commands, space), profile: [stratumOf(heads[0]!, entries)] };
}
