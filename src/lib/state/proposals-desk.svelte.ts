import { captionOf, type Part } from './proposal-parts';
import { put } from '$core/answer/choices';
import { EVERYWHERE } from '$core/context/scope';
import { may, mayWrite, type OwnedHead } from '$core/people/may';
import { copying, sayingsOf, type Saying } from '$core/profile/copying';
import { stratumOfWire, type StratumWire } from '$core/profile/wire';
import type { AnyChange } from '$core/profile/edit';
import { ofShortcuts } from '$core/shortcut/change';
import type { StratumId } from '$core/strata/stratum';
import { suggest } from '$core/suggest/suggest';
import { parseKeys } from '$core/stroke/stroke';
import type { Proposal as Kept } from '$lib/server/proposals';
import { ApiError, ask, told } from './api';
import { Newest } from './newest';
import { strataReadable } from './shapes';
import { commitWithin } from './within-reach';
import type { Workspace } from './workspace.svelte';

export type Proposal = Omit<Kept, 'decision'> & {
	readonly decision: { by: string; at: string; reason: string; revision?: number; parts?: number[] } | null;
};

interface Page {
	readonly proposals: Proposal[];
	readonly before: number | null;
}

/** What a proposal would let somebody press, type or draw, as far as its changes say so by themselves. */
function inputsOf({ changes }: Proposal): Set<string> {
	return new Set(
		changes.flatMap((change) => {
			const { before, after } = change as { before?: Record<string, unknown> | null; after?: Record<string, unknown> | null };
			return [before, after].flatMap((said) => {
				const input = said?.['keys'] ?? said?.['alias'] ?? said?.['path'];
				return typeof input === 'string' ? [`${change.chapter} ${input}`] : [];
			});
		})
	);
}

const NOTHING_LEFT = { id: undefined, parts: new Set<number>() };

/** What people propose, and what becomes of it. */
export class ProposalsDesk {
	readonly #workspace: Workspace;
	readonly #reading = new Newest();
	list = $state.raw<readonly Proposal[]>([]);
	chosenId = $state<number | undefined>(undefined);
	/** The places of the parts that are left out, and of which proposal: of another one nothing is left out. */
	#leaving = $state.raw<{ readonly id: number | undefined; readonly parts: ReadonlySet<number> }>(NOTHING_LEFT);
	busy = $state(false);
	isRead = $state(false);

