import type { Application } from '../../../core/application/application.ts';
import type { Command } from '../../../core/application/command.ts';
import type { DeskSetup } from '../../../core/keyboard/desk.ts';
import type { Edit } from '../../../core/profile/edit.ts';
import { wireOf, type StratumWire } from '../../../core/profile/wire.ts';
import type { Release } from '../../../core/release/release.ts';
import type { Office } from './office.ts';
import type { Reach } from './profiles.ts';

/** Everything the browser needs of one application to answer by itself. */
export interface WorkspaceDocument extends Reach {
	readonly application: Application;
	readonly commands: readonly Command[];
	readonly strata: readonly StratumWire[];
	readonly revision: number;
	readonly history: readonly Edit[];
	/** The release that seats follow. */
	readonly channel: number | null;
	readonly releases: readonly Release[];
	/** The office stratum as that release has it; null before the first. */
	readonly released: StratumWire | null;
	/** What stands on the desks where the application runs. */
	readonly seats: readonly { readonly id: string; readonly desk: DeskSetup }[];
}

const HISTORY = 60;

export async function workspaceDocument({ profiles, releases, seats }: Office, app: string): Promise<WorkspaceDocument> {
	const workspace = await profiles.load(app);
	const { channel, releases: list } = await releases.list(app);
	const released = await releases.followed(app);
	return {
		application: workspace.application,
		commands: workspace.commands,
		strata: workspace.profile.map(wireOf),
		revision: workspace.revision,
		...profiles.reach(workspace),
		history: await profiles.latestEdits(app, HISTORY),
		channel,
		releases: list,
		released: released && wireOf(released),
		seats: await seats.desks(app)
	};
}
