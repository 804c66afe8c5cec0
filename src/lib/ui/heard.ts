import type { KeyPress } from '$core/stroke/hear';

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
		altGraph: event.getModifierState('AltGraph')
	};
}
