import { z } from 'zod';
import { BOARD_IDS } from './board.ts';
import { LAYOUT_IDS } from './layouts.ts';

export const PLATFORMS = ['windows', 'macos', 'linux'] as const;
export const Platform = z.enum(PLATFORMS);
export type Platform = z.infer<typeof Platform>;

export const PLATFORM_NAMES: Readonly<Record<Platform, string>> = { windows: 'Windows', macos: 'macOS', linux: 'Linux' };

/** What stands on a seat's desk: system, board, layout, and the hand that holds the mouse. */
export const DeskSetup = z.strictObject({
	platform: Platform,
	board: z.enum(BOARD_IDS),
	layout: z.enum(LAYOUT_IDS),
	mouse: z.enum(['right', 'left'])
});
export type DeskSetup = z.infer<typeof DeskSetup>;

/** The seats that work with the same setup. */
export interface Desk extends DeskSetup {
	readonly seats: readonly string[];
}

/** What is assumed of a seat that has not said: the first of each list. */
export const USUAL_DESK: DeskSetup = { platform: 'windows', board: 'full-iso', layout: 'us', mouse: 'right' };

/** Seats with the same setup together, in the order of the seats. */
export function desksOf(seats: readonly { readonly id: string; readonly desk: DeskSetup }[]): Desk[] {
	const desks = new Map<string, DeskSetup & { seats: string[] }>();
	for (const { id, desk } of seats) {
		const key = [desk.platform, desk.board, desk.layout, desk.mouse].join(' ');
		const known = desks.get(key);
		if (known) known.seats.push(id);
		else desks.set(key, { ...desk, seats: [id] });
	}
	return [...desks.values()];
}
