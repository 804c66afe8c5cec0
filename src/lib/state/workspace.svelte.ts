import { getContext, setContext, untrack } from 'svelte';
import { aliasAcceptable } from '$core/chapters/aliases/acceptance';
import { aliasFindings } from '$core/chapters/aliases/check';
import type { AliasFile } from '$core/chapters/aliases/file';
import { aliasDifferences } from '$core/chapters/aliases/diff';
import { catalogueOf } from '$core/application/application';
import { circumstancesOf, indexOf, published, withReleased, type Circumstances, type Subject } from '$core/check/circumstances';
import { teller } from '$core/check/check';
import { acceptedAs, errorsLeft, isAccepted } from '$core/check/acceptance';
import { findingId, type Finding, type Told } from '$core/check/finding';
import type { SearchPaths } from '$core/folders/search';
import { releaseFaults } from '$core/release/faults';
import { desksOf } from '$core/keyboard/desk';
import { officeDesks } from '$core/keyboard/office';
import type { CommandId } from '$core/application/command';
import { contextSpace } from '$core/context/space';
import { differences } from '$core/chapters/shortcuts/diff';
import { macroAcceptable } from '$core/chapters/macros/acceptance';
import { checkMacros } from '$core/chapters/macros/check';
import { macroDifferences } from '$core/chapters/macros/diff';
import { macroTable, profileCatalogue } from '$core/chapters/macros/table';
import { applyEdit, isNothing, type Change, type Edit, type Said } from '$core/profile/edit';
import type { AliasChange } from '$core/profile/alias-change';
import type { MacroChange } from '$core/profile/macro-change';
import { type Role } from '$core/profile/role';
import { effectiveProfile } from '$core/chapters/shortcuts/effective';
import { stratumById, stratumOf, type Profile, type StratumId } from '$core/profile/stratum';
import { readable } from '$core/stroke/stroke';
import { commandSearch } from '$core/search/search';
import type { WorkspaceDocument } from '$lib/server/workspace-document';
import { ApiError, ask } from './api';
import { filesReadable } from './shapes';
import { CheckSession } from './check-session.svelte';
import { keepText } from './kept-texts';

/** An edit that was made against a profile which somebody else changed meanwhile. */
export interface PendingMerge extends Said {
	readonly label: string;
	readonly since: readonly Edit[];
	readonly touched: readonly Change[];
}

export interface Notice {
	readonly kind: 'done' | 'failed';
	readonly text: string;
}

const remembered = (key: string) => localStorage.getItem(`skarn-${key}`);
const remember = (key: string, value: string) => localStorage.setItem(`skarn-${key}`, value);

/**
 * One application in the browser: what the server holds, what follows from it, and the ways to change it. Data flows one
 * way: catalogue and strata give the effective profile, that gives the index, that gives findings and answers.
 */
export class Workspace {
	readonly document: WorkspaceDocument;
	readonly space;
	/** The application's own commands. */
	readonly #ownCatalogue;

	profile = $state.raw<Profile>([]);
	revision = $state(0);
	undoable = $state.raw<readonly number[]>([]);
	redoable = $state.raw<readonly number[]>([]);
	history = $state.raw<readonly Edit[]>([]);
	released = $state.raw<WorkspaceDocument['released']>(null);
	releases = $state.raw<WorkspaceDocument['releases']>([]);
	releasedAliases = $state.raw<WorkspaceDocument['releasedAliases']>(null);
	releasedMacros = $state.raw<WorkspaceDocument['releasedMacros']>(null);
	channel = $state<number | null>(null);

	/** The stratum that edits are written to, and the situation that answers are given for. */
	targetId = $state<StratumId>('' as StratumId);
	situation = $state(0);
	merge = $state.raw<PendingMerge | undefined>(undefined);
	notice = $state.raw<Notice | undefined>(undefined);
	busy = $state(false);
	/** Where files lay before it was changed here, the newest last, for undo in Folders. */
	formerFolders = $state.raw<readonly SearchPaths[]>([]);

