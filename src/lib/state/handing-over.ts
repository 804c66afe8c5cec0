import { catalogueOf } from '$core/application/application';
import { namesOf, type Difference } from '$core/chapter/chapter';
import { contextSpace } from '$core/context/space';
import type { Person } from '$core/people/person';
import { profileOf, type Setup } from '$core/people/setup';
import { indexOf } from '$core/profile/circumstances';
import { differencesInForceBetween } from '$core/profile/differences';
import { stratumOfWire, type StratumWire } from '$core/profile/wire';
import type { StratumId } from '$core/strata/stratum';
import type { WorkspaceDocument } from '$lib/server/workspace-document';
import { ask } from './api';
import { strataReadable } from './shapes';

/** What a stratum would change of one program for somebody, on top of the setup that they start with. */
export interface WouldChange {
	readonly program: string;
	readonly setup: string;
	readonly differences: readonly Difference[];
}

/** What the stratum would change for the person in each program, if they put it on top of the setup that they start with. */
export async function wouldChange(stratum: StratumId, { id }: Pick<Person, 'id'>): Promise<WouldChange[]> {
	const { applications } = await ask<{ applications: { id: string; name: string }[] }>('/api/applications');
	const found: WouldChange[] = [];
	for (const { id: app, name: program } of applications) {
		const path = `/api/applications/${app}`;
		const [{ application, commands }, { strata }, { starts }] = await Promise.all([
			ask<WorkspaceDocument>(path),
			ask<{ strata: StratumWire[] }>(`${path}/strata`),
			ask<{ starts: Setup[] }>(`${path}/setups`)
		]);
		const start = starts.find(({ person }) => person === id);
		if (!start) continue;
		await strataReadable(strata);
		const all = strata.map(stratumOfWire);
		const [before, now] = [start.strata, [...start.strata.filter((one) => one !== stratum), stratum]].map((chosen) =>
			profileOf(all, chosen)
		);
		const space = contextSpace(application.axes, application.reachable);
		const index = indexOf({ application, space, catalogue: catalogueOf(commands, space) }, now!);
		found.push({ program, setup: start.name, differences: differencesInForceBetween(before!, now!, namesOf(index)) });
	}
	return found;
}
