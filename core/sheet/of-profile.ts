import type { OpenApplication } from '../application/application.ts';
import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import { aliasTable, type AliasEntry } from '../chapters/aliases/table.ts';
import { shapesOf } from '../chapters/gestures/gesture.ts';
import { meets } from '../context/bits.ts';
import type { Scope } from '../context/scope.ts';
import type { Desk } from '../keyboard/desk.ts';
import type { Binding } from '../shortcut/effective.ts';
import { BOARDS } from '../keyboard/board.ts';
import { LAYOUTS } from '../keyboard/layouts.ts';
import { officeDesks, type OfficeDesks } from '../keyboard/office-desks.ts';
import { indexOf } from '../profile/circumstances.ts';
import type { Profile, StratumId } from '../strata/stratum.ts';
import type { SheetPlatform } from './ground.ts';
import { sheetOf, type Arrangement, type Sheet } from './sheet.ts';

/** What somebody wants on a sheet. */
export interface SheetWish {
	readonly arrangement: Arrangement;
	/** At least one; side by side if there are more. */
	readonly platforms: readonly SheetPlatform[];
	/** Whose setup it is, as the head says it. */
	readonly setup: string;
	/** Which state of the setup it is, in words. */
	readonly state: string;
	readonly date: Date;
	/** What of it is wanted; all when left out. */
	readonly only?: SheetChoice;
	/** The desk that it is for; that of most seats when left out. */
	readonly desk?: Desk;
}

/** What of a setup a sheet shows: what strata say themselves, the commands that are used most, or what is heard in a scope. */
export type SheetChoice =
	| { readonly kind: 'strata'; readonly strata: readonly StratumId[] }
	| { readonly kind: 'used'; readonly most: number }
	| { readonly kind: 'scope'; readonly scope: Scope };

/** So many commands are on a sheet of those that are used most: with their names about a page of A4 in two columns. */
export const MOST_USED = 70;

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' });

/** The sheet of what these strata bring into force, for the desk of most seats. */
export function sheetOfProfile(
	opened: OpenApplication,
	strata: Profile,
	desks: OfficeDesks['desks'],
	{ arrangement, platforms, setup, state, date, only, desk }: SheetWish
): Sheet {
	const { application } = opened;
	const input = application.rules.aliases;
	const office = officeDesks(application.rules, desks);
	const usual = desk ?? office.usual;
	const index = indexOf(opened, strata);
	const aliases = input ? aliasTable(strata, input).byCommand : new Map<string, readonly AliasEntry[]>();
	const head = {
		application: `${application.name} ${application.version}`,
		setup,
		state,
		desk: `${BOARDS[usual.board].name}; ${LAYOUTS[usual.layout].name} layout`,
		date: DAY.format(date)
	};
	return sheetOf(head, arrangement, {
		index,
		office,
		desk: usual,
		aliases: only ? wantedAliases(index, aliases, only) : aliases,
		platforms,
		shapes: new Map(shapesOf(strata).map(({ entry }) => [entry.id, entry.label])),
		...(only && { wants: wanting(index, aliases, only) })
	});
}

/** Which shortcuts are wanted. */
function wanting(index: ShortcutIndex, aliases: Aliases, only: SheetChoice): (binding: Binding) => boolean {
	if (only.kind === 'strata') return ({ stratum }) => only.strata.includes(stratum);
	if (only.kind === 'used') {
		const used = mostUsed(index, aliases, only.most);
		return ({ command }) => used.has(command);
	}
	const here = index.space.bitsOf(only.scope);
	return (binding) => meets(index.reach(binding), here);
}

/** What is typed for the commands that are wanted; what is typed holds wherever the command line listens. */
function wantedAliases(index: ShortcutIndex, aliases: Aliases, only: SheetChoice): Aliases {
	const used = only.kind === 'used' ? mostUsed(index, aliases, only.most) : undefined;
	const kept = [...aliases].flatMap(([command, entries]) => {
		if (used && !used.has(command)) return [];
		const own = only.kind === 'strata' ? entries.filter(({ stratum }) => only.strata.includes(stratum.id)) : entries;
		return own.length > 0 ? [[command, own] as const] : [];
	});
	return new Map(kept);
}

type Aliases = ReadonlyMap<string, readonly AliasEntry[]>;

/** The commands that have a key or a name and are run most, as the office has estimated. */
function mostUsed(index: ShortcutIndex, aliases: Aliases, most: number): ReadonlySet<string> {
	const reachable = [...index.catalogue.values()].filter(({ id }) => index.of(id).length > 0 || aliases.has(id));
	return new Set(
		reachable
			.toSorted((a, b) => (b.use ?? 0) - (a.use ?? 0))
			.slice(0, most)
			.map(({ id }) => id as string)
	);
}
