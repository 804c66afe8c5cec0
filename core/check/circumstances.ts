import type { CommandId } from '../application/command.ts';
import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import type { AcceptedFindings } from '../chapters/acceptances/acceptance.ts';
import type { AnyChange } from '../chapter/chapter.ts';
import type { OfficeDesks } from '../keyboard/office-desks.ts';
import type { Profile } from '../strata/stratum.ts';

/** What a check looks at. */
export interface Circumstances {
	readonly index: ShortcutIndex;
	readonly office: OfficeDesks;
	/** The commands that have a place in the bars, which is a way to them as well. */
	readonly placed: ReadonlySet<CommandId>;
	/** What somebody has let stand. */
	readonly accepted: AcceptedFindings;
	/** The profile as it was with the last release; undefined before the first. */
	readonly released: ShortcutIndex | undefined;
	/** Tries changes of the profile. */
	readonly trial: Trial;
}

/** What a check looks at, whatever it checks. The circumstances are those of the profile. */
export interface Looking {
	readonly circumstances: Circumstances;
	readonly profile: Profile;
	/** The profile as the seats have it; undefined before the first release. */
	readonly released: Profile | undefined;
}

/**
 * Whether a finding of what was looked at is gone after the changes, they can be written, and no chapter has an error more. It
 * changes a copy of the profile and checks that.
 */
export type Trial = (looking: Looking, finding: { readonly id: string }, changes: readonly AnyChange[]) => boolean;
