import { tabLayout } from '../../../surface/ribbon.ts';
import type { PlaceBox } from '../../../surface/parts.ts';
import { FRAME } from '../../../surface/screens.ts';
import { roomOn, windowLayout } from '../../../surface/window.ts';
import { givesWayIn, isPlace, tabsOf, toolbarBox } from '../boxes.ts';
import { allNodes, type BarNode, type BarTree } from '../tree.ts';
import { moveItem } from '../writing.ts';
import type { BarGround, BarRule } from '../finding.ts';

/** A command that is run at least this often in a day is used often. */
const OFTEN = 5;

/** A command that is used often is found only within flyouts and menus, while there is room beside them. */
export const buried: BarRule = {
	id: 'buried',
	title: 'Used often and hidden',
	find(ground, report) {
		const { tree, index } = ground;
		const open = new Set<string>();
		const hidden: { node: BarNode; flyout: BarNode }[] = [];
		for (const node of allNodes(tree)) {
			if (!isPlace(node) || node.item.command === undefined || node.item.hidden) continue;
			const flyout = node.parent ? tree.byId.get(node.parent) : undefined;
			if (flyout && isPlace(flyout)) hidden.push({ node, flyout });
			else if (isAlwaysThere(tree, node)) open.add(node.item.command);
		}
		for (const { node, flyout } of hidden) {
			const command = isPlace(node) && node.item.command ? index.catalogue.get(node.item.command) : undefined;
			const home = flyout.parent ? tree.byId.get(flyout.parent) : undefined;
			if (!command || (command.use ?? 0) < OFTEN || open.has(command.id) || !home || !hasRoom(ground, home)) continue;
			open.add(command.id);
			const siblings = home.children;
			report({
				severity: 'note',
				item: node.id,
				stratum: node.stratum.id,
				command: command.id,
				situation: 0,
				sentence: `${command.label} is run ${command.use} times a day, but is in ${isPlace(flyout) ? flyout.item.flyout : ''}, which has to be opened first. There is room beside it.`,
				facts: [flyout.id, String(command.use)],
				fixes: [
					{
						kind: 'pull-out',
						label: `Move ${command.label} out of ${isPlace(flyout) ? flyout.item.flyout : ''}`,
						changes: (profile, target) =>
							moveItem(
								profile,
								target,
								node.id,
								home.id,
								siblings.findIndex(({ id }) => id === flyout.id)
							)
					}
				]
			});
		}
	}
};

function isAlwaysThere(tree: BarTree, node: BarNode): boolean {
	const home = node.parent ? tree.byId.get(node.parent) : undefined;
	if (home?.item.kind === 'group') return true;
	return home?.item.kind === 'bar' && !home.item.hidden && (home.item.form === 'toolbar' || home.item.form === 'quick');
}

const ONE_MORE: PlaceBox = { id: '+', kind: 'button', label: 'One more', isLarge: false, shows: 'both' };

/** Whether one more would still show on the narrowest screen that counts. */
function hasRoom({ tree, index, narrowest }: BarGround, home: BarNode): boolean {
	const room = roomOn(narrowest);
	const givesWay = givesWayIn(index.rules);
	if (home.item.kind === 'group') {
		const ribbon = tree.bars.find(({ children }) => children.some((tab) => tab.id === home.parent));
		const tab = ribbon && tabsOf(ribbon, index.catalogue).find(({ id }) => id === home.parent);
		if (!tab) return false;
		const groups = tab.groups.map((group) =>
			group.id === home.id
				? {
						...group,
						places: [...group.places, ONE_MORE]
					}
				: group
		);
		const before = tabLayout(tab.groups, room.width, givesWay);
		const after = tabLayout(groups, room.width, givesWay);
		return after.off.length === 0 && after.drawers.length <= before.drawers.length;
	}
	const bar = tree.bars.find(({ id }) => id === home.id);
	const box = bar && toolbarBox(bar, index.catalogue);
	if (!box || bar.item.hidden) return false;
	const more = {
		...box,
		places: [...box.places, ONE_MORE]
	};
	const { toolbars } = windowLayout({ menus: [], ribbons: [], toolbars: [more] }, room, { ...FRAME, givesWay });
	return toolbars[0]!.drawer.length === 0;
}
