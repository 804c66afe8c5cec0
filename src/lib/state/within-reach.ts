import type { AnyChange } from '$core/profile/edit';
import { OutOfReachError } from '$core/strata/change';
import type { Workspace } from './workspace.svelte';

/** Commits what is made, or tells why the stratum that is written to cannot say it. Gives whether something was changed. */
export async function commitWithin(workspace: Workspace, label: string, make: () => readonly AnyChange[]): Promise<boolean> {
	let changes: readonly AnyChange[];
	try {
		changes = make();
	} catch (error) {
		if (!(error instanceof OutOfReachError)) throw error;
		workspace.notice = { kind: 'failed', text: `${error.message}.` };
		return false;
	}
	return changes.length > 0 && (await workspace.edits.commit(label, changes));
}
