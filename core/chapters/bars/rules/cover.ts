import { first } from '../../../context/bits.ts';
import type { Rect } from '../../../surface/parts.ts';
import { FRAME } from '../../../surface/screens.ts';
import { seatsWithout } from '../../../keyboard/office-screens.ts';
import { listed } from '../../../text/listed.ts';
import { roomOn, windowLayout } from '../../../surface/window.ts';
import { givesWayIn, toolbarBox, whereShown } from '../boxes.ts';
import { layoutIn, settingOn } from '../setting.ts';
import type { BarTree } from '../tree.ts';
import { changeItem } from '../writing.ts';
import type { FixProposal } from '../../../check/finding.ts';
import type { BarRule } from '../finding.ts';

/** A floating bar of the first monitor lies outside of the narrowest screen that counts, or over another bar. */
export const cover: BarRule = {
	id: 'cover',
	title: 'Floating toolbar in the way',
	find({ tree, index, narrowest, desks }, report) {
		const floats = tree.bars.filter(({ item }) => !item.hidden && item.dock.edge === 'floating' && item.form === 'toolbar');
		floats.forEach((bar, i) => {
			const shows = whereShown(index.space, bar.item);
			const situation = first(shows);
			const monitor = bar.item.dock.edge === 'floating' ? bar.item.dock.monitor : 1;
			const without = monitor > 1 ? seatsWithout(desks, monitor) : [];
			if (situation >= 0 && without.length > 0)
				report({
					severity: 'attention',
					item: bar.id,
					stratum: bar.stratum.id,
					command: undefined,
					situation,
					sentence: `The floating toolbar ${bar.item.name} is on monitor ${monitor}, which ${listed(without)} ${without.length === 1 ? 'does' : 'do'} not have.`,
					facts: [...without],
					fixes: [docked(bar)]
				});
			if (situation < 0 || monitor > 1) return;
			const layout = layoutIn(settingOn(index, tree, situation, narrowest));
			const own = layout.toolbars.find((one) => one.bar.id === bar.id);
			// of two floating ones the later lies over the earlier
			const under = layout.toolbars.find(
				({ bar: other, rect, isElsewhere }) =>
					own &&
					other.id !== bar.id &&
					!isElsewhere &&
					!floats.slice(i).some(({ id }) => id === other.id) &&
					overlap(rect, own.rect)
			);
			if (!under) return;
			report({
				severity: 'note',
				item: bar.id,
				stratum: bar.stratum.id,
				command: undefined,
				situation,
				sentence: `The floating toolbar ${bar.item.name} covers ${under.bar.name} on ${narrowest.name}.`,
				facts: [under.bar.id],
				fixes: [docked(bar)]
			});
		});
		const room = roomOn(narrowest);
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
				sentence: `The floating toolbar ${item.name} is outside of the window on ${narrowest.name}.`,
				facts: [String(rect.x), String(rect.y)],
				fixes: [docked(bar)]
			});
		}
	}
};

const overlap = (a: Rect, b: Rect): boolean =>
	a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;

const docked = ({ id, item }: BarTree['bars'][number]): FixProposal => ({
	kind: 'dock',
	label: `Dock ${item.name} at the top`,
	changes: (profile, target) => changeItem(profile, target, id, { ...item, dock: { edge: 'top', row: 1 } })
});
