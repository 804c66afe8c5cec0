import { startWorker } from '$lib/workers/start-worker';
import type { ChangeImpact, Impact, SetupImpact } from '$core/impact/impact';
import { mayWrite } from '$core/people/may';
import type { Person } from '$core/people/person';
import { belongsTo, type Setup } from '$core/people/setup';
import type { Difference } from '$core/chapter/chapter';
import { errorsAdded, lookingAfter } from '$core/profile/trial';
import { differencesBetween, takingBack } from '$core/profile/differences';
import { stratumOfWire, type StratumWire } from '$core/profile/wire';
import { desksOf } from '$core/keyboard/desk';
import { applyEdit, type AnyChange } from '$core/profile/edit';
import { officeOf, type Profile, type Stratum, type StratumId } from '$core/strata/stratum';
import type { FromImpact, ToImpact } from '$lib/workers/impact';
import { ApiError, ask } from './api';
import { strataReadable } from './shapes';
import type { Workspace } from './workspace.svelte';

interface Asked {
	readonly strata: readonly StratumWire[];
	/** What the release has that seats follow. */
	readonly released: readonly StratumWire[];
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
	/** What it was worked out of, as a text that differs when something of it was written since. */
	#of = $state('');
	#started = 0;
	#worker: Worker | undefined;
	/** What was asked last: the strata as people have them then, and today. */
	#asked: Pick<ToImpact, 'now' | 'today'> = { now: [], today: new Map() };

