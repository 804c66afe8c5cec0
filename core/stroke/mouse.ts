/** The buttons of a pointing device: W3C Pointer Events, 0 to 4 in the order of `PointerEvent.button`. */
export const BUTTONS = ['Left', 'Middle', 'Right', 'Back', 'Forward'] as const;
export type Button = (typeof BUTTONS)[number];

/** What is done with a button but for flicks and drawn shapes. */
export const MOTIONS = ['Click', 'DoubleClick', 'Hold', 'Drag'] as const;
export type Motion = (typeof MOTIONS)[number];

export const WHEELS = ['Up', 'Down', 'Left', 'Right'] as const;
export type Wheel = (typeof WHEELS)[number];

/** What the mouse says, apart from modifiers. */
export type MouseInput =
	| { readonly kind: 'button'; readonly button: Button; readonly motion: Motion }
	/** A short move with the button held: into a direction, in whole degrees clockwise from up. */
	| { readonly kind: 'flick'; readonly button: Button; readonly degrees: number }
	/** A drawn shape, by the id of its templates. */
	| { readonly kind: 'shape'; readonly button: Button; readonly shape: string }
	| { readonly kind: 'wheel'; readonly wheel: Wheel };

const COMPASS: Readonly<Record<string, number>> = { n: 0, ne: 45, e: 90, se: 135, s: 180, sw: 225, w: 270, nw: 315 };
const ARROWS = ['↑', '↗', '→', '↘', '↓', '↙', '←', '↖'];

const FORM = `(?:Wheel(?<wheel>${WHEELS.join('|')})|(?<button>${BUTTONS.join('|')})(?:(?<motion>${MOTIONS.join('|')})|Flick(?<way>\\d{1,3}|[ns]?[ew]?)|Shape-(?<shape>[a-z0-9]+(?:-[a-z0-9]+)*)))`;
const WHOLE = new RegExp(`^${FORM}$`, 'i');
const IN_TEXT = new RegExp(`\\b${FORM}\\b`, 'g');

const named = <T extends string>(list: readonly T[], text: string | undefined): T | undefined =>
	list.find((one) => one.toLowerCase() === text?.toLowerCase());

const known = new Map<string, MouseInput | null>();
const MOST_KNOWN = 5_000;

/**
 * Reads what the mouse says, in letters of either case: `RightClick`, `MiddleDrag`, `WheelUp`, `RightFlick45` or `RightFlickNE`,
 * `RightShape-arrow`. Undefined for all else.
 */
export function mouseInput(text: string): MouseInput | undefined {
	let input = known.get(text);
	if (input === undefined) {
		input = read(text) ?? null;
		if (known.size < MOST_KNOWN) known.set(text, input);
	}
	return input ?? undefined;
}

function read(text: string): MouseInput | undefined {
	const groups = WHOLE.exec(text)?.groups;
	if (!groups) return undefined;
	const wheel = named(WHEELS, groups['wheel']);
	if (wheel) return { kind: 'wheel', wheel };
	const button = named(BUTTONS, groups['button'])!;
	const motion = named(MOTIONS, groups['motion']);
	if (motion) return { kind: 'button', button, motion };
	if (groups['shape'] !== undefined) return { kind: 'shape', button, shape: groups['shape'].toLowerCase() };
	const way = groups['way']!.toLowerCase();
	const degrees = COMPASS[way] ?? (/^\d+$/.test(way) ? Number(way) : undefined);
	return degrees === undefined || degrees >= 360 ? undefined : { kind: 'flick', button, degrees };
}

/** The canonical name of what the mouse says, which `mouseInput` reads back. */
export function mouseKey(input: MouseInput): string {
	switch (input.kind) {
		case 'wheel':
			return `Wheel${input.wheel}`;
		case 'button':
			return `${input.button}${input.motion}`;
		case 'flick':
			return `${input.button}Flick${input.degrees}`;
		case 'shape':
			return `${input.button}Shape-${input.shape}`;
	}
}

/** Whether a key of a stroke is what the mouse says. */
export const isMouse = (key: string): boolean => key.length > 6 && mouseInput(key) !== undefined;

/** A direction as people see it: an arrow for the eight points of the compass, else degrees. */
export const directionText = (degrees: number): string => (degrees % 45 === 0 ? ARROWS[(degrees / 45) % 8]! : `${degrees}°`);

const WORDS = ['up', 'up right', 'right', 'down right', 'down', 'down left', 'left', 'up left'];

/** What the mouse says in words, to be heard. */
export function mouseWords(input: MouseInput): string {
	switch (input.kind) {
		case 'wheel':
			return `wheel ${input.wheel.toLowerCase()}`;
		case 'flick':
			return `${input.button} flick ${input.degrees % 45 === 0 ? WORDS[(input.degrees / 45) % 8]! : `to ${input.degrees} degrees`}`;
		case 'shape':
			return `${input.button} shape ${input.shape}`;
		case 'button':
			return mouseLegend(input);
	}
}

/** What the mouse says as it stands on a cap. */
export function mouseLegend(input: MouseInput): string {
	switch (input.kind) {
		case 'wheel':
			return `Wheel ${ARROWS[{ Up: 0, Right: 2, Down: 4, Left: 6 }[input.wheel]]!}`;
		case 'button':
			return `${input.button} ${{ Click: 'click', DoubleClick: 'double click', Hold: 'held', Drag: 'drag' }[input.motion]}`;
		case 'flick':
			return `${input.button} ${directionText(input.degrees)}`;
		case 'shape':
			return `${input.button} “${input.shape}”`;
	}
}

/** A text for people in which mouse inputs stand as on their caps: `RightFlick45` reads as `Right ↗`. */
export const mouseReadable = (text: string): string =>
	text.replace(IN_TEXT, (name) => {
		const input = mouseInput(name);
		return input ? mouseLegend(input) : name;
	});
