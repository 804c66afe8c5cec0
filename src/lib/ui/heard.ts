import type { KeyPress } from '$core/stroke/hear';
import { mouseKey, type Wheel } from '$core/stroke/mouse';
import { keysOf, MODIFIERS, type Keys, type Modifier } from '$core/stroke/stroke';

const IS_MAC = typeof navigator !== 'undefined' && /mac/i.test(navigator.platform);

/** The fields of a browser's keyboard event that the core listens to. */
export function pressOf(event: KeyboardEvent): KeyPress {
	return {
		code: event.code,
		key: event.key,
		ctrlKey: event.ctrlKey,
		altKey: event.altKey,
		shiftKey: event.shiftKey,
		metaKey: event.metaKey,
		capsLock: event.getModifierState('CapsLock'),
		altGraph: event.getModifierState('AltGraph'),
		isMac: IS_MAC
	};
}

/** What is held meanwhile. */
export type Held = Pick<MouseEvent, 'ctrlKey' | 'altKey' | 'shiftKey' | 'metaKey'>;

export const heldIn = (event: Held): Modifier[] =>
	MODIFIERS.filter((m) => ({ Ctrl: event.ctrlKey, Alt: event.altKey, Shift: event.shiftKey, Meta: event.metaKey })[m]);

/** Which way the wheel turns. */
export function wheelOf({ shiftKey, deltaX, deltaY }: Pick<WheelEvent, 'shiftKey' | 'deltaX' | 'deltaY'>): Wheel {
	// with Shift browsers say of an upright wheel that it turns sideways
	const [across, along] = shiftKey && deltaY === 0 ? [0, deltaX] : [deltaX, deltaY];
	const isAcross = Math.abs(across) > Math.abs(along);
	if (isAcross) return across > 0 ? 'Right' : 'Left';
	return along > 0 ? 'Down' : 'Up';
}

export const wheelKeys = (event: Held & Pick<WheelEvent, 'deltaX' | 'deltaY'>): Keys =>
	keysOf([{ modifiers: heldIn(event), key: mouseKey({ kind: 'wheel', wheel: wheelOf(event) }) }]);
