import type { Command } from '../../../application/command.ts';
import type { ItemOf } from '../bar.ts';
import { isPlace } from '../boxes.ts';
import type { BarNode } from '../tree.ts';
import { changeItem } from '../writing.ts';
import type { BarRule } from '../finding.ts';

/** An icon stands alone, and there is none, or a neighbour that stands alone has the same. */
export const wordless: BarRule = {
	id: 'wordless',
	title: 'Icon without a label',
	find({ tree, index }, report) {
		for (const bar of tree.bars) {
			const { form, text, hidden, name } = bar.item;
			if (hidden || (form !== 'toolbar' && form !== 'quick')) continue;
			const alone = bar.children.filter(isPlace).map((node) => {
				const command = node.item.command && index.catalogue.get(node.item.command);
				return command && !node.item.hidden && standsAlone(node.item, text) ? { node, command } : undefined;
			});
			alone.forEach((one, i) => {
				if (!one) return;
				const { node, command } = one;
				const icon = iconOf(node, command);
				const twin = [alone[i - 1], alone[i + 1]].find((other) => other && iconOf(other.node, other.command) === icon);
				if (icon !== '' && !twin) return;
				report({
					severity: 'note',
					item: node.id,
					stratum: node.stratum.id,
					command: command.id,
					situation: 0,
					sentence: twin
						? `In ${name}, ${command.label} and ${twin.command.label} are side by side with the same icon and no label.`
						: `In ${name}, ${command.label} has neither a label nor an icon.`,
					facts: [icon, twin?.command.id ?? ''],
					fixes: [
						{
							kind: 'name',
							label: `Show the label of ${command.label}`,
							changes: (profile, target) => changeItem(profile, target, node.id, { ...node.item, shows: 'text' })
						}
					]
				});
			});
		}
	}
};

const standsAlone = ({ shows }: ItemOf<'place'>, text: ItemOf<'bar'>['text']): boolean =>
	shows === 'icon' || (shows === 'both' && text === 'none');

const iconOf = ({ item }: BarNode<ItemOf<'place'>>, { icon }: Command): string => item.icon ?? icon;
