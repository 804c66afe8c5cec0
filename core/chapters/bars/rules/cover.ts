import { FRAME, SCREENS } from '../../../surface/screens.ts';
import { roomOn, windowLayout } from '../../../surface/window.ts';
import { boxesIn } from '../boxes.ts';
import { changeItem } from '../writing.ts';
import type { ItemId, ItemOf } from '../bar.ts';
import type { BarRule } from '../finding.ts';

/** A floating bar of the first monitor lies outside of the narrowest screen that counts. */
export const cover: BarRule = {
	id: 'cover',
	title: 'Floats off a small screen',
	find({ tree, index }, report) {
		if (!tree.bars.some(({ item }) => item.dock.edge === 'floating' && !item.hidden)) return;
		const [narrowest] = SCREENS as readonly [(typeof SCREENS)[number]];
		const room = roomOn(narrowest);
		const told = new Set<string>();
		for (let situation = 0; situation < index.space.situations.length; situation++) {
			const boxes = boxesIn(tree, index.catalogue, index.space, situation);
			const floating = { ...boxes, toolbars: boxes.toolbars.filter(({ dock, id }) => dock.edge === 'floating' && !told.has(id)) };
			for (const { bar, rect, isElsewhere } of windowLayout(floating, room, { ...FRAME, givesWay: 'last' }).toolbars) {
				if (isElsewhere) continue;
				const isIn = rect.x >= 0 && rect.y >= 0 && rect.x + rect.width <= room.width && rect.y + rect.height <= room.height;
				if (isIn) continue;
				told.add(bar.id);
				const node = tree.byId.get(bar.id as ItemId)!;
				const item = node.item as ItemOf<'bar'>;
				report({
					severity: 'attention',
					item: node.id,
					stratum: node.stratum.id,
					command: undefined,
					situation,
					sentence: `The floating bar ${bar.name} lies outside of the window on ${narrowest.name}.`,
					facts: [String(rect.x), String(rect.y)],
					fixes: [
						{
							kind: 'dock',
							label: `Dock ${bar.name} at the top`,
							changes: (profile, target) => changeItem(profile, target, node.id, { ...item, dock: { edge: 'top', row: 1 } })
						}
					]
				});
			}
		}
	}
};
