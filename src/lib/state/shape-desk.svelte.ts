import { startWorker } from '$lib/workers/start-worker';
import { counted } from '$core/text/counted';
import { put, takeAway } from '$core/answer/choices';
import type { CommandId } from '$core/application/command';
import { drawnOf, type ShapeBinding } from '$core/chapters/gestures/flicks';
import type { InkShape } from '$core/chapters/gestures/inkml';
import { FileRefusedError } from '$core/format/problem';
import type { FromInk, ToInk } from '$lib/workers/ink';
import {
	rosesOf,
	sameTrigger,
	shapeKeys,
	shapesOf,
	triggerText,
	type PlacedShape,
	type Trigger
} from '$core/chapters/gestures/gesture';
import { MOST_SAMPLES, sampleOf, type Shape } from '$core/chapters/gestures/shape';
import { lockShape, setShape, takeShapeAway } from '$core/chapters/gestures/writing';
import { scopeText, type Scope } from '$core/context/scope';
import { kappaFor } from '$core/chapters/gestures/hands';
import type { ShapeAmong } from '$core/hand/confusions';
import { pathProblem, STRAIGHT, straightness, type Path } from '$core/hand/unistroke';
import type { AnyChange } from '$core/profile/edit';
import { ofShortcuts } from '$core/shortcut/change';
import type { Binding } from '$core/shortcut/effective';
import { freeSlug } from '$core/text/slug';
import type { Workspace } from './workspace.svelte';
import { commitWithin } from './within-reach';

/** A shape as the view shows it, with what runs by it. */
export interface ShapeView {
	readonly id: string;
	readonly label: string;
	/** Undefined where something waits on a shape that nobody has drawn. */
	readonly said: PlacedShape | undefined;
	readonly bindings: readonly ShapeBinding[];
}

/** Where and how a shape is to be drawn for a command. */
export interface ShapeUse {
	readonly trigger: Trigger;
	readonly scope: Scope;
}

/** The shapes of the profile: drawn, named, given commands, and told apart. */
export class ShapeDesk {
	readonly #workspace: Workspace;
	/** The id of the one that is selected. */
	selected = $state<string | undefined>(undefined);
	/** Which of its drawings is looked at. */
	sample = $state(0);
	/** What was done last, for readers of the screen. */
	told = $state('');
	/** Why a drawing was not taken. */
	note = $state('');
	/** What comes of all shapes drawn often; undefined while it is worked out. */
	among = $state.raw<readonly ShapeAmong[] | undefined>(undefined);

	constructor(workspace: Workspace) {
		this.#workspace = workspace;
	}

	shapes = $derived.by((): ShapeView[] => {
		const { profile, index } = this.#workspace;
		const drawn = drawnOf(index);
		const views = shapesOf(profile).map((said): ShapeView => ({
			id: said.entry.id,
			label: said.entry.label,
			said,
			bindings: drawn.filter(({ shape }) => shape === said.entry.id)
		}));
		const known = new Set(views.map(({ id }) => id));
		const missing = [...new Set(drawn.map(({ shape }) => shape))].filter((id) => !known.has(id));
		return [
			...views,
			...missing.map((id): ShapeView => ({ id, label: id, said: undefined, bindings: drawn.filter(({ shape }) => shape === id) }))
		];
	});

	get current(): ShapeView | undefined {
		return this.shapes.find(({ id }) => id === this.selected);
	}

