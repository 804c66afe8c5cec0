import { z } from 'zod';
import { DeskScreen } from '../surface/screens.ts';
import { BOARD_IDS } from './board.ts';
import { LAYOUT_IDS } from './layouts.ts';

export const PLATFORMS = ['windows', 'macos', 'linux'] as const;
export const Platform = z.enum(PLATFORMS);
export type Platform = z.infer<typeof Platform>;

export const PLATFORM_NAMES: Readonly<Record<Platform, string>> = { windows: 'Windows', macos: 'macOS', linux: 'Linux' };

/** What stands on a seat's desk: system, board, layout, the hand that holds the mouse, and the screens. */
export const DeskSetup = z.strictObject({
	platform: Platform,
	board: z.enum(BOARD_IDS),
	layout: z.enum(LAYOUT_IDS),
	mouse: z.enum(['right', 'left']),
	screens: z.array(DeskScreen).min(1).max(4).optional().meta({ description: 'the one that people work at first' })
});
export type DeskSetup = z.infer<typeof DeskSetup>;

/** The seats that work with the same setup. */
export interface Desk extends DeskSetup {
	readonly seats: readonly string[];
	/** The screens of each seat that has said which it has. */
	readonly screensOf?: readonly { readonly seat: string; readonly screens: readonly DeskScreen[] }[];
}

/** What is assumed of a seat that has not said: the first of each list. */
export const USUAL_DESK: DeskSetup = { platform: 'windows', board: 'full-iso', layout: 'us', mouse: 'right' };

/** Seats with the same setup together, in the order of the seats. */
export function desksOf(seats: readonly { readonly id: string; readonly desk: DeskSetup }[]): Desk[] {
	const desks = new Map<string, DeskSetup & { seats: string[]; screensOf: { seat: string; screens: readonly DeskScreen[] }[] }>();
	for (const { id, desk } of seats) {
		const screensOf = desk.screens ? [{ seat: id, screens: desk.screens }] : [];
		const key = [desk.platform, desk.board, desk.layout, desk.mouse].join(' ');
		const known = desks.get(key);
		if (!known) desks.set(key, { ...desk, seats: [id], screensOf });
		else {
			known.seats.push(id);
			known.screensOf.push(...screensOf);
		}
	}
	return [...desks.values()];
}
