import { NAMED_CODES, WRITING_CODES } from './codes.ts';
import { isMouse } from './mouse.ts';
import { lowered, MODIFIERS, strokesOf, type Keys, type Modifier, type Stroke } from './stroke.ts';

/** What a key press tells: the fields of a W3C KeyboardEvent that matter, and the lock states. */
export interface KeyPress {
	readonly code: string;
	readonly key: string;
	readonly ctrlKey: boolean;
	readonly altKey: boolean;
	readonly shiftKey: boolean;
	readonly metaKey: boolean;
	readonly capsLock: boolean;
	readonly altGraph: boolean;
	/** Whether the system is macOS, where Alt changes what a key types. */
	readonly isMac?: boolean;
}

export type KeyMatch = 'position' | 'character';

/**
 * What was heard. `stroke` is missing while only modifiers are down or when the key cannot be told;
 * `notes` are sentences for the person at the keyboard.
 */
export interface Heard {
	readonly stroke: Stroke | undefined;
	readonly position: string;
	readonly character: string | undefined;
	readonly capsLock: boolean;
	readonly heldModifiers: readonly Modifier[];
	readonly notes: readonly string[];
}

const isModifierKey = (key: string) =>
	['Control', 'Alt', 'Shift', 'Meta', 'AltGraph', 'CapsLock', 'NumLock', 'Fn', 'FnLock', 'OS', 'Hyper', 'Super'].includes(key);

/**
 * Turns a key press into a stroke under the application's way of matching keys.
 *
 * - Caps Lock never counts as Shift: the letter is taken as typed without it.
 * - With a character match, Shift stays a modifier for letters and named keys only; for other characters it is what
 *   makes the character (`!`), so it is part of the key.
 * - Alt on macOS changes the character; then the letter of the position is taken.
 */
export function hear(press: KeyPress, match: KeyMatch): Heard {
	const heldModifiers = MODIFIERS.filter(
		(m) => ({ Ctrl: press.ctrlKey, Alt: press.altKey, Shift: press.shiftKey, Meta: press.metaKey })[m]
	);
	const character = [...press.key].length === 1 ? press.key : undefined;
	const heard = (key: string | undefined, modifiers: readonly Modifier[], notes: string[]): Heard => ({
		stroke: key === undefined ? undefined : { modifiers, key },
		position: press.code,
		character,
		capsLock: press.capsLock,
		heldModifiers,
		notes
	});

	if (isModifierKey(press.key))
		return heard(undefined, heldModifiers, ['A modifier alone is not a shortcut. Press a key with it.']);
	if (NAMED_CODES.has(press.code)) return heard(press.code, heldModifiers, []);

	if (press.code !== '' && match === 'position')
		return WRITING_CODES.has(press.code)
			? heard(press.code, heldModifiers, press.capsLock ? ['Caps Lock is on; it does not count as Shift.'] : [])
			: heard(undefined, heldModifiers, [`The position ${press.code} cannot be used by programs.`]);

	if (press.key === 'Dead')
		return heard(undefined, heldModifiers, [
			`${press.code} is a dead key on this keyboard: it waits for the next letter. Choose another key.`
		]);
	if (press.altGraph && character)
		return heard(lowered(character), [], [`AltGr types ${character} here; the stroke is the character ${character}.`]);
	const positionLetter = WRITING_CODES.get(press.code);
	if (press.isMac && press.altKey && character && !/[\x20-\x7e]/.test(character) && positionLetter)
		return heard(positionLetter, heldModifiers, [
			`Alt makes this key type ${character} here; the letter of the key is taken: ${positionLetter.toUpperCase()}.`
		]);
	if (!character || character === ' ')
		return heard(undefined, heldModifiers, [`The key ${press.key || press.code} cannot be used by programs.`]);

	if (isLetter(character))
		return heard(
			lowered(character),
			heldModifiers,
			press.capsLock
				? [
						`Caps Lock is on; it does not count as Shift. Recorded as ${press.shiftKey ? 'Shift with ' : ''}${character.toUpperCase()}${press.shiftKey ? '' : ' without Shift'}.`
					]
				: []
		);
	return press.shiftKey
		? heard(
				character,
				heldModifiers.filter((m) => m !== 'Shift'),
				[`Shift makes this key type ${character}; the stroke is the character ${character}.`]
			)
		: heard(character, heldModifiers, []);
}

/** Whether a character has a capital, which Shift makes of it on most keys. */
export const isLetter = (character: string): boolean => character.toLowerCase() !== character.toUpperCase();

/**
 * Whether an application of that kind can ever hear the stroke as it is spelled: one that matches positions hears no
 * character, one that matches characters hears no position, and no Shift with a sign, since Shift makes another sign of it.
 */
export function canHear({ key, modifiers }: Stroke, match: KeyMatch): boolean {
	if (NAMED_CODES.has(key) || isMouse(key)) return true;
	if (match === 'position') return WRITING_CODES.has(key);
	return !WRITING_CODES.has(key) && (isLetter(key) || !modifiers.includes('Shift'));
}

/** Whether all strokes of the input can be heard as they are spelled. */
export const isHeard = (keys: Keys, match: KeyMatch): boolean =>
	keys === '' || strokesOf(keys).every((stroke) => canHear(stroke, match));
