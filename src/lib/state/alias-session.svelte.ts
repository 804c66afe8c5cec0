import { startWorker } from '$lib/workers/start-worker';
import { releasedAliases } from '$core/chapters/aliases/check';
import { aliasChecker } from '$core/chapters/aliases/checker';
import { ALIASES, aliasFileIn, emptyAliasFile, type AliasFile } from '$core/chapters/aliases/file';
import type { AliasReportFinding, AliasRow, AliasStrata } from '$core/chapters/aliases/report';
import type { AliasLook, AliasSight } from '$core/chapters/aliases/sight';
import type { AliasWay } from '$core/chapters/aliases/sound-ways';
import { aliasFileOf } from '$core/chapters/aliases/table';
import { acceptancesOf, isAccepted } from '$core/check/acceptance';
import { tagged } from '$core/profile/edit';
import { spliceBetween, textChange, type TextChange } from '$core/chapter/text';
import { mergeTexts } from '$core/text/merge-texts';
import { stratumById, type StratumId } from '$core/strata/stratum';
import { spliced } from '$core/recipe/reading';
import type { Splice } from '$core/recipe/record';
import type { FromAliases, ToAliases } from '$lib/workers/alias';
import { ApiError } from './api';
import { dropText, keepText, keptTexts } from './kept-texts';
import type { Workspace } from './workspace.svelte';
import { forget, remember, remembered } from './remembered';
import { Turns } from './turns';

/** So long after the last key the text is written as one edit, in milliseconds. */
const WRITE_AFTER = 900;
/** So long after a key at most what is typed is kept in the browser, in milliseconds; a long text takes the page some. */
const KEEP_AFTER = 250;

const EMPTY: AliasSight = {
	findings: [],
	left: 0,
	marks: [],
	counts: { error: 0, attention: 0, note: 0 },
	elsewhere: 0,
	accepted: 0,
	gone: []
};
/** So many findings are listed at first, twice what is seen at once; they are told and drawn at every key. */
const FIRST = 20;
/** So many more each time that more are wanted. */
const MORE = 50;

/** A change of a text with the name that history keeps of it. */
export interface NamedChange {
	readonly label: string;
	readonly splices: readonly Splice[];
}

/**
 * The alias file of the stratum that is written to, while it is edited: the text of the editor and the rows of the table are
 * one thing. What is typed becomes an edit of the profile after a moment; what could not be written is never thrown away.
 */
