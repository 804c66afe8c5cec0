import type { CommandId } from '../../application/command.ts';
import type { Profile } from '../../strata/stratum.ts';
import { barsIn, type BarEntries } from './bar.ts';
import { isPlace } from './boxes.ts';
import { barTree, type BarNode, type BarTree } from './tree.ts';

/** What was worked out last: edits of other chapters leave the bars as they are. */
let last: { readonly contents: readonly BarEntries[]; readonly placed: ReadonlySet<CommandId> } | undefined;

/** The commands that have a place in bars which somewhere show, be it in a menu or flyout. */
export function placedCommands(profile: Profile): ReadonlySet<CommandId> {
	const contents = profile.map(barsIn);
	if (last?.contents.length === contents.length && contents.every((content, i) => content === last!.contents[i]))
		return last.placed;
	const placed = placedIn(barTree(profile));
	last = { contents, placed };
	return placed;
}

/** The commands that stand on a button of bars that are not hidden. */
export function placedIn({ bars }: BarTree): ReadonlySet<CommandId> {
	const placed = new Set<CommandId>();
	const take = (node: BarNode) => {
		if ('hidden' in node.item && node.item.hidden) return;
		if (isPlace(node) && node.item.command !== undefined) placed.add(node.item.command);
		node.children.forEach(take);
	};
	bars.forEach(take);
	return placed;
}
