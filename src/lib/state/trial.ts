import { applyEdit } from '$core/profile/edit';
import { wireOf } from '$core/profile/wire';
import { ask } from './api';
import type { Proposal } from './proposals-desk.svelte';
import { Workspace } from './workspace.svelte';

/**
 * The workspace as it would be if the proposal were taken in, to try it on the bench. Throws `Error` that says why it cannot be: there is no
 * such proposal, it was decided, or its stratum is not part of the setup.
 */
export async function trialOf(workspace: Workspace, number: number): Promise<{ workspace: Workspace; label: string }> {
	const { document, profile, path } = workspace;
	const { proposals } = await ask<{ proposals: Proposal[] }>(`${path}/proposals`);
	const proposal = proposals.find(({ id }) => id === number);
	if (!proposal) throw new Error(`There is no proposal ${number}.`);
	if (proposal.state !== 'open') throw new Error(`Proposal ${number} is already ${proposal.state}.`);
	if (!profile.some(({ id }) => id === proposal.stratum)) {
		const name = document.layers.find(({ id }) => id === proposal.stratum)?.name ?? proposal.stratum;
		throw new Error(`${name} is not in your setup ${document.setup.name}. Switch to a setup that contains it, and try again.`);
	}
	const tried = applyEdit(profile, proposal.changes).map(wireOf);
	return { workspace: new Workspace({ ...document, strata: tried }), label: proposal.label };
}
