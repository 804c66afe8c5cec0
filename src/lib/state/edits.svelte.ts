import type { AnyChange, Edit } from '$core/profile/edit';
import { stratumById } from '$core/strata/stratum';
import { readable } from '$core/stroke/stroke';
import type { Reach } from '$lib/server/profiles';
import { ApiError, ask } from './api';
import { keepText } from './kept-texts';
import type { Profile, Stratum, StratumId } from '$core/strata/stratum';
import type { WorkspaceDocument } from '$lib/server/workspace-document';
import type { Notice } from './notice';

/** Whose edits they are. */
interface EditsOf {
	readonly document: Pick<WorkspaceDocument, 'application'>;
	readonly path: string;
	readonly profile: Profile;
	readonly revision: number;
	readonly targetId: StratumId;
	readonly target: Stratum;
	notice: Notice | undefined;
	follow(edit: Edit): Promise<void>;
	reload(): Promise<void>;
}

/** An edit that was made against a profile which somebody else changed meanwhile. */
export interface PendingMerge {
	readonly label: string;
	readonly changes: readonly AnyChange[];
	readonly since: readonly Edit[];
	/** What both have changed, in words. */
	readonly touched: readonly string[];
}

/** The ways to change a profile: each is an edit that the server takes whole or refuses. */
export class Edits {
	readonly #workspace: EditsOf;
	merge = $state.raw<PendingMerge | undefined>(undefined);
	busy = $state(false);
	#undo = $state.raw<Reach['undo']>({});
	#redo = $state.raw<Reach['redo']>({});

	constructor(workspace: EditsOf) {
		this.#workspace = workspace;
	}

	take({ undo, redo }: Reach) {
		this.#undo = undo;
		this.#redo = redo;
	}

	/** The revisions that can be taken back from the stratum that is written to, and brought again. */
	get undoable(): readonly number[] {
		return this.#undo[this.#workspace.targetId] ?? [];
	}

	get redoable(): readonly number[] {
		return this.#redo[this.#workspace.targetId] ?? [];
	}

	/** Sends an edit; true when it was stored. A stale one waits as `merge` for the user's choice. */
	async commit(said: string, changes: readonly AnyChange[]): Promise<boolean> {
		const workspace = this.#workspace;
		const label = readable(said).slice(0, 200);
		if (changes.length === 0) {
			workspace.notice = { kind: 'done', text: 'Nothing to change: it is so already.' };
			return true;
		}
		const { revision: base, targetId: stratum } = workspace;
		return this.#write(
			() => ask(`${workspace.path}/edits`, 'POST', { base, stratum, label, changes }),
			({ since, touched }) =>
				(this.merge = { label, changes, since: (since as Edit[]) ?? [], touched: (touched as string[]) ?? [] })
		);
	}

	undo = () => this.#step('undo');
	redo = () => this.#step('redo');

	async #step(direction: 'undo' | 'redo') {
		const workspace = this.#workspace;
		if ((direction === 'undo' ? this.undoable : this.redoable).length === 0) {
			workspace.notice = { kind: 'failed', text: `There is nothing of ${workspace.target.name} to ${direction}.` };
			return;
		}
		const { revision: base, targetId: stratum } = workspace;
		await this.#write(
			() => ask(`${workspace.path}/${direction}`, 'POST', { base, stratum }),
			async () => {
				await workspace.reload();
				workspace.notice = {
					kind: 'failed',
					text: `The profile changed in another window. It is shown now; ${direction} again if you still want to.`
				};
			}
		);
	}

	async #write(
		send: () => Promise<{ edit: Edit } & Reach>,
		onStale: (problem: Record<string, unknown>) => unknown
	): Promise<boolean> {
		const workspace = this.#workspace;
		this.busy = true;
		try {
			const { edit, ...reach } = await send();
			await workspace.follow(edit);
			this.take(reach);
			workspace.notice = { kind: 'done', text: edit.label };
			return true;
		} catch (error) {
			if (!(error instanceof ApiError)) throw error;
			if (error.status === 409 && error.problem['type'] === '/problems/stale-revision') await onStale(error.problem);
			else workspace.notice = { kind: 'failed', text: error.message };
			return false;
		} finally {
			this.busy = false;
		}
	}

	/** After a stale edit: takes the others' state, and puts mine on top of it if wanted. It waits on if the server is gone. */
	async settleMerge(keepMine: boolean) {
		const workspace = this.#workspace;
		const { merge } = this;
		const { profile: base } = workspace;
		let rebased: typeof import('$core/profile/rebase').rebased;
		try {
			await workspace.reload();
			({ rebased } = await import('$core/profile/rebase'));
		} catch (error) {
			if (!(error instanceof ApiError)) throw error;
			workspace.notice = { kind: 'failed', text: error.message };
			return;
		}
		this.merge = undefined;
		if (!merge || !keepMine) return;
		const { changes, lost, conflicts } = rebased(workspace.profile, merge.changes, base);
		// kept first: the alias view looks for it as soon as the profile changes
		for (const { stratum, mine } of conflicts) keepText(workspace.document.application.id, stratum, mine);
		if (changes.length > 0) await this.commit(merge.label, changes);
		const open = [
			...lost,
			...conflicts.map(
				({ stratum }) => `the alias file of ${stratumById(workspace.profile, stratum).name} (your text is kept in Aliases)`
			)
		];
		if (open.length > 0) workspace.notice = { kind: 'failed', text: `Not written: ${open.join(', ')}.` };
	}
}