	/** Which of them are shown. */
	filter = $state<'all' | 'decide' | 'mine' | 'competing'>('all');
	words = $state('');
	/** Asks for those that were decided before; null where that is all. */
	before = $state<number | null>(null);
	/** For each open one, those that speak of the same key, alias or other input. */
	competing = $derived.by((): ReadonlyMap<number, readonly Proposal[]> => {
		const open = this.list.filter(({ state }) => state === 'open');
		const byInput = new Map<string, Proposal[]>();
		for (const proposal of open)
			for (const input of inputsOf(proposal)) byInput.set(input, [...(byInput.get(input) ?? []), proposal]);
		return new Map(
			open.flatMap((proposal) => {
				const others = new Set(
					[...inputsOf(proposal)].flatMap((input) => byInput.get(input)!.filter((other) => other !== proposal))
				);
				return others.size > 0 ? [[proposal.id, [...others]] as const] : [];
			})
		);
	});
	/** The open ones first, the newest of each first. */
	sorted = $derived.by(() => {
		const words = this.words.trim().toLowerCase();
		return this.list
			.filter(
				(proposal) =>
					(this.filter === 'all' ||
						(this.filter === 'mine' && this.isMine(proposal)) ||
						(this.filter === 'decide' && this.isToDecide(proposal)) ||
						(this.filter === 'competing' && this.competing.has(proposal.id))) &&
					[proposal.label, proposal.reason, this.#workspace.nameOf(proposal.person)].some((text) =>
						text.toLowerCase().includes(words)
					)
			)
			.toSorted((a, b) => Number(b.state === 'open') - Number(a.state === 'open'));
	});
	chosen = $derived.by(() => this.list.find(({ id }) => id === this.chosenId) ?? this.sorted[0]);
	toDecide = $derived.by(() => this.list.filter((proposal) => this.isToDecide(proposal)).length);
	/** The places of the parts of the chosen one that are left out of what is taken. */
	left = $derived.by((): ReadonlySet<number> => this.#leftOf(this.chosen?.id));
	parts = $derived.by((): Part[] => (this.chosen?.changes ?? []).map((change) => captionOf(change, this.#workspace.draft.names)));

	constructor(workspace: Workspace) {
		this.#workspace = workspace;
	}

	get #path(): string {
		return `${this.#workspace.path}/proposals`;
	}

	/** The common strata, which proposals are of. */
	get targets(): readonly OwnedHead[] {
		return this.#workspace.document.layers.filter(({ kind }) => kind !== 'factory' && kind !== 'personal');
	}

	headOf(id: StratumId): OwnedHead | undefined {
		return this.#workspace.document.layers.find((layer) => layer.id === id);
	}

	mayDecide({ stratum }: Pick<Proposal, 'stratum'>): boolean {
		const head = this.headOf(stratum);
		return head !== undefined && mayWrite(this.#workspace.document.me, head);
	}

	/** Whether it waits for the person to decide. */
	isToDecide(proposal: Proposal): boolean {
		return proposal.state === 'open' && may(this.#workspace.document.me, 'review') && this.mayDecide(proposal);
	}

	isMine({ person }: Pick<Proposal, 'person'>): boolean {
		return person === this.#workspace.document.me.id;
	}

	/** A change that somebody who has none could propose: a free key for the command that is run most without one. */
	example = $derived.by(() => {
		const { index, catalogue, office, target } = this.#workspace;
		if (target.kind !== 'personal') return undefined;
		const byUse = [...catalogue.values()].toSorted((a, b) => (b.use ?? 0) - (a.use ?? 0));
		for (const command of byUse) {
			if (index.of(command.id).length > 0) continue;
			const [free] = suggest(index, office, { command, scope: EVERYWHERE, most: 1 });
			if (free) return { command, keys: free.keys };
		}
		return undefined;
	});

	async makeExample(): Promise<boolean> {
		const { example } = this;
		if (!example) return false;
		const { profile, targetId } = this.#workspace;
		const { command, keys } = example;
		return commitWithin(this.#workspace, `${keys} for ${command.label}`, () =>
			ofShortcuts(put(profile, targetId, { command: command.id, keys, scope: EVERYWHERE }))
		);
	}

	/** What the person says in the strata of their own, each thing once: the uppermost says it last. */
	get sayings(): readonly { readonly saying: Saying; readonly part: Part }[] {
		const { profile, document, draft } = this.#workspace;
		const own = new Set(
			document.layers.filter(({ kind, person }) => kind === 'personal' && person === document.me.id).map(({ id }) => id)
		);
		const sayings = profile.filter(({ id }) => own.has(id)).flatMap(({ id }) => sayingsOf(profile, id));
		const byPlace = new Map(sayings.map((saying) => [`${saying.chapter}\n${saying.key}\n${saying.isLock}`, saying]));
		return [...byPlace.values()]
			.filter(({ chapter }) => chapter !== 'acceptances')
			.map((saying) => {
				const change = { chapter: saying.chapter, stratum: 'own', before: null, after: saying.said } as unknown as AnyChange;
				return { saying, part: captionOf(change, draft.names) };
			});
	}

	async load(): Promise<void> {
		await this.#reading.of(
			() => ask<Page>(this.#path),
			({ proposals, before }) => ([this.list, this.before] = [proposals, before])
		);
		this.isRead = true;
	}

	/** Reads those that were decided before. */
	async more(): Promise<void> {
		if (this.before === null) return;
		const { proposals, before } = await ask<Page>(`${this.#path}?before=${this.before}`);
		[this.list, this.before] = [[...this.list, ...proposals], before];
	}

	async #do(done: string, work: () => Promise<unknown>): Promise<boolean> {
		this.busy = true;
		try {
			await work();
			await this.load();
			this.#workspace.notice = { kind: 'done', text: done };
			return true;
		} catch (error) {
			this.#workspace.notice = { kind: 'failed', text: told(error) };
			return false;
		} finally {
			this.busy = false;
		}
	}

	/** Proposes that a common stratum says what one says oneself. */
	propose(target: StratumId, sayings: readonly Saying[], label: string, reason: string): Promise<boolean> {
		const head = this.headOf(target);
		return this.#do(`Proposed to ${head?.name ?? target}: ${label}`, async () => {
			// the stratum may not be part of the setup that one looks at
			const held = await ask<{ revision: number; strata: StratumWire[] }>(
				`${this.#workspace.path}/strata?id=${encodeURIComponent(target)}`
			);
			await strataReadable(held.strata);
			const profile = held.strata.map(stratumOfWire);
			const changes = copying(profile, sayings, target);
			if (changes.length === 0) throw new ApiError(409, { detail: `${head?.name ?? target} already contains all of this.` });
			const made = await ask<{ id: number }>(this.#path, 'POST', {
				stratum: target,
				label,
				reason,
				base: held.revision,
				changes
			});
			this.chosenId = made.id;
		});
	}

	choose(id: number): void {
		this.chosenId = id;
		this.#leaving = NOTHING_LEFT;
	}

	/** Leaves a part out of what is taken, or takes it with the rest again. */
	turn(part: number): void {
		const left = new Set(this.left);
		if (!left.delete(part)) left.add(part);
		this.#leaving = { id: this.chosen?.id, parts: left };
	}

	#leftOf(id: number | undefined): ReadonlySet<number> {
		return this.#leaving.id === id ? this.#leaving.parts : NOTHING_LEFT.parts;
	}

