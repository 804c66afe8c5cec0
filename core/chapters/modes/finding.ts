import type { FixProposal } from '../../check/finding.ts';
import type { EntryRule } from '../../check/of-entry.ts';
import type { Severity } from '../../check/severity.ts';
import type { ContextSpace } from '../../context/space.ts';
import type { Profile, StratumId } from '../../strata/stratum.ts';
import type { ModesEntry } from './mode.ts';

/** What the rules look at. */
export interface ModeGround {
	readonly profile: Profile;
	/** With the modes of the profile in it. */
	readonly space: ContextSpace;
}

/** What the check has found in what a stratum says of a mode. */
export interface ModeFinding {
	readonly severity: Severity;
	readonly about: Pick<ModesEntry, 'kind' | 'axis' | 'id'>;
	readonly stratum: StratumId;
	readonly sentence: string;
	/** What it rests on. */
	readonly facts: readonly string[];
	readonly fixes: readonly FixProposal[];
}

export type ModeRule = EntryRule<ModeGround, ModeFinding>;
