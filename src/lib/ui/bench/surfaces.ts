import { openedBy } from '$core/chapters/bars/cursor-keys';
import type { ContextNode } from '$core/context/axis';
import type { ShortcutIndex } from '$core/answer/shortcut-index';
import type { Command } from '$core/application/command';
import { count, hasBit } from '$core/context/bits';

export interface Group {
	readonly name: string;
	readonly commands: readonly Command[];
}

function groupBy(commands: Iterable<Command>, nameOf: (command: Command) => string): Group[] {
	const groups = new Map<string, Command[]>();
	for (const command of commands) {
		const name = nameOf(command);
		const group = groups.get(name);
		if (group) group.push(command);
		else groups.set(name, [command]);
	}
	return [...groups].map(([name, list]) => ({ name, commands: list }));
}

/** What stands in menus and in the ribbon: not what opens a cursor bar, which comes at the pointer. */
const listed = (index: ShortcutIndex): Command[] => [...index.catalogue.values()].filter(({ id }) => openedBy(id) === undefined);

/** The stand-in's menus: one for each outermost category, in the order of the catalogue. */
export const menusOf = (index: ShortcutIndex): Group[] => groupBy(listed(index), (c) => c.category[0]!);

/**
 * The stand-in's ribbon strip in a situation: the categories whose commands exist in fewest situations stand first, as
 * the ones that this situation is about.
 */
export function ribbonOf(index: ShortcutIndex, situation: number, mostGroups: number, mostCommands: number): Group[] {
	const size = index.space.situations.length;
	const here = listed(index).flatMap((command) => {
		const bits = index.space.bitsOfAny(command.contexts);
		return hasBit(bits, situation) ? [{ command, share: count(bits) / size }] : [];
	});
	const shares = new Map(here.map(({ command, share }) => [command.id, share]));
	return groupBy(
		here.map((h) => h.command),
		(c) => c.category.at(-1)!
	)
		.map((group) => ({ ...group, share: group.commands.reduce((sum, c) => sum + shares.get(c.id)!, 0) / group.commands.length }))
		.sort((a, b) => a.share - b.share)
		.slice(0, mostGroups)
		.map(({ name, commands }) => ({ name, commands: commands.slice(0, mostCommands) }));
}

const LEFT = ['tree', 'outline', 'layers'];
const TEXT = ['console', 'command', 'words'];
const MAIN = ['canvas', 'space'];

/** Where the window shows the contexts of the pane axis: lists on the left, text at the bottom, the canvas in the middle. */
export function panesOf(nodes: readonly ContextNode[]) {
	const main = nodes.find((n) => MAIN.includes(n.id)) ?? nodes[0];
	const text = nodes.find((n) => TEXT.includes(n.id));
	const left = nodes.filter((n) => LEFT.includes(n.id) && n !== main);
	return { main, text, left, right: nodes.filter((n) => n !== main && n !== text && !left.includes(n)) };
}

/** What stands in the panes of the stand-ins, all of the one cabin of the demo office. */
export const CONTENTS: Readonly<Record<string, readonly string[]>> = {
	tree: ['Cabin frame', 'Floor sheet', 'Corner posts', 'Window openings', 'Hanger arm'],
	outline: ['Cabin frame', 'Cladding panels', 'Windows', 'Hanger arm', 'Sun', 'Camera'],
	layers: ['Outline', 'Hidden edges', 'Dimensions', 'Rope and hanger', 'Title block'],
	properties: ['Width 1 980 mm', 'Sheet 2.5 mm', 'Mass 412 kg'],
	graph: ['Shape', 'Thickness', 'Paint'],
	flat: ['Panel left', 'Panel right', 'Roof'],
	time: ['Door opens', 'frame 24']
};