	/** The dearest change first: by runs a day that must be learnt anew, then by what it breaks. */
	changes = $derived.by(() =>
		(this.impact?.changes ?? []).toSorted((a, b) => b.runs - a.runs || costOf(b) - costOf(a) || b.people - a.people)
	);
	people = $derived.by(() => [...new Set((this.impact?.setups ?? []).map(({ setup }) => setup.person))]);
	/** Runs a day over all people; a habit that two changes move is counted once. */
	runs = $derived.by(() => this.#runsIn(this.impact?.setups ?? []));
	untouched = $derived(this.people.filter((person) => this.of(person).every((one) => isUntouched(one))));

	/** Everybody's discipline or project, for groups; the first that they work in. */
	#disciplines = $state.raw<ReadonlyMap<string, string>>(new Map());
	/** The people by discipline, those of none last. */
	groups = $derived.by((): readonly { readonly name: string; readonly people: readonly string[] }[] => {
		const groups = new Map<string, string[]>();
		for (const person of this.people) {
			const name = this.#disciplines.get(person) ?? '';
			groups.set(name, [...(groups.get(name) ?? []), person]);
		}
		return [...groups]
			.sort(([a], [b]) => Number(a === '') - Number(b === '') || a.localeCompare(b))
			.map(([name, people]) => ({ name: name === '' ? 'No discipline' : name, people }));
	});

	async #readDisciplines(): Promise<void> {
		const { layers } = this.#workspace.document;
		const { people } = await ask<{ people: Person[] }>('/api/people');
		this.#disciplines = new Map(
			people.flatMap((person) => {
				const first = layers.find(({ id }) => belongsTo(person).includes(id));
				return first ? [[person.id, first.name] as const] : [];
			})
		);
	}

	get #now(): string {
		const { revision, news } = this.#workspace;
		return `${revision} ${news.setups} ${news.people}`;
	}

	/** Whether nothing that it rests on was written since it was worked out. */
	get isCurrent(): boolean {
		return this.#of === this.#now;
	}

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
		const { document } = this.#workspace;
		const of = this.#now;
		const n = ++this.#started;
		const isLate = () => n !== this.#started;
		let asked: Asked;
		try {
			[asked] = await Promise.all([ask<Asked>(`${this.#workspace.path}/impact`), this.#readDisciplines()]);
			await strataReadable([...asked.released, ...asked.strata]);
		} catch (error) {
			if (!(error instanceof ApiError)) throw error;
			if (isLate()) return;
			this.progress = undefined;
			this.problem = error.message;
			return;
		}
		if (isLate()) return;
		const strata = asked.strata.map(stratumOfWire);
		const office = officeOf(strata);
		// releases of old may call the office's stratum by another id
		const frozen = asked.released
			.map(stratumOfWire)
			.map((stratum) => (stratum.kind === 'office' && office ? { ...stratum, id: office.id } : stratum));
		const changed = proposal && strata.find(({ id }) => id === proposal.stratum);
		const { now, today } = proposal
			? { now: applyEdit(strata, proposal.changes), today: new Map(changed && [[changed.id, changed]]) }
			: this.#released(strata, frozen);
		this.#asked = { now, today };
		const began = performance.now();
		this.#worker = startWorker('impact');
		this.#worker.onmessage = ({ data }: MessageEvent<FromImpact>) => {
			if (data.kind === 'progress') return void (this.progress = data.done);
			this.impact = data.impact;
			this.seconds = (performance.now() - began) / 1000;
			this.#of = of;
			this.stop();
		};
		const { application, commands, seats } = document;
		this.#worker.postMessage({
			...{ application, commands, desks: desksOf(seats), setups: asked.setups, now, today },
			released: officeOf(frozen) ?? null
		} satisfies ToImpact);
	}

	/**
	 * What people have then, and what they have today in place of it. Of a stratum that goes out that is what the release has which
	 * seats follow, or nothing; one that has gone out and does not any more says nothing then.
	 */
	#released(strata: Profile, frozen: Profile): Pick<ToImpact, 'now' | 'today'> {
		const { next } = this.#workspace;
		const silent = (stratum: Stratum): Stratum => ({ ...stratum, contents: {} });
		const former = (stratum: Stratum) => frozen.find(({ id }) => id === stratum.id);
		const shared = strata.filter(({ kind }) => kind !== 'factory' && kind !== 'personal');
		const touched = shared.filter((stratum) => next.goesOut(stratum) || former(stratum));
		return {
			now: strata.map((stratum) => (touched.includes(stratum) && !next.goesOut(stratum) ? silent(stratum) : stratum)),
			today: new Map(touched.map((stratum) => [stratum.id, former(stratum) ?? silent(stratum)]))
		};
	}

	/** Stops working it out; what was found before stays. */
	stop(): void {
		this.#started++;
		this.progress = undefined;
		this.#worker?.terminate();
		this.#worker = undefined;
	}

	/** The stratum that has made the difference: also the one that does not say any more what it did. */
	#makerOf({ by, id: wanted }: Difference): StratumId | undefined {
		if (by !== undefined) return by;
		const { now, today } = this.#asked;
		const { names } = this.#workspace.draft;
		return [...today].find(([id, before]) => {
			const after = now.filter((stratum) => stratum.id === id);
			return differencesBetween([before], after, names).some((difference) => difference.id === wanted);
		})?.[0];
	}

	/** Whether the person may take the change out of the stratum that says it. */
	mayTakeOut({ difference }: ChangeImpact): boolean {
		const { document } = this.#workspace;
		const maker = this.#makerOf(difference);
		const head = document.layers.find(({ id }) => id === maker);
		return head !== undefined && this.#workspace.next.goesOut(head) && mayWrite(document.me, head);
	}

	/** A change whose removal would bring errors for everybody, with their sentences; whoever wants it confirms it. */
	warning = $state.raw<{ readonly change: ChangeImpact; readonly errors: readonly string[] } | undefined>(undefined);

	/**
	 * Removes a change from what goes out next, as one edit, and works the impact out again. Where errors would come of it, it
	 * asks first.
	 */
	async takeOut(change: ChangeImpact, isConfirmed = false): Promise<void> {
		const { difference } = change;
		this.warning = undefined;
		const workspace = this.#workspace;
		const maker = this.#makerOf(difference);
		const target = workspace.profile.find(({ id }) => id === maker)?.id;
		if (target === undefined) {
			const name = workspace.document.layers.find(({ id }) => id === maker)?.name ?? 'Its level';
			const text = `${name} is not in ${workspace.document.setup.name}. Switch to a setup that contains it, then remove the change.`;
			return void (workspace.notice = { kind: 'failed', text });
		}
		if (workspace.targetId !== target) workspace.writeTo(target);
		const { index, profile } = workspace;
		const { changes, stays } = takingBack([difference], { index, profile }, { profile, target });
		if (stays[0]) return void (workspace.notice = { kind: 'failed', text: stays[0].reason });
		if (!isConfirmed) {
			const shared = profile.filter(({ kind }) => kind !== 'personal');
			const looking = lookingAfter(workspace.subject, workspace.findings.looking, shared);
			const errors = errorsAdded(workspace.subject, looking, changes).map((error) => error.sentence());
			if (errors.length > 0) return void (this.warning = { change, errors });
		}
		if (await workspace.edits.commit(`Remove from the release: ${difference.caption.label}`, changes)) await this.start();
	}
}

export const costOf = ({ coming }: Pick<ChangeImpact, 'coming'>): number =>
	10_000 * coming.error + 100 * coming.attention + coming.note;

export const isUntouched = ({ coming, going, habits }: SetupImpact): boolean =>
	coming.length + going.length + habits.length === 0;
