import type { Difference } from '$core/chapter/chapter';
import { desksOf } from '$core/keyboard/desk';
import { inUsualOrder, type Setup } from '$core/people/setup';
import { goingOut } from '$core/release/held';
import { newsBetween } from '$core/profile/differences';
import { saySame, stratumOfWire, type StratumWire } from '$core/profile/wire';
import type { Profile, Stratum, StratumId } from '$core/strata/stratum';
import type { WorkspaceDocument } from '$lib/server/workspace-document';
import type { HeldList } from '$lib/workers/held';
import { ask } from './api';
import type { Draft } from './draft.svelte';
import { HeldCheck } from './held-check.svelte';
import { strataReadable } from './shapes';

interface NextOf {
	readonly document: Pick<WorkspaceDocument, 'layers' | 'application' | 'commands'>;
	readonly path: string;
	readonly profile: Profile;
	readonly released: Stratum | null;
	readonly releases: WorkspaceDocument['releases'];
	readonly channel: number | null;
	readonly seats: WorkspaceDocument['seats'];
	readonly draft: Pick<Draft, 'toPublish' | 'names'>;
}

interface Read {
	readonly now: Profile;
	readonly channel: number | null;
	readonly frozen: Profile;
	readonly setups: readonly Setup[];
}

/** What the next release freezes: the office stratum, and the disciplines and projects that are chosen to go out with it. */
export class NextRelease {
	readonly #workspace: NextOf;
	/** What was chosen; undefined while nobody has. */
	#chosen = $state.raw<readonly StratumId[] | undefined>(undefined);
	/** All strata of the office as they are, those of the followed release, and everybody's setups; undefined while they are not read. */
	#read = $state.raw<Read | undefined>(undefined);
	/** What would hold back what goes out with the office stratum. */
	readonly held = new HeldCheck();

	constructor(workspace: NextOf) {
		this.#workspace = workspace;
	}

	/** The disciplines and projects of the office. */
	others = $derived.by(() => this.#workspace.document.layers.filter(({ kind }) => kind === 'discipline' || kind === 'project'));
	/** Those of them that the release has which seats follow. */
	#former = $derived.by((): readonly StratumId[] => {
		const { releases, channel } = this.#workspace;
		const strata = releases.find(({ number }) => number === channel)?.strata ?? [];
		return this.others.flatMap(({ id }) => (strata.includes(id) ? [id] : []));
	});
	/** Those that go out with the office stratum: as with the release that seats follow, until others are chosen. */
	besides = $derived.by((): readonly StratumId[] => this.#chosen ?? this.#former);
	/** Those that seats have and that the next release would take from them. */
	leaving = $derived.by(() => this.others.filter(({ id }) => this.#former.includes(id) && !this.besides.includes(id)));

	choose(strata: readonly StratumId[]): void {
		this.#chosen = strata;
	}

	goesOut = ({ id, kind }: Pick<Stratum, 'id' | 'kind'>): boolean => kind === 'office' || this.besides.includes(id);

	/** Whether more than the office stratum has to be looked at. */
	isWide = $derived.by(() => this.besides.length + this.#former.length > 0);

	/** What would be otherwise at the seats; undefined while it is not known. */
	pending = $derived.by((): readonly Difference[] | undefined => {
		if (!this.isWide) return this.#workspace.draft.toPublish;
		if (!this.#read) return undefined;
		const { now, frozen } = this.#read;
		const factory = now.filter(({ kind }) => kind === 'factory');
		const next = inUsualOrder(now.filter(this.goesOut));
		return newsBetween([...factory, ...frozen], [...factory, ...next], this.#workspace.draft.names);
	});

	/** Whether it says anything that the release does not say which seats follow. */
	isNew = $derived.by((): boolean => {
		const { profile, released } = this.#workspace;
		const office = profile.find(({ kind }) => kind === 'office');
		if (!this.isWide || !this.#read) return office !== undefined && (!released || !saySame(office, released));
		const { now, frozen } = this.#read;
		const next = now.filter(this.goesOut);
		const former = (stratum: Stratum) => frozen.find(({ id }) => id === stratum.id);
		return next.length !== frozen.length || next.some((stratum) => !former(stratum) || !saySame(stratum, former(stratum)!));
	});

	/** Reads the strata of the office, and of the release that seats follow, where more than the office stratum goes out. */
	async read(): Promise<void> {
		if (!this.isWide) return;
		const { path, channel } = this.#workspace;
		// what reads files is needed here alone
		const { strataInRelease } = await import('./released');
		const [{ strata }, { mine, others, starts }, frozen] = await Promise.all([
			ask<{ strata: StratumWire[] }>(`${path}/strata`),
			ask<Record<'mine' | 'others' | 'starts', Setup[]>>(`${path}/setups`),
			// a release never changes
			this.#read?.channel === channel ? this.#read.frozen : channel === null ? [] : strataInRelease(path, channel)
		]);
		await strataReadable(strata);
		this.#read = { now: strata.map(stratumOfWire), channel, frozen, setups: [...mine, ...others, ...starts] };
	}

	/** The errors found there, for each list of strata that people have. */
	heldBesides = $derived.by((): readonly HeldList[] => (this.besides.length === 0 ? [] : (this.held.found ?? [])));

	/** Checks what goes out besides the office stratum, as people have it; called when somebody looks, and when it has changed. */
	checkHeld(): void {
		const read = this.#read;
		if (!read || this.besides.length === 0) {
			this.held.stop();
			return;
		}
		const { document, seats, released } = this.#workspace;
		const lists = goingOut(read.now, read.setups, this.besides);
		const { application, commands } = document;
		this.held.start({ application, commands, desks: desksOf(seats), released, lists });
	}
}