	/** How steady the least steady hand of the office is, as a concentration. */
	get kappa(): number {
		return kappaFor(this.#workspace.office.desks);
	}

	/** The triggers that shapes are drawn with, and those of roses: who flicks with a button draws with it too. */
	triggers = $derived.by((): Trigger[] => {
		const { profile, index } = this.#workspace;
		const all: Trigger[] = [
			...drawnOf(index),
			...rosesOf(profile).map(({ entry }) => entry),
			{ button: 'Right', modifiers: [] },
			{ button: 'Right', modifiers: ['Ctrl'] },
			{ button: 'Middle', modifiers: [] },
			{ button: 'Left', modifiers: ['Alt'] }
		];
		return all
			.filter((one, i) => all.findIndex((other) => sameTrigger(one, other)) === i)
			.map(({ button, modifiers }) => ({ button, modifiers }));
	});

	select(id: string): void {
		this.selected = id;
		this.sample = 0;
		const { current } = this;
		if (current)
			this.told = `${current.label}: ${current.bindings.map((one) => this.#labelOf(one.binding.command)).join(', ') || 'runs nothing'}`;
	}

	/** To the next shape. */
	go(step: number): void {
		const { shapes } = this;
		if (shapes.length === 0) return;
		const at = shapes.findIndex(({ id }) => id === this.selected);
		this.select(shapes[at < 0 ? 0 : (at + step + shapes.length) % shapes.length]!.id);
	}

	/** To the next drawing of the shape. */
	goSample(step: number): void {
		const many = this.current?.said?.entry.samples.length ?? 0;
		if (many > 0) this.sample = (this.sample + step + many) % many;
	}

	#labelOf(command: CommandId): string {
		return this.#workspace.catalogue.get(command)?.label ?? command;
	}

	async #commit(label: string, make: () => readonly AnyChange[]): Promise<boolean> {
		const isDone = await commitWithin(this.#workspace, label, make);
		if (isDone) this.told = label;
		return isDone;
	}

