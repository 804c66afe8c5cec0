import { z } from 'zod';
import { CommandId } from '../../application/command.ts';
import { Scope } from '../../context/scope.ts';
import { Keys } from '../../stroke/stroke.ts';
import { GROUP_FORMS } from '../../surface/parts.ts';
import { canonicalText } from '../../format/canonical.ts';
import { Rank, type Entries } from '../../strata/entry.ts';
import { contentOf } from '../../strata/stratum.ts';

export const BARS = 'bars';

/** The id of a bar, tab, group or place: the same in every stratum that speaks of it. */
export const ItemId = z
	.string()
	.regex(/^[a-z0-9][a-z0-9._-]{0,79}$/, 'expected lower-case letters, digits, dots, hyphens and underscores, 80 at most')
	.brand('ItemId');
export type ItemId = z.infer<typeof ItemId>;

/** Where it stands among its neighbours: a key of the package fractional-indexing, compared sign by sign. */
const OrderKey = z
	.string()
	.regex(/^[0-9A-Za-z]+$/, 'expected an order key of letters and digits')
	.max(200);

export const LONGEST_NAME = 500;
const Name = z.string().trim().min(1, 'is empty').max(LONGEST_NAME);

export const BAR_FORMS = ['menu', 'ribbon', 'toolbar', 'quick', 'cursor', 'context'] as const;
export type BarForm = (typeof BAR_FORMS)[number];

/** At which edge of the window a bar stands and in which row counted from it, or where it floats, in px of its monitor. */
export const Dock = z.discriminatedUnion('edge', [
	z.strictObject({ edge: z.enum(['top', 'left', 'right', 'bottom']), row: z.number().int().min(0).max(20) }),
	z.strictObject({
		edge: z.literal('floating'),
		monitor: z.number().int().min(1).max(8),
		x: z.number().int().min(-20_000).max(20_000),
		y: z.number().int().min(-20_000).max(20_000),
		columns: z.number().int().min(1).max(40)
	})
]);
export type Dock = z.infer<typeof Dock>;

/** A bar with all that holds for its places together. */
const Bar = z.strictObject({
	kind: z.literal('bar'),
	form: z.enum(BAR_FORMS),
	name: Name,
	scope: Scope,
	dock: Dock,
	icon: z.union([z.literal(16), z.literal(24), z.literal(32)]).meta({ description: 'of icons, in px' }),
	text: z.enum(['none', 'beside', 'below']),
	above: z.boolean().optional().meta({ description: 'at the top: above the ribbon instead of below it' }),
	as: z.enum(['toolbars', 'tab']).optional().meta({
		description: 'drawn in the other style: a ribbon as toolbars, one for each tab; a toolbar as a ribbon tab'
	}),
	keys: Keys.optional().meta({ description: 'of a cursor bar: what opens it at the pointer' }),
	hidden: z.boolean().default(false)
});

const Tab = z.strictObject({
	kind: z.literal('tab'),
	name: Name,
	dock: Dock.optional().meta({ description: 'its position while the ribbon is drawn as toolbars' })
});
const Group = z.strictObject({
	kind: z.literal('group'),
	name: Name,
	form: z.enum(GROUP_FORMS).optional().meta({ description: 'locked form, whatever room there is' })
});

/** A place that holds a command or a macro, a flyout (a named list of places), or neither: then it is a separator. */
const Place = z.strictObject({
	kind: z.literal('place'),
	command: CommandId.optional(),
	flyout: Name.optional(),
	size: z.enum(['large', 'small']).default('small'),
	shows: z.enum(['both', 'icon', 'text']).default('both'),
	title: Name.optional(),
	icon: z.string().max(80).optional(),
	hidden: z.boolean().default(false)
});

export const Item = z.discriminatedUnion('kind', [Bar, Tab, Group, Place]);
export type Item = z.infer<typeof Item>;
export type ItemOf<K extends Item['kind']> = Extract<Item, { kind: K }>;

const SET = { id: ItemId, parent: ItemId.nullable(), order: OrderKey, item: Item };

const LOCK = {
	id: ItemId,
	of: z.literal('position').optional().meta({ description: 'only the position of the bar is locked; without it the whole item' })
};

/**
 * What a stratum says of one thing of the bars: that it is there, below which other and between which neighbours; that a lower
 * stratum's is gone; or that strata above may not change it, or may not move the bar.
 */
export const BarEntry = z.discriminatedUnion('op', [
	z.strictObject({ op: z.literal('set'), ...SET, rank: Rank }),
	z.strictObject({ op: z.literal('remove'), id: ItemId, rank: Rank }),
	z.strictObject({ op: z.literal('lock'), ...LOCK, rank: Rank })
]);
export type BarEntry = z.infer<typeof BarEntry>;
export type SetItem = Extract<BarEntry, { op: 'set' }>;
export type BarLock = Extract<BarEntry, { op: 'lock' }>;

/** As it stands in a file. */
export const BarInFile = z.discriminatedUnion('op', [
	z.strictObject({ op: z.literal('set'), ...SET }),
	z.strictObject({ op: z.literal('remove'), id: ItemId }),
	z.strictObject({ op: z.literal('lock'), ...LOCK })
]);

export const isPositionLock = (entry: BarEntry): entry is BarLock => entry.op === 'lock' && entry.of === 'position';

export type BarEntries = Entries<BarEntry>;
const NONE: BarEntries = new Map();
export const barsIn = contentOf<BarEntries>(BARS, NONE);

/** A lock of a bar's position is about that, and not about the bar. */
export const MEETING = {
	meeting: 'overrides',
	thing: (entry: BarEntry): string => (isPositionLock(entry) ? `${entry.id} position` : entry.id)
} as const;

/** Whether two say the same, in whatever order their parts stand. */
export const sameItem = (a: Item, b: Item): boolean => canonicalText(a) === canonicalText(b);

/** What may stand below what; null is the window. */
const BELOW: Readonly<Record<Item['kind'], readonly (Item['kind'] | null)[]>> = {
	bar: [null],
	tab: ['bar'],
	group: ['tab'],
	place: ['bar', 'group', 'place']
};

/** Why an item cannot stand below another, if so. */
export function misplacedReason(item: Item, parent: Item | null): string | undefined {
	if (!BELOW[item.kind].includes(parent?.kind ?? null))
		return `a ${item.kind} belongs in ${BELOW[item.kind].map((kind) => (kind ? `a ${kind}` : 'the window')).join(' or ')}`;
	if (item.kind === 'tab' && parent?.kind === 'bar' && parent.form !== 'ribbon') return 'only a ribbon has tabs';
	if (item.kind === 'place' && parent?.kind === 'bar' && parent.form === 'ribbon') return 'in a ribbon, buttons belong in groups';
	if (item.kind === 'place' && parent?.kind === 'place' && parent.flyout === undefined)
		return 'buttons can only be in a flyout button';
	return undefined;
}
