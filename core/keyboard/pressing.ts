import { isLetter, type KeyMatch } from '../stroke/hear.ts';
import { NAMED_CODES, WRITING_CODES } from '../stroke/codes.ts';
import { lowered, type Modifier, type Stroke } from '../stroke/stroke.ts';
import { BOARDS, keyOn } from './board.ts';
import type { DeskSetup } from './desk.ts';
import type { Layout, Typing } from './layout.ts';
import { LAYOUTS, eatenByAltGr } from './layouts.ts';
import { heldOn } from './platform.ts';

/**
 * What a hand must do at a desk for a stroke. `code` is missing when the layout cannot type the character or the board
 * lacks the key; `modifiers` are those of the platform, with the Shift that the character needs.
 */
export interface Pressing {
	readonly code: string | undefined;
	readonly modifiers: readonly Modifier[];
	/** The character needs Shift here although the stroke does not name it. */
	readonly shifted: boolean;
	readonly altGr: boolean;
	readonly dead: boolean;
	/** Under Windows Ctrl+Alt is AltGr, and this is the character that comes instead of the stroke. */
	readonly eaten: string | undefined;
}

export function pressing(stroke: Stroke, desk: Pick<DeskSetup, 'platform' | 'board' | 'layout'>): Pressing {
	const layout = LAYOUTS[desk.layout];
	const isCode = WRITING_CODES.has(stroke.key) || NAMED_CODES.has(stroke.key);
	const way = isCode ? { code: stroke.key, level: 0, dead: false } : wayTo(stroke, layout);
	const isThere = way !== undefined && keyOn(BOARDS[desk.board], way.code) !== undefined;
	const held = heldOn(desk.platform, stroke.modifiers);
	const shifted = !isCode && way !== undefined && way.level % 2 === 1 && !held.includes('Shift');
	const asAltGr =
		desk.platform === 'windows' && held.includes('Ctrl') && held.includes('Alt') && WRITING_CODES.has(way?.code ?? '');
	return {
		code: isThere ? way.code : undefined,
		modifiers: shifted ? [...held, 'Shift'] : held,
		shifted,
		altGr: way !== undefined && way.level >= 2,
		dead: way?.dead ?? false,
		eaten: asAltGr ? eatenByAltGr(desk.layout, way!.code) : undefined
	};
}

/**
 * How the layout makes the stroke of a character for an application that matches characters (see `hear`): Shift is held for a letter
 * if the stroke says so and never else; with AltGr no other modifier counts. A dead key only where no living one types the character.
 */
function wayTo({ key, modifiers }: Stroke, { ways }: Layout): Typing | undefined {
	const isShifted = modifiers.includes('Shift');
	const can = ({ level }: Typing) =>
		level >= 2 ? modifiers.length === 0 : isLetter(key) ? (level === 1) === isShifted : !isShifted;
	const found = ways(key).filter(can);
	return found.find(({ dead }) => !dead) ?? found[0];
}

/**
 * The stroke that an application hears when this position is pressed with these modifiers; undefined for a dead or silent
 * key. With a character match it is the character that the layout types with Shift or without, and Shift counts with letters only.
 */
export function strokeAt(
	code: string,
	modifiers: readonly Modifier[],
	match: KeyMatch,
	layout: DeskSetup['layout']
): Stroke | undefined {
	if (NAMED_CODES.has(code)) return { modifiers, key: code };
	if (!WRITING_CODES.has(code)) return undefined;
	if (match === 'position') return { modifiers, key: code };
	const { legend, isDead } = LAYOUTS[layout];
	const level = modifiers.includes('Shift') ? 1 : 0;
	const character = legend(code, level);
	if (character === undefined || [...character].length !== 1 || isDead(code, level)) return undefined;
	return { modifiers: isLetter(character) ? modifiers : modifiers.filter((m) => m !== 'Shift'), key: lowered(character) };
}
