import type { AnyChange } from '../../chapter/chapter.ts';
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

/** A way out: the changes by which the pen's stratum takes it. */
export interface ModeFix {
	readonly kind: string;
	readonly label: string;
	changes(profile: Profile, target: StratumId): readonly AnyChange[];
}

/** What the check has found in what a stratum says of a mode. */
export interface ModeFinding {
	readonly severity: Severity;
	readonly about: Pick<ModesEntry, 'kind' | 'axis' | 'id'>;
	readonly stratum: StratumId;
	readonly sentence: string;
	/** What it rests on. */
	readonly facts: readonly string[];
	readonly fixes: readonly ModeFix[];
}

export interface ModeRule {
	readonly id: string;
	readonly title: string;
	find(ground: ModeGround, report: (finding: ModeFinding) => void): void;
}
