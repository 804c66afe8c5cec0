import type { CommandId } from '../application/command.ts';
import type { AxisId, NodeId } from '../context/axis.ts';
import type { AnyChange, Pen } from '../chapter/chapter.ts';
import { OutOfReachError } from '../strata/change.ts';
import type { Profile, StratumId } from '../strata/stratum.ts';
import type { Keys } from '../stroke/stroke.ts';
import type { Acceptable } from './acceptance.ts';
import type { Looking } from './circumstances.ts';
import type { Severity } from './severity.ts';

export type { Looking, Trial } from './circumstances.ts';

/** What shows a finding. */
export type AnyWitness =
	| { readonly kind: 'keys'; readonly keys: Keys; readonly situation: number }
	/** That there are no keys. */
	| { readonly kind: 'situation'; readonly situation: number }
	| { readonly kind: 'typed'; readonly text: string; readonly stratum: StratumId; readonly line: number }
	| { readonly kind: 'option'; readonly path: string; readonly situation: number }
	| { readonly kind: 'mode'; readonly axis: AxisId; readonly context: NodeId; readonly situation: number }
	| { readonly kind: 'bar'; readonly item: string; readonly situation: number }
	| { readonly kind: 'macro'; readonly macro: CommandId; readonly step: number | undefined; readonly situation: number };

/** A way out of a finding that was tried: it removes the finding and adds no error. */
export interface AnyFix {
	readonly kind: string;
	readonly label: string;
	readonly changes: readonly AnyChange[];
}

/** A finding of any chapter. What people read of it is worked out when it is asked for. */
export interface AnyFinding {
	readonly chapter: string;
	readonly rule: string;
	/** What the rule finds, in a few words. */
	readonly title: string;
	readonly severity: Severity;
	/** Stable while the same things are concerned. */
	readonly id: string;
	/** The command that suffers most. */
	readonly command: CommandId;
	/** The stratum whose word it is, where it is one's alone. */
	readonly stratum: StratumId | undefined;
	readonly witness: AnyWitness;
	sentence(): string;
	/** In how many situations it shows; 0 where that is no question. */
	count(): number;
	acceptable(): Acceptable;
	/** Those that are sound when written from the pen's stratum, the mildest first. */
	fixes(pen: Pen): AnyFix[];
	/** Which seats it is about. */
	seats(): string;
	/** What of which stratum it is first about; undefined where it is about nothing that is said. */
	place(): Place | undefined;
}

/** An entry by its place in the stratum's list, or a line of the stratum's text, counted from 1. */
export interface Place {
	readonly stratum: StratumId;
	readonly rank?: number;
	readonly line?: number;
}

/** The check of one chapter. */
export interface Checker {
	readonly chapter: string;
	/** With what the ids of its findings, and of its rules where they stand beside those of others, begin. */
	readonly beginning: string;
	/** Its findings are kept while the profile is edited, and looked for anew by few. */
	readonly isKept?: true;
	/** All that the chapter's rules find, errors first; `told` if each of them will be asked what it says. */
	findings(looking: Looking, told?: 'told'): AnyFinding[];
	/** The rules of a chapter beside the keys whose findings go by shortcuts of keys, and what they find. */
	readonly byKeys?: { readonly rules: readonly string[]; findings(looking: Looking): AnyFinding[] };
	/** Its errors alone, where they are found in less time; they are counted after every edit. */
	errors?(looking: Looking): readonly AnyFinding[];
}

export const keysOf = ({ witness }: Pick<AnyFinding, 'witness'>): Keys | undefined =>
	witness.kind === 'keys' ? witness.keys : undefined;

/** A fix that a rule proposes; `changes` are those by which the pen's stratum makes it, and may throw `OutOfReachError`. */
export interface FixProposal {
	readonly kind: string;
	readonly label: string;
	changes(profile: Profile, target: StratumId): readonly AnyChange[];
}

/** The proposals that pass the trial when they are written with the pen. */
export function soundFixes(
	looking: Looking,
	finding: Pick<AnyFinding, 'id'>,
	proposals: readonly FixProposal[],
	{ profile, target }: Pen
): AnyFix[] {
	return proposals.flatMap(({ kind, label, changes }) => {
		try {
			const made = changes(profile, target);
			return looking.circumstances.trial(looking, finding, made) ? [{ kind, label, changes: made }] : [];
		} catch (error) {
			if (error instanceof OutOfReachError) return [];
			throw error;
		}
	});
}

/** What mending many findings in one way would do, before it is done. */
export interface MendingAll {
	readonly labels: readonly string[];
	/** How many have no sound way of this kind. */
	readonly left: number;
	readonly changes: readonly AnyChange[];
}
