import { alike } from '../../../context/bits.ts';
import { listedBriefly } from '../../../text/listed.ts';
import type { Screen, WindowLayout } from '../../../surface/window.ts';
import type { ItemId } from '../bar.ts';
import { partOf, whereShown } from '../boxes.ts';
import { layoutIn, settingOn } from '../setting.ts';
import type { BarNode, BarTree } from '../tree.ts';
import type { BarFinding, BarGround, BarRule } from '../finding.ts';

/** Something of the bars that does not show on a screen in a situation. */
interface Crowded {
	readonly node: BarNode;
	/** Falls off: it cannot be reached at all; else it is one click farther away. */
	readonly isLost: boolean;
	readonly names: readonly string[];
	sentence(screen: string): string;
}

const verb = (names: readonly string[], one: string, many: string): string => (names.length === 1 ? one : many);
const listed = (names: readonly string[]): string => listedBriefly(names, (name) => name);

/** What does not show of a window with these tabs in front. */
function* crowdedIn(layout: WindowLayout, tree: BarTree): Generator<Crowded> {
	const nodeOf = (id: string) => tree.byId.get(partOf(id).id as ItemId);
	for (const { bar, drawer } of layout.toolbars) {
		const node = nodeOf(bar.id);
		const names = drawer.map(({ label }) => label);
		if (node && names.length > 0)
			yield {
				node,
				isLost: false,
				names,
				sentence: (screen) => `On ${screen}, ${listed(names)} of ${bar.name} ${verb(names, 'goes', 'go')} into its overflow.`
			};
	}
	for (const { tabs, strip, front } of layout.ribbons) {
		for (const { tab, isOff } of tabs) {
			const node = nodeOf(tab.id);
			if (node && isOff)
				yield {
					node,
					isLost: true,
					names: [tab.name],
					sentence: (screen) => `On ${screen}, the tab ${tab.name} does not fit in the row of tabs and cannot be reached.`
				};
		}
		const node = front && nodeOf(front.id);
		if (!strip || !node) continue;
		const folded = strip.drawers.filter(({ group }) => group.kept !== 'folded').map(({ group }) => group.name);
		const off = strip.off.map((group) => group.name);
		if (folded.length + off.length === 0) continue;
		const happens = [
			...(folded.length > 0 ? [`${folded.join(', ')} ${verb(folded, 'becomes', 'become')} one button`] : []),
			...(off.length > 0 ? [`${off.join(', ')} ${verb(off, 'is', 'are')} hidden`] : [])
		].join(', and ');
		yield {
			node,
			isLost: off.length > 0,
			names: [...folded, ...off],
			sentence: (screen) => `On ${screen}, of the tab ${front.name} ${happens}.`
		};
	}
	const shown = new Set(layout.titles.map(({ id }) => id));
	for (const bar of tree.bars) {
		if (bar.item.form !== 'menu' || layout.titles.length === 0) continue;
		for (const title of bar.children) {
			if (title.item.kind !== 'place' || title.item.hidden || shown.has(title.id)) continue;
			const name = title.item.title ?? title.item.flyout ?? title.item.command ?? '';
			if (name === '' || !layout.titles.some(({ id }) => bar.children.some((other) => other.id === id))) continue;
			yield {
				node: title,
				isLost: true,
				names: [name],
				sentence: (screen) => `On ${screen}, the menu ${name} does not fit in its row and cannot be reached.`
			};
		}
	}
}

/** One situation for each set of bars that show together. */
const examples = ({ tree, index: { space } }: BarGround): number[] =>
	alike(
		tree.bars.filter(({ item }) => !item.hidden).map(({ item }) => whereShown(space, item)),
		space.situations.length
	).map(([first]) => first!);

/**
 * On the screens with least room, something of the bars does not show: a group of a ribbon becomes one button or falls off, buttons go
 * into a toolbar's drawer, a tab or a menu has no room in its line. Every set of bars that show together is looked at, with each tab in front.
 */
export const crowding: BarRule = {
	id: 'crowding',
	title: 'Hidden on a small screen',
	find(ground, report) {
		const { tree, index, tightest } = ground;
		const found = new Map<ItemId, BarFinding>();
		const keep = ({ node, isLost, names, sentence }: Crowded, screen: Screen, situation: number) => {
			const known = found.get(node.id);
			// of one thing the worst is told, where it is seen first
			const isWorse = !known || (isLost && known.severity === 'note') || names.length > known.facts.length;
			if (!isWorse || (known?.severity === 'attention' && !isLost)) return;
			found.set(node.id, {
				severity: isLost ? 'attention' : 'note',
				item: node.id,
				stratum: node.stratum.id,
				command: undefined,
				situation,
				sentence: sentence(screen.name),
				facts: names,
				fixes: []
			});
		};
		for (const screen of tightest)
			for (const situation of examples(ground)) {
				const setting = settingOn(index, tree, situation, screen);
				const first = layoutIn(setting);
				const tabs = first.ribbons.flatMap(({ ribbon }) => ribbon.tabs.map(({ id }) => id));
				for (const layout of [first, ...tabs.map((id) => layoutIn(setting, new Set([id])))])
					for (const crowded of crowdedIn(layout, tree)) keep(crowded, screen, situation);
			}
		for (const finding of found.values()) report(finding);
	}
};
