import type { ChangeImpact, Impact, SetupImpact } from '$core/impact/impact';
import { mayWrite } from '$core/people/may';
import type { Setup } from '$core/people/setup';
import { takingBack } from '$core/profile/differences';
import { stratumOfWire, type StratumWire } from '$core/profile/wire';
import { desksOf } from '$core/keyboard/desk';
import { applyEdit, type AnyChange } from '$core/profile/edit';
import { officeOf, type StratumId } from '$core/strata/stratum';
import type { FromImpact, ToImpact } from '$lib/workers/impact.worker';
import { ApiError, ask } from './api';
import { strataReadable } from './shapes';
import type { Workspace } from './workspace.svelte';

interface Asked {
	readonly strata: readonly StratumWire[];
	readonly released: StratumWire | null;
	readonly setups: readonly Setup[];
}

/** What the next release would do to whom: worked out in a worker, with progress, and stopped at will. */
export class ImpactDesk {
	readonly #workspace: Workspace;
	impact = $state.raw<Impact | undefined>(undefined);
	/** The share that is done while it is worked out. */
	progress = $state<number | undefined>(undefined);
	/** How long it took, in seconds. */
	seconds = $state(0);
	problem = $state('');
	/** Whose findings and habits are told beside the table. */
	person = $state<string | undefined>(undefined);
	/** The revision that it was worked out for. */
	revision = $state(-1);
	#worker: Worker | undefined;

	/** The dearest change first: by runs a day that must be learnt anew, then by what it breaks. */
	changes = $derived.by(() =>
		(this.impact?.changes ?? []).toSorted((a, b) => b.runs - a.runs || costOf(b) - costOf(a) || b.people - a.people)
	);
	people = $derived.by(() => [...new Set((this.impact?.setups ?? []).map(({ setup }) => setup.person))]);
	/** Runs a day over all people; a habit that two changes move is counted once. */
	runs = $derived.by(() => this.#runsIn(this.impact?.setups ?? []));
	untouched = $derived(this.people.filter((person) => this.of(person).every((one) => isUntouched(one))));

	constructor(workspace: Workspace) {
		this.#workspace = workspace;
	}

	#runsIn(setups: readonly SetupImpact[]): number {
		const counted = new Map<string, number>();
		for (const { setup, habits } of setups)
			for (const { command, keys, scope, runs } of habits) counted.set(`${setup.person}\n${command}\n${keys}\n${scope}`, runs);
		return [...counted.values()].reduce((sum, one) => sum + one, 0);
	}

	/** What happens to the setups of somebody. */
	of(person: string): SetupImpact[] {
		return (this.impact?.setups ?? []).filter(({ setup }) => setup.person === person);
	}

	/** How many errors somebody gets, each once. */
	errorsOf(person: string): number {
		return new Set(
			this.of(person).flatMap(({ coming }) => coming.filter(({ severity }) => severity === 'error').map(({ id }) => id))
		).size;
	}

	nameOf(person: string): string {
		return this.#workspace.nameOf(person);
	}

	/** Works out what the draft does that would be released next; or of a proposal, what it does to what people have now. */
	async start(proposal?: { readonly stratum: StratumId; readonly changes: readonly AnyChange[] }): Promise<void> {
		this.stop();
		this.problem = '';
		this.progress = 0;
		const { document, revision } = this.#workspace;
		let asked: Asked;
		try {
			asked = await ask<Asked>(`${this.#workspace.path}/impact`);
			await strataReadable([asked.released, ...asked.strata]);
		} catch (error) {
			if (!(error instanceof ApiError)) throw error;
			this.progress = undefined;
			this.problem = error.message;
			return;
		}
		const now = asked.strata.map(stratumOfWire);
		const office = officeOf(now);
		const released = asked.released && office ? { ...stratumOfWire(asked.released), id: office.id } : null;
		// before the first release people have the office's stratum as it is empty
		const changed = proposal && now.find(({ id }) => id === proposal.stratum);
		const today = changed ?? (office && (released ?? { ...office, contents: {} }));
		const began = performance.now();
		this.#worker = new Worker(new URL('../workers/impact.worker.ts', import.meta.url), { type: 'module' });
		this.#worker.onmessage = ({ data }: MessageEvent<FromImpact>) => {
			if (data.kind === 'progress') return void (this.progress = data.done);
			this.impact = data.impact;
			this.seconds = (performance.now() - began) / 1000;
			this.revision = revision;
			this.stop();
		};
		const { application, commands, seats } = document;
		this.#worker.postMessage({
			...{ application, commands, desks: desksOf(seats), released, setups: asked.setups },
			now: proposal ? applyEdit(now, proposal.changes) : now,
			today: new Map(today ? [[today.id, today]] : [])
		} satisfies ToImpact);
	}

	/** Stops working it out; what was found before stays. */
	stop(): void {
		this.progress = undefined;
		this.#worker?.terminate();
		this.#worker = undefined;
	}

	/** Whether the person may take changes out of the stratum that is released. */
	get mayTakeOut(): boolean {
		const { document, profile } = this.#workspace;
		const office = officeOf(profile);
		const head = document.layers.find(({ id }) => id === office?.id);
		return head !== undefined && mayWrite(document.me, head);
	}

	/** Takes a change out of what goes out next, as one edit, and works the impact out anew. */
	async takeOut({ difference }: ChangeImpact): Promise<void> {
		const workspace = this.#workspace;
		const office = officeOf(workspace.profile);
		if (!office) return;
		if (workspace.targetId !== office.id) workspace.writeTo(office.id);
		const { index, profile } = workspace;
		const { changes, stays } = takingBack([difference], { index, profile }, { profile, target: office.id });
		if (stays[0]) return void (workspace.notice = { kind: 'failed', text: stays[0].reason });
		if (await workspace.edits.commit(`Take out of the release: ${difference.caption.label}`, changes)) await this.start();
	}
}

export const costOf = ({ coming }: Pick<ChangeImpact, 'coming'>): number =>
	10_000 * coming.error + 100 * coming.attention + coming.note;

export const isUntouched = ({ coming, going, habits }: SetupImpact): boolean =>
	coming.length + going.length + habits.length === 0;
