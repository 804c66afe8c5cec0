import { put, takeAway } from '../../answer/choices.ts';
import type { ShortcutIndex } from '../../answer/shortcut-index.ts';
import type { Command } from '../../application/command.ts';
import { valueProblem, type OptionDefinition, type OptionValue } from '../../application/option.ts';
import type { AnyChange } from '../../chapter/chapter.ts';
import { closedFor, optionRows, type OptionRow } from '../options/listing.ts';
import { setOption } from '../options/writing.ts';
import { ofShortcuts } from '../../shortcut/change.ts';
import type { Binding } from '../../shortcut/effective.ts';
import { OutOfReachError } from '../../strata/change.ts';
import { stratumById, type Profile, type StratumId } from '../../strata/stratum.ts';
import { mouseInput, type MouseInput } from '../../stroke/mouse.ts';
import { strokesOf, type Keys } from '../../stroke/stroke.ts';

/** What the mouse says in an input, but for flicks and drawn shapes; undefined for all else. */
export function pointingIn(keys: Keys): Extract<MouseInput, { kind: 'button' | 'wheel' }> | undefined {
	const input = mouseInput(strokesOf(keys)[0]!.key);
	return input?.kind === 'button' || input?.kind === 'wheel' ? input : undefined;
}

/** The inputs by which other programs do what an action means, by the action. */
export type Elsewhere = Readonly<Record<string, readonly { readonly keys: string; readonly application: string }[]>>;

/** One action as this program and another one navigate by it. */
export interface NavigationRow {
	readonly command: Command;
	/** What the mouse says for it here, and there. */
	readonly here: readonly Binding[];
	readonly there: readonly Keys[];
	/** Both say the same. */
	readonly isSame: boolean;
}

/** What this program and another one both do with the mouse: the actions that the mouse says there. */
export function navigationBeside(index: ShortcutIndex, elsewhere: Elsewhere, application: string): NavigationRow[] {
	return [...index.catalogue.values()].flatMap((command): NavigationRow[] => {
		const said = command.action === undefined ? [] : (elsewhere[command.action] ?? []);
		const there = said.flatMap((one) =>
			one.application === application && pointingIn(one.keys as Keys) ? [one.keys as Keys] : []
		);
		if (there.length === 0) return [];
		const here = index.of(command.id).filter(({ keys }) => pointingIn(keys));
		const keys = new Set(here.map((binding) => binding.keys));
		return [{ command, here, there, isSame: keys.size === there.length && there.every((one) => keys.has(one)) }];
	});
}

/** Options of this group say how a program lets itself be navigated. */
export const isNavigationOption = ({ path }: Pick<OptionDefinition, 'path'>): boolean => path.startsWith('navigation.');

/** One option of navigation as this program and another one have it. */
export interface MannerRow extends OptionRow {
	readonly there: OptionValue;
}

/** How both let themselves be navigated: the options that this one has too, where it can take the other one's value. */
export const mannersBeside = (
	options: readonly OptionDefinition[],
	profile: Profile,
	target: StratumId,
	there: Readonly<Record<string, OptionValue>>
): MannerRow[] =>
	optionRows(options.filter(isNavigationOption), profile, target).flatMap((row): MannerRow[] => {
		const value = there[row.definition.path];
		return value === undefined || valueProblem(row.definition, value) ? [] : [{ ...row, there: value }];
	});

/** What making the navigation that of another program would change. */
export interface TakingOver {
	readonly changes: readonly AnyChange[];
	/** What has one of the inputs now, and gives it up. */
	readonly aside: readonly Binding[];
}

/**
 * Makes the mouse say here what it says there, for these actions: the former inputs of the action go, and so does what has the new ones now.
 * And lets the program be navigated in the manner of the other one.
 * Throws `OutOfReachError` where something of it is locked or said by a stratum above.
 */
export function takeOver(
	index: ShortcutIndex,
	profile: Profile,
	target: StratumId,
	rows: readonly NavigationRow[],
	manners: readonly MannerRow[] = []
): TakingOver {
	const turning = manners.filter(({ value, there }) => value !== there);
	for (const row of turning) {
		const why = closedFor(row, profile, target);
		if (why) throw new OutOfReachError(`${row.definition.label}: ${why}`);
	}
	const wanted = new Map(rows.flatMap(({ command, there }) => there.map((keys) => [keys, command.id] as const)));
	const moving = new Set(rows.map(({ command }) => command.id));
	const former = rows.flatMap(({ here, there }) => here.filter(({ keys }) => !there.includes(keys)));
	const aside = [...wanted].flatMap(([keys, command]) =>
		index.on(keys).filter((binding) => binding.command !== command && !moving.has(binding.command))
	);
	const going = [...new Set([...former, ...aside])];
	let offset = going.length;
	const changes = ofShortcuts([
		...going.flatMap((binding, i) => takeAway(index, profile, target, binding, i)),
		...rows.flatMap(({ command, here, there }) =>
			there
				.filter((keys) => !here.some((binding) => binding.keys === keys))
				.flatMap((keys) => put(profile, target, { command: command.id, keys, scope: {} }, offset++))
		)
	]);
	const stratum = stratumById(profile, target);
	return {
		changes: [...changes, ...turning.flatMap(({ definition, there }) => setOption(stratum, definition.path, there))],
		aside
	};
}
