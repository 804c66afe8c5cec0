import type { SheetHead } from './sheet.ts';

/** What a sheet says of itself, in one line. */
export const headLine = ({ setup, state, desk, date }: SheetHead): string => [setup, state, desk, date].join(' · ');