	/** The application's commands and the profile's macros. */
	catalogue = $derived.by(() => profileCatalogue(this.#ownCatalogue, this.profile));
	search = $derived.by(() => commandSearch(this.catalogue, (keys) => this.office.heardAs(keys)));
	macros = $derived.by(() => macroTable(this.profile));
	/** All findings of macros, accepted ones among them. */
	allMacroFindings = $derived.by(() => (this.macros.inForce.size > 0 ? checkMacros(this.index, this.profile) : []));
	macroFindings = $derived.by(() => this.allMacroFindings.filter((f) => !isAccepted(this.effective, macroAcceptable(f))));
	/** The alias files of the strata: the same list while none of them changes. */
	#aliasFiles = $derived.by(() => {
		const files = this.profile.map((s) => s.aliases);
		const isSame = files.length === this.#lastFiles.length && files.every((file, i) => file === this.#lastFiles[i]);
		return isSame ? this.#lastFiles : (this.#lastFiles = files);
	});
	#lastFiles: readonly (AliasFile | undefined)[] = [];
	#allAliasFindings = $derived.by(() => {
		const input = this.document.application.rules.aliases;
		if (!input || this.#aliasFiles.every((file) => !file)) return [];
		const { catalogue } = this;
		return untrack(() => aliasFindings(this.profile, input, catalogue));
	});
	/** What is wrong in the alias files and nobody has accepted; of costs and the last release only the Aliases view speaks. */
	aliasFindings = $derived.by(() => {
		const { effective } = this;
		if (effective.accepted.size === 0) return this.#allAliasFindings;
		return this.#allAliasFindings.filter((f) => !isAccepted(effective, aliasAcceptable(f)));
	});
	effective = $derived.by(() => effectiveProfile(this.profile, this.space));
	index = $derived.by(() => indexOf(this.subject, this.profile));
	seats = $state.raw<WorkspaceDocument['seats']>([]);
	office = $derived.by(() => officeDesks(this.document.application.rules, desksOf(this.seats)));
	/** The profile as the last release had it, for what has moved since. */
	#releasedIndex = $derived.by(() =>
		this.released ? indexOf(this.subject, withReleased(this.profile, this.released)) : undefined
	);
	circumstances = $derived.by((): Circumstances => ({ index: this.index, office: this.office, released: this.#releasedIndex }));
	readonly checks = new CheckSession();
	#teller = $derived.by(() => teller(this.circumstances));
	/** All findings, accepted ones among them. */
	allFindings = $derived.by(() => this.checks.findings);
	/** The findings that nobody has accepted as they stand. */
	findings = $derived.by(() => this.allFindings.filter((f) => !this.#isAccepted(f)));
	/** What the office's release would be judged by: its strata alone, without anybody's own. */
	published = $derived.by((): Circumstances =>
		circumstancesOf(this.subject, published(this.profile), desksOf(this.seats), this.released)
	);
	/** The errors that would go out with a release of the office stratum as it stands. */
	publishErrors = $derived.by(() => errorsLeft(this.published));
	/** The errors in the office's alias file and macros that would go out with it. */
	publishFaults = $derived.by(() => releaseFaults(this.published, published(this.profile)));
	/** What the office's alias file and macros say that the last release did not. */
	pendingAliases = $derived.by(() => aliasDifferences(this.asReleased ?? this.#factory, published(this.profile)));
	pendingMacros = $derived.by(() => macroDifferences(this.asReleased ?? this.#factory, published(this.profile)));
	findingsByCommand = $derived.by(() => {
		const map = new Map<CommandId, Finding[]>();
		for (const finding of this.findings)
			for (const command of new Set([finding.command, ...finding.bindings.map((b) => b.command)])) {
				const list = map.get(command);
				if (list) list.push(finding);
				else map.set(command, [finding]);
			}
		return map;
	});
	target = $derived.by(() => stratumById(this.profile, this.targetId));
	role = $derived.by((): Role => (this.target.kind === 'personal' ? 'designer' : 'steward'));
	/** The strata up to the one written to: a steward's draft is not about personal entries. */
	#seen = $derived.by(() => this.profile.slice(0, this.profile.indexOf(this.target) + 1));
	#factory = $derived.by(() => this.profile.filter((s) => s.kind === 'factory'));
	againstFactory = $derived.by(() =>
		differences(effectiveProfile(this.#factory, this.space), effectiveProfile(this.#seen, this.space))
	);
	againstRelease = $derived.by(() => {
		const { released } = this;
		if (!released) return undefined;
		return differences(
			effectiveProfile(published(withReleased(this.profile, released)), this.space),
			effectiveProfile(this.#seen, this.space)
		);
	});
	/** What the alias files and macros say that the factory's do not, and that those of the last release do not. */
	aliasesAgainstFactory = $derived.by(() => aliasDifferences(this.#factory, this.#seen));
	macrosAgainstFactory = $derived.by(() => macroDifferences(this.#factory, this.#seen));
	/** The factory's and the office's strata as the last release had them; undefined before the first. */
	asReleased = $derived.by((): Profile | undefined => {
		const { released, releasedAliases, releasedMacros } = this;
		if (!released) return undefined;
		return published(this.profile).map((stratum) =>
			stratum.kind === 'office'
				? stratumOf({ id: stratum.id, kind: stratum.kind, name: stratum.name }, released, releasedAliases, releasedMacros)
				: stratum
		);
	});
	aliasesAgainstRelease = $derived.by(() => this.asReleased && aliasDifferences(this.asReleased, this.#seen));
	macrosAgainstRelease = $derived.by(() => this.asReleased && macroDifferences(this.asReleased, this.#seen));
	/** How many things differ from the factory, and from the last release. */
	draftAgainstFactory = $derived.by(
		() => this.againstFactory.length + this.aliasesAgainstFactory.length + this.macrosAgainstFactory.length
	);
	draftAgainstRelease = $derived.by(
		() =>
			this.againstRelease &&
			this.againstRelease.length + (this.aliasesAgainstRelease?.length ?? 0) + (this.macrosAgainstRelease?.length ?? 0)
	);
	changedCommands = $derived.by(() => new Set(this.againstFactory.map((d) => d.binding.command)));

	constructor(document: WorkspaceDocument) {
		this.document = document;
		this.space = contextSpace(document.application.axes, document.application.reachable);
		this.#ownCatalogue = catalogueOf(document.commands, this.space);
		this.#take(document);
		const writable = this.profile.filter((s) => s.kind !== 'factory');
		const wanted = remembered('stratum');
		this.targetId = (writable.find((s) => s.id === wanted) ?? writable.at(-1)!).id;
		const situation = Number(remembered(`situation-${document.application.id}`) ?? 0);
		this.situation = situation < this.space.situations.length ? situation : 0;
	}

	#take(document: WorkspaceDocument) {
		this.profile = document.strata.map(({ entries, aliases, macros, ...head }) => stratumOf(head, entries, aliases, macros));
		this.revision = document.revision;
		this.undoable = document.undo;
		this.redoable = document.redo;
		this.history = document.history;
		this.released = document.released;
		this.releasedAliases = document.releasedAliases;
		this.releasedMacros = document.releasedMacros;
		this.releases = document.releases;
		this.channel = document.channel;
		this.seats = document.seats;
		this.checks.start({ ...this.subject, commands: document.commands }, this.profile, document.seats, document.released);
	}

	/** The application ready for questions, without the profile's macros. */
	get subject(): Subject {
		return { application: this.document.application, space: this.space, catalogue: this.#ownCatalogue };
	}

	/** The finding in words. */
	tell = (finding: Finding): Told => this.#teller(finding);

	#isAccepted(finding: Finding): boolean {
		return this.effective.accepted.has(findingId(finding)) && acceptedAs(this.effective, this.tell(finding)) !== undefined;
	}

	get path(): string {
		return `/api/applications/${this.document.application.id}`;
	}

	writeTo(id: StratumId) {
		this.targetId = id;
		remember('stratum', id);
	}

	standIn(situation: number) {
		this.situation = situation;
		remember(`situation-${this.document.application.id}`, String(situation));
	}

	/** Reads everything anew, as after somebody else's edit or a release. */
	async reload() {
		const document = await ask<WorkspaceDocument>(this.path);
		await filesReadable([document.releasedAliases, ...document.strata.map((s) => s.aliases)]);
		this.#take(document);
	}

	/** Looks whether another window has written, and follows it. */
	async catchUp() {
		if (this.busy || this.merge) return;
		const { edits } = await ask<{ edits: Edit[] }>(`${this.path}/edits?since=${this.revision}`);
		if (edits.length > 0) await this.reload();
	}

	/** Sends an edit; true when it was stored. A stale one waits as `merge` for the user's choice. */
	async commit(
		said: string,
		changes: readonly Change[],
		aliases: readonly AliasChange[] = [],
		macros: readonly MacroChange[] = []
	): Promise<boolean> {
		const label = readable(said);
		const all: Said = { changes, aliases, macros };
		if (isNothing(all)) {
			this.notice = { kind: 'done', text: 'Nothing to change: it is so already.' };
			return true;
		}
		return this.#write(
			() => ask(`${this.path}/edits`, 'POST', { base: this.revision, role: this.role, label, ...all }),
			(problem) =>
				(this.merge = {
					label,
					...all,
					since: (problem['since'] as Edit[]) ?? [],
					touched: (problem['touched'] as Change[]) ?? []
				})
		);
	}

	undo = () => this.#step('undo');
	redo = () => this.#step('redo');

	async #step(direction: 'undo' | 'redo') {
		const list = direction === 'undo' ? this.undoable : this.redoable;
		if (list.length === 0) {
			this.notice = { kind: 'failed', text: `There is nothing to ${direction}.` };
			return;
		}
		await this.#write(
			() => ask(`${this.path}/${direction}`, 'POST', { base: this.revision, role: this.role }),
			async () => {
				await this.reload();
				this.notice = {
					kind: 'failed',
					text: `The profile changed in another window. It is shown now; ${direction} again if you still want to.`
				};
			}
		);
	}

	async #write(
		send: () => Promise<{ edit: Edit; undo: number[]; redo: number[] }>,
		onStale: (problem: Record<string, unknown>) => unknown
	): Promise<boolean> {
		this.busy = true;
		try {
			const { edit, undo, redo } = await send();
			await filesReadable(edit.aliases.map((change) => ('to' in change ? change.to : undefined)));
			this.profile = applyEdit(this.profile, edit);
			this.checks.edit(this.profile, edit);
			this.revision = edit.revision;
			this.undoable = undo;
			this.redoable = redo;
			this.history = [edit, ...this.history];
			this.notice = { kind: 'done', text: edit.label };
			return true;
		} catch (error) {
			if (!(error instanceof ApiError)) throw error;
			if (error.status === 409 && error.problem['type'] === '/problems/stale-revision') await onStale(error.problem);
			else this.notice = { kind: 'failed', text: error.message };
			return false;
		} finally {
			this.busy = false;
		}
	}

	/** After a stale edit: takes the others' state, and puts mine on top of it if wanted. It waits on if the server is gone. */
	async settleMerge(keepMine: boolean) {
		const { merge, profile: base } = this;
		let rebased: typeof import('$core/profile/rebase').rebased;
		try {
			await this.reload();
			({ rebased } = await import('$core/profile/rebase'));
		} catch (error) {
			if (!(error instanceof ApiError)) throw error;
			this.notice = { kind: 'failed', text: error.message };
			return;
		}
		this.merge = undefined;
		if (!merge || !keepMine) return;
		const { said, lost, conflicts } = rebased(this.profile, merge, base);
		// kept first: the alias view looks for it as soon as the profile changes
		for (const { stratum, mine } of conflicts) keepText(this.document.application.id, stratum, mine);
		if (!isNothing(said)) await this.commit(merge.label, said.changes, said.aliases, said.macros);
		const open = [
			...lost,
			...conflicts.map(
				({ stratum }) => `the alias file of ${stratumById(this.profile, stratum).name} (your text is kept in Aliases)`
			)
		];
		if (open.length > 0) this.notice = { kind: 'failed', text: `Not written: ${open.join(', ')}.` };
	}
}
const KEY = Symbol('workspace');

export const provideWorkspace = (current: () => Workspace) => setContext(KEY, current);
export const useWorkspace = (): Workspace => getContext<() => Workspace>(KEY)();
