import type { Application } from '../../../core/application/application.ts';
import type { Command } from '../../../core/application/command.ts';
import type { DeskSetup } from '../../../core/keyboard/desk.ts';
import type { OwnedHead } from '../../../core/people/may.ts';
import { FIRST, type Person } from '../../../core/people/person.ts';
import { profileOf, type Setup } from '../../../core/people/setup.ts';
import { wireOf, type StratumWire } from '../../../core/profile/wire.ts';
import type { StratumId } from '../../../core/strata/stratum.ts';
import type { Release } from '../../../core/release/release.ts';
import type { Office } from './office.ts';
import { ownedHeads, type EditHead, type Reach } from './profile/workspace.ts';

/** Everything the browser needs of one application to answer by itself. */
export interface WorkspaceDocument extends Reach {
	readonly application: Application;
	readonly commands: readonly Command[];
	readonly strata: readonly StratumWire[];
	readonly revision: number;
	/** The newest edits. */
	readonly history: readonly EditHead[];
	/** Who looks at it. */
	readonly me: Person;
	/** Whether people sign in here. */
	readonly isOpen: boolean;
	/** The setup whose strata these are, and all that the person has. */
	readonly setup: Setup;
	readonly setups: readonly Setup[];
	/** All strata of the office, with whose they are. */
	readonly layers: readonly OwnedHead[];
	/** The strata that no setup may leave out. */
	readonly required: readonly StratumId[];
	/** The office's people by id, also those who have left. */
	readonly people: Readonly<Record<string, string>>;
	/** The release that seats follow. */
	readonly channel: number | null;
	readonly releases: readonly Release[];
	/** The office stratum as that release has it; null before the first. */
	readonly released: StratumWire | null;
	/** What stands on the desks where the application runs. */
	readonly seats: readonly { readonly id: string; readonly desk: DeskSetup }[];
}

const HISTORY = 40;

/** `wanted` is the id of the setup to look at; without it, or when it is gone, the one that the person starts with. */
export async function workspaceDocument(
	{ history, profiles, people, setups, releases, seats }: Office,
	app: string,
	person: Person = FIRST,
	wanted: string | null = null
): Promise<WorkspaceDocument> {
	const workspace = await profiles.load(app);
	const setup = await setups.look(app, person, wanted);
	const { channel, releases: list } = await releases.list(app);
	const released = await releases.followed(app);
	return {
		application: workspace.application,
		commands: workspace.commands,
		strata: profileOf(workspace.profile, setup.strata).map(wireOf),
		revision: workspace.revision,
		...profiles.reach(workspace, person),
		history: await history.heads(app, HISTORY),
		me: person,
		isOpen: people.isOpen,
		setup,
		setups: await setups.of(app, person),
		layers: ownedHeads(workspace),
		required: (await setups.required(app, person)).map(({ id }) => id),
		people: Object.fromEntries((await people.list()).map(({ id, name }) => [id, name])),
		channel,
		releases: list,
		released: released && wireOf(released),
		seats: await seats.desks(app)
	};
}
