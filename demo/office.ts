import type { DeskSetup } from '../core/keyboard/desk.ts';

/** The workstations of Altspur Cabins and what stands on their desks. */
export const seats: readonly { readonly id: string; readonly note: string; readonly desk: DeskSetup }[] = [
	{ id: 'C-01', note: 'Cladding team', desk: { platform: 'windows', board: 'full-iso', layout: 'ch', mouse: 'right' } },
	{ id: 'C-02', note: 'Door and floor team', desk: { platform: 'windows', board: 'full-iso', layout: 'de', mouse: 'left' } },
	{ id: 'C-03', note: 'Hanger team', desk: { platform: 'linux', board: 'laptop', layout: 'us', mouse: 'right' } }
];
