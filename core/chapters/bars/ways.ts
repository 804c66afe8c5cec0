import type { CommandId } from '../../application/command.ts';
import { inDrawer, pointingAt } from '../../surface/use-time.ts';
import { homing, total, type TimeTerm } from '../../time/pointing.ts';
import type { ItemId } from './bar.ts';
import { isPlace } from './boxes.ts';
import { rectIn } from './opened.ts';
import { layoutFor, type BarSetting } from './setting.ts';
import type { WindowLayout } from '../../surface/window.ts';
import { nodesFrom, pathTo, type BarNode } from './tree.ts';

/** A way to a command over the bars, with the time that it takes in its terms. */
export interface BarWay {
	readonly id: ItemId;
	/** Where it stands, from the outside in: "Body, Grow". */
	readonly where: string;
	readonly seconds: number;
	readonly terms: readonly TimeTerm[];
}

/**
 * How a place is come to in a window, from the middle of the drawing: the hand goes to the mouse, the tab comes to the front if
 * another one stands there, then the place, or the drawer and in it the place. Undefined for what does not show there.
 */
export function timeTo(setting: BarSetting, id: ItemId): readonly TimeTerm[] | undefined {
	const above = pathTo(setting.tree, id);
	const { tab, layout } = layoutFor(setting, id);
	const terms: TimeTerm[] = [homing()];
	if (tab) {
		const tabs = layout.ribbons.flatMap((ribbon) => ribbon.tabs);
		const own = tabs.find((one) => one.tab.id === tab.id);
		// drawn as a toolbar, a tab is always there
		const isToolbar = layout.toolbars.some(({ bar }) => bar.id === tab.id);
		if (!isToolbar && (!own || own.isOff)) return undefined;
		if (own) {
			// as often as another of the tabs stands in front
			const often = 1 - 1 / tabs.length;
			const { seconds, how } = pointingAt(layout.canvas, own.rect);
			terms.push({ name: 'the tab', seconds: seconds * often, how: `(${how}) × ${often.toFixed(2)}` });
		}
	}
	const rect = rectIn(layout, id);
	if (rect) return [...terms, pointingAt(layout.canvas, rect)];
	// what is not drawn itself is found in the innermost thing around it that is, through all that has to be opened there
	const from = above.findLastIndex((node) => node.id !== id && rectIn(layout, node.id));
	const home = above[from];
	if (!home || from === above.length - 1) return undefined;
	const opened = above.slice(from, -1).map((node, depth) => choicesIn(node, depth === 0 ? layout : undefined));
	if (opened.some((choices) => choices === 0)) return undefined;
	return [...terms, pointingAt(layout.canvas, rectIn(layout, home.id)!), ...opened.flatMap(inDrawer)];
}

/** Among how many one chooses in something that is opened: the drawer of a bar that is drawn, else all that shows in it. */
function choicesIn(node: BarNode, layout: WindowLayout | undefined): number {
	const drawer = layout?.toolbars.find(({ bar }) => bar.id === node.id)?.drawer;
	if (drawer && drawer.length > 0) return drawer.length;
	return node.children.filter(
		(child) => !(isPlace(child) && (child.item.hidden || (child.item.command === undefined && child.item.flyout === undefined)))
	).length;
}

/** All ways to a command over the bars that show in the situation, the quickest first. */
export function barWays(setting: BarSetting, command: CommandId): BarWay[] {
	const { tree } = setting;
	return tree.bars
		.flatMap((bar) => [...nodesFrom(bar)])
		.flatMap((node): BarWay[] => {
			if (!isPlace(node) || node.item.command !== command || node.item.hidden) return [];
			const terms = timeTo(setting, node.id);
			if (!terms) return [];
			const where = pathTo(tree, node.id)
				.filter(({ id, item }) => id !== node.id && !(item.kind === 'bar' && item.form === 'ribbon'))
				.map(({ item }) => (item.kind === 'place' ? (item.flyout ?? '') : item.name))
				.join(', ');
			return [{ id: node.id, where, seconds: total(terms), terms }];
		})
		.sort((a, b) => a.seconds - b.seconds);
}
