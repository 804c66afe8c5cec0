import { aliasFileIn } from '$core/chapters/aliases/file';
import { answerTo, completions } from '$core/chapters/aliases/prompt';
import { aliasTable, type AliasTable } from '$core/chapters/aliases/table';
import { listen, settle, type Heeded, type Settled } from '$core/answer/listen';
import type { Outcome } from '$core/answer/resolve';
import type { CommandId } from '$core/application/command';
import { IDLE, perform, play, type Activity, type MacroEvent, type MacroGround } from '$core/chapters/macros/machine';
import type { MacroStep } from '$core/chapters/macros/macro';
import type { ItemId } from '$core/chapters/bars/bar';
import { openedBy } from '$core/chapters/bars/cursor-keys';
import { macroTable } from '$core/chapters/macros/table';
import { leadsTo } from '$core/chapters/modes/mode';
import { hear } from '$core/stroke/hear';
import { keysOf, legendsOf, readable, strokesOf, type Keys, type Stroke } from '$core/stroke/stroke';
import type { Profile } from '$core/strata/stratum';
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
	/** The bar or menu whose control was clicked. */
	readonly from?: string;
	/** What a step of a macro did, or what happened to a running command. */
	readonly said?: string;
	/** The said went otherwise than whoever made the macro will have wanted. */
	readonly fault?: boolean;
}

/** How long an application that waits for sequences waits, in milliseconds. */
const PATIENCE = 900;

/** What the stand-in needs to know; without a profile it has no aliases. */
export type BenchGround = Pick<Workspace, 'index' | 'situation' | 'document'> & Partial<Pick<Workspace, 'profile' | 'standIn'>>;

/** What the stand-in of a workspace has read: it goes on running while somebody looks at another view. */
const running = new WeakMap<BenchGround, Profile>();

/** The stand-in application at work: takes keys as it would, under the effective profile. */
export class BenchSession {
	readonly #workspace: BenchGround;
	/** Opens a cursor bar at the pointer. */
	onopen: ((bar: ItemId) => void) | undefined;
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
	/** What runs, and the text that waits to be accepted. */
	activity = $state.raw<Activity>(IDLE);
	/** What the running macro waits for; undefined while none does. */
	waiting = $state<string | undefined>(undefined);
	/** The steps that were recorded so far; undefined while nothing is recorded. */
	recording = $state.raw<readonly MacroStep[] | undefined>(undefined);
	#playing: Generator<MacroEvent, Activity> | undefined;
	/** The aliases as the program has read them; a change of the file counts when it reads them again. */
	#loaded = $state.raw<Profile | undefined>(undefined);

	constructor(workspace: BenchGround) {
		this.#workspace = workspace;
		this.#loaded = running.get(workspace) ?? workspace.profile;
		if (this.#loaded) running.set(workspace, this.#loaded);
	}

	get #input() {
		return this.#workspace.document.application.rules.aliases;
	}

	get aliases(): AliasTable | undefined {
		return this.#loaded && this.#input && aliasTable(this.#loaded, this.#input);
	}

	/** Whether an alias file has changed since the program read it. */
	get isStale(): boolean {
		const textsOf = (profile: Profile | undefined) => JSON.stringify(profile?.map((s) => aliasFileIn(s)?.text ?? ''));
		return this.#input !== undefined && textsOf(this.#loaded) !== textsOf(this.#workspace.profile);
	}

