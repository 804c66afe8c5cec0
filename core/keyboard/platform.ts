import { WRITING_CODES } from '../stroke/codes.ts';
import { MODIFIERS, strokeText, type Modifier, type Stroke } from '../stroke/stroke.ts';
import type { Platform } from './desk.ts';
import { LAYOUTS, type LayoutId } from './layouts.ts';

/**
 * Ctrl in a profile is the platform's primary modifier: Command on macOS, where Control takes the place of the other one.
 * docs/decisions/0006 says why profiles are written once for all platforms.
 */
const ON_MACOS: Readonly<Record<Modifier, Modifier>> = { Ctrl: 'Meta', Meta: 'Ctrl', Alt: 'Alt', Shift: 'Shift' };

/** The modifiers that a hand holds on the platform. */
export function heldOn(platform: Platform, modifiers: readonly Modifier[]): readonly Modifier[] {
	if (platform !== 'macos') return modifiers;
	const held = modifiers.map((m) => ON_MACOS[m]);
	return MODIFIERS.filter((m) => held.includes(m));
}

/** The sign of the key that the system's magnifier listens to, whether it types that plain or with Shift (Windows; from memory). */
const WHATEVER_SHIFT = '+';

/**
 * The stroke as the platform sees it, in the form in which systems document theirs: a position is named by what the layout types
 * there. A key of the number row counts as its digit too where the layout has a sign on it and the digit with Shift.
 */
export function literalTexts(stroke: Stroke, platform: Platform, layout: LayoutId): string[] {
	const modifiers = heldOn(platform, stroke.modifiers);
	const { legend, isDead, typing } = LAYOUTS[layout];
	const isPosition = WRITING_CODES.has(stroke.key);
	const code = isPosition ? stroke.key : typing(stroke.key)?.code;
	const also = platform === 'windows' && code !== undefined && legend(code, 1) === WHATEVER_SHIFT ? [WHATEVER_SHIFT] : [];
	if (!isPosition) return [stroke.key, ...also].map((key) => strokeText({ modifiers, key }));
	const digit = /^Digit(\d)$/.exec(stroke.key)?.[1];
	const typed = isDead(stroke.key, 0) ? undefined : legend(stroke.key, 0)?.toLowerCase();
	const names = [typed ?? WRITING_CODES.get(stroke.key)!, ...(digit === undefined ? [] : [digit]), ...also];
	return [...new Set(names)].map((key) => strokeText({ modifiers, key }));
}
