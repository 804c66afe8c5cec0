import type { ShortcutIndex } from '../../answer/shortcut-index.ts';
import type { CommandId } from '../../application/command.ts';
import type { AnyChange } from '../../chapter/chapter.ts';
import type { Severity } from '../../check/severity.ts';
import type { OfficeDesks } from '../../keyboard/office-desks.ts';
import type { Profile, StratumId } from '../../strata/stratum.ts';
import type { Keys } from '../../stroke/stroke.ts';

/** What the rules look at. */
export interface GestureGround {
	readonly profile: Profile;
	readonly index: ShortcutIndex;
	readonly desks: OfficeDesks['desks'];
}

/** A way out: the changes by which the pen's stratum takes it. */
export interface GestureFix {
	readonly kind: string;
	readonly label: string;
	changes(profile: Profile, target: StratumId): readonly AnyChange[];
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
	readonly fixes: readonly GestureFix[];
}

export interface GestureRule {
	readonly id: string;
	readonly title: string;
	find(ground: GestureGround, report: (finding: GestureFinding) => void): void;
}
