import type { CommandId } from '../application/command.ts';
import type { AnyChange } from '../chapter/chapter.ts';
import type { Stratum } from '../strata/stratum.ts';
import { ALL_CHAPTERS } from './chapters.ts';
import { tagged } from './edit.ts';

/** By the id that a command had, the one that it has now. */
export type Renames = ReadonlyMap<CommandId, CommandId>;

/** The changes by which a stratum says of the new ids what it says of the old ones, in every chapter. */
export const followingRenames = (stratum: Stratum, renamed: Renames): AnyChange[] =>
	renamed.size === 0 ? [] : ALL_CHAPTERS.flatMap((chapter) => tagged(chapter, chapter.followRenames?.(stratum, renamed) ?? []));
