import { getContext, setContext } from 'svelte';
import { catalogueOf } from '$core/application/application';
import { acceptedIn } from '$core/check/acceptance';
import { macroTable } from '$core/chapters/macros/table';
import type { Circumstances } from '$core/check/circumstances';
import type { OpenApplication } from '$core/application/application';
import { profileCatalogue } from '$core/profile/catalogue';
import { indexOf, indexOfReleased } from '$core/profile/circumstances';
import { contextSpace } from '$core/context/space';
import { sameSituation } from '$core/context/same-situation';
import type { SearchPaths } from '$core/folders/search';
import { desksOf } from '$core/keyboard/desk';
import { officeDesks } from '$core/keyboard/office-desks';
import { placedCommands, profileSpace } from '$core/profile/profile-index';
import { applyEdit, type AnyChange, type Edit } from '$core/profile/edit';
import { may, mayWrite, type Right } from '$core/people/may';
import { writingAs } from '$core/strata/role';
import { stratumById, type Profile, type Stratum, type StratumId } from '$core/strata/stratum';
import { stratumOfWire, wireOf } from '$core/profile/wire';
import { ShownState } from './shown-state.svelte';
import { trialOn } from '$core/profile/trial';
import { commandSearch } from '$core/search/search';
import type { EditHead } from '$lib/server/profile/workspace';
import type { WorkspaceDocument } from '$lib/server/workspace-document';
import { ask } from './api';
import { Blames } from './blames.svelte';
import { Draft } from './draft.svelte';
import { Edits } from './edits.svelte';
import { Findings } from './findings.svelte';
import type { Heard } from './live.svelte';
import { Newest } from './newest';
import { NextRelease } from './next-release.svelte';
import type { Notice } from './notice';
import { Publishing } from './publishing.svelte';
import { editReadable, strataReadable } from './shapes';
import { remember, remembered } from './remembered';

/**
 * One application in the browser: what the server holds, what follows from it, and the ways to change it. Data flows one
 * way: catalogue and strata give the effective profile, that gives the index, that gives findings and answers.
 */
export class Workspace {
	/** Replaced as a whole when everything is read anew; the application stays the one that it is. */
	document = $state.raw<WorkspaceDocument>() as WorkspaceDocument;
	/** The application's own contexts. */
	readonly #bareSpace;
	/** The application's own commands. */
	readonly #ownCatalogue;

	profile = $state.raw<Profile>([]);
	revision = $state(0);
	history = $state.raw<readonly EditHead[]>([]);
	/** The office stratum as the seats have it. */
	released = $state.raw<Stratum | null>(null);
	releases = $state.raw<WorkspaceDocument['releases']>([]);
	channel = $state<number | null>(null);
	seats = $state.raw<WorkspaceDocument['seats']>([]);

	/** The stratum that edits are written to, and the situation that answers are given for. */
	targetId = $state<StratumId>('' as StratumId);
	situation = $state(0);
	notice = $state.raw<Notice | undefined>(undefined);
	/** Where files lay before it was changed here, the newest last, for undo in Folders. */
	formerFolders = $state.raw<readonly SearchPaths[]>([]);