export class AliasSession {
	readonly #workspace: Workspace;
	readonly #worker: Worker;
	/** What the editor shows. */
	text = $state('');
	rows = $state.raw<readonly AliasRow[]>([]);
	sight = $state.raw<AliasSight>(EMPTY);
	/** Texts of one's own that were not written, because the file changed elsewhere in the same lines or the page was closed. */
	left = $state.raw<readonly string[]>([]);
	checking = $state(false);
	/** The open findings of this file that the text shows. */
	marked = $derived.by(() =>
		[...this.sight.findings, ...this.sight.marks].filter((f) => f.stratum === this.#workspace.targetId && !this.isAccepted(f))
	);
	/** Whether accepted findings are listed as well. */
	withAccepted = $state(false);

	#stratum = '' as StratumId;
	/** The text that the profile had when the typing began. */
	#base = '';
	#write: ReturnType<typeof setTimeout> | undefined;
	#keep: ReturnType<typeof setTimeout> | undefined;
	/** What is written starts from what was stored before it. */
	readonly #turns = new Turns();
	#isAsking = false;
	#asked = 0;
	#told: { readonly index: unknown; readonly office: unknown; readonly before: unknown; readonly catalogue: unknown } | undefined;
	#waiting = false;
	#tries = 0;
	/** Who waits for the answer to which try. */
	readonly #trying = new Map<number, (ways: readonly AliasWay[]) => void>();
	#most = FIRST;
	#lines = { from: 1, to: 100 };

	constructor(workspace: Workspace) {
		this.#workspace = workspace;
		this.#worker = startWorker('aliases');
		this.#worker.onmessage = ({ data }: MessageEvent<FromAliases>) => {
			if ('tried' in data) {
				this.#trying.get(data.tried)?.(data.ways);
				this.#trying.delete(data.tried);
				return;
			}
			if ('rows' in data) {
				this.rows = data.rows;
				return;
			}
			this.sight = data.sight;
			this.#waiting = false;
			if (data.n === this.#asked) this.checking = false;
			else this.#ask();
		};
	}

	/** Those ways out of a finding of this file that were tried and are sound; none of one that stands, or of another file's. */
	waysOf(finding: AliasReportFinding): Promise<readonly AliasWay[]> {
		if (finding.stratum !== this.#workspace.targetId || finding.fixes.length === 0 || this.isAccepted(finding))
			return Promise.resolve([]);
		const n = ++this.#tries;
		return new Promise((resolve) => {
			this.#trying.set(n, resolve);
			this.#say({ kind: 'try', n, finding });
		});
	}

	isAccepted({ acceptable }: AliasReportFinding): boolean {
		return acceptable !== undefined && isAccepted(this.#workspace.accepted, acceptable);
	}

	#say(message: ToAliases) {
		this.#worker.postMessage(message);
	}

	get file(): AliasFile {
		return aliasFileOf(this.#workspace.profile, this.#workspace.targetId);
	}

	#fileOf(stratum: StratumId): AliasFile | null {
		return aliasFileIn(stratumById(this.#workspace.profile, stratum));
	}

	#commit(label: string, changes: readonly TextChange<AliasFile>[]): Promise<boolean> {
		return this.#workspace.edits.commit(label, tagged({ id: ALIASES }, changes));
	}

	get isDirty(): boolean {
		return this.text !== this.#base;
	}

	get #application() {
		return this.#workspace.document.application.id;
	}

	#draftKey() {
		return `aliases-${this.#application}-${this.#stratum}`;
	}

	/** Takes what the profile says now; typing that is not written yet is merged with it line by line, or kept where both touch. */
	follow() {
		const { targetId } = this.#workspace;
		const { text } = this.file;
		if (targetId !== this.#stratum) {
			if (this.#keep !== undefined) this.keepDraft();
			this.#stratum = targetId;
			this.#base = this.text = text;
			this.#most = FIRST;
			const draft = remembered(this.#draftKey());
			if (draft !== null && draft !== text) this.#leave(draft);
			forget(this.#draftKey());
			this.#readLeft();
		} else if (text !== this.#base) {
			clearTimeout(this.#write);
			const { text: merged, conflicts } = mergeTexts(this.#base, this.text, text);
			if (conflicts.length > 0) this.#leave(this.text);
			this.#base = text;
			this.text = conflicts.length > 0 ? text : merged;
			if (this.isDirty) this.#write = setTimeout(() => void this.flush(), WRITE_AFTER);
			this.#readLeft();
		}
		this.ask();
	}

	#leave(text: string) {
		keepText(this.#application, this.#stratum, text);
	}

	#readLeft() {
		this.left = keptTexts(this.#application, this.#stratum).filter((text) => text !== this.#base);
	}

	/** The editor has changed the text. */
	type(text: string) {
		if (text === this.text) return;
		this.text = text;
		this.checking = true;
		this.#ask();
		this.#keep ??= setTimeout(() => this.keepDraft(), KEEP_AFTER);
		clearTimeout(this.#write);
		this.#write = setTimeout(() => void this.flush(), WRITE_AFTER);
	}

	/** Keeps what is typed and not written yet in the browser, should the page come to its end. */
	keepDraft() {
		clearTimeout(this.#keep);
		this.#keep = undefined;
		if (this.isDirty) remember(this.#draftKey(), this.text);
		else forget(this.#draftKey());
	}

	/** Writes what was typed as one edit, after what is being written. */
	flush(): Promise<boolean> {
		return this.#turns.take(() => this.#flush());
	}

	async #flush(label?: string): Promise<boolean> {
		clearTimeout(this.#write);
		if (this.#keep !== undefined) this.keepDraft();
		const change = textChange(this.#stratum, this.#fileOf(this.#stratum), emptyAliasFile, this.text);
		if (!change || this.text === this.#base) return true;
		const wanted = this.text;
		const key = this.#draftKey();
		const before = this.#base;
		this.#base = wanted;
		const { before: from, after: to } = spliceBetween(this.#stratum, before, wanted)!;
		const isWritten = await this.#commit(label ?? labelOf(from, to), [change]);
		if (isWritten) {
			if (this.text === wanted) forget(key);
			return true;
		}
		this.#base = before;
		this.keepDraft();
		this.#workspace.edits.merge = undefined;
		await this.#workspace.reload().catch(sayNothingMore);
		return false;
	}

	/** Changes of the text as it then stands, made in the table or by a way out, as one edit of their own. */
	apply(change: (text: string) => NamedChange | undefined): Promise<boolean> {
		return this.#turns.take(async () => {
			if (!(await this.#flush())) return false;
			const now = change(this.text);
			if (!now) return true;
			this.text = spliced(this.text, now.splices);
			return this.#flush(now.label);
		});
	}

	/** Another file in place of the one that the stratum has. */
	replace(label: string, file: AliasFile): Promise<boolean> {
		return this.#turns.take(async () => {
			if (!(await this.#flush())) return false;
			const { targetId: stratum } = this.#workspace;
			return this.#commit(label, [{ stratum, from: this.#fileOf(stratum), to: file }]);
		});
	}

	/** Puts a text that was left back into the editor, or lets it go. */
	settleLeft(text: string, takesMine: boolean) {
		dropText(this.#application, this.#stratum, text);
		this.left = this.left.filter((kept) => kept !== text);
		if (takesMine) this.type(text);
	}

	undo(step: 'undo' | 'redo'): Promise<void> {
		return this.#turns.take(async () => {
			if (await this.#flush()) await this.#workspace.edits[step]();
		});
	}

	showAccepted(shown: boolean) {
		this.withAccepted = shown;
		this.ask();
	}

	/** Lists more of the findings. */
	showMore() {
		this.#most += MORE;
		this.ask();
	}

	/** These lines of the text are seen. */
	see(from: number, to: number) {
		this.#lines = { from, to };
		if (this.sight.left > 0) this.ask();
	}

	/** Has the text checked in the worker, before the page is painted: the two go on side by side. */
	ask() {
		this.checking = true;
		if (this.#isAsking) return;
		this.#isAsking = true;
		queueMicrotask(() => {
			this.#isAsking = false;
			this.#ask();
		});
	}

	#ask() {
		this.#asked++;
		if (this.#waiting || !this.#workspace.document.application.rules.aliases) return;
		this.#waiting = true;
		this.#tellSetting();
		const strata: AliasStrata = this.#workspace.profile.map((stratum) => {
			const { id, kind, name } = stratum;
			const file = id === this.#stratum ? { ...this.file, text: this.text } : aliasFileIn(stratum);
			return { id, kind, name, ...(file && { aliases: file }) };
		});
		const accepted = new Map<string, string>();
		for (const { acceptance } of acceptancesOf(this.#workspace.accepted, aliasChecker.beginning))
			accepted.set(acceptance.finding, acceptance.circumstances);
		const look: AliasLook = {
			stratum: this.#stratum,
			accepted,
			withAccepted: this.withAccepted,
			most: this.#most,
			lines: this.#lines
		};
		this.#say({ kind: 'ask', n: this.#asked, strata, look });
	}

	/** What the shortcuts cost and the last release said, when that has changed. */
	#tellSetting() {
		const { index, office, document, catalogue, draft } = this.#workspace;
		const before = draft.released;
		if (this.#told?.index === index && this.#told.office === office && this.#told.before === before) return;
		if (this.#told?.catalogue !== catalogue) this.#say({ kind: 'start', commands: [...catalogue.values()] });
		this.#told = { index, office, before, catalogue };
		const input = document.application.rules.aliases!;
		const costs = new Map<string, number>();
		for (const { command, keys } of index.effective.bindings) {
			const seconds = office.reach(keys)?.seconds;
			if (seconds !== undefined && seconds < (costs.get(command) ?? Infinity)) costs.set(command, seconds);
		}
		this.#say({
			kind: 'setting',
			setting: { input, costs, released: before && releasedAliases(before, input) }
		});
	}

	end() {
		void this.flush();
		this.#worker.terminate();
	}
}

/** Why it was not written has been said; that what stands there cannot be read either is no news. */
function sayNothingMore(error: unknown): void {
	if (!(error instanceof ApiError)) throw error;
}

const short = (text: string) => (text.length > 30 ? `${text.slice(0, 30)}…` : text);

function labelOf(before: string, after: string): string {
	const [from, to] = [before.trim(), after.trim()];
	if (from === '') return `Aliases: write "${short(to)}"`;
	if (to === '') return `Aliases: remove "${short(from)}"`;
	return `Aliases: "${short(from)}" becomes "${short(to)}"`;
}
