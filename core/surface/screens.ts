import type { Screen } from './window.ts';

/** Screens as offices have them; common practice, no source. */
export const SCREENS: readonly Screen[] = [
	{ name: 'Laptop 1280', width: 1280, height: 800, scale: 1 },
	{ name: 'Laptop 1920 at 150 %', width: 1920, height: 1080, scale: 1.5 },
	{ name: 'Desk 1920', width: 1920, height: 1080, scale: 1 },
	{ name: 'Desk 2560', width: 2560, height: 1440, scale: 1 },
	{ name: 'Desk 3840 at 200 %', width: 3840, height: 2160, scale: 2 }
];

/** The narrowest that counts. */
export const NARROWEST = SCREENS[0]!;

/** What of a stand-in's window is not the bars'. */
export const FRAME = { title: 30, status: 28 } as const;
