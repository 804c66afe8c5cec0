import { WRITING_CODES } from '../stroke/codes.ts';
import { MODIFIERS, strokeText, type Modifier, type Stroke } from '../stroke/stroke.ts';
import type { Platform } from './desk.ts';

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

/** The stroke as the platform sees it, a position by its character on a US board: the form in which systems document theirs. */
export function literalText(stroke: Stroke, platform: Platform): string {
	const key = WRITING_CODES.get(stroke.key) ?? stroke.key;
	return strokeText({ modifiers: heldOn(platform, stroke.modifiers), key });
}
