import { NATIONAL_NAMES } from './names.ts';

/**
 * Key positions by their W3C UI Events `code` value with the legend that names the position on a US board.
 * Source: UI Events KeyboardEvent code Values (W3C Candidate Recommendation), sections 3.1 to 3.5.
 * Left and right modifiers are left out: a modifier alone is not a shortcut.
 */
const letters = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'].map((c) => [`Key${c}`, c.toLowerCase()] as const);
const digits = [...'0123456789'].map((d) => [`Digit${d}`, d] as const);
const punctuation = [
	['Backquote', '`'],
	['Minus', '-'],
	['Equal', '='],
	['BracketLeft', '['],
	['BracketRight', ']'],
	['Backslash', '\\'],
	['Semicolon', ';'],
	['Quote', "'"],
	['Comma', ','],
	['Period', '.'],
	['Slash', '/']
] as const;

/** Positions whose key types a character, with the character of a US board. */
export const WRITING_CODES: ReadonlyMap<string, string> = new Map([
	...letters,
	...digits,
	...punctuation,
	['IntlBackslash', '<'],
	['IntlRo', '\\'],
	['IntlYen', '¥']
]);

const numpad = [...'0123456789'].map((d) => [`Numpad${d}`, `Num ${d}`] as const);
const functionKeys = Array.from({ length: 24 }, (_, i) => [`F${i + 1}`, `F${i + 1}`] as const);

/** Keys with a name instead of a character: the same whether an application matches positions or characters. */
export const NAMED_CODES: ReadonlyMap<string, string> = new Map([
	['Enter', 'Enter'],
	['Escape', 'Esc'],
	['Tab', 'Tab'],
	['Space', 'Space'],
	['Backspace', 'Backspace'],
	['Delete', 'Del'],
	['Insert', 'Ins'],
	['Home', 'Home'],
	['End', 'End'],
	['PageUp', 'PgUp'],
	['PageDown', 'PgDn'],
	['ArrowUp', '↑'],
	['ArrowDown', '↓'],
	['ArrowLeft', '←'],
	['ArrowRight', '→'],
	['ContextMenu', 'Menu'],
	['PrintScreen', 'Print'],
	['ScrollLock', 'Scroll Lock'],
	['Pause', 'Pause'],
	...numpad,
	['NumpadAdd', 'Num +'],
	['NumpadSubtract', 'Num -'],
	['NumpadMultiply', 'Num *'],
	['NumpadDivide', 'Num /'],
	['NumpadDecimal', 'Num .'],
	['NumpadEnter', 'Num Enter'],
	...functionKeys
]);

/** Spellings that people type for a named key, lower case. */
export const KEY_SPELLINGS: ReadonlyMap<string, string> = new Map([
	...[...NAMED_CODES.keys()].map((code) => [code.toLowerCase(), code] as const),
	...[...WRITING_CODES.keys()].map((code) => [code.toLowerCase(), code] as const),
	['esc', 'Escape'],
	['return', 'Enter'],
	['del', 'Delete'],
	['ins', 'Insert'],
	['pgup', 'PageUp'],
	['pgdn', 'PageDown'],
	['up', 'ArrowUp'],
	['down', 'ArrowDown'],
	['left', 'ArrowLeft'],
	['right', 'ArrowRight'],
	['spacebar', 'Space'],
	['menu', 'ContextMenu'],
	['plus', '+'],
	...Object.entries(NATIONAL_NAMES)
]);
