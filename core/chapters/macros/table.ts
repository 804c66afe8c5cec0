import type { Catalogue } from '../../application/application.ts';
import type { Command, CommandId } from '../../application/command.ts';
import type { Profile, StratumHead } from '../../strata/stratum.ts';
import { keyedFold, type Idle } from '../../strata/keyed-fold.ts';
import { macroOf, macrosIn, type Macro, type MacroEntries, type MacroEntry, type SetMacro } from './macro.ts';

/** A macro in force, with where it comes from. */
export interface PlacedMacro {
	readonly macro: Macro;
	readonly stratum: StratumHead;
	/** The stratum that forbids those above it to change the macro. */
	readonly lockedBy: StratumHead | undefined;
	/** The lower stratum whose macro this one stands in place of. */
	readonly over: StratumHead | undefined;
}

export interface MacroTable {
	readonly inForce: ReadonlyMap<CommandId, PlacedMacro>;
	/** What strata say without effect. */
	readonly idle: readonly Idle<MacroEntry>[];
}

const MEETING = { meeting: 'overrides', thing: ({ id }: MacroEntry) => id } as const;

/** Folds the strata's macros from the lowest up: an upper stratum's word on a macro stands, unless one below has locked it. */
export function macroTable(profile: Profile): MacroTable {
	const { inForce, idle } = keyedFold(profile, macrosIn, MEETING);
	return {
		inForce: new Map(
			Array.from(inForce, ([id, { entry, stratum, lockedBy, over }]) => [
				id as CommandId,
				{ macro: macroOf(entry as SetMacro), stratum, lockedBy, over }
			])
		),
		idle
	};
}

/** The macro as the catalogue's commands are described. */
export function commandOfMacro({ id, label, description, icon, inside, steps }: Macro): Command {
	return {
		id,
		label,
		description,
		category: ['Macros'],
		icon,
		kind: steps.some((step) => step.do === 'pick') ? 'interactive' : 'one-shot',
		nested: inside,
		synonyms: [],
		contexts: []
	};
}

interface Derived {
	readonly said: readonly MacroEntries[];
	readonly all: Catalogue;
}

/** What was worked out last, the newest first: a profile is looked at whole, as published, and as released, by turns. */
const known = new WeakMap<Catalogue, Derived[]>();
const MOST_KNOWN = 6;

/**
 * The catalogue with the profile's macros behind it: they are commands like any other. The same object for the same macros,
 * so that what hangs on it is not worked out anew with each edit.
 */
export function profileCatalogue(catalogue: Catalogue, profile: Profile): Catalogue {
	const said = profile.map(macrosIn);
	if (said.every((macros) => macros.size === 0)) return catalogue;
	let list = known.get(catalogue);
	if (!list) known.set(catalogue, (list = []));
	const earlier = list.find((d) => d.said.length === said.length && said.every((macros, i) => macros === d.said[i]));
	if (earlier) return earlier.all;
	const all = new Map(catalogue);
	for (const { macro } of macroTable(profile).inForce.values())
		if (!catalogue.has(macro.id)) all.set(macro.id, commandOfMacro(macro));
	list.unshift({ said, all });
	list.length = Math.min(list.length, MOST_KNOWN);
	return all;
}
