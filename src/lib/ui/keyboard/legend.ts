import type { Platform } from '$core/keyboard/desk';
import type { ShortcutIndex } from '$core/answer/shortcut-index';
import type { Plane } from '$core/answer/key-face';
import { NAMED_CODES } from '$core/stroke/codes';
import type { Modifier } from '$core/stroke/stroke';
import { labelOf } from '../wording';
import { isTaken } from './mark';

/** Legends of keys that type nothing and cannot be bound alone. */
const SILENT: Readonly<Record<string, string>> = {
	ShiftLeft: 'Shift',
	ShiftRight: 'Shift',
	ControlLeft: 'Ctrl',
	ControlRight: 'Ctrl',
	AltLeft: 'Alt',
	AltRight: 'AltGr',
	MetaLeft: '◇',
	MetaRight: '◇',
	CapsLock: 'Caps',
	NumLock: 'Num'
};
const SHORT: Readonly<Record<string, string>> = { Backspace: '⌫', Enter: '⏎', Tab: '⇥', Space: '', ScrollLock: 'Scroll' };

export function legendOf(code: string, legends: readonly [string | undefined, string | undefined], shift: boolean): string {
	const typed = shift ? legends[1] : legends[0];
	if (typed !== undefined)
		return typed.length === 1 && !shift && legends[1]?.toLowerCase() === typed ? typed.toUpperCase() : typed;
	return SILENT[code] ?? SHORT[code] ?? NAMED_CODES.get(code)?.replace('Num ', '') ?? code;
}

/** What a key's drawing says that it does on this plane. */
export function commandOn(plane: Plane, index: ShortcutIndex): string {
	if (!isTaken(plane)) return '';
	if (plane.binding) return labelOf(index, plane.binding.command);
	return plane.outcome?.kind === 'cut-short' ? 'cut short' : '';
}

/** A modifier's name on the platform: Ctrl in a profile is Command on macOS. */
export function modifierName(modifier: Modifier, platform: Platform): string {
	return platform === 'macos' ? { Ctrl: 'Cmd', Alt: 'Option', Shift: 'Shift', Meta: 'Control' }[modifier] : modifier;
}

/** The modifier of a key that is held down, as a profile names it. */
export function heldModifiers(event: KeyboardEvent, platform: Platform): Modifier[] {
	const [primary, other] = platform === 'macos' ? [event.metaKey, event.ctrlKey] : [event.ctrlKey, event.metaKey];
	return (
		[
			['Ctrl', primary],
			['Alt', event.altKey],
			['Shift', event.shiftKey],
			['Meta', other]
		] as const
	)
		.filter(([, isHeld]) => isHeld)
		.map(([modifier]) => modifier);
}
