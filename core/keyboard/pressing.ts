import type { KeyMatch } from '../stroke/hear.ts';
import { NAMED_CODES, WRITING_CODES } from '../stroke/codes.ts';
import type { Modifier, Stroke } from '../stroke/stroke.ts';
import { BOARDS, keyOn } from './board.ts';
import type { DeskSetup } from './desk.ts';
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
	const way = isCode ? { code: stroke.key, level: 0, dead: false } : layout.typing(stroke.key);
	const isThere = way !== undefined && keyOn(BOARDS[desk.board], way.code) !== undefined;
	const held = heldOn(desk.platform, stroke.modifiers);
	const shifted = way !== undefined && way.level % 2 === 1 && !held.includes('Shift');
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
 * The stroke that an application hears when this position is pressed with these modifiers; undefined for a dead or silent
 * key. With a character match, Shift is part of a character that is no letter.
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
	const plain = legend(code, 0)?.toLowerCase();
	const isLetter = plain !== undefined && plain !== plain.toUpperCase() && !isDead(code, 0);
	const level = modifiers.includes('Shift') && !isLetter ? 1 : 0;
	const key = legend(code, level)?.toLowerCase();
	if (key === undefined || [...key].length !== 1 || isDead(code, level)) return undefined;
	return { modifiers: level === 1 ? modifiers.filter((m) => m !== 'Shift') : modifiers, key };
}
