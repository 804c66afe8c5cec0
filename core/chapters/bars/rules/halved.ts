import type { CommandId } from '../../../application/command.ts';
import { insertItem, moveItem } from '../writing.ts';
import { isPlace } from '../boxes.ts';
import { allNodes, type BarNode, type BarTree } from '../tree.ts';
import type { BarRule } from '../finding.ts';

/** A command has a place and its opposite has none, or only one that stands elsewhere. */
export const halved: BarRule = {
	id: 'halved',
	title: 'Opposite command is not next to it',
	find({ tree, index }, report) {
		const places = new Map<CommandId, BarNode[]>();
		for (const node of allNodes(tree)) {
			if (!isPlace(node) || node.item.command === undefined || node.item.hidden) continue;
			const list = places.get(node.item.command);
			if (list) list.push(node);
			else places.set(node.item.command, [node]);
		}
		const ranks = new Map([...index.catalogue.keys()].map((id, rank) => [id, rank]));
		for (const [id, own] of places) {
			const command = index.catalogue.get(id);
			const opposite = command?.opposite && index.catalogue.get(command.opposite);
			if (!command || !opposite) continue;
			const theirs = places.get(opposite.id) ?? [];
			if (theirs.some((other) => own.some((node) => node.parent === other.parent))) continue;
			// of two that stand apart the one that comes first in the catalogue is told of
			if (theirs.length > 0 && ranks.get(id)! > ranks.get(opposite.id)!) continue;
			const [node] = own;
			const [other] = theirs;
			const home = homeOf(tree, node!);
			report({
				severity: 'note',
				item: node!.id,
				stratum: node!.stratum.id,
				command: id,
				situation: 0,
				sentence: other
					? `${command.label} is in ${home}, but its opposite ${opposite.label} is in ${homeOf(tree, other)}.`
					: `${command.label} is in ${home}, but its opposite ${opposite.label} is in no toolbar.`,
				facts: [opposite.id, other?.id ?? ''],
				fixes: [
					{
						kind: 'beside',
						label: `Put ${opposite.label} after ${command.label}`,
						changes(profile, target) {
							const at = (tree.byId.get(node!.parent!)?.children.findIndex((child) => child.id === node!.id) ?? 0) + 1;
							if (other) return moveItem(profile, target, other.id, node!.parent, at);
							const item = isPlace(node!) ? node!.item : undefined;
							const { title: _, icon: __, ...like } = item!;
							return insertItem(profile, target, { ...like, command: opposite.id }, node!.parent, at).changes;
						}
					}
				]
			});
		}
	}
};

/** What people call where something stands. */
function homeOf(tree: BarTree, { parent }: BarNode): string {
	const home = parent ? tree.byId.get(parent) : undefined;
	if (!home) return 'the window';
	return home.item.kind === 'place' ? (home.item.flyout ?? 'a flyout') : home.item.name;
}
