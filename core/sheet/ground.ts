import type { ShortcutIndex } from '../answer/shortcut-index.ts';
import type { CommandId } from '../application/command.ts';
import { PLATFORM_NAMES, type Desk } from '../keyboard/desk.ts';
import type { OfficeDesks } from '../keyboard/office-desks.ts';
import { heldOn } from '../keyboard/platform.ts';
import type { Binding } from '../shortcut/effective.ts';
import { mouseInput, mouseLegend } from '../stroke/mouse.ts';
import { keysOf, MODIFIERS, readable, strokesOf, type Keys } from '../stroke/stroke.ts';

/** A text, or inputs that are shown as keys. */
export type Cell = string | readonly string[];

export interface Section {
	readonly name: string;
	readonly columns: readonly string[];
	readonly rows: readonly (readonly Cell[])[];
}

/** Systems whose keys a sheet can spell; Linux spells them as Windows does. */
export const SHEET_PLATFORMS = ['windows', 'macos'] as const;
export type SheetPlatform = (typeof SHEET_PLATFORMS)[number];

/** What sheets are made from. */
export interface SheetGround {
	/** Of the strata that the sheet is about. */
	readonly index: ShortcutIndex;
	readonly office: OfficeDesks;
	/** Whose board and layout rows of keys are drawn after. */
	readonly desk: Desk;
	/** What is typed for a command. */
	readonly aliases: ReadonlyMap<string, readonly { readonly alias: string }[]>;
	/** The systems side by side, at least one. */
	readonly platforms: readonly SheetPlatform[];
	/** What the shapes are called that are drawn, by their ids. */
	readonly shapes: ReadonlyMap<string, string>;
	/** Whether a shortcut is wanted on the sheet; all are when left out. */
	readonly wants?: (binding: Binding) => boolean;
}

/** What modifiers are called on the keys of macOS. */
const ON_MACOS = { Ctrl: 'Control', Meta: 'Command', Alt: 'Option', Shift: 'Shift' } as const;

/** The input as it is pressed on that system, in words for what the mouse does. */
export function spelledOn(platform: SheetPlatform, keys: Keys, shapes: SheetGround['shapes'] = new Map()): string {
	return strokesOf(keys)
		.map(({ modifiers, key }) => {
			const held = platform === 'windows' ? modifiers : heldOn('macos', modifiers);
			const names = MODIFIERS.filter((m) => held.includes(m)).map((m) => (platform === 'windows' ? m : ON_MACOS[m]));
			return [...names, keyName(key, shapes)].join('+');
		})
		.join(' ');
}

/** What a key, or what the mouse does, is called on a sheet. */
function keyName(key: string, shapes: SheetGround['shapes']): string {
	const mouse = mouseInput(key);
	if (!mouse) return readable(keysOf([{ modifiers: [], key }]));
	return mouseLegend(mouse.kind === 'shape' ? { ...mouse, shape: shapes.get(mouse.shape) ?? mouse.shape } : mouse);
}

/** The columns for an input: one for each system. */
export const inputColumns = ({ platforms }: SheetGround): string[] =>
	platforms.length === 1 ? ['Keys'] : platforms.map((p) => PLATFORM_NAMES[p]);

/** The cells for an input, as `inputColumns` has them. */
export const inputCells = ({ platforms, shapes }: SheetGround, keys: Keys): Cell[] =>
	platforms.map((p) => [spelledOn(p, keys, shapes)]);

/** The cells for what is typed: it is the same on all systems. */
export const typedCells = ({ platforms }: SheetGround, alias: string): Cell[] => platforms.map(() => [alias]);

export const labelOf = ({ index }: SheetGround, command: CommandId): string => index.catalogue.get(command)?.label ?? command;

/** The shortcuts that can be heard anywhere: of a command that is there, in a place where it exists. */
export const heardIn = (ground: SheetGround): readonly Binding[] => heardOf(ground, ground.index.effective.bindings);

/** Those of them that can be heard anywhere. */
export const heardOf = ({ index, wants }: SheetGround, bindings: readonly Binding[]): readonly Binding[] =>
	bindings.filter(
		(binding) =>
			index.catalogue.has(binding.command) && index.reach(binding) !== index.space.nowhere && (!wants || wants(binding))
	);
