import type { CommandId } from '../application/command.ts';
import type { AnyChange } from '../chapter/chapter.ts';
import type { Profile, Stratum, StratumId } from '../strata/stratum.ts';
import { ALL_CHAPTERS } from './chapters.ts';
import { tagged } from './edit.ts';

/** By the id that a command had, the one that it has now. */
export type Renames = ReadonlyMap<CommandId, CommandId>;

/** The changes by which a stratum says of the new ids what it says of the old ones, in every chapter. */
export const followingRenames = (stratum: Stratum, renamed: Renames): AnyChange[] =>
	renamed.size === 0 ? [] : ALL_CHAPTERS.flatMap((chapter) => tagged(chapter, chapter.followRenames?.(stratum, renamed) ?? []));

/** What another catalogue means for one stratum. */
export interface StratumAfterCatalogue {
	readonly stratum: StratumId;
	/** How many entries and lines of text speak of commands that have another id now. */
	readonly follows: number;
	/** The commands that are gone and of which it still speaks: nothing is taken out, the check tells them as orphans. */
	readonly gone: readonly CommandId[];
}

/** What another catalogue means for each stratum that speaks of what is renamed or gone. */
export function afterCatalogue(profile: Profile, renamed: Renames, gone: ReadonlySet<CommandId>): StratumAfterCatalogue[] {
	return profile.flatMap((stratum) => {
		const said = ALL_CHAPTERS.flatMap((chapter) => chapter.commandsIn?.(stratum) ?? []);
		const follows = said.filter((id) => renamed.has(id)).length;
		const without = [...new Set(said.filter((id) => gone.has(id)))];
		return follows === 0 && without.length === 0 ? [] : [{ stratum: stratum.id, follows, gone: without }];
	});
}
