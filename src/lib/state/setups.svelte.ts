import { may, mayWrite, type OwnedHead } from '$core/people/may';
import { inUsualOrder, type Setup } from '$core/people/setup';
import { changesBetween } from '$core/profile/restore';
import type { StratumHead, StratumId } from '$core/strata/stratum';
import { freeSlug } from '$core/text/slug';
import { stratumOfWire, type StratumWire } from '$core/profile/wire';
import type { WorkspaceDocument } from '$lib/server/workspace-document';
import { ask, told } from './api';
import { remember } from './remembered';
import type { Workspace } from './workspace.svelte';

/** Under which key a browser keeps which setup of an application is looked at. */
export const setupKey = (application: string): string => `setup-${application}`;

/** The setups of one application: one's own, and those of others to begin from. */
export class SetupsDesk {
	readonly #workspace: Workspace;
	/** Called when the page is to look at another setup, or at the same one anew. */
	readonly #turned: () => Promise<unknown>;
	mine = $state.raw<readonly Setup[]>([]);
	others = $state.raw<readonly Setup[]>([]);
	said = $state('');
	/** What was made last, in words. */
	made = $state('');
	busy = $state(false);

	constructor(workspace: Workspace, turned: () => Promise<unknown>) {
		this.#workspace = workspace;
		this.#turned = turned;
		this.mine = workspace.document.setups;
	}

	get #path(): string {
		return `${this.#workspace.path}/setups`;
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
		({ mine: this.mine, others: this.others } = await ask<{ mine: Setup[]; others: Setup[] }>(this.#path));
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
			this.#workspace.notice = { kind: 'done', text: 'You have one setup. Make another one in Setups.' };
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
			this.said = `You have a setup called “${twin.name}” already.`;
			return false;
		}
		return this.#do(async () => {
			const { me } = this.#workspace.document;
			const personal = from.strata.flatMap((id) => this.headOf(id) ?? []).filter(({ kind }) => kind === 'personal');
			const copied = personal.filter(({ person }) => person !== me.id || !shares);
			const copies = await this.#emptyFor(copied, name.trim());
			const ids = [...copies.values()].map(({ id }) => id);
			// with the copies alone at first, so that also what a lock below keeps silent is copied
			const made = await ask<Setup>(this.#path, 'POST', { name, strata: ids });
			try {
				await this.#copy(copies, from, made);
				const strata = from.strata.map((id) => copies.get(id)?.id ?? id);
				await ask(this.#path, 'PUT', { id: made.id, strata });
			} catch (error) {
				await ask(`${this.#path}?id=${encodeURIComponent(made.id)}`, 'DELETE');
				throw error;
			}
			await this.turnTo(made.id);
			const shared = personal.filter(({ id }) => !copies.has(id)).map((head) => head.name);
			this.made = [
				`${name} is there, and looked at.`,
				...copied.map((head) => `What ${head.name} says was copied into ${copies.get(head.id)!.name}.`),
				...(shared.length > 0 ? [`It shares ${shared.join(', ')} with ${from.name}: what you change there changes both.`] : [])
			].join(' ');
		});
	}

	/** New strata of one's own for what is copied, by the id of what goes into them. */
	async #emptyFor(of: readonly OwnedHead[], name: string): Promise<Map<StratumId, StratumHead>> {
		const copies = new Map<StratumId, StratumHead>();
		const taken = new Set<string>(this.layers.map(({ id }) => id));
		for (const source of of) {
			const called = (of.length === 1 ? name : `${name}, ${source.name}`).slice(0, 60);
			const id = freeSlug(called, (one) => taken.has(one)) as StratumId;
			taken.add(id);
			const head = { id, kind: 'personal', name: called } as const;
			await ask('/api/strata', 'POST', head);
			copies.set(source.id, head);
		}
		return copies;
	}

	/** Lets the new strata of a setup say what those of another say now. */
	async #copy(copies: ReadonlyMap<StratumId, StratumHead>, from: Setup, into: Setup): Promise<void> {
		if (copies.size === 0) return;
		const path = this.#workspace.path;
		const { strata, revision } = await ask<WorkspaceDocument>(`${path}?setup=${encodeURIComponent(from.id)}`);
		for (const [source, head] of copies) {
			const wire = strata.find(({ id }) => id === source);
			const said = wire && changesBetween({ ...head, contents: {} }, { ...stratumOfWire(wire as StratumWire), id: head.id });
			if (!said || said.length === 0) continue;
			const label = `Copy of ${this.headOf(source)?.name ?? source}`.slice(0, 200);
			const edit = { base: revision, stratum: head.id, setup: into.id, label, changes: said };
			await ask(`${path}/edits`, 'POST', edit);
		}
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
		change: { name?: string; strata?: readonly StratumId[]; isStart?: true; isRecommended?: boolean }
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

	/** Takes a stratum into the setup, where its kind usually lies, or out of it. */
	choose(setup: Setup, id: StratumId, isIn: boolean): Promise<boolean> {
		if (!isIn) return this.change(setup, { strata: setup.strata.filter((one) => one !== id) });
		const kinds = inUsualOrder([...setup.strata, id].flatMap((one) => this.headOf(one) ?? []));
		const added = kinds.findIndex((head) => head.id === id);
		const above = kinds.slice(added + 1).find((head) => setup.strata.includes(head.id));
		const at = above ? setup.strata.indexOf(above.id) : setup.strata.length;
		return this.change(setup, { strata: setup.strata.toSpliced(at, 0, id) });
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