	take(proposal: Proposal): Promise<boolean> {
		const left = this.#leftOf(proposal.id);
		const parts = proposal.changes.flatMap((_, i) => (left.has(i) ? [] : [i]));
		const isWhole = parts.length === proposal.changes.length;
		return this.#do(`Accepted: ${proposal.label}`, async () => {
			const body = { does: 'take', base: this.#workspace.revision, ...(!isWhole && { parts }) };
			await ask(`${this.#path}/${proposal.id}`, 'PUT', body);
			await this.#workspace.reload();
		});
	}

	/**
	 * Changes what is proposed: what is left out goes, and of shortcuts the keys may be others, by the place of the part. Throws nothing: what is
	 * wrong with the keys is said.
	 */
	change(proposal: Proposal, keys: ReadonlyMap<number, string>, reason: string): Promise<boolean> {
		const left = this.#leftOf(proposal.id);
		return this.#do(`Changed: ${proposal.label}`, async () => {
			const changes = proposal.changes.flatMap((change, i): AnyChange[] => {
				if (left.has(i)) return [];
				const text = keys.get(i)?.trim();
				const { after } = change as { after?: { keys?: string } | null };
				if (!text || !after?.keys || text === after.keys) return [change];
				// another key is another entry, and so nothing stands there before
				return [{ ...change, before: null, after: { ...after, keys: this.#keysOf(text) } } as AnyChange];
			});
			await ask(`${this.#path}/${proposal.id}`, 'PUT', { does: 'change', base: this.#workspace.revision, changes, reason });
			this.#leaving = NOTHING_LEFT;
		});
	}

	#keysOf(text: string): string {
		try {
			return parseKeys(text);
		} catch (error) {
			throw new ApiError(422, { detail: `“${text}”: ${(error as Error).message}` });
		}
	}

	decline(proposal: Proposal, reason: string): Promise<boolean> {
		return this.#do(`Declined: ${proposal.label}`, () => ask(`${this.#path}/${proposal.id}`, 'PUT', { does: 'decline', reason }));
	}

	withdraw(proposal: Proposal): Promise<boolean> {
		return this.#do(`Withdrawn: ${proposal.label}`, () => ask(`${this.#path}/${proposal.id}`, 'DELETE'));
	}

	comment(proposal: Proposal, text: string): Promise<boolean> {
		return this.#do('Said.', () => ask(`${this.#path}/${proposal.id}`, 'POST', { text }));
	}
}
