import { listeningTo } from '$core/chapters/gestures/hearing';
import { motionKeys, type SetRose, type Trigger } from '$core/chapters/gestures/gesture';
import { inputTold, tellPress, USUAL_POINTING, type Listening } from '$core/chapters/gestures/tell';
import { BUTTONS, MOTIONS, type Motion } from '$core/stroke/mouse';
import type { Keys } from '$core/stroke/stroke';
import { dragged, isNavigating, wheeled, type Look, type Navigating } from '$core/surface/looking';
import type { Workspace } from '$lib/state/workspace.svelte';
import { heldIn, wheelKeys, wheelOf, type Held } from '../heard';
import { FIRST_LOOK } from './cabin';
import { benchManner } from './readout';
import type { BenchSession } from './session.svelte';

type Point = Pick<PointerEvent, 'clientX' | 'clientY' | 'timeStamp'>;
/** A second click within this time, in ms, is a double click: the usual setting of desktops. */
const DOUBLE_WITHIN = 500;

interface Press {
	readonly trigger: Trigger;
	readonly from: Point;
	readonly heard: Listening & { readonly rose: SetRose | undefined };
	/** The way so far, in px of the window. */
	readonly path: number[];
	readonly isTouch: boolean;
}

/** The pointer over the stand-in's drawing, told apart as the program tells it. */
export class Pointing {
	readonly #workspace: Workspace;
	readonly #session: BenchSession;
	#press: Press | undefined;
	#timer: ReturnType<typeof setTimeout> | undefined;
	/** What a drag has begun to run, and where the pointer was last. */
	#drag: { readonly action: string | undefined; at: Point } | undefined;
	#isFar = false;
	#clicked: { readonly keys: Keys; readonly at: number } | undefined;
	/** The rose that shows while the button is held, and where it was pressed, in px of the window. */
	shown = $state.raw<{ readonly rose: SetRose; readonly x: number; readonly y: number } | undefined>(undefined);
	/** What is being drawn, in px of the window, where shapes are heard. */
	ink = $state.raw<readonly number[]>([]);
	look = $state.raw<Look>({ x: 0, y: 0, scale: 1, camera: FIRST_LOOK });
	/** Where the middle of the drawing is, in px of the window. */
	middle: () => { readonly x: number; readonly y: number } = () => ({ x: 0, y: 0 });

	constructor(workspace: Workspace, session: BenchSession) {
		this.#workspace = workspace;
		this.#session = session;
	}

	/** Whether what is pressed was told to be more than a click. */
	get isMoving(): boolean {
		return this.#isFar;
	}

