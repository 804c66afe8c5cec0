import type { CommandId } from '../../../application/command.ts';
import { meets } from '../../../context/bits.ts';
import type { ContextSpace } from '../../../context/space.ts';
import { whereShown } from '../boxes.ts';
import { nodesFrom, type BarNode, type BarTree } from '../tree.ts';
import { isDrawnAsTab } from '../style.ts';
import { takeOut } from '../writing.ts';
import type { BarRule } from '../finding.ts';

interface Shown {
	readonly node: BarNode;
	readonly bar: BarTree['bars'][number];
	/** The tab of the ribbon, of which only one is in front. */
	readonly tab: BarNode | undefined;
	/** What people call where it stands: its group, or the bar. */
	readonly home: string;
}

/** The same command is visible at two places at once: the room could hold another. */
export const doubled: BarRule = {
	id: 'doubled',
	title: 'Visible twice',
	find({ tree, index }, report) {
		const byCommand = new Map<CommandId, Shown[]>();
		for (const shown of visible(tree)) {
			const { item } = shown.node;
			if (item.kind !== 'place' || item.command === undefined) continue;
			const list = byCommand.get(item.command);
			if (list) list.push(shown);
			else byCommand.set(item.command, [shown]);
		}
		for (const [command, places] of byCommand)
			places.forEach((second, i) => {
				const first = places.slice(0, i).find((earlier) => atOnce(index.space, earlier, second));
				if (!first) return;
				const label = index.catalogue.get(command)?.label ?? command;
				const [one, other] = [first.home, second.home];
				report({
					severity: 'note',
					item: second.node.id,
					stratum: second.node.stratum.id,
					command,
					situation: 0,
					sentence: `${label} is visible twice, in ${one} and in ${one === other ? `${other} once more` : other}.`,
					facts: [first.node.id, second.node.id],
					fixes: [second, first].map(({ node, home }) => ({
						kind: 'take-out',
						label: `Remove ${label} from ${home}`,
						changes: (profile, target) => takeOut(profile, target, [node.id])
					}))
				});
			});
	}
};

function* visible({ bars }: BarTree): Generator<Shown> {
	for (const bar of bars) {
		if (bar.item.hidden || !['ribbon', 'toolbar', 'quick'].includes(bar.item.form)) continue;
		if (bar.item.form !== 'ribbon') {
			const tab = isDrawnAsTab(bar) ? bar : undefined;
			for (const node of bar.children) if (!isOff(node)) yield { node, bar, tab, home: bar.item.name };
			continue;
		}
		for (const tab of bar.children)
			for (const group of tab.children)
				for (const node of nodesFrom(group))
					if (!isOff(node))
						yield {
							node,
							bar,
							tab: bar.item.as === 'toolbars' ? undefined : tab,
							home: group.item.kind === 'group' ? group.item.name : bar.item.name
						};
	}
}

const isOff = ({ item }: BarNode): boolean => item.kind === 'place' && item.hidden;

function atOnce(space: ContextSpace, a: Shown, b: Shown): boolean {
	const isOneRibbon = a.bar.id === b.bar.id || (isDrawnAsTab(a.bar) && isDrawnAsTab(b.bar));
	if (isOneRibbon && a.tab?.id !== b.tab?.id) return false;
	return meets(whereShown(space, a.bar.item), whereShown(space, b.bar.item));
}
