import { counted } from '$core/text/counted';
import { inverseEdit, touchedBy, type AnyChange, type Edit } from '$core/profile/edit';
import type { Names } from '$core/chapter/chapter';
import { stratumById } from '$core/strata/stratum';
import { readable } from '$core/stroke/stroke';
import type { Reach } from '$lib/server/profile/workspace';
import { ApiError, ask, told } from './api';
import { keepText } from './kept-texts';
import type { Profile, Stratum, StratumId } from '$core/strata/stratum';
import type { WorkspaceDocument } from '$lib/server/workspace-document';
import type { Notice } from './notice';
import { Turns } from './turns';
import { WaitingEdits, type WaitingEdit } from './waiting.svelte';

/** Whose edits they are. */
interface EditsOf {
	readonly document: Pick<WorkspaceDocument, 'application' | 'setup'>;
	readonly path: string;
	readonly profile: Profile;
	readonly revision: number;
	readonly targetId: StratumId;
	readonly target: Stratum;
	notice: Notice | undefined;
	readonly readOnly?: (() => void) | undefined;
	readonly draft: { readonly names: Names };
	follow(edit: Edit): Promise<void>;
	/** Takes changes that the server does not know yet. */
	apply(changes: readonly AnyChange[]): Promise<void>;
	/** Takes it that the server has stored what was applied. */
	stored(edit: Edit): void;
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

/** Whether somebody else was first. */
const isStale = ({ status, problem }: ApiError): boolean => status === 409 && problem['type'] === '/problems/stale-revision';

/** The ways to change a profile: each is an edit that the server takes whole or refuses. */
export class Edits {
	readonly #workspace: EditsOf;
	merge = $state.raw<PendingMerge | undefined>(undefined);
	busy = $state(false);
	/** An edit is of the revision that the one before it has made. */
	readonly #turns = new Turns();
	/** What shows edits that wait, one thing after the other: none is held here while others are put on what was read anew. */
	readonly #showing = new Turns();
	#waiting: WaitingEdits | undefined;
	/** Those of them that the profile here shows already; none after it was read anew. */
	#shown = new WeakSet<WaitingEdit>();
	#undo = $state.raw<Reach['undo']>({});
	#redo = $state.raw<Reach['redo']>({});

	constructor(workspace: EditsOf) {
		this.#workspace = workspace;
	}

	/** Whether something waits for a server that was not there. */
	get isAway(): boolean {
		return this.waiting.list.length > 0;
	}

	get #setup(): string {
		return this.#workspace.document.setup.id;
	}

	/** What the server has not got yet; there from the first `take` on. */
	get waiting(): WaitingEdits {
		return this.#waiting!;
	}

	take({ undo, redo }: Reach) {
		// not while it is first looked at: what is made within an effect does not wake it
		this.#waiting ??= new WaitingEdits(this.#workspace.document.application.id);
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

	/**
	 * Sends an edit; true when it was taken. A stale one waits as `merge` for the user's choice. While the server is not there it
	 * holds here, and is sent when the server is back.
	 */
	async commit(said: string, changes: readonly AnyChange[]): Promise<boolean> {
		const workspace = this.#workspace;
		const label = readable(said).slice(0, 200);
		if (workspace.readOnly) {
			workspace.readOnly();
			return false;
		}
		if (changes.length === 0) {
			workspace.notice = { kind: 'done', text: 'No change needed.' };
			return true;
		}
		const stratum = workspace.targetId;
		const { profile: base } = workspace;
		const wait = () => this.#wait({ label, stratum, changes }, base);
		if (this.waiting.list.length > 0) return wait();
		return this.#turns.take(async () => {
			// what came before it may have found the server gone
			if (this.waiting.list.length > 0) return wait();
			return this.#write(
				() => ask(`${workspace.path}/edits`, 'POST', { base: workspace.revision, stratum, setup: this.#setup, label, changes }),
				({ since, touched }) =>
					(this.merge = { label, changes, since: (since as Edit[]) ?? [], touched: (touched as string[]) ?? [] }),
				wait
			);
		});
	}

