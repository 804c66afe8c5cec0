import type { Severity } from '../../check/severity.ts';
import type { KeyedFold } from '../../strata/keyed-fold.ts';
import type { Profile, Stratum, StratumId } from '../../strata/stratum.ts';
import type { OptionDefinition, OptionPath } from '../../application/option.ts';
import type { OptionEntry } from './option.ts';

/** What the rules look at. */
export interface OptionGround {
	readonly options: ReadonlyMap<string, OptionDefinition>;
	readonly profile: Profile;
	readonly fold: KeyedFold<OptionEntry>;
	/** The profile as the seats have it; undefined before the first release. */
	readonly released: Profile | undefined;
}

/** A way out: what the stratum's word on the option becomes; nothing drops it. */
export interface OptionFix {
	readonly label: string;
	readonly to: OptionEntry | null;
}

/** What the check has found in what a stratum says of an option. */
export interface OptionFinding {
	readonly severity: Severity;
	readonly path: OptionPath;
	readonly stratum: StratumId;
	readonly sentence: string;
	/** What it rests on. */
	readonly facts: readonly string[];
	readonly fixes: readonly OptionFix[];
}

export interface OptionRule {
	readonly id: string;
	readonly title: string;
	find(ground: OptionGround, report: (finding: OptionFinding) => void): void;
}

/** Every entry that sets an option, with its stratum. */
export function* settings(profile: Profile, entriesIn: (stratum: Stratum) => Iterable<OptionEntry>) {
	for (const stratum of profile) for (const entry of entriesIn(stratum)) if (entry.op === 'set') yield { stratum, entry };
}
