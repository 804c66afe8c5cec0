import { first } from '../../../context/bits.ts';
import { FRAME, NARROWEST } from '../../../surface/screens.ts';
import { roomOn, windowLayout } from '../../../surface/window.ts';
import { givesWayIn, toolbarBox, whereShown } from '../boxes.ts';
import { changeItem } from '../writing.ts';
import type { BarRule } from '../finding.ts';

/** A floating bar of the first monitor lies outside of the narrowest screen that counts. */
export const cover: BarRule = {
	id: 'cover',
	title: 'Floats off a small screen',
	find({ tree, index }, report) {
		const room = roomOn(NARROWEST);
		const frame = { ...FRAME, givesWay: givesWayIn(index.rules) };
		for (const bar of tree.bars) {
			const { id, item, stratum } = bar;
			if (item.hidden || item.dock.edge !== 'floating') continue;
			const box = toolbarBox(bar, index.catalogue);
			const situation = first(whereShown(index.space, item));
			if (!box || situation < 0) continue;
			// where a bar floats depends on no other
			const [placed] = windowLayout({ menus: [], ribbons: [], toolbars: [box] }, room, frame).toolbars;
			const { rect, isElsewhere } = placed!;
			const isIn = rect.x >= 0 && rect.y >= 0 && rect.x + rect.width <= room.width && rect.y + rect.height <= room.height;
			if (isElsewhere || isIn) continue;
			report({
				severity: 'attention',
				item: id,
				stratum: stratum.id,
				command: undefined,
				situation,
				sentence: `The floating bar ${item.name} lies outside of the window on ${NARROWEST.name}.`,
				facts: [String(rect.x), String(rect.y)],
				fixes: [
					{
						kind: 'dock',
						label: `Dock ${item.name} at the top`,
						changes: (profile, target) => changeItem(profile, target, id, { ...item, dock: { edge: 'top', row: 1 } })
					}
				]
			});
		}
	}
};
