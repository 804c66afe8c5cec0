import { may, mayWrite, type OwnedHead } from '$core/people/may';
import { inUsualOrder, withRequired, type Audience, type Setup } from '$core/people/setup';
import type { StratumId } from '$core/strata/stratum';
import type { MadeSetup } from '$lib/server/setups';
import type { WorkspaceDocument } from '$lib/server/workspace-document';
import { ask, told } from './api';
import { Newest } from './newest';
import { remember } from './remembered';
import type { Workspace } from './workspace.svelte';

/** Under which key a browser keeps which setup of an application is looked at. */
export const setupKey = (application: string): string => `setup-${application}`;

/** The setups of one application: one's own, and those of others to begin from. */
export class SetupsDesk {
	readonly #workspace: Workspace;
	/** Called when the page is to look at another setup, or at the same one anew. */
	readonly #turned: () => Promise<unknown>;
	readonly #reading = new Newest();
	#read = $state.raw<{ readonly of: WorkspaceDocument; readonly mine: readonly Setup[] } | undefined>(undefined);
	others = $state.raw<readonly Setup[]>([]);
	said = $state('');
	/** What was made last, in words. */
	made = $state('');
	busy = $state(false);

	constructor(workspace: Workspace, turned: () => Promise<unknown>) {
		this.#workspace = workspace;
		this.#turned = turned;
	}

