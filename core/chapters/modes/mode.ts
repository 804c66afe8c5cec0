import { z } from 'zod';
import type { Command, CommandId } from '../../application/command.ts';
import { AxisId, isOwnContext, NodeId } from '../../context/axis.ts';
import { withOwn, type ContextSpace, type OwnContext } from '../../context/space.ts';
import { setOrNamed } from '../../strata/change.ts';
import type { Entries } from '../../strata/entry.ts';
import { keyedFold, type InForce, type KeyedFold } from '../../strata/keyed-fold.ts';
import { contentOf, type Profile } from '../../strata/stratum.ts';

export const MODES = 'modes';

/** Whether a mode shows the bars of the one that it is made from beside those that name it, or those alone. */
export const MODE_BARS = ['shared', 'own'] as const;

const OwnId = NodeId.refine(isOwnContext, 'expected an id that begins with "own."');

const MODE = { kind: z.literal('mode'), axis: AxisId, id: OwnId };
const FAVOURITE = { kind: z.literal('favourite'), axis: AxisId, id: NodeId };

/** A mode of one's own: a context made from another one of its axis. */
const SET_MODE = {
	...MODE,
	label: z.string().trim().min(1, 'is empty').max(80),
	from: NodeId.meta({ description: 'the context that it is based on; its shortcuts apply in the mode' }),
	bars: z.enum(MODE_BARS).default('shared')
};

/** That a mode, the application's or one's own, is a favourite in the switcher, and between which others it stands. */
const SET_FAVOURITE = {
	...FAVOURITE,
	order: z
		.string()
		.regex(/^[0-9A-Za-z]+$/, 'expected an order key of letters and digits')
		.max(200)
};

/** What a stratum says of modes. */
export const ModesEntry = z.discriminatedUnion('kind', [setOrNamed(SET_MODE, MODE), setOrNamed(SET_FAVOURITE, FAVOURITE)]);
export type ModesEntry = z.infer<typeof ModesEntry>;
export type SetMode = Extract<ModesEntry, { op: 'set'; kind: 'mode' }>;
export type SetFavourite = Extract<ModesEntry, { op: 'set'; kind: 'favourite' }>;

/** As it stands in a file. */
export const ModesInFile = z.discriminatedUnion('kind', [
	z.discriminatedUnion('op', [
		z.strictObject({ op: z.literal('set'), ...SET_MODE }),
		z.strictObject({ op: z.enum(['remove', 'lock']), ...MODE })
	]),
	z.discriminatedUnion('op', [
		z.strictObject({ op: z.literal('set'), ...SET_FAVOURITE }),
		z.strictObject({ op: z.enum(['remove', 'lock']), ...FAVOURITE })
	])
]);

export type ModesEntries = Entries<ModesEntry>;
const NONE: ModesEntries = new Map();
export const modesIn = contentOf<ModesEntries>(MODES, NONE);

export const thingFor = ({ kind, axis, id }: Pick<ModesEntry, 'kind' | 'axis' | 'id'>): string => `${kind} ${axis} ${id}`;
export const MEETING = { meeting: 'overrides', thing: (entry: ModesEntry) => thingFor(entry) } as const;

/** Folds of the same contents are the same. */
const folds = new WeakMap<ModesEntries, { readonly all: readonly ModesEntries[]; readonly fold: KeyedFold<ModesEntry> }[]>();
const MOST_KNOWN = 6;

/** What the strata say of modes together. */
export function modesFold(profile: Profile): KeyedFold<ModesEntry> {
	const all = profile.map(modesIn);
	const key = all.find((content) => content.size > 0) ?? NONE;
	let list = folds.get(key);
	if (!list) folds.set(key, (list = []));
	const known = list.find((f) => f.all.length === all.length && all.every((content, i) => content === f.all[i]));
	if (known) return known.fold;
	const fold = keyedFold(profile, modesIn, MEETING);
	list.unshift({ all, fold });
	list.length = Math.min(list.length, MOST_KNOWN);
	return fold;
}

/** The modes in force, in the order in which they were made. */
export const modesInForce = (profile: Profile): (InForce<ModesEntry> & { readonly entry: SetMode })[] =>
	[...modesFold(profile).inForce.values()].filter(
		(said): said is InForce<ModesEntry> & { readonly entry: SetMode } => said.entry.op === 'set' && said.entry.kind === 'mode'
	);

/** The favourites in their order, of one axis. */
export const favouritesOn = (profile: Profile, axis: AxisId): (InForce<ModesEntry> & { readonly entry: SetFavourite })[] =>
	[...modesFold(profile).inForce.values()]
		.filter(
			(said): said is InForce<ModesEntry> & { readonly entry: SetFavourite } =>
				said.entry.op === 'set' && said.entry.kind === 'favourite' && said.entry.axis === axis
		)
		.sort((a, b) => (a.entry.order < b.entry.order ? -1 : a.entry.order > b.entry.order ? 1 : 0));

const ownContext = ({ axis, id, label, from, bars }: SetMode): OwnContext => ({ axis, id, label, from, ownBars: bars === 'own' });

const spaces = new WeakMap<ContextSpace, { readonly made: string; readonly space: ContextSpace }[]>();

/** The application's space with the modes of the profile in it; the same one for the same modes. */
export function profileSpace({ base }: ContextSpace, profile: Profile): ContextSpace {
	if (profile.every((stratum) => modesIn(stratum).size === 0)) return base;
	const own = modesInForce(profile).map(({ entry }) => ownContext(entry));
	if (own.length === 0) return base;
	const made = JSON.stringify(own);
	let list = spaces.get(base);
	if (!list) spaces.set(base, (list = []));
	const known = list.find((one) => one.made === made);
	if (known) return known.space;
	const space = withOwn(base, own);
	list.unshift({ made, space });
	list.length = Math.min(list.length, MOST_KNOWN);
	return space;
}

/** The id of the command that switches to a mode of one's own. */
export const switchCommandId = (id: NodeId): CommandId => `mode:${id.slice('own.'.length)}` as CommandId;

/** The command that switches to a mode of one's own. */
export function switchCommand({ id, label }: Pick<SetMode, 'id' | 'label'>): Command {
	return {
		id: switchCommandId(id),
		label: `Switch to ${label}`,
		description: `Switches to ${label}, a custom mode.`,
		category: ['Modes'],
		icon: 'layout-board',
		kind: 'one-shot',
		nested: false,
		synonyms: ['mode', 'workspace'],
		contexts: []
	};
}

/** Where a command leads, if it switches modes: an axis with one of its contexts. */
export function leadsTo(
	space: ContextSpace,
	command: CommandId
): { readonly axis: AxisId; readonly context: NodeId } | undefined {
	const own = space.own.find(({ id }) => switchCommandId(id) === command);
	if (own) return { axis: own.axis, context: own.id };
	for (const { id, modes = {} } of space.axes)
		for (const [context, by] of Object.entries(modes)) if (by === command) return { axis: id, context: context as NodeId };
	return undefined;
}

/** The command that switches to a mode, if there is one. */
export const switchesTo = (space: ContextSpace, axis: AxisId, context: NodeId): CommandId | undefined =>
	space.own.some((own) => own.axis === axis && own.id === context)
		? switchCommandId(context)
		: (space.axes.find(({ id }) => id === axis)?.modes?.[context] as CommandId | undefined);
