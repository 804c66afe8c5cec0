import {
	combinedBy,
	composedBy,
	entryOfChange,
	keyedChange,
	withOwnRanksBy,
	type ChangeTools,
	type KeyedChange
} from '../strata/change.ts';
import { applyKeyed } from '../strata/keyed-fold.ts';
import type { EntryKey } from '../strata/entry.ts';
import type { Profile } from '../strata/stratum.ts';
import { Entry, entryKey, SHORTCUTS, shortcutsIn } from './entry.ts';

/** An entry about a shortcut before and after. */
export const Change = keyedChange<Entry>(Entry, entryKey);
export type Change = KeyedChange<Entry>;

export const keyOfChange = (change: Change): EntryKey => entryKey(entryOfChange(change));

/** Entries under one key are about one shortcut; there is no more that they say. */
export const TOOLS: ChangeTools<Entry> = { keyOf: entryKey, saysSame: () => true };

/** See `combinedBy`. */
export const combined = (changes: readonly Change[]): Change[] => combinedBy(TOOLS, changes);

/** See `composedBy`. */
export const composed = (steps: Iterable<readonly Change[]>): Change[] => composedBy(TOOLS, steps);

/** See `withOwnRanksBy`. */
export const withOwnRanks = (profile: Profile, changes: readonly Change[]): Change[] =>
	withOwnRanksBy(TOOLS, profile, shortcutsIn, changes);

/** The profile after the changes of its shortcuts. Throws what `applyKeyed` throws. */
export const applyChanges = (profile: Profile, changes: readonly Change[]): Profile =>
	applyKeyed(SHORTCUTS, shortcutsIn, TOOLS, profile, changes, told);

const told = ({ op, keys, command }: Entry): string => `${op} ${keys} for ${command}`;

/** Changes of shortcuts as parts of an edit. */
export const ofShortcuts = (changes: readonly Change[]) => changes.map((change) => ({ chapter: SHORTCUTS, ...change }) as const);