	/** Lets the edit hold here until the server is there; it was made on `base`. */
	#wait(made: WaitingEdit, base: Profile): Promise<boolean> {
		const workspace = this.#workspace;
		return this.#showing.take(async () => {
			let edit = made;
			try {
				// the profile was read anew since it was made
				if (workspace.profile !== base) {
					const { changes, open } = await this.#rebased(made.changes, base);
					this.#tellOpen(open);
					if (changes.length === 0) return false;
					edit = { ...made, changes };
				}
				await workspace.apply(edit.changes);
			} catch (error) {
				workspace.notice = { kind: 'failed', text: `${edit.label}: ${(error as Error).message}` };
				return false;
			}
			this.waiting.add(edit);
			this.#shown.add(edit);
			workspace.notice = { kind: 'done', text: `${edit.label}: waiting until the server is back` };
			return true;
		});
	}

	/** Sends what waits, in its order; stops where somebody must decide, or where the server is not there. Whether all went. */
	sendWaiting(): Promise<boolean> {
		return this.#turns.take(() => this.#sendWaiting());
	}

	async #sendWaiting(): Promise<boolean> {
		const { waiting } = this;
		if (this.merge || waiting.list.length === 0) return waiting.list.length === 0;
		this.busy = true;
		let sent = 0;
		try {
			for (let next = waiting.list[0]; next; next = waiting.list[0]) {
				if (await this.#send(next)) sent++;
				// somebody must decide first
				if (this.merge as PendingMerge | undefined) return false;
			}
			this.#workspace.notice = {
				kind: 'done',
				text: `${counted(sent, 'change is', 'changes are')} saved that were waiting.`
			};
			return true;
		} catch (error) {
			if (error instanceof ApiError && error.status === 0) return false;
			throw error;
		} finally {
			this.busy = false;
		}
	}

	/** Sends the first that waits; whether it was stored. Throws `ApiError` with status 0 while the server is not there. */
	async #send(next: WaitingEdit): Promise<boolean> {
		const workspace = this.#workspace;
		const { label, stratum, changes } = next;
		try {
			const body = { base: workspace.revision, stratum, setup: this.#setup, label, changes };
			const { edit, ...reach } = await ask<{ edit: Edit } & Reach>(`${workspace.path}/edits`, 'POST', body);
			this.waiting.shift();
			if (edit.revision > workspace.revision + 1) await this.#putOnTop();
			else if (this.#shown.has(next)) workspace.stored(edit);
			else await workspace.follow(edit);
			this.take(reach);
			return true;
		} catch (error) {
			if (!(error instanceof ApiError) || error.status === 0) throw error;
			if (isStale(error)) {
				const { since, touched } = error.problem as { since?: Edit[]; touched?: string[] };
				await this.#meets(since ?? [], touched ?? [], next);
			} else {
				this.waiting.shift();
				await this.#putOnTop();
				workspace.notice = { kind: 'failed', text: `${label} was not saved. ${error.message}` };
			}
			return false;
		}
	}

	/** Others wrote while edits waited: theirs come first. Where both touch the same, who waits decides; see `merge`. */
	async #meets(since: readonly Edit[], told: readonly string[], next: WaitingEdit): Promise<void> {
		const theirs = since.flatMap((edit) => edit.changes);
		// of very many only the newest are told, and what all of them touch
		const touched = [...new Set([...touchedBy(next.changes, theirs, this.#workspace.draft.names), ...told])];
		await this.#putOnTop();
		const now = this.waiting.list[0];
		if (touched.length === 0 || !now) return;
		this.waiting.shift();
		await this.#showing.take(() => this.#readAnew());
		this.merge = { label: now.label, changes: now.changes, since, touched };
	}

	/** What the server has; what waits is not shown any more. */
	async #readAnew(): Promise<void> {
		await this.#workspace.reload();
		this.#shown = new WeakSet();
	}

	/** Reads what the server has, and puts what waits on top of it again. */
	#putOnTop(): Promise<void> {
		return this.#showing.take(() => this.#putAllOnTop());
	}

	async #putAllOnTop(): Promise<void> {
		const workspace = this.#workspace;
		const { profile: base } = workspace;
		await this.#readAnew();
		const kept: WaitingEdit[] = [];
		const lost: string[] = [];
		for (const edit of this.waiting.list) {
			const { changes, open } = await this.#rebased(edit.changes, base);
			lost.push(...open);
			if (changes.length === 0) continue;
			try {
				await workspace.apply(changes);
				const again = { ...edit, changes };
				this.#shown.add(again);
				kept.push(again);
			} catch (error) {
				lost.push(`${edit.label}: ${(error as Error).message}`);
			}
		}
		this.waiting.replace(kept);
		this.#tellOpen(lost);
	}

	/** The changes on what the profile is now, and in words what of them has no place any more; a text that meets another is kept. */
	async #rebased(changes: readonly AnyChange[], base: Profile): Promise<{ changes: readonly AnyChange[]; open: string[] }> {
		const { rebased } = await import('$core/profile/rebase');
		const { profile, document } = this.#workspace;
		const found = rebased(profile, changes, base);
		// kept first: the alias view looks for it as soon as the profile changes
		for (const { stratum, mine } of found.conflicts) keepText(document.application.id, stratum, mine);
		const texts = found.conflicts.map(
			({ stratum }) => `the alias file of ${stratumById(profile, stratum).name} (your text is kept in Aliases)`
		);
		return { changes: found.changes, open: [...found.lost, ...texts] };
	}

	#tellOpen(open: readonly string[]): void {
		if (open.length > 0) this.#workspace.notice = { kind: 'failed', text: `Not saved: ${open.join(', ')}.` };
	}

	/** After a start: what waited from before holds again, and is sent. */
	resume(): Promise<void> {
		return this.#turns.take(async () => {
			await this.waiting.claim();
			if (this.waiting.list.length === 0) return;
			await this.#putOnTop();
			await this.#sendWaiting();
		});
	}

	undo = () => this.#turns.take(() => this.#step('undo'));
	redo = () => this.#turns.take(() => this.#step('redo'));

	async #step(direction: 'undo' | 'redo') {
		const workspace = this.#workspace;
		if (direction === 'undo' && this.waiting.list.length > 0) {
			const last = this.waiting.pop()!;
			if (this.#shown.has(last)) await workspace.apply(inverseEdit(last.changes));
			workspace.notice = { kind: 'done', text: `Undo: ${last.label}` };
			return;
		}
		if ((direction === 'undo' ? this.undoable : this.redoable).length === 0) {
			workspace.notice = { kind: 'failed', text: `There is nothing in ${workspace.target.name} to ${direction}.` };
			return;
		}
		const { revision: base, targetId: stratum } = workspace;
		await this.#write(
			() => ask(`${workspace.path}/${direction}`, 'POST', { base, stratum }),
			async () => {
				await workspace.reload();
				workspace.notice = {
					kind: 'failed',
					text: `The profile was changed in another window and is up to date now; ${direction} again if you still want to.`
				};
			}
		);
	}

	async #write(
		send: () => Promise<{ edit: Edit } & Reach>,
		onStale: (problem: Record<string, unknown>) => unknown,
		onAway?: () => Promise<boolean>
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
			if (error.status === 0 && onAway) return await onAway();
			if (isStale(error)) await onStale(error.problem);
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
		let found: { changes: readonly AnyChange[]; open: string[] } | undefined;
		try {
			found = await this.#turns.take(() =>
				this.#showing.take(async () => {
					const { profile: base } = workspace;
					await this.#readAnew();
					this.merge = undefined;
					return merge && keepMine ? this.#rebased(merge.changes, base) : undefined;
				})
			);
		} catch (error) {
			workspace.notice = { kind: 'failed', text: told(error) };
			return;
		}
		if (!merge || !found) return;
		if (found.changes.length > 0) await this.commit(merge.label, found.changes);
		this.#tellOpen(found.open);
	}
}
