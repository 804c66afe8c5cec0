import { byCategory } from './by-category.ts';
import { byContext } from './by-context.ts';
import { byKey } from './by-key.ts';
import { byKeyboard } from './by-keyboard.ts';
import type { Section, SheetGround } from './ground.ts';

/** What a sheet says of itself. */
export interface SheetHead {
	readonly application: string;
	/** Whose setup it is: the office's, or somebody's own. */
	readonly setup: string;
	/** Which state of the setup it is, in words. */
	readonly state: string;
	readonly desk: string;
	/** Day, month and year, as printed. */
	readonly date: string;
}

/** A quick reference, to be printed or hung up. */
export interface Sheet {
	readonly head: SheetHead;
	readonly arrangement: Arrangement;
	readonly sections: readonly Section[];
}

/** How a sheet is put in order. */
export const ARRANGEMENTS = ['context', 'category', 'key', 'keyboard'] as const;
export type Arrangement = (typeof ARRANGEMENTS)[number];

const MAKERS: Readonly<Record<Arrangement, (ground: SheetGround) => Section[]>> = {
	context: byContext,
	category: byCategory,
	key: byKey,
	keyboard: byKeyboard
};

/** The sheet in that order; a section without a row is left out. */
export const sheetOf = (head: SheetHead, arrangement: Arrangement, ground: SheetGround): Sheet => ({
	head,
	arrangement,
	sections: MAKERS[arrangement](ground).filter(({ rows }) => rows.length > 0)
});
