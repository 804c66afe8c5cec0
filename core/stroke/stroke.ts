import { z } from 'zod';
import { KEY_SPELLINGS, NAMED_CODES, WRITING_CODES } from './codes.ts';
import { MODIFIER_NAMES, withoutSpacedNames } from './names.ts';
import { isMouse, mouseInput, mouseKey, mouseLegend, mouseReadable, mouseWords } from './mouse.ts';

export const MODIFIERS = ['Ctrl', 'Alt', 'Shift', 'Meta'] as const;
export type Modifier = (typeof MODIFIERS)[number];

/**
 * Modifiers and one key. The key is a single character (`f`, `+`: matched by what the key types, letters in lower
 * case), a W3C `code` value (`KeyF`, `F5`, `Enter`: matched by position or name), or what the mouse says (`RightFlick45`, `MiddleDrag`).
 */
export interface Stroke {
	readonly modifiers: readonly Modifier[];
	readonly key: string;
}

export const LONGEST_SEQUENCE = 4;

/** A key name that no keyboard has, or a text that is not a stroke. `part` is the piece that could not be read. */
export class StrokeSyntaxError extends SyntaxError {
	override name = 'StrokeSyntaxError';
	readonly part: string;
	constructor(part: string, expected: string) {
		super(`"${part}" is not a key stroke: ${expected}`);
		this.part = part;
	}
}

const modifierSpellings = new Map<string, Modifier>([
	['ctrl', 'Ctrl'],
	['control', 'Ctrl'],
	['alt', 'Alt'],
	['option', 'Alt'],
	['shift', 'Shift'],
	['meta', 'Meta'],
	['cmd', 'Meta'],
	['command', 'Meta'],
	['win', 'Meta'],
	['super', 'Meta'],
	...(Object.entries(MODIFIER_NAMES) as [string, Modifier][])
]);

/** A single character in lower case, or as it is where lower case takes more than one (`İ`). */
export function lowered(character: string): string {
	const lower = character.toLowerCase();
	return [...lower].length === 1 ? lower : character;
}

function keyOf(text: string): string {
	if ([...text].length === 1 && text.trim() !== '') return lowered(text);
	const mouse = mouseInput(text);
	const key = mouse ? mouseKey(mouse) : KEY_SPELLINGS.get(text.toLowerCase());
	if (!key)
		throw new StrokeSyntaxError(
			text,
			modifierSpellings.has(text.toLowerCase())
				? 'a modifier alone is not a shortcut; add a key, as in Ctrl+E'
				: 'expected one character or a key name such as Enter, F5, ArrowUp or KeyA, or mouse input such as RightFlickNE or MiddleDrag'
		);
	return key;
}

/** Reads one stroke such as `Ctrl+Shift+F`, `Alt++` or `F5`. Throws `StrokeSyntaxError`. */
export function parseStroke(text: string): Stroke {
	const trimmed = text.trim();
	const plusKey = trimmed === '+' || trimmed.endsWith('++');
	const parts = (plusKey ? trimmed.slice(0, -1) : trimmed).split('+').map((p) => p.trim());
	const key = plusKey ? '+' : parts[parts.length - 1]!;
	const named = parts.slice(0, -1).map((part) => {
		const modifier = modifierSpellings.get(part.toLowerCase());
		if (!modifier) throw new StrokeSyntaxError(text, `"${part}" is not a modifier; expected Ctrl, Alt, Shift or Meta`);
		return modifier;
	});
	if (key === '') throw new StrokeSyntaxError(text, 'expected a key after the last +');
	return { modifiers: MODIFIERS.filter((m) => named.includes(m)), key: keyOf(key) };
}

/** The canonical text, letters in upper case: `Ctrl+Shift+F`. `parseStroke` reads it back to the same stroke. */
export function strokeText(stroke: Stroke): string {
	const key = stroke.key.length === 1 && /[a-z]/.test(stroke.key) ? stroke.key.toUpperCase() : stroke.key;
	return [...stroke.modifiers, key].join('+');
}

/** A whole input in canonical text: one stroke, or up to four joined by single spaces, as in `G F`. */
export const Keys = z.string().max(200).brand<'Keys'>();
export type Keys = z.infer<typeof Keys>;

/** Reads an input of one to four strokes and returns its canonical text. Throws `StrokeSyntaxError`. */
export function parseKeys(text: string): Keys {
	const strokes = text.trim().split(/\s+/).filter(Boolean);
	if (strokes.length === 0) throw new StrokeSyntaxError(text, 'expected at least one key');
	if (strokes.length > LONGEST_SEQUENCE)
		throw new StrokeSyntaxError(text, `a sequence has at most ${LONGEST_SEQUENCE} strokes, this has ${strokes.length}`);
	const all = strokes.map(read);
	const mouse = all.length > 1 && all.find(({ stroke }) => isMouse(stroke.key));
	if (mouse) throw new StrokeSyntaxError(mouse.text, 'mouse input stands alone and cannot be part of a sequence');
	return all.map((s) => s.text).join(' ') as Keys;
}

