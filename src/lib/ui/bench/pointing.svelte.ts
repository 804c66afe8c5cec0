import { roseIn } from '$core/chapters/gestures/hearing';
import { flickKeys, type SetRose, type Trigger } from '$core/chapters/gestures/gesture';
import { tellPress, USUAL_POINTING } from '$core/chapters/gestures/tell';
import { BUTTONS, mouseKey, type Wheel } from '$core/stroke/mouse';
import { keysOf, MODIFIERS, type Keys, type Modifier } from '$core/stroke/stroke';
import type { Workspace } from '$lib/state/workspace.svelte';
import type { BenchSession } from './session.svelte';

type Point = Pick<PointerEvent, 'clientX' | 'clientY' | 'timeStamp'>;
type Held = Pick<MouseEvent, 'ctrlKey' | 'altKey' | 'shiftKey' | 'metaKey'>;

const heldIn = (event: Held): Modifier[] =>
	MODIFIERS.filter((m) => ({ Ctrl: event.ctrlKey, Alt: event.altKey, Shift: event.shiftKey, Meta: event.metaKey })[m]);

/** What the drawing looks like: moved by so many px, and so many times as large. */
interface Look {
	readonly x: number;
	readonly y: number;
	readonly scale: number;
}

const [SMALLEST, LARGEST, STEP] = [0.4, 5, 1.2] as const;

/** The pointer over the stand-in's drawing, told apart as the program tells it. */
export class Pointing {
	readonly #workspace: Workspace;
	readonly #session: BenchSession;
	#press: { readonly trigger: Trigger; readonly from: Point; readonly rose: SetRose | undefined } | undefined;
	#timer: ReturnType<typeof setTimeout> | undefined;
	/** What a drag has begun to run, and where the pointer was last. */
	#drag: { readonly action: string | undefined; at: Point } | undefined;
	/** The rose that shows while the button is held, and where it was pressed, in px of the window. */
	shown = $state.raw<{ readonly rose: SetRose; readonly x: number; readonly y: number } | undefined>(undefined);
	look = $state.raw<Look>({ x: 0, y: 0, scale: 1 });

	constructor(workspace: Workspace, session: BenchSession) {
		this.#workspace = workspace;
		this.#session = session;
	}

	get #rules() {
		return this.#workspace.index.rules.pointer ?? USUAL_POINTING;
	}

	/** A button goes down. The left one alone is for selecting; gives whether the press is taken. */
	down(event: Point & Held & Pick<PointerEvent, 'button'>): boolean {
		const button = BUTTONS[event.button];
		const modifiers = heldIn(event);
		if (!button || (button === 'Left' && modifiers.length === 0)) return false;
		const { profile, space, situation } = this.#workspace;
		const trigger = { button, modifiers };
		const rose = roseIn(profile, space, trigger, situation)?.entry;
		this.#press = { trigger, from: event, rose };
		clearTimeout(this.#timer);
		if (rose)
			this.#timer = setTimeout(() => {
				if (this.#press && !this.#drag) this.shown = { rose, x: event.clientX, y: event.clientY };
			}, this.#rules.hold);
		return true;
	}

	/** The pointer moves: what is dragged follows it. */
	move(event: Point): void {
		const press = this.#press;
		if (!press || this.shown) return;
		const { from, trigger, rose } = press;
		const [dx, dy] = [event.clientX - from.clientX, event.clientY - from.clientY];
		const { flickWithin } = this.#workspace.index.rules.pointer ?? {};
		const isFlick = rose && (flickWithin === undefined || event.timeStamp - from.timeStamp <= flickWithin);
		if (!this.#drag) {
			if (Math.hypot(dx, dy) <= this.#rules.slop) return;
			clearTimeout(this.#timer);
			if (isFlick) return;
			const told = tellPress({ dx, dy, ms: event.timeStamp - from.timeStamp }, this.#rules, rose);
			const ran = this.#session.point(this.#keysFor(trigger, 'Drag'), told.trace);
			this.#drag = { action: ran && this.#workspace.catalogue.get(ran)?.action, at: from };
		}
		const { action, at } = this.#drag;
		if (action === 'view.pan') {
			const { x, y, scale } = this.look;
			this.look = { x: x + event.clientX - at.clientX, y: y + event.clientY - at.clientY, scale };
		}
		this.#drag.at = event;
	}

	#keysFor({ button, modifiers }: Trigger, motion: 'Click' | 'Hold' | 'Drag'): Keys {
		return keysOf([{ modifiers, key: mouseKey({ kind: 'button', button, motion }) }]);
	}

	/** The button is let go. Gives whether it was a click of the right one that runs nothing: it opens the menu of what is selected. */
	up(event: Point): 'menu' | undefined {
		const press = this.#press;
		const isShown = this.shown !== undefined;
		const isDragged = this.#drag !== undefined;
		this.lose();
		if (!press || isDragged) return undefined;
		const { trigger, from, rose } = press;
		const [dx, dy] = [event.clientX - from.clientX, event.clientY - from.clientY];
		const told = tellPress({ dx, dy, ms: event.timeStamp - from.timeStamp, isShown }, this.#rules, rose);
		if (told.motion === 'Flick') {
			this.#session.point(flickKeys(trigger, told.degrees!), told.trace);
			return undefined;
		}
		const ran = this.#session.point(this.#keysFor(trigger, told.motion), told.trace);
		return !ran && told.motion === 'Click' && trigger.button === 'Right' ? 'menu' : undefined;
	}

	/** The pointer was taken away, as by another window: nothing is run. */
	lose(): void {
		clearTimeout(this.#timer);
		this.#press = undefined;
		this.#drag = undefined;
		this.shown = undefined;
	}

	/** The wheel turns; gives whether something heard it. Zooming keeps what lies under the pointer, given in px from the middle of the drawing. */
	wheel(event: Held & Pick<WheelEvent, 'deltaX' | 'deltaY'>, pointer: { readonly x: number; readonly y: number }): boolean {
		const isAcross = Math.abs(event.deltaX) > Math.abs(event.deltaY);
		const forward = isAcross ? event.deltaX > 0 : event.deltaY > 0;
		const wheel: Wheel = isAcross ? (forward ? 'Right' : 'Left') : forward ? 'Down' : 'Up';
		const keys = keysOf([{ modifiers: heldIn(event), key: mouseKey({ kind: 'wheel', wheel }) }]);
		if (this.#workspace.index.on(keys).length === 0) return false;
		const ran = this.#session.point(keys, `The wheel turned ${wheel.toLowerCase()} by a notch.`);
		const action = ran && this.#workspace.catalogue.get(ran)?.action;
		const isIn = action === 'view.zoom-in';
		if (isIn || action === 'view.zoom-out') {
			const { x, y, scale } = this.look;
			const next = Math.min(LARGEST, Math.max(SMALLEST, isIn ? scale * STEP : scale / STEP));
			const by = next / scale;
			this.look = { x: pointer.x - (pointer.x - x) * by, y: pointer.y - (pointer.y - y) * by, scale: next };
		}
		return true;
	}
}
