import type { Command, CommandId } from '../../application/command.ts';
import type { Bits } from '../../context/bits.ts';
import type { ContextSpace } from '../../context/space.ts';
import type { ImpliedShortcuts } from '../../shortcut/effective.ts';
import type { Entry } from '../../shortcut/entry.ts';
import { headOf, holding, type Profile, type StratumId } from '../../strata/stratum.ts';
import { barsIn, BARS, type ItemId, type ItemOf } from './bar.ts';
import { whereShown } from './boxes.ts';
import { barTree, type BarNode } from './tree.ts';

const PREFIX = 'bar:';

/** The command that opens a cursor bar at the pointer. */
export const openCommandId = (bar: string): CommandId => `${PREFIX}${bar}` as CommandId;

/** The bar that a command opens; undefined for any other command. */
export const openedBy = (command: CommandId): ItemId | undefined =>
	command.startsWith(PREFIX) ? (command.slice(PREFIX.length) as ItemId) : undefined;

type CursorBar = BarNode<ItemOf<'bar'>>;

const NONE: readonly CursorBar[] = [];

/** The cursor bars in force that are not hidden, in the order of the window. */
export function cursorBarsOf(profile: Profile): readonly CursorBar[] {
	if (profile.every((stratum) => barsIn(stratum).size === 0)) return NONE;
	return barTree(barsOnly(profile)).bars.filter(({ item }) => item.form === 'cursor' && !item.hidden);
}

let last: Profile = [];
/** The profile with its bars alone: the same one while they stay the same, so that its tree is made once. */
function barsOnly(profile: Profile): Profile {
	if (last.length === profile.length && profile.every((s, i) => s.id === last[i]!.id && barsIn(s) === barsIn(last[i]!)))
		return last;
	return (last = profile.map((stratum) => holding({ ...headOf(stratum), contents: {} }, BARS, barsIn(stratum))));
}

/** What a cursor bar adds to the catalogue: a command that opens it, so that keys, buttons and macros can. */
export const openCommand = ({ id, item: { name, scope } }: Pick<CursorBar, 'id' | 'item'>): Command => ({
	id: openCommandId(id),
	label: `Open ${name}`,
	description: `Opens the cursor bar ${name} at the pointer.`,
	category: ['Cursor bars'],
	icon: 'pointer',
	kind: 'one-shot',
	nested: true,
	synonyms: [],
	contexts: [scope]
});

/** Behind all that a stratum says of shortcuts itself. */
const BEHIND = 500_000_000;

/** The keys that cursor bars name, as the shortcuts that each stratum says by them. */
export function cursorKeys(profile: Profile): ImpliedShortcuts {
	const implied = new Map<StratumId, Entry[]>();
	cursorBarsOf(profile).forEach(({ id, item: { keys, scope }, stratum }, i) => {
		if (keys === undefined) return;
		const entry: Entry = { op: 'set', command: openCommandId(id), keys, scope, rank: BEHIND + i };
		const list = implied.get(stratum.id);
		if (list) list.push(entry);
		else implied.set(stratum.id, [entry]);
	});
	return implied;
}

/** Where the bar that a command opens shows; undefined for any other command. */
export function barShows(profile: Profile, space: ContextSpace): (command: CommandId) => Bits | undefined {
	const shown = new Map(cursorBarsOf(profile).map(({ id, item }) => [openCommandId(id), whereShown(space, item)]));
	return (command) => (command.startsWith(PREFIX) ? (shown.get(command) ?? space.nowhere) : undefined);
}