export function keysOf(strokes: readonly Stroke[]): Keys {
	return strokes.map(strokeText).join(' ') as Keys;
}

/** The same texts come in again and again; what they read as, and the canonical text of that, is remembered, up to a limit. */
const READ = new Map<string, { readonly stroke: Stroke; readonly text: string }>();
const MOST_READ = 20_000;

function read(text: string): { readonly stroke: Stroke; readonly text: string } {
	let known = READ.get(text);
	if (!known) {
		const stroke = parseStroke(text);
		known = { stroke, text: strokeText(stroke) };
		if (READ.size < MOST_READ) READ.set(text, known);
	}
	return known;
}

export function strokesOf(keys: Keys): Stroke[] {
	return keys.split(' ').map((text) => read(text).stroke);
}

/** The inputs that are complete before this one is: for `G F E`, `G` and `G F`. Empty for a single stroke. */
export function properPrefixes(keys: Keys): readonly Keys[] {
	let prefixes = PREFIXES.get(keys);
	if (!prefixes) {
		const strokes = keys.split(' ');
		prefixes = strokes.slice(1).map((_, n) => strokes.slice(0, n + 1).join(' ') as Keys);
		if (PREFIXES.size < MOST_READ) PREFIXES.set(keys, prefixes);
	}
	return prefixes;
}
const PREFIXES = new Map<Keys, readonly Keys[]>();

/**
 * A text for people in which positions stand as the letters and digits of a US board, and mouse inputs as on their caps: `Ctrl+KeyF`
 * reads as `Ctrl+F`, `RightFlick45` as `Right ↗`.
 */
export function readable(text: string): string {
	// most texts have none, and looking is quicker than replacing
	if (!/Key|Digit|Wheel|Click|Hold|Drag|Flick|Shape-/.test(text)) return text;
	return mouseReadable(text.replace(/\b(?:Key([A-Z])|Digit(\d))\b/g, '$1$2'));
}

/** Whether the stroke types a character when a text field or a command line listens. */
export function typesCharacter(stroke: Stroke): boolean {
	const bare = stroke.modifiers.every((m) => m === 'Shift');
	if (isMouse(stroke.key)) return false;
	return bare && (!NAMED_CODES.has(stroke.key) || stroke.key === 'Space' || /^Numpad(\d|Add|Sub|Mul|Div|Dec)/.test(stroke.key));
}

const BEGINS_BARE = new Map<string, boolean>();

/**
 * Whether the first stroke of the input types a character. Where bare keys are text, such an input is text from that stroke
 * on; a bare stroke further on goes on with the sequence that has begun.
 */
export function beginsBare(keys: Keys): boolean {
	let bare = BEGINS_BARE.get(keys);
	if (bare === undefined) {
		bare = keys !== '' && typesCharacter(strokesOf(keys)[0]!);
		if (BEGINS_BARE.size < MOST_READ) BEGINS_BARE.set(keys, bare);
	}
	return bare;
}

/** Legends for one stroke, modifiers first, as they stand on key caps: `['Ctrl', 'F']`. */
export function legendsOf(stroke: Stroke): string[] {
	const mouse = mouseInput(stroke.key);
	if (mouse) return [...stroke.modifiers, mouseLegend(mouse)];
	const position = WRITING_CODES.get(stroke.key);
	const legend = position ?? NAMED_CODES.get(stroke.key) ?? stroke.key;
	return [...stroke.modifiers, legend.length === 1 ? legend.toUpperCase() : legend];
}

/**
 * Reads a search text as an input: `ctrl e`, `Ctrl-E`, `ctrl shift f5`. Modifiers attach to the key that follows;
 * several keys make a sequence. Returns undefined for a text that is not an input; never throws.
 */
export function looseKeys(text: string): Keys | undefined {
	const strokes: Stroke[] = [];
	let modifiers: Modifier[] = [];
	for (const token of withoutSpacedNames(text.trim())
		.replace(/(?<=[\p{L}\p{N}_.])\s*[+-]\s*(?=.)/gu, ' ')
		.split(/\s+/)) {
		const modifier = modifierSpellings.get(token.toLowerCase());
		if (modifier) modifiers.push(modifier);
		else if ([...token].length === 1 || KEY_SPELLINGS.has(token.toLowerCase()) || isMouse(token)) {
			strokes.push({ modifiers: MODIFIERS.filter((m) => modifiers.includes(m)), key: keyOf(token) });
			modifiers = [];
		} else return undefined;
	}
	if (strokes.length === 0 || strokes.length > LONGEST_SEQUENCE || modifiers.length > 0) return undefined;
	return keysOf(strokes);
}

/** The input in words, to be heard: strokes one after the other, what the mouse does by its name. */
export const spokenKeys = (keys: Keys): string =>
	strokesOf(keys)
		.map(({ modifiers, key }) => {
			const mouse = mouseInput(key);
			return [...modifiers, mouse ? mouseWords(mouse) : readable(strokeText({ modifiers: [], key }))].join(' ');
		})
		.join(' then ');