	get #path(): string {
		return `${this.#workspace.path}/setups`;
	}

	/** One's own: as they were read last, be it here or with everything else. */
	get mine(): readonly Setup[] {
		const { document } = this.#workspace;
		return this.#read?.of === document ? this.#read.mine : document.setups;
	}

	get layers(): readonly OwnedHead[] {
		return this.#workspace.document.layers;
	}

	/** The strata that a setup of one's own may have, in their usual order. */
	get choosable(): readonly OwnedHead[] {
		const { me } = this.#workspace.document;
		return inUsualOrder(this.layers).filter(
			({ kind, person }) => kind !== 'factory' && (kind !== 'personal' || person === me.id)
		);
	}

	get mayRecommend(): boolean {
		return may(this.#workspace.document.me, 'recommend');
	}

	headOf(id: StratumId): OwnedHead | undefined {
		return this.layers.find((layer) => layer.id === id);
	}

	nameOf(person: string): string {
		return this.#workspace.nameOf(person);
	}

	async load(): Promise<void> {
		await this.#reading.of(
			() => ask<{ mine: Setup[]; others: Setup[] }>(this.#path),
			({ mine, others }) => {
				this.#read = { of: this.#workspace.document, mine };
				this.others = others;
			}
		);
	}

	/** Looks at another setup of one's own; nothing is lost by it, since everything is kept as it is made. */
	async turnTo(id: string): Promise<void> {
		if (id === this.#workspace.document.setup.id) return;
		remember(setupKey(this.#workspace.document.application.id), id);
		await this.#turned();
	}

	/** The next or the one before, round and round. */
	async step(by: 1 | -1): Promise<void> {
		const list = this.#workspace.document.setups;
		if (list.length < 2) {
			this.#workspace.notice = { kind: 'done', text: 'You have only one setup. Create another one in Setups.' };
			return;
		}
		const at = list.findIndex(({ id }) => id === this.#workspace.document.setup.id);
		await this.turnTo(list[(at + by + list.length) % list.length]!.id);
	}

	async #do(work: () => Promise<unknown>): Promise<boolean> {
		this.busy = true;
		this.said = '';
		this.made = '';
		try {
			await work();
			await this.load();
			return true;
		} catch (error) {
			this.said = told(error);
			return false;
		} finally {
			this.busy = false;
		}
	}

	/**
	 * Makes one from another. What lies in strata of somebody's own comes as a copy, into a new stratum of one's own, so that neither
	 * setup changes when the other is written to; with `shares` one's own strata are the same in both. A colleague's are copied always.
	 */
	async make(name: string, from: Setup, shares = false): Promise<boolean> {
		// before anything is made for it
		const twin = this.mine.find((setup) => setup.name.toLocaleLowerCase() === name.trim().toLocaleLowerCase());
		if (twin) {
			this.said = `You already have a setup called “${twin.name}”.`;
			return false;
		}
		return this.#do(async () => {
			const body = { name: name.trim(), from: from.id, shares };
			const { setup, copied, shared } = await ask<MadeSetup>(this.#path, 'POST', body);
			await this.turnTo(setup.id);
			this.made = [
				`${setup.name} is created and selected.`,
				...copied.map((one) => `The content of ${one.from} was copied to ${one.into}.`),
				...(shared.length > 0 ? [`It shares ${shared.join(', ')} with ${from.name}: changes there affect both.`] : [])
			].join(' ');
		});
	}

	/** The other setups of the person that a stratum of theirs lies in too. */
	sharedWith(setup: Setup, { id, kind }: OwnedHead): readonly Setup[] {
		if (kind !== 'personal') return [];
		return this.mine.filter((other) => other.id !== setup.id && other.strata.includes(id));
	}

	/** Gives a stratum of one's own another name. */
	rename({ id }: OwnedHead, name: string): Promise<boolean> {
		return this.#do(async () => {
			await ask('/api/strata', 'PATCH', { id, name });
			await this.#turned();
		});
	}

	change(
		setup: Setup,
		change: {
			name?: string;
			strata?: readonly StratumId[];
			isStart?: true;
			isRecommended?: boolean;
			isRequired?: boolean;
			audience?: Audience;
		}
	): Promise<boolean> {
		return this.#do(async () => {
			const changed = await ask<Setup>(this.#path, 'PUT', { id: setup.id, ...change });
			// the usual one gets an id of its own when it is first changed
			if (this.#workspace.document.setup.id === setup.id) {
				remember(setupKey(this.#workspace.document.application.id), changed.id);
				await this.#turned();
			}
		});
	}

	/** The strata that no setup may leave out. */
	get required(): readonly OwnedHead[] {
		return this.layers.filter(({ id }) => this.#workspace.document.required.includes(id));
	}

	isRequired(id: StratumId): boolean {
		return this.#workspace.document.required.includes(id);
	}

	/** What the setup lacks of that. */
	missingIn(setup: Setup): readonly OwnedHead[] {
		return this.required.filter(({ id }) => !setup.strata.includes(id));
	}

	/** Puts all into the setup that it may not leave out. */
	complete(setup: Setup): Promise<boolean> {
		return this.change(setup, { strata: withRequired(setup.strata, this.layers, this.required) });
	}

	/** Whether the person says what is required. */
	get mayRequire(): boolean {
		return may(this.#workspace.document.me, 'people');
	}

	/** Takes a stratum into the setup, where its kind usually lies, or out of it. */
	choose(setup: Setup, id: StratumId, isIn: boolean): Promise<boolean> {
		if (!isIn) return this.change(setup, { strata: setup.strata.filter((one) => one !== id) });
		return this.change(setup, { strata: withRequired(setup.strata, this.layers, [{ id }]) });
	}

	/** Moves a stratum up or down in the setup: the upper one has the last word. */
	move(setup: Setup, id: StratumId, by: 1 | -1): Promise<boolean> {
		const at = setup.strata.indexOf(id);
		const to = at + by;
		if (at < 0 || to < 0 || to >= setup.strata.length) return Promise.resolve(false);
		return this.change(setup, { strata: setup.strata.toSpliced(at, 1).toSpliced(to, 0, id) });
	}

	remove(setup: Setup): Promise<boolean> {
		return this.#do(async () => {
			await ask(`${this.#path}?id=${encodeURIComponent(setup.id)}`, 'DELETE');
			if (this.#workspace.document.setup.id === setup.id) await this.#turned();
		});
	}

	/** Whether the person can write something of the setup. */
	isWritable(setup: Setup): boolean {
		const { me } = this.#workspace.document;
		return setup.strata.some((id) => {
			const head = this.headOf(id);
			return head !== undefined && mayWrite(me, head);
		});
	}
}
