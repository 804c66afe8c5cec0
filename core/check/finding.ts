import type { CommandId } from '../application/command.ts';
import type { Binding } from '../profile/effective.ts';
import type { Keys } from '../stroke/stroke.ts';
import type { Circumstances } from './circumstances.ts';
import type { Contest } from './contest.ts';

export type Severity = 'error' | 'attention';

/** A concrete input and situation that shows the problem; the bench replays it. */
export interface Witness {
	readonly keys: Keys;
	readonly situation: number;
}

/** What a check has found. It names things only; the sentence and all else that people read is told by its rule. */
export interface Finding {
	readonly rule: RuleId;
	readonly severity: Severity;
	/** The bindings that suffer. */
	readonly bindings: readonly Binding[];
	readonly witness: Witness;
}

export type RuleId = 'clash' | 'shadow' | 'dead';

/** A finding as people read it. */
export interface Told extends Finding {
	/** Stable while the same bindings are concerned. */
	readonly id: string;
	readonly sentence: string;
	/** In how many situations it shows. */
	readonly count: number;
	/** The bindings that cause it, without those that suffer. */
	readonly causes: readonly Binding[];
}

/** One rule of the check engine. It sees one input at a time, with everything that happens on it. */
export interface CheckRule {
	readonly id: RuleId;
	find(contest: Contest, circumstances: Circumstances, report: (finding: Finding) => void): void;
	/** `contest` is that of the witness' keys. */
	tell(finding: Finding, contest: Contest, circumstances: Circumstances): Pick<Told, 'sentence' | 'count' | 'causes'>;
}

export function findingId({ rule, bindings }: Finding): string {
	return [rule, ...bindings.map((b) => b.key)].join('\n');
}

/** The commands that a finding is about. */
export function commandsOf({ bindings }: Finding): Set<CommandId> {
	return new Set(bindings.map((b) => b.command));
}

export function labelOf({ index }: Circumstances, binding: Pick<Binding, 'command'>): string {
	return index.catalogue.get(binding.command)?.label ?? binding.command;
}

/** "A", "A and B", "A, B and C". */
export function listed(names: readonly string[]): string {
	return names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}