	/** The application's contexts and the profile's modes. */
	space = $derived.by(() => profileSpace(this.#bareSpace, this.profile));
	/** The application's commands and the profile's macros. */
	catalogue = $derived.by(() => profileCatalogue(this.#ownCatalogue, this.profile));
	search = $derived.by(() => commandSearch(this.catalogue, (keys) => this.office.heardAs(keys)));
	macros = $derived.by(() => macroTable(this.profile));
	index = $derived.by(() => indexOf(this.subject, this.profile));
	effective = $derived.by(() => this.index.effective);
	/** What somebody has let stand. */
	accepted = $derived.by(() => acceptedIn(this.profile));
	office = $derived.by(() => officeDesks(this.document.application.rules, desksOf(this.seats)));
	/** The profile as the seats have it, for what has moved since. */
	#releasedIndex = $derived.by(() => (this.released ? indexOfReleased(this.subject, this.profile, this.released) : undefined));
	#trial = $derived.by(() => trialOn(this.subject));
	#placed = $derived.by(() => placedCommands(this.profile));
	circumstances = $derived.by((): Circumstances => ({
		index: this.index,
		office: this.office,
		placed: this.#placed,
		accepted: this.accepted,
		released: this.#releasedIndex,
		trial: this.#trial
	}));
	target = $derived.by(() => stratumById(this.profile, this.targetId));
	role = $derived.by(() => writingAs(this.document.me.role, this.target.kind));

	readonly blames = new Blames(this);
	readonly edits = new Edits(this);
	readonly findings = new Findings(this);
	readonly draft = new Draft(this);
	readonly publishing = new Publishing(this);
	readonly next = new NextRelease(this);
	readonly shown: ShownState<Workspace> = new ShownState(this, (strata, readOnly) => {
		const made = new Workspace({ ...this.document, strata: strata.map(wireOf), revision: this.revision });
		made.standIn = (situation) => {
			made.situation = situation;
			if (situation < this.space.situations.length) this.standIn(situation);
		};
		made.readOnly = () => (this.notice = { kind: 'failed', text: readOnly });
		return made;
	});
	/** Says why nothing can be changed here; undefined where it can. */
	readOnly: (() => void) | undefined;

	constructor(document: WorkspaceDocument) {
		this.document = document;
		this.#bareSpace = contextSpace(document.application.axes, document.application.reachable);
		this.#ownCatalogue = catalogueOf(document.commands, this.#bareSpace);
		this.#take(document);
		const { writable } = this;
		const wanted = remembered(this.#targetKey);
		const first = writable.find((s) => s.id === wanted) ?? writable.at(-1);
		this.targetId = (first ?? this.profile[0]!).id;
		const situation = Number(remembered(`situation-${document.application.id}`) ?? 0);
		this.situation = situation < this.space.situations.length ? situation : 0;
	}

	#take(document: WorkspaceDocument) {
		this.document = document;
		this.#become(document.strata.map(stratumOfWire));
		// the stratum that was written to may be in the setup no more, or somebody else's
		if (this.targetId !== '' && !this.writable.some(({ id }) => id === this.targetId))
			this.targetId = (this.writable.at(-1) ?? this.profile[0]!).id;
		this.revision = document.revision;
		this.edits.take(document);
		this.history = document.history;
		this.released = document.released && stratumOfWire(document.released);
		this.releases = document.releases;
		this.channel = document.channel;
		this.seats = document.seats;
		this.findings.checks.start({ ...this.subject, commands: document.commands }, this.profile, document.seats, this.released);
	}

	/** Takes another profile; who stands in a mode that is gone comes to stand in the one that it was made from. */
	#become(profile: Profile) {
		const before = this.space;
		this.profile = profile;
		if (this.space !== before) this.standIn(sameSituation(before, this.space, this.situation));
	}

	/** The application ready for questions, without the profile's modes and macros. */
	get subject(): OpenApplication {
		return { application: this.document.application, space: this.#bareSpace, catalogue: this.#ownCatalogue };
	}

	/** The strata that the person may write, of those that the setup has. */
	get writable(): readonly Stratum[] {
		const { layers, me } = this.document;
		const mine = new Set(layers.filter((layer) => mayWrite(me, layer)).map(({ id }) => id));
		return this.profile.filter((stratum) => mine.has(stratum.id));
	}

	get #targetKey(): string {
		return `stratum-${this.document.application.id}-${this.document.setup.id}`;
	}

	/** Whether the person may do this in the office. */
	may(right: Right): boolean {
		return may(this.document.me, right);
	}

	/** What somebody is called by who looks at it. */
	nameOf(person: string): string {
		const { me, people } = this.document;
		return person === me.id ? 'you' : (people[person] ?? 'somebody');
	}

	get path(): string {
		return `/api/applications/${this.document.application.id}`;
	}

	writeTo(id: StratumId) {
		this.targetId = id;
		remember(this.#targetKey, id);
	}

	standIn(situation: number) {
		this.situation = situation;
		remember(`situation-${this.document.application.id}`, String(situation));
	}

	/** Takes an edit that was stored; if others wrote to other strata meanwhile, all is read anew. */
	async follow(edit: Edit) {
		if (edit.revision > this.revision + 1) return this.reload();
		await this.apply(edit.changes);
		this.stored(edit);
	}

	/** Takes changes that the server has not got yet. Throws what applying them throws. */
	async apply(changes: readonly AnyChange[]) {
		await editReadable(changes);
		this.#become(applyEdit(this.profile, changes));
		this.findings.checks.edit(this.profile, changes);
	}

	/** Takes it that the server has stored what was applied. */
	stored(edit: Edit) {
		this.revision = edit.revision;
		const { changes: _, ...head } = edit;
		this.history = [head, ...this.history];
	}

	readonly #reading = new Newest();

	/** Reads everything anew, as after somebody else's edit or a release. */
	async reload(): Promise<void> {
		const { revision } = this;
		let isOld = false;
		await this.#reading.of(
			async () => {
				const document = await ask<WorkspaceDocument>(`${this.path}?setup=${this.document.setup.id}`);
				await strataReadable([document.released, ...document.strata]);
				return document;
			},
			(document) => {
				// what was stored here while it was read is not in it
				isOld = document.revision < this.revision && this.revision !== revision;
				if (!isOld) this.#take(document);
			}
		);
		if (isOld) await this.reload();
	}

	/** The newest revision that was heard of. */
	heard = $state(0);
	/** How often something of each kind was heard, for views that read it by themselves. */
	readonly news = $state({ proposals: 0, setups: 0, people: 0 });
	/** The application has other commands, rules or contexts than those that everything here was made with. */
	isOutdated = $state(false);

	/**
	 * Hears of something that was written, and follows it at once. What is heard while something is written is looked for by `catchUp`
	 * afterwards.
	 */
	async hear({ revision, strata, about }: Heard) {
		if (about === 'program') return void (this.isOutdated = true);
		if (about) this.news[about]++;
		if (revision === undefined) {
			if (about === 'proposals') return;
			if (!this.edits.busy && !this.edits.merge && this.edits.waiting.list.length === 0) await this.reload();
			return;
		}
		// what others write to strata that are not looked at here is none of this window's business
		if (strata && revision === this.revision + 1 && !this.edits.busy && !this.profile.some(({ id }) => strata.includes(id))) {
			this.revision = revision;
			return;
		}
		this.heard = Math.max(this.heard, revision);
		if (revision > this.revision) await this.catchUp();
	}

	/** Looks whether another window has written, and follows it. */
	async catchUp() {
		if (this.edits.busy || this.edits.merge) return;
		if (this.edits.waiting.list.length > 0) return void (await this.edits.sendWaiting());
		const { edits } = await ask<{ edits: unknown[] }>(`${this.path}/edits?since=${this.revision}&most=1`);
		if (edits.length > 0) await this.reload();
	}
}
const KEY = Symbol('workspace');

export const provideWorkspace = (current: () => Workspace) => setContext(KEY, current);
export const useWorkspace = (): Workspace => getContext<() => Workspace>(KEY)();