	get #rules() {
		return this.#workspace.index.rules.pointer ?? USUAL_POINTING;
	}

	get #manner() {
		return benchManner(this.#workspace.index.rules.options ?? [], this.#workspace.profile);
	}

	/**
	 * A button goes down. The left one alone is for selecting, unless something listens to its moves; gives whether the press is taken. A
	 * finger says what the left button says. A second button or finger ends what the first one did.
	 */
	down(event: Point & Held & Pick<PointerEvent, 'button' | 'pointerType'>): boolean {
		if (this.#press) {
			this.#session.tell('A second button was pressed; the first one is cancelled.');
			this.lose();
			return false;
		}
		const button = BUTTONS[event.button];
		if (!button) return false;
		const modifiers = heldIn(event);
		const { profile, index, situation } = this.#workspace;
		const trigger = { button, modifiers };
		const heard = listeningTo(profile, index, trigger, situation);
		const isPlain = button === 'Left' && modifiers.length === 0;
		const isHeard = (motion: Motion) => index.on(motionKeys(trigger, motion)).length > 0;
		if (isPlain && !heard.rose && heard.shapes!.length === 0 && !MOTIONS.some(isHeard)) return false;
		this.#press = {
			trigger,
			from: event,
			heard,
			path: [event.clientX, event.clientY],
			isTouch: event.pointerType === 'touch'
		};
		clearTimeout(this.#timer);
		const { rose } = heard;
		if (rose)
			this.#timer = setTimeout(() => {
				if (!this.#press || this.#drag || this.ink.length > 0) return;
				this.shown = { rose, x: event.clientX, y: event.clientY };
			}, this.#rules.hold);
		return true;
	}

	/** The pointer moves: what is dragged follows it, what is drawn is kept. `between` are the places that it was at in between. */
	move(event: Point, between: readonly Point[] = [event]): void {
		const press = this.#press;
		if (!press || this.shown) return;
		const { from, trigger, heard, path } = press;
		for (const { clientX, clientY } of between) path.push(clientX, clientY);
		const [dx, dy] = [event.clientX - from.clientX, event.clientY - from.clientY];
		const ms = event.timeStamp - from.timeStamp;
		const { flickWithin } = this.#workspace.index.rules.pointer ?? {};
		if (!this.#drag) {
			const isFar = Math.hypot(dx, dy) > this.#rules.slop;
			this.#isFar ||= isFar;
			if (heard.shapes!.length > 0) {
				if (isFar || this.ink.length > 0) {
					clearTimeout(this.#timer);
					this.ink = [...path];
				}
				return;
			}
			if (!isFar) return;
			clearTimeout(this.#timer);
			if (heard.rose && (flickWithin === undefined || ms <= flickWithin)) return;
			const told = tellPress({ dx, dy, ms }, this.#rules, heard);
			const ran = this.#session.point(motionKeys(trigger, 'Drag'), told.trace);
			this.#drag = { action: ran && this.#workspace.catalogue.get(ran)?.action, at: from };
		}
		const { action, at } = this.#drag;
		if (isNavigating(action))
			this.#look((look) =>
				dragged(
					look,
					action,
					{ x: event.clientX - at.clientX, y: event.clientY - at.clientY },
					this.#fromMiddle(from),
					this.#manner
				)
			);
		this.#drag.at = event;
	}

	#look(after: (look: Look) => Look): void {
		this.look = after(this.look);
	}

	#fromMiddle({ clientX, clientY }: Pick<Point, 'clientX' | 'clientY'>) {
		const { x, y } = this.middle();
		return { x: clientX - x, y: clientY - y };
	}

	/** The button is let go. Gives whether it was a click of the right one that runs nothing: it opens the menu of what is selected. */
	up(event: Point): 'menu' | undefined {
		const press = this.#press;
		const isShown = this.shown !== undefined;
		const isDragged = this.#drag !== undefined;
		this.lose();
		if (!press || isDragged) return undefined;
		const { trigger, from, heard, path } = press;
		const [dx, dy] = [event.clientX - from.clientX, event.clientY - from.clientY];
		const ms = event.timeStamp - from.timeStamp;
		const told = tellPress({ dx, dy, ms, isShown, path: [...path, event.clientX, event.clientY] }, this.#rules, heard);
		const trace = press.isTouch ? `A finger, as the left button. ${told.trace}` : told.trace;
		const keys = inputTold(trigger, told);
		if (!keys) {
			this.#session.tell(trace);
			return undefined;
		}
		if (told.motion !== 'Click') {
			const ran = this.#session.point(keys, trace);
			const action = ran && this.#workspace.catalogue.get(ran)?.action;
			if (told.motion === 'Drag' && isNavigating(action))
				this.#look((look) => dragged(look, action, { x: dx, y: dy }, this.#fromMiddle(from), this.#manner));
			return undefined;
		}
		const double = motionKeys(trigger, 'DoubleClick');
		const isSecond = this.#clicked?.keys === keys && event.timeStamp - this.#clicked.at <= DOUBLE_WITHIN;
		this.#clicked = isSecond ? undefined : { keys, at: event.timeStamp };
		if (isSecond && this.#workspace.index.on(double).length > 0) {
			this.#session.point(double, `${trace} The second within ${DOUBLE_WITHIN} ms: a double click.`);
			return undefined;
		}
		const ran = this.#session.point(keys, trace);
		return !ran && trigger.button === 'Right' ? 'menu' : undefined;
	}

	/** The pointer was taken away, as by another window: nothing is run. */
	lose(): void {
		clearTimeout(this.#timer);
		this.#press = undefined;
		this.#drag = undefined;
		this.#isFar = false;
		this.shown = undefined;
		this.ink = [];
	}

	/** The wheel turns; gives whether something heard it. */
	wheel(event: Held & Pick<WheelEvent, 'deltaX' | 'deltaY' | 'clientX' | 'clientY'>): boolean {
		const keys = wheelKeys(event);
		const wheel = wheelOf(event);
		if (this.#workspace.index.on(keys).length === 0) return false;
		const ran = this.#session.point(keys, `The wheel was turned ${wheel.toLowerCase()} by one step.`);
		const action: string | undefined = ran && this.#workspace.catalogue.get(ran)?.action;
		if (isNavigating(action))
			this.#look((look) => wheeled(look, action as Navigating, wheel, this.#fromMiddle(event), this.#manner));
		return true;
	}
}
