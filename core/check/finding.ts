import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import type { Binding } from '../profile/effective.ts';
import type { Keys } from '../stroke/stroke.ts';
import type { Contest } from './contest.ts';

export type Severity = 'error' | 'attention';

/** A concrete input and situation that shows the problem; the bench replays it. */
export interface Witness {
	readonly keys: Keys;
	readonly situation: number;
}

export interface Finding {
	/** Stable while the circumstances are the same. */
	readonly id: string;
	readonly rule: string;
	readonly severity: Severity;
	/** The bindings concerned, the one that suffers first. */
	readonly bindings: readonly Binding[];
	/** In how many situations it shows. */
	readonly count: number;
	readonly witness: Witness;
	readonly sentence: string;
}

/** One rule of the check engine. It sees one input at a time, with everything that happens on it. */
export interface CheckRule {
	readonly id: string;
	find(contest: Contest, index: ShortcutIndex): Finding[];
}

export function labelOf(index: ShortcutIndex, binding: Binding): string {
	return index.catalogue.get(binding.command)?.label ?? binding.command;
}
