import type { SheetHead } from './sheet.ts';

/** What a sheet says of itself, in one line. */
export const headLine = ({ setup, release, desk, date }: SheetHead): string =>
	[setup, release ?? 'not released yet', desk, date].join(' · ');
