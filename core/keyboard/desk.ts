import { z } from 'zod';
import { BUTTONS, type Button, type MouseInput } from '../stroke/mouse.ts';
import { Flick } from '../hand/hand-test.ts';
import { DeskScreen } from '../surface/screens.ts';
import { BOARD_IDS } from './board.ts';
import { LAYOUT_IDS } from './layouts.ts';

export const PLATFORMS = ['windows', 'macos', 'linux'] as const;
export const Platform = z.enum(PLATFORMS);
export type Platform = z.infer<typeof Platform>;

export const PLATFORM_NAMES: Readonly<Record<Platform, string>> = { windows: 'Windows', macos: 'macOS', linux: 'Linux' };

export const POINTERS = ['wheel', 'many', 'two', 'pen'] as const;
export type Pointer = (typeof POINTERS)[number];

/** The pointing devices that stand on desks, by name, with the buttons that they have; a pen's button counts as the right one. */
export const POINTER_DEVICES: Readonly<
	Record<Pointer, { readonly name: string; readonly buttons: readonly Button[]; readonly wheel: boolean }>
> = {
	wheel: { name: 'wheel mouse', buttons: ['Left', 'Middle', 'Right'], wheel: true },
	many: { name: 'mouse of five buttons', buttons: BUTTONS, wheel: true },
	two: { name: 'mouse of two buttons', buttons: ['Left', 'Right'], wheel: false },
	pen: { name: 'pen', buttons: ['Left', 'Right'], wheel: false }
};

/** Whether the device can say it. */
export function canPoint(pointer: Pointer, input: MouseInput): boolean {
	const { buttons, wheel } = POINTER_DEVICES[pointer];
	return input.kind === 'wheel' ? wheel && (input.wheel === 'Up' || input.wheel === 'Down') : buttons.includes(input.button);
}

/** What stands on a seat's desk: system, board, layout, the hand that holds the mouse, and the screens. */
export const DeskSetup = z.strictObject({
	platform: Platform,
	board: z.enum(BOARD_IDS),
	layout: z.enum(LAYOUT_IDS),
	mouse: z.enum(['right', 'left']),
	pointer: z.enum(POINTERS).optional().meta({ description: 'the pointing device; default is a wheel mouse' }),
	hand: z.array(Flick).max(400).optional().meta({ description: 'the measured hand of the person there' }),
	screens: z.array(DeskScreen).min(1).max(4).optional().meta({ description: 'the usual one' })
});
export type DeskSetup = z.infer<typeof DeskSetup>;

/** The seats that work with the same setup. */
export interface Desk extends DeskSetup {
	readonly seats: readonly string[];
	/** The flicks of each seat whose hand was tested. */
	readonly handsOf?: readonly { readonly seat: string; readonly flicks: readonly Flick[] }[];
	/** The screens of each seat that has said which it has. */
	readonly screensOf?: readonly { readonly seat: string; readonly screens: readonly DeskScreen[] }[];
}

/** What is assumed of a seat that has not said: the first of each list. */
export const USUAL_DESK: DeskSetup = { platform: 'windows', board: 'full-iso', layout: 'us', mouse: 'right' };

export const USUAL_POINTER: Pointer = 'wheel';

/** Seats with the same setup together, in the order of the seats. */
export function desksOf(seats: readonly { readonly id: string; readonly desk: DeskSetup }[]): Desk[] {
	type Growing = DeskSetup & {
		seats: string[];
		screensOf: { seat: string; screens: readonly DeskScreen[] }[];
		handsOf: { seat: string; flicks: readonly Flick[] }[];
	};
	const desks = new Map<string, Growing>();
	for (const { id, desk } of seats) {
		const handsOf = desk.hand ? [{ seat: id, flicks: desk.hand }] : [];
		const screensOf = desk.screens ? [{ seat: id, screens: desk.screens }] : [];
		const key = [desk.platform, desk.board, desk.layout, desk.mouse, desk.pointer ?? USUAL_POINTER].join(' ');
		const known = desks.get(key);
		if (!known) desks.set(key, { ...desk, seats: [id], screensOf, handsOf });
		else {
			known.seats.push(id);
			known.screensOf.push(...screensOf);
			known.handsOf.push(...handsOf);
		}
	}
	return [...desks.values()];
}
