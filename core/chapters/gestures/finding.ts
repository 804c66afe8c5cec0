import type { ShortcutIndex } from '../../answer/shortcut-index.ts';
import type { CommandId } from '../../application/command.ts';
import type { FixProposal } from '../../check/finding.ts';
import type { EntryRule } from '../../check/of-entry.ts';
import type { Severity } from '../../check/severity.ts';
import type { OfficeDesks } from '../../keyboard/office-desks.ts';
import type { MouseHearing } from './hearing.ts';
import type { Profile, StratumId } from '../../strata/stratum.ts';
import type { Keys } from '../../stroke/stroke.ts';

/** What the rules look at. */
export interface GestureGround {
	readonly profile: Profile;
	readonly index: ShortcutIndex;
	/** Where a flick can be made. */
	readonly heard: MouseHearing;
	readonly desks: OfficeDesks['desks'];
}

/** What the check has found. */
export interface GestureFinding {
	readonly severity: Severity;
	/** What it is about, which is the same while it stays. */
	readonly thing: string;
	readonly stratum: StratumId;
	readonly command: CommandId | undefined;
	/** An input that shows it, where there is one. */
	readonly keys: Keys | undefined;
	readonly situation: number;
	readonly sentence: string;
	/** What it rests on. */
	readonly facts: readonly string[];
	readonly fixes: readonly FixProposal[];
}

export type GestureRule = EntryRule<GestureGround, GestureFinding>;
