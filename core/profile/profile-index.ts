import { shortcutIndex, type Hearing, type ShortcutIndex } from '../answer/shortcut-index.ts';
import type { OpenApplication } from '../application/application.ts';
import type { CommandId } from '../application/command.ts';
import { intersection, type Bits } from '../context/bits.ts';
import type { ContextSpace } from '../context/space.ts';
import { effectiveProfile, type ImpliedShortcuts } from '../shortcut/effective.ts';
import type { Entry } from '../shortcut/entry.ts';
import type { Profile, StratumId } from '../strata/stratum.ts';
import { profileCatalogue } from './catalogue.ts';
import { ALL_CHAPTERS } from './chapters.ts';

const ADDING = ALL_CHAPTERS.flatMap(({ adds }) => adds ?? []);

/** The space with the contexts that the profile has of its own; the same one for the same contexts. */
export const profileSpace = (bare: ContextSpace, profile: Profile): ContextSpace =>
	ADDING.reduce((space, { contexts }) => contexts?.(space, profile) ?? space, bare);

/** The shortcuts that chapters other than that of shortcuts imply, by stratum. */
export function impliedShortcuts(profile: Profile): ImpliedShortcuts {
	const all = new Map<StratumId, Entry[]>();
	for (const { shortcuts } of ADDING)
		for (const [stratum, entries] of shortcuts?.(profile) ?? []) all.set(stratum, [...(all.get(stratum) ?? []), ...entries]);
	return all;
}

const PLACING = ADDING.filter(({ places }) => places);

/** The commands that have a place in the window; the same set for the same places. */
export function placedCommands(profile: Profile): ReadonlySet<CommandId> {
	const [first, ...others] = PLACING.map(({ places }) => places!(profile));
	return others.length === 0 ? (first ?? new Set()) : new Set([first!, ...others].flatMap((commands) => [...commands]));
}

/** Where each input of a command can be made at all: where no chapter prevents it. */
function hearingOf(profile: Profile, space: ContextSpace): Hearing {
	const hearings = ADDING.flatMap(({ heard }) => heard?.(profile, space) ?? []);
	return (keys, command) => {
		let where: Bits | undefined;
		for (const hearing of hearings) {
			const of = hearing(keys, command);
			if (of) where = where ? intersection(where, of) : of;
		}
		return where;
	};
}

/**
 * The index of a profile, with everything that the program listens to: its space holds the profile's modes, its catalogue the
 * profile's macros and cursor bars, and the keys of cursor bars are shortcuts of the commands that open them.
 */
export function indexOf({ application, space: bare, catalogue }: OpenApplication, profile: Profile): ShortcutIndex {
	const space = profileSpace(bare, profile);
	const implied = impliedShortcuts(profile);
	const effective = effectiveProfile(profile, space, implied);
	return shortcutIndex(
		effective,
		space,
		profileCatalogue(catalogue, profile),
		application.rules,
		hearingOf(profile, space),
		implied
	);
}
