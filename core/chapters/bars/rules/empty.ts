import { allNodes, nodesFrom, type BarNode } from '../tree.ts';
import { takeOut } from '../writing.ts';
import type { BarRule } from '../finding.ts';

/** A bar, tab, group or flyout in which nothing is to be found. */
export const empty: BarRule = {
	id: 'empty',
	title: 'Empty',
	find({ tree }, report) {
		for (const node of allNodes(tree)) {
			const name = nameOf(node);
			if (name === undefined || holdsCommand(node)) continue;
			// what it stands in is told instead
			const above = node.parent && tree.byId.get(node.parent);
			if (above && !holdsCommand(above)) continue;
			report({
				severity: 'note',
				item: node.id,
				stratum: node.stratum.id,
				command: undefined,
				situation: 0,
				sentence: `The ${node.item.kind === 'place' ? 'flyout' : node.item.kind} ${name} has no command.`,
				facts: [name],
				fixes: [{ kind: 'take-out', label: `Remove ${name}`, changes: (profile, target) => takeOut(profile, target, [node.id]) }]
			});
		}
	}
};

function nameOf({ item }: BarNode): string | undefined {
	if (item.kind === 'place') return item.flyout;
	// menus list what there is by themselves
	return item.kind === 'bar' && item.form === 'menu' ? undefined : item.name;
}

function holdsCommand(node: BarNode): boolean {
	for (const { item } of nodesFrom(node)) if (item.kind === 'place' && item.command !== undefined) return true;
	return false;
}