	/** The program reads its alias files again. */
	reload() {
		this.#loaded = this.#workspace.profile;
		if (this.#loaded) running.set(this.#workspace, this.#loaded);
	}

	/** What goes on from what was typed, as far as the program offers it. */
	get offers(): readonly { text: string; command: string }[] {
		const { aliases } = this;
		return aliases && this.typed !== '' ? completions(aliases, this.#workspace.index.catalogue, this.typed, 5) : [];
	}

	/** Whether keys belong to what goes on: a sequence, a text, a choice or a running command. */
	get isBusy(): boolean {
		return this.pending.length > 0 || this.typed !== '' || this.offered.length > 0 || this.waiting !== undefined;
	}

	/** The last input; what the steps of a macro did comes after it. */
	get last(): Happening | undefined {
		return this.log.find((h) => h.said === undefined);
	}

	/** The last of all. */
	get latest(): Happening | undefined {
		return this.log[0];
	}

	/** Returns whether the stand-in took the key. */
	press(event: KeyboardEvent): boolean {
		if (this.offered.length > 0) return this.#choose(event.key);
		if (this.#leads(event)) return true;
		if (this.typed !== '' && this.#line(event)) return true;
		const { stroke, notes } = hear(pressOf(event), this.#workspace.document.application.rules.match);
		this.note = notes[0] ?? '';
		if (!stroke) return false;
		clearTimeout(this.#timer);
		const pressed = keysOf([stroke]);
		const own = this.#workspace.index.rules.hardwired.find((h) => h.keys === pressed);
		if (own) {
			// what the application keeps for itself never reaches a shortcut
			if (this.pending.length > 0) this.#settle(settle(this.#workspace.index, this.#workspace.situation, this.pending));
			this.#tell(`${readable(pressed)}: the application itself ${own.does}.`);
			return true;
		}
		const heeded = listen(this.#workspace.index, this.#workspace.situation, this.pending, stroke);
		this.#take(heeded);
		if (heeded.outcome.kind === 'typed' && event.key.length === 1) this.typed += event.key;
		if (heeded.pending.length > 0 && this.#workspace.index.on(heeded.keys).length > 0)
			this.#timer = setTimeout(
				() => this.#settle(settle(this.#workspace.index, this.#workspace.situation, this.pending)),
				PATIENCE
			);
		return heeded.outcome.kind !== 'nothing' || event.key !== 'Tab';
	}

	/** Keys that go to what runs: Escape ends it, Enter picks for a macro that waits or accepts the command. */
	#leads(event: KeyboardEvent): boolean {
		if (event.ctrlKey || event.altKey || event.metaKey || event.shiftKey || this.typed !== '') return false;
		const isBusy = this.waiting !== undefined || this.activity.running.length > 0;
		if (!isBusy) return false;
		if (event.key === 'Escape') this.cancel();
		else if (event.key === 'Enter') {
			if (this.waiting === undefined) this.#step({ do: 'accept' });
			else this.pick('');
		} else return false;
		return true;
	}

	/** Ends what runs, macros among it. */
	cancel() {
		this.#playing = undefined;
		this.waiting = undefined;
		this.#step({ do: 'cancel' });
	}

	/** Something was picked: a macro that waits goes on. */
	pick(what: string) {
		const runs = this.activity.running.length > 0;
		if (this.waiting === undefined && !runs) return;
		if (this.#playing === undefined) this.#keep({ do: 'pick', what });
		this.#tell(what === '' ? 'Picked.' : `Picked: ${what}.`);
		if (this.waiting !== undefined) this.#goOn();
	}

	record() {
		this.recording = [];
	}

	/** Ends the recording and gives its steps. */
	endRecording(): readonly MacroStep[] {
		const steps = this.recording ?? [];
		this.recording = undefined;
		return steps;
	}

	get #ground(): MacroGround {
		const { index, profile } = this.#workspace;
		return { catalogue: index.catalogue, macros: macroTable(profile ?? []), aliases: this.aliases };
	}

	/** A step by hand. */
	#step(step: MacroStep) {
		const { activity, said } = perform(this.activity, step, this.#ground);
		this.activity = activity;
		this.#keep(step);
		this.#tell(said);
	}

	#keep(step: MacroStep) {
		if (this.recording) this.recording = [...this.recording, step];
	}

	/** A command or a macro starts, whatever called it. */
	#start(id: CommandId) {
		const done = perform(this.activity, { do: 'run', command: id }, this.#ground);
		this.activity = done.activity;
		this.#playing = undefined;
		this.waiting = undefined;
		this.#keep({ do: 'run', command: id });
		this.#switch(id);
		this.#open(id);
		if (done.fault) this.#tell(done.said);
		if (done.calls === undefined) return;
		this.#playing = play(id, this.#ground, this.activity);
		this.#goOn();
	}

	/** A command that opens a cursor bar opens it. */
	#open(id: CommandId) {
		const bar = openedBy(id);
		if (bar) this.onopen?.(bar);
	}

	/** A command that switches modes leads there. */
	#switch(id: CommandId) {
		const { index, situation } = this.#workspace;
		const to = leadsTo(index.space, id);
		if (!to) return;
		const axis = index.space.axes.findIndex((a) => a.id === to.axis);
		const at = index.space.nearest(index.space.situations[situation]!.with(axis, to.context), axis);
		if (at < 0) return;
		this.#workspace.standIn?.(at);
		this.#tell(`Now in ${index.space.scopeLabel({ [to.axis]: [to.context] })}.`);
	}

	/** Lets the macro go on until it ends or waits. */
	#goOn() {
		this.waiting = undefined;
		for (;;) {
			const next = this.#playing?.next();
			if (!next) return;
			if (next.done) {
				this.#playing = undefined;
				return;
			}
			this.activity = next.value.activity;
			this.#tell(next.value.said, next.value.fault !== undefined);
			if (next.value.ran !== undefined) {
				this.#switch(next.value.ran);
				this.#open(next.value.ran);
			}
			if (next.value.waits) {
				this.waiting = next.value.said;
				return;
			}
		}
	}

	/** Something happened that no input says. */
	tell(said: string) {
		this.#tell(said);
	}

	#tell(said: string, fault = false) {
		this.#record({ keys: undefined, outcome: undefined, ran: undefined, said, fault });
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
		if (answer.kind !== 'runs' && this.activity.running.length > 0) {
			// what is no name is for the command that runs
			this.#keep({ do: 'type', text });
			const typed = perform(this.activity, { do: 'type', text }, this.#ground);
			this.activity = typed.activity;
			this.#step({ do: 'accept' });
			return;
		}
		const ran = answer.kind === 'runs' ? (answer.command as CommandId) : undefined;
		this.#record({ keys: undefined, outcome: undefined, ran, typed: { text, trace } });
		if (ran) this.#start(ran);
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

	/** What the mouse has said over the drawing, and how it was told apart. Gives the command that it runs. */
	point(keys: Keys, told: string): CommandId | undefined {
		this.#tell(told);
		const { index, situation } = this.#workspace;
		const heeded = listen(index, situation, this.pending, strokesOf(keys)[0]!);
		const isNothing = heeded.outcome.kind === 'nothing';
		this.#take(heeded);
		if (isNothing) this.#tell(`${legendsOf(strokesOf(keys)[0]!).join(' ')} does nothing here.`);
		return heeded.outcome.kind === 'fires' ? heeded.outcome.winner.command : undefined;
	}

	/** A control was clicked, of that bar or menu. */
	run(command: CommandId, from?: string) {
		this.#record({ keys: undefined, outcome: undefined, ran: command, ...(from !== undefined && { from }) });
		this.#start(command);
	}

	#take({ settled, pending, ...input }: Heeded) {
		if (settled) this.#settle(settled);
		this.pending = pending;
		this.#happens(input);
	}

	/** What waited is decided as it stands. */
	#settle(settled: Settled) {
		this.pending = [];
		if (settled.outcome.kind !== 'nothing') this.#happens(settled);
	}

	#happens({ keys, outcome }: Pick<Heeded, 'keys' | 'outcome'>) {
		if (outcome.kind === 'chooser') {
			this.offered = outcome.offered.map((b) => b.command);
			this.chosen = 0;
		}
		const ran = outcome.kind === 'fires' ? outcome.winner.command : undefined;
		this.#record({ keys, outcome, ran });
		if (ran) this.#start(ran);
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
		this.#start(command);
	}

	#record(happening: Omit<Happening, 'id' | 'situation'>) {
		this.log = [{ id: ++this.#count, situation: this.#workspace.situation, ...happening }, ...this.log].slice(0, 40);
	}
}
