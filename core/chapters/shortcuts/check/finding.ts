import type { Input } from '../../../answer/input.ts';
import type { Contender } from '../../../answer/rules/rule.ts';
import type { Catalogue } from '../../../application/application.ts';
import type { CommandId } from '../../../application/command.ts';
import type { Change } from '../../../shortcut/change.ts';
import type { Binding } from '../../../shortcut/effective.ts';
import type { Pen } from '../../../chapter/chapter.ts';
import type { Keys } from '../../../stroke/stroke.ts';
import type { Severity } from '../../../check/severity.ts';
import type { Circumstances } from '../../../check/circumstances.ts';
import type { Contest } from './contest.ts';

/** A concrete input and situation that shows the problem; the bench replays it. Without keys, that there are none. */
export interface Witness {
	readonly keys: Keys | undefined;
	readonly situation: number;
}

export const RULE_IDS = [
	'clash',
	'shadow',
	'dead',
	'unheard',
	'prefix',
	'reserved',
	'typing',
	'layout',
	'orphan',
	'duplicate',
	'reach',
	'stranded',
	'moved',
	'locked'
] as const;
export type RuleId = (typeof RULE_IDS)[number];

/** What a check has found. It names things only; the sentence and all else that people read is told by its rule. */
export interface Finding {
	readonly rule: RuleId;
	readonly severity: Severity;
	/** The command that suffers most. */
	readonly command: CommandId;
	/** The bindings that suffer. */
	readonly bindings: readonly Binding[];
	readonly witness: Witness;
	/** Tells findings of one rule on the same bindings apart. */
	readonly detail?: string;
}

/** What a rule says of a finding. */
export interface Telling {
	readonly sentence: string;
	/** In how many situations it shows; to be asked while the contest goes on. */
	count(): number;
	/** The bindings that cause it, without those that suffer. */
	readonly causes: readonly Binding[];
}

/** A finding as people read it. */
export interface Told extends Finding, Omit<Telling, 'count'> {
	readonly count: number;
	/** Stable while the same bindings are concerned. */
	readonly id: string;
	/** Changes when something that the finding rests on does; an acceptance holds only for what it was given for. */
	readonly circumstances: string;
}

/** A way out of a finding. Whether it is sound is found out by checking again (see `fixesOf`). */
export interface Proposal {
	readonly kind: string;
	readonly label: string;
	/** May throw `OutOfReachError`. */
	changes(): readonly Change[];
}

export type { Pen };

/** What suffers: a binding, several of one command or more, or a command of which there is none. */
export type Sufferer = Binding | readonly Binding[] | CommandId;

/** Takes down what a rule finds. `detail` tells findings on the same subject apart. */
export interface Report {
	/** `situation` is that of the witness. */
	(severity: Severity, subject: Sufferer, situation: number, detail?: string): void;
	/** The same of each binding; the witness is where it is alive first, or where its scope begins if it is alive nowhere. */
	each(severity: Severity, contenders: readonly Contender[], detail?: string): void;
}

/**
 * One rule of the check engine: it looks at what is said of one input, at the contest of the bindings that are alive on it, at
 * one command, or at the whole.
 */
export interface CheckRule {
	readonly id: RuleId;
	/** What it means, in a few words for people. */
	readonly title: string;
	onInput?(input: Input, circumstances: Circumstances, report: Report): void;
	/** Not called for an input on which nothing is alive. */
	onContest?(contest: Contest, circumstances: Circumstances, report: Report): void;
	onCommand?(command: CommandId, circumstances: Circumstances, report: Report): void;
	/** The commands on which `onCommand` can find anything at all. */
	commandsOf?(catalogue: Catalogue): readonly CommandId[];
	onWhole?(circumstances: Circumstances, report: Report): void;
	/** `contest` gives that of the witness' keys. */
	tell(finding: Finding, circumstances: Circumstances, contest: () => Contest): Telling;
	/** `contest` is that of the witness' keys. */
	proposals(finding: Finding, circumstances: Circumstances, contest: Contest, pen: Pen): Proposal[];
}

export function findingId({ rule, detail = '', bindings, command }: Finding): string {
	return [rule, detail, ...(bindings.length > 0 ? bindings.map((b) => b.key) : [command])].join('\n');
}

export function labelOf({ index }: Pick<Circumstances, 'index'>, { command }: Pick<Binding, 'command'>): string {
	return index.catalogue.get(command)?.label ?? command;
}

/** "Ctrl+E for Extrude". */
export const saying =
	(c: Pick<Circumstances, 'index'>) =>
	(binding: Binding): string =>
		`${binding.keys} for ${labelOf(c, binding)}`;
