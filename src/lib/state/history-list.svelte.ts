import { counted } from '$core/text/counted';
import { soundOf } from '$core/profile/problems';
import type { AnyChange } from '$core/profile/edit';
import type { HistoryEdit, HistoryPage, Line } from '$lib/server/history';
import { ask, told } from './api';
import { Newest } from './newest';
import type { Workspace } from './workspace.svelte';

/** So many edits, and changes of one, are read at a time. */
const MOST = 50;
const MOST_LINES = 200;

/** The history of a program: searched on the server, read in parts, with edits that unfold. */
export class HistoryList {
	readonly #workspace: Workspace;
	readonly #reading = new Newest();
	words = $state('');
	by = $state('');
	stratum = $state('');
	from = $state('');
	to = $state('');
	edits = $state.raw<readonly HistoryEdit[]>([]);
	/** Asks for what comes before; null where that is all. */
	before = $state<number | null>(null);
	isReading = $state(true);
	problem = $state('');
	/** All changes of the edits that were unfolded, by revision. */
	unfolded = $state.raw<ReadonlyMap<number, readonly Line[]>>(new Map());

	constructor(workspace: Workspace) {
		this.#workspace = workspace;
	}

	get isFiltered(): boolean {
		return [this.words.trim(), this.by, this.stratum, this.from, this.to].some((one) => one !== '');
	}

	/** What is looked for, as the server is asked. */
	get query(): URLSearchParams {
		const { words, by, stratum, from, to } = this;
		return new URLSearchParams(
			Object.entries({ words: words.trim(), by, stratum, from, to }).filter(([, value]) => value !== '')
		);
	}

	/** Where all that is looked for is as a table. */
	get csv(): string {
		return `${this.#workspace.path}/history?${new URLSearchParams([...this.query, ['as', 'csv']])}`;
	}

	async #page(before?: number): Promise<HistoryPage> {
		const query = this.query;
		query.set('most', String(MOST));
		if (before !== undefined) query.set('before', String(before));
		return ask<HistoryPage>(`${this.#workspace.path}/history?${query}`);
	}

	/** Reads from the newest on. */
	async read(): Promise<void> {
		this.isReading = true;
		await this.#told(() =>
			this.#reading.of(
				() => this.#page(),
				({ edits, before }) => {
					[this.edits, this.before] = [edits, before];
					this.unfolded = new Map();
				}
			)
		);
		this.isReading = false;
	}

	async more(): Promise<void> {
		const { before } = this;
		if (before === null || this.isReading) return;
		this.isReading = true;
		await this.#told(() =>
			this.#reading.of(
				() => this.#page(before),
				(page) => {
					this.edits = [...this.edits, ...page.edits];
					this.before = page.before;
				}
			)
		);
		this.isReading = false;
	}

	async #told(work: () => Promise<void>): Promise<void> {
		this.problem = '';
		try {
			await work();
		} catch (error) {
			this.problem = told(error);
		}
	}

	/** Shows more of what an edit changed, or folds it again. */
	async unfold({ revision }: HistoryEdit, more = false): Promise<void> {
		const known = this.unfolded.get(revision) ?? [];
		const next = new Map(this.unfolded);
		if (known.length > 0 && !more) next.delete(revision);
		else {
			const query = new URLSearchParams({ words: this.words.trim(), from: String(known.length), most: String(MOST_LINES) });
			const { lines } = await ask<{ lines: Line[] }>(`${this.#workspace.path}/history/${revision}?${query}`);
			next.set(revision, [...known, ...lines]);
		}
		this.unfolded = next;
	}

	/** Makes the stratum that is written to what it was after an edit, by one more edit. */
	async restore({ revision, label }: Pick<HistoryEdit, 'revision' | 'label'>): Promise<void> {
		const workspace = this.#workspace;
		const { profile, targetId, target } = workspace;
		await this.#told(async () => {
			const query = new URLSearchParams({ stratum: targetId, after: String(revision) });
			const { changes } = await ask<{ changes: AnyChange[] }>(`${workspace.path}/restore?${query}`);
			const { sound, stays } = soundOf(workspace.subject, profile, changes);
			const isDone = await workspace.edits.commit(`Restore ${target.name} to revision ${revision}: ${label}`, sound);
			if (isDone && stays[0])
				workspace.notice = {
					kind: 'failed',
					text: `${counted(stays.length, 'stays', 'stay')} unchanged: ${stays[0]}.`
				};
		});
	}
}
