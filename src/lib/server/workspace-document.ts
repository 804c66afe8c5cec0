import type { AliasFile } from '../../../core/chapters/aliases/file.ts';
import type { MacroEntry } from '../../../core/chapters/macros/macro.ts';
import { undoable, type Edit } from '../../../core/profile/edit.ts';
import { inOrder, type StratumHead } from '../../../core/profile/stratum.ts';
import type { Entry } from '../../../core/chapters/shortcuts/entry.ts';
import type { DeskSetup } from '../../../core/keyboard/desk.ts';
import type { Application } from '../../../core/application/application.ts';
import type { Command } from '../../../core/application/command.ts';
import type { Release } from '../../../core/release/release.ts';
import type { Office } from './office.ts';

/** Everything the browser needs of one application to answer by itself. */
export interface WorkspaceDocument {
	readonly application: Application;
	readonly commands: readonly Command[];
	readonly strata: readonly (StratumHead & { entries: Entry[]; aliases: AliasFile | null; macros: readonly MacroEntry[] })[];
	readonly revision: number;
	readonly undo: readonly number[];
	readonly redo: readonly number[];
	readonly history: readonly Edit[];
	readonly channel: number | null;
	readonly releases: readonly Release[];
	/** The office stratum's entries in the newest release, for the draft's count. */
	readonly released: readonly Entry[] | null;
	/** The office stratum's alias file in the newest release; null without one. */
	readonly releasedAliases: AliasFile | null;
	/** The office stratum's macros in the newest release. */
	readonly releasedMacros: readonly MacroEntry[] | null;
	/** What stands on the desks of the office's seats. */
	readonly seats: readonly { readonly id: string; readonly desk: DeskSetup }[];
}

const HISTORY = 60;

export async function workspaceDocument(
	{ profiles, releases, checking, seats }: Office,
	app: string
): Promise<WorkspaceDocument> {
	const workspace = await profiles.load(app);
	const { channel, releases: list } = await releases.list(app);
	return {
		application: workspace.application,
		commands: workspace.commands,
		strata: workspace.profile.map((stratum) => ({
			id: stratum.id,
			kind: stratum.kind,
			name: stratum.name,
			entries: inOrder(stratum),
			aliases: stratum.aliases ?? null,
			macros: [...(stratum.macros?.values() ?? [])]
		})),
		revision: workspace.revision,
		...undoable(workspace.steps),
		history: await profiles.latestEdits(app, HISTORY),
		channel,
		releases: list,
		released: await checking.released(app),
		releasedAliases: await checking.releasedAliases(app),
		releasedMacros: await checking.releasedMacros(app),
		seats: await seats.desks()
	};
}
