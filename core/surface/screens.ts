import { z } from 'zod';
import type { Screen } from './window.ts';

/** A screen of a desk: its size in px of the screen, and how large the system draws, 1 for 100 %. */
export const DeskScreen = z.strictObject({
	width: z.number().int().min(640).max(16_384),
	height: z.number().int().min(480).max(16_384),
	scale: z.number().min(1).max(4)
});
export type DeskScreen = z.infer<typeof DeskScreen>;

export const sizeText = ({ width, height, scale }: DeskScreen): string =>
	`${width} × ${height}${scale === 1 ? '' : ` at ${Math.round(scale * 100)} %`}`;

/** Screens as offices have them, where no seat has said what it has; common practice, no source. */
export const SCREENS: readonly Screen[] = [
	{ name: 'Laptop 1280', width: 1280, height: 800, scale: 1 },
	{ name: 'Laptop 1920 at 150 %', width: 1920, height: 1080, scale: 1.5 },
	{ name: 'Desk 1920', width: 1920, height: 1080, scale: 1 },
	{ name: 'Desk 2560', width: 2560, height: 1440, scale: 1 },
	{ name: 'Desk 3840 at 200 %', width: 3840, height: 2160, scale: 2 }
];

/** What of a stand-in's window is not the bars'. */
export const FRAME = { title: 30, status: 28 } as const;
