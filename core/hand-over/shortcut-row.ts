import type { Acceptance, Entry, Shortcut } from '../chapters/shortcuts/entry.ts';
import type { StratumId } from '../profile/stratum.ts';
import type { Keys } from '../stroke/stroke.ts';
import type { FileProblem } from '../format/problem.ts';

/** One entry as read from a file, with the line it stands on. */
export interface ShortcutRow {
	readonly line: number;
	readonly op: Entry['op'];
	readonly shortcut: Shortcut;
	/** The stratum that the file names for it, if it names one. */
	readonly stratum: StratumId | undefined;
	readonly acceptance?: Acceptance;
	/** How the file spells the keys, if the application hears them as others; `shortcut` has those. */
	readonly spelled?: Keys;
}

/** What a file holds: the sound rows, and what was refused, each with its place. */
export interface ShortcutFile {
	readonly rows: readonly ShortcutRow[];
	readonly refused: readonly FileProblem[];
	/**
	 * The file says what it removes and what it locks besides what it sets, stratum by stratum: a shortcut that it does not remove
	 * is to stay beside those that it sets.
	 */
	readonly saysAll?: boolean;
}
