import type { Command, CommandId } from '../../application/command.ts';
import type { Profile, StratumHead } from '../../strata/stratum.ts';
import { keyedFold, type Idle } from '../../strata/keyed-fold.ts';
import { macroOf, macrosIn, type Macro, type MacroEntry, type SetMacro } from './macro.ts';

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
