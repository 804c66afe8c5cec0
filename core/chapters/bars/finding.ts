import type { ShortcutIndex } from '../../answer/shortcut-index.ts';
import type { CommandId } from '../../application/command.ts';
import type { FixProposal } from '../../check/finding.ts';
import type { EntryRule } from '../../check/of-entry.ts';
import type { Desk } from '../../keyboard/desk.ts';
import type { Screen } from '../../surface/window.ts';
import type { Severity } from '../../check/severity.ts';
import type { Profile, StratumId } from '../../strata/stratum.ts';
import type { ItemId } from './bar.ts';
import type { BarTree } from './tree.ts';

/** What the rules of bars look at. */
export interface BarGround {
	readonly profile: Profile;
	readonly tree: BarTree;
	readonly index: ShortcutIndex;
	/** The profile as the seats have it; undefined before the first release. */
	readonly released: Profile | undefined;
	/** What stands on the desks of the office, and the screen of them that has least room. */
	readonly desks: readonly Desk[];
	readonly narrowest: Screen;
	/** The screens of them with least width and least height. */
	readonly tightest: readonly Screen[];
}

export interface BarFinding {
	readonly severity: Severity;
	/** What suffers. */
	readonly item: ItemId;
	readonly stratum: StratumId;
	readonly command: CommandId | undefined;
	readonly situation: number;
	readonly sentence: string;
	/** What it rests on. */
	readonly facts: readonly string[];
	readonly fixes: readonly FixProposal[];
}

export type BarRule = EntryRule<BarGround, BarFinding>;