	#set(label: string, shape: Shape): Promise<boolean> {
		return this.#commit(label, () => setShape(this.#workspace.target, shape));
	}

	/** Takes a drawing: one more of the shape that is selected, or the first of a new one. Says in `note` why not. */
	async draw(path: Path, name: string): Promise<boolean> {
		this.note = '';
		const problem = pathProblem(path);
		if (problem) {
			this.note = 'That was only a dot. Draw with the button held.';
			return false;
		}
		if (straightness(path) >= STRAIGHT) {
			this.note = 'That is almost straight, which is a flick. Bend it, or use a direction of a rose.';
			return false;
		}
		const { current } = this;
		const drawing = sampleOf(path);
		if (!current) return this.#begin(drawing, name);
		const { said, id, label } = current;
		if (!said)
			return this.#set(`Gestures: ${label} drawn`, { id, label, samples: [drawing], isEitherWay: false, isTurned: false });
		const { samples } = said.entry;
		if (samples.length === MOST_SAMPLES) {
			this.note = `${label} has ${MOST_SAMPLES} drawings, which is the maximum. Remove one first.`;
			return false;
		}
		const isDone = await this.#set(`Gestures: drawing added to ${label}`, { ...said.entry, samples: [...samples, drawing] });
		if (isDone) this.sample = samples.length;
		return isDone;
	}

	async #begin(drawing: number[], name: string): Promise<boolean> {
		const label = name.trim().slice(0, 60) || `Shape ${this.shapes.length + 1}`;
		const id = freeSlug(label, (taken) => this.shapes.some((one) => one.id === taken));
		const isDone = await this.#set(`Gestures: ${label} drawn`, {
			id,
			label,
			samples: [drawing],
			isEitherWay: false,
			isTurned: false
		});
		if (isDone) this.select(id);
		return isDone;
	}

	/** Leaves the drawing out that is looked at; the last one goes with its shape. */
	async leaveOut(): Promise<void> {
		const said = this.current?.said;
		if (!said) return;
		const { entry } = said;
		if (entry.samples.length === 1) {
			await this.remove();
			return;
		}
		const at = this.sample;
		if (
			await this.#set(`Gestures: drawing of ${entry.label} removed`, {
				...entry,
				samples: entry.samples.filter((_, i) => i !== at)
			})
		)
			this.sample = Math.max(0, at - 1);
	}

	/** What is said of a shape changes, its drawings aside. */
	change(what: Partial<Pick<Shape, 'label' | 'isEitherWay' | 'isTurned'>>): Promise<boolean> {
		const entry = this.current?.said?.entry;
		if (!entry) return Promise.resolve(false);
		const named = what.label !== undefined && what.label !== entry.label;
		return this.#set(named ? `Gestures: rename ${entry.label} to ${what.label}` : `Gestures: recognition of ${entry.label}`, {
			...entry,
			...what
		});
	}

	async remove(): Promise<boolean> {
		const { current } = this;
		if (!current?.said) return false;
		const { profile, targetId } = this.#workspace;
		return this.#commit(`Gestures: delete shape ${current.label}`, () => takeShapeAway(profile, targetId, current.id));
	}

	lock(isLocked: boolean): Promise<boolean> {
		const { current } = this;
		if (!current?.said) return Promise.resolve(false);
		return this.#commit(`Gestures: ${isLocked ? 'lock' : 'unlock'} ${current.label}`, () =>
			lockShape(this.#workspace.target, current.id, isLocked)
		);
	}

	/** Lets the shape run a command, drawn so and there, in place of what it runs so and there. */
	assign({ trigger, scope }: ShapeUse, command: CommandId): Promise<boolean> {
		const { current } = this;
		if (!current) return Promise.resolve(false);
		const { index, profile, targetId } = this.#workspace;
		const there = current.bindings.filter(
			(one) => sameTrigger(one, trigger) && one.binding.scopeText === scopeText(scope) && one.binding.command !== command
		);
		return this.#commit(`Gestures: ${this.#labelOf(command)} on ${triggerText(trigger)} ${current.label}`, () =>
			ofShortcuts([
				...there.flatMap(({ binding }, i) => takeAway(index, profile, targetId, binding, i)),
				...put(profile, targetId, { command, keys: shapeKeys(trigger, current.id), scope }, there.length)
			])
		);
	}

	/** Takes a command off the shape. */
	clear(binding: Binding): Promise<boolean> {
		const { index, profile, targetId } = this.#workspace;
		return this.#commit(`Gestures: ${this.#labelOf(binding.command)} not drawn`, () =>
			ofShortcuts(takeAway(index, profile, targetId, binding))
		);
	}

	/** The shapes of an InkML file come in as one edit. Throws `FileRefusedError`. */
	async bring(file: string, text: string): Promise<boolean> {
		const { inkAsShapes } = await import('$core/chapters/gestures/inkml');
		const there = this.shapes.flatMap(({ said }) => (said ? [said.entry] : []));
		const shapes = inkAsShapes(await this.#read(file, text), there);
		const isDone = await this.#commit(`Gestures: ${counted(shapes.length, 'shape')} from ${file}`, () =>
			shapes.flatMap((shape, nth) => setShape(this.#workspace.target, shape, nth))
		);
		if (isDone) this.select(shapes[0]!.id);
		return isDone;
	}

	/** The shapes of an InkML file, read in a worker: a file may have a million points. */
	async #read(file: string, text: string): Promise<readonly InkShape[]> {
		const worker = startWorker('ink');
		try {
			const answer = await new Promise<FromInk>((resolve, reject) => {
				worker.onmessage = ({ data }: MessageEvent<FromInk>) => resolve(data);
				worker.onerror = ({ message }) => reject(new Error(message));
				worker.postMessage({ file, text } satisfies ToInk);
			});
			if ('shapes' in answer) return answer.shapes;
			if ('refused' in answer) throw new FileRefusedError(file, answer.refused);
			throw new Error(answer.failed);
		} finally {
			worker.terminate();
		}
	}

	/** All shapes as InkML. */
	async ink(): Promise<string> {
		const { writeInk } = await import('$core/chapters/gestures/inkml');
		return writeInk(this.shapes.flatMap(({ said }) => (said ? [said.entry] : [])));
	}
}
