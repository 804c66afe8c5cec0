import { z } from 'zod';
import { Scope, scopeText } from '../../context/scope.ts';
import { FEWEST_DIRECTIONS, MOST_DIRECTIONS, sectorOf } from '../../hand/hand-test.ts';
import { setOrNamed } from '../../strata/change.ts';
import type { Entries } from '../../strata/entry.ts';
import { keyedFold, type InForce, type KeyedFold } from '../../strata/keyed-fold.ts';
import { contentOf, type Profile } from '../../strata/stratum.ts';
import { BUTTONS, mouseInput, mouseKey, type Button, type Motion, type MouseInput } from '../../stroke/mouse.ts';
import { keysOf, MODIFIERS, strokesOf, type Keys, type Modifier } from '../../stroke/stroke.ts';
import { SET_SHAPE, SHAPE } from './shape.ts';

export const GESTURES = 'gestures';

/** What is held while one flicks. */
const TRIGGER = {
	button: z.enum(BUTTONS),
	modifiers: z
		.array(z.enum(MODIFIERS))
		.max(MODIFIERS.length)
		.refine((held) => held.every((one, i) => held.indexOf(one) === i), 'a modifier is named twice')
};

const ROSE = { kind: z.literal('rose'), ...TRIGGER, scope: Scope };

const SET_ROSE = {
	...ROSE,
	directions: z.number().int().min(FEWEST_DIRECTIONS).max(MOST_DIRECTIONS),
	turn: z.number().int().min(-90).max(90).default(0)
};

/**
 * What a stratum says of a rose: that with this trigger a program hears flicks in so many directions there, the first of them
 * `turn` degrees clockwise from up. Or of a shape: that what is drawn like its samples is it. What the directions and the shapes do are
 * shortcuts, on inputs such as `RightFlick45` and `RightShape-hook`.
 */
export const GestureEntry = z.discriminatedUnion('kind', [setOrNamed(SET_ROSE, ROSE), setOrNamed(SET_SHAPE, SHAPE)]);
export type GestureEntry = z.infer<typeof GestureEntry>;
export type SetRose = Extract<GestureEntry, { op: 'set'; kind: 'rose' }>;
export type SetShape = Extract<GestureEntry, { op: 'set'; kind: 'shape' }>;

export const GestureInFile = z.discriminatedUnion('kind', [
	z.discriminatedUnion('op', [
		z.strictObject({ op: z.literal('set'), ...SET_ROSE }),
		z.strictObject({ op: z.enum(['remove', 'lock']), ...ROSE })
	]),
	z.discriminatedUnion('op', [
		z.strictObject({ op: z.literal('set'), ...SET_SHAPE }),
		z.strictObject({ op: z.enum(['remove', 'lock']), ...SHAPE })
	])
]);

export type GestureEntries = Entries<GestureEntry>;
const NONE: GestureEntries = new Map();
export const gesturesIn = contentOf<GestureEntries>(GESTURES, NONE);

export interface Trigger {
	readonly button: Button;
	readonly modifiers: readonly Modifier[];
}

/** The trigger as people write it: `Ctrl+Right`. */
export const triggerText = ({ button, modifiers }: Trigger): string =>
	[...MODIFIERS.filter((m) => modifiers.includes(m)), button].join('+');

export const roseThing = (rose: Trigger & { readonly scope: Scope }): string =>
	`${triggerText(rose)} ${scopeText(rose.scope)}`.trim();
export const shapeThing = (id: string): string => `shape ${id}`;
const thingOf = (entry: GestureEntry): string => (entry.kind === 'rose' ? roseThing(entry) : shapeThing(entry.id));
export const MEETING = { meeting: 'overrides', thing: thingOf } as const;

const folds = new WeakMap<Profile, KeyedFold<GestureEntry>>();

export function gesturesFold(profile: Profile): KeyedFold<GestureEntry> {
	let fold = folds.get(profile);
	if (!fold) folds.set(profile, (fold = keyedFold(profile, gesturesIn, MEETING)));
	return fold;
}

export type PlacedRose = InForce<GestureEntry> & { readonly entry: SetRose };

/** The roses in force. */
export const rosesOf = (profile: Profile): PlacedRose[] =>
	[...gesturesFold(profile).inForce.values()].filter(
		(said): said is PlacedRose => said.entry.op === 'set' && said.entry.kind === 'rose'
	);

export type PlacedShape = InForce<GestureEntry> & { readonly entry: SetShape };

/** The shapes in force, in the order in which they were made. */
export const shapesOf = (profile: Profile): PlacedShape[] =>
	[...gesturesFold(profile).inForce.values()].filter(
		(said): said is PlacedShape => said.entry.op === 'set' && said.entry.kind === 'shape'
	);

export const shapeNamed = (profile: Profile, id: string): PlacedShape | undefined => {
	const said = gesturesFold(profile).inForce.get(shapeThing(id));
	return said?.entry.kind === 'shape' && said.entry.op === 'set' ? (said as PlacedShape) : undefined;
};

/** The directions that a rose has, in degrees clockwise from up as inputs name them: the turn moves what is drawn, not what it is called. */
export const directionsOf = ({ directions }: Pick<SetRose, 'directions'>): number[] =>
	Array.from({ length: directions }, (_, i) => Math.round((i * 360) / directions));

const strokeWith = (modifiers: readonly Modifier[], input: MouseInput): Keys =>
	keysOf([{ modifiers: MODIFIERS.filter((m) => modifiers.includes(m)), key: mouseKey(input) }]);

/** The input of a flick in one of its directions. */
export const flickKeys = ({ button, modifiers }: Trigger, degrees: number): Keys =>
	strokeWith(modifiers, { kind: 'flick', button, degrees });

/** The input of a click, a hold or a drag. */
export const motionKeys = ({ button, modifiers }: Trigger, motion: Motion): Keys =>
	strokeWith(modifiers, { kind: 'button', button, motion });

/** The input of a drawn shape. */
export const shapeKeys = ({ button, modifiers }: Trigger, shape: string): Keys =>
	strokeWith(modifiers, { kind: 'shape', button, shape });

/** What a flick input says; undefined for any other input. */
export function flickIn(keys: Keys): (Trigger & { readonly degrees: number }) | undefined {
	if (!keys.includes('Flick')) return undefined;
	const [stroke] = strokesOf(keys);
	const input = mouseInput(stroke!.key);
	return input?.kind === 'flick' ? { button: input.button, modifiers: stroke!.modifiers, degrees: input.degrees } : undefined;
}

/** What the input of a drawn shape says; undefined for any other input. */
export function shapeIn(keys: Keys): (Trigger & { readonly shape: string }) | undefined {
	if (!keys.includes('Shape-')) return undefined;
	const [stroke] = strokesOf(keys);
	const input = mouseInput(stroke!.key);
	return input?.kind === 'shape' ? { button: input.button, modifiers: stroke!.modifiers, shape: input.shape } : undefined;
}

export const sameTrigger = (a: Trigger, b: Trigger): boolean => triggerText(a) === triggerText(b);

/** Which direction of the rose a flick of this angle on the screen is. */
export const flickedInto = ({ directions, turn }: Pick<SetRose, 'directions' | 'turn'>, angle: number): number =>
	directionsOf({ directions })[sectorOf({ directions, turn }, angle)]!;
