import type { CommandId } from '../application/command.ts';
import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import type { AcceptedFindings } from '../chapters/acceptances/acceptance.ts';
import type { Trial } from './finding.ts';
import type { OfficeDesks } from '../keyboard/office-desks.ts';

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
