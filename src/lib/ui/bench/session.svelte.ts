import { answerTo, completions } from '$core/alias/prompt';
import { aliasTable, type AliasTable } from '$core/alias/table';
import { listen, settle, type Heeded } from '$core/answer/listen';
import type { Outcome } from '$core/answer/resolve';
import type { CommandId } from '$core/application/command';
import { hear } from '$core/stroke/hear';
import type { Keys, Stroke } from '$core/stroke/stroke';
import type { Profile } from '$core/profile/stratum';
import type { Workspace } from '$lib/state/workspace.svelte';
import { pressOf } from '../heard';

/** Something that happened in the stand-in's window, newest first in the log. */
export interface Happening {
	readonly id: number;
	readonly keys: Keys | undefined;
	readonly situation: number;
	readonly outcome: Outcome | undefined;
	readonly ran: CommandId | undefined;
	/** What was typed at the command line and accepted, with the reasoning. */
	readonly typed?: { readonly text: string; readonly trace: readonly string[] };
}

/** How long an application that waits for sequences waits, in milliseconds. */
const PATIENCE = 900;

/** What the stand-in needs to know; without a profile it has no aliases. */
export type BenchGround = Pick<Workspace, 'index' | 'situation' | 'document'> & Partial<Pick<Workspace, 'profile'>>;

/** The stand-in application at work: takes keys as it would, under the effective profile. */
export class BenchSession {
	readonly #workspace: BenchGround;
	#timer: ReturnType<typeof setTimeout> | undefined;
	#count = 0;
	pending = $state.raw<readonly Stroke[]>([]);
	log = $state.raw<readonly Happening[]>([]);
	/** Commands that wait to be chosen from, and the one that Enter takes. */
	offered = $state.raw<readonly CommandId[]>([]);
	chosen = $state(0);
	/** What was typed into the pane that takes bare keys as text. */
	typed = $state('');
	note = $state('');
	/** The aliases as the program has read them; a change of the file counts when it reads them again. */
	#loaded = $state.raw<Profile | undefined>(undefined);

	constructor(workspace: BenchGround) {
		this.#workspace = workspace;
		this.#loaded = workspace.profile;
	}

	get #input() {
		return this.#workspace.document.application.rules.aliases;
	}

	get aliases(): AliasTable | undefined {
		return this.#loaded && this.#input && aliasTable(this.#loaded, this.#input);
	}

	/** Whether an alias file has changed since the program read it. */
	get isStale(): boolean {
		const textsOf = (profile: Profile | undefined) => JSON.stringify(profile?.map((s) => s.aliases?.text ?? ''));
		return this.#input !== undefined && textsOf(this.#loaded) !== textsOf(this.#workspace.profile);
	}

	/** The program reads its alias files again. */
	reload() {
		this.#loaded = this.#workspace.profile;
	}

	/** What goes on from what was typed, as far as the program offers it. */
	get offers(): readonly { text: string; command: string }[] {
		const { aliases } = this;
		return aliases && this.typed !== '' ? completions(aliases, this.#workspace.index.catalogue, this.typed, 5) : [];
	}

	get last(): Happening | undefined {
		return this.log[0];
	}

	/** Returns whether the stand-in took the key. */
	press(event: KeyboardEvent): boolean {
		if (this.offered.length > 0) return this.#choose(event.key);
		if (this.typed !== '' && this.#line(event)) return true;
		const { stroke, notes } = hear(pressOf(event), this.#workspace.document.application.rules.match);
		this.note = notes[0] ?? '';
		if (!stroke) return false;
		clearTimeout(this.#timer);
		const heeded = listen(this.#workspace.index, this.#workspace.situation, this.pending, stroke);
		this.#take(heeded);
		if (heeded.outcome.kind === 'typed' && event.key.length === 1) this.typed += event.key;
		if (heeded.pending.length > 0 && this.#workspace.index.on(heeded.keys).length > 0)
			this.#timer = setTimeout(
				() => this.#take(settle(this.#workspace.index, this.#workspace.situation, this.pending)),
				PATIENCE
			);
		return heeded.outcome.kind !== 'nothing' || event.key !== 'Tab';
	}

	/** Keys that the command line takes for itself while there is text in it. */
	#line(event: KeyboardEvent): boolean {
		const input = this.#input;
		if (event.ctrlKey || event.altKey || event.metaKey) return false;
		const accepts = event.key === 'Enter' ? 'Enter' : event.key === ' ' ? 'Space' : undefined;
		if (event.key === 'Backspace') this.typed = this.typed.slice(0, -1);
		else if (event.key === 'Escape') this.typed = '';
		else if (event.key === 'Tab' && this.offers[0]) this.typed = this.offers[0].text;
		else if (accepts && input?.accept.includes(accepts)) this.accept();
		else return false;
		return true;
	}

	/** Takes what was typed as an alias or a command's name. */
	accept() {
		const { aliases } = this;
		const text = this.typed.trim();
		this.typed = '';
		if (!aliases || text === '') return;
		const { answer, trace } = answerTo(aliases, this.#workspace.index.catalogue, text);
		this.#record({
			keys: undefined,
			outcome: undefined,
			ran: answer.kind === 'runs' ? (answer.command as CommandId) : undefined,
			typed: { text, trace }
		});
	}

	/** Sends an input as if it were pressed, as for a finding's witness. */
	replay(keys: Keys, strokes: readonly Stroke[]) {
		this.pending = [];
		for (const stroke of strokes) {
			const heeded = listen(this.#workspace.index, this.#workspace.situation, this.pending, stroke);
			this.#take(heeded);
			if (heeded.keys !== keys && heeded.pending.length === 0) return;
		}
	}

	/** A control was clicked. */
	run(command: CommandId) {
		this.#record({ keys: undefined, outcome: undefined, ran: command });
	}

	#take({ keys, outcome, pending }: Heeded) {
		this.pending = pending;
		if (outcome.kind === 'chooser') {
			this.offered = outcome.offered.map((b) => b.command);
			this.chosen = 0;
		}
		this.#record({ keys, outcome, ran: outcome.kind === 'fires' ? outcome.winner.command : undefined });
	}

	#choose(key: string): boolean {
		const step = { ArrowDown: 1, ArrowUp: -1 }[key];
		if (step) this.chosen = (this.chosen + step + this.offered.length) % this.offered.length;
		else if (key === 'Enter') this.take(this.chosen);
		else if (key === 'Escape') this.offered = [];
		else return false;
		return true;
	}

	/** Takes one of the offered commands. */
	take(at: number) {
		const command = this.offered[at]!;
		this.offered = [];
		this.#record({ keys: this.last?.keys, outcome: undefined, ran: command });
	}

	#record(happening: Omit<Happening, 'id' | 'situation'>) {
		this.log = [{ id: ++this.#count, situation: this.#workspace.situation, ...happening }, ...this.log].slice(0, 40);
	}
}
