import { first } from '../../../context/bits.ts';
import { listedBriefly } from '../../../text/listed.ts';
import { tabLayout } from '../../../surface/ribbon.ts';
import { roomOn } from '../../../surface/window.ts';
import type { ItemId } from '../bar.ts';
import { givesWayIn, tabsOf, whereShown } from '../boxes.ts';
import { layoutIn, settingOn } from '../setting.ts';
import type { BarRule } from '../finding.ts';

/** On the screen with least room, a group of a ribbon folds to one button or falls off, or places go into a toolbar's drawer. */
export const crowding: BarRule = {
	id: 'crowding',
	title: 'Falls off on a small screen',
	find({ tree, index, narrowest }, report) {
		const { width } = roomOn(narrowest);
		const givesWay = givesWayIn(index.rules);
		const told = new Set<string>();
		// a toolbar shares its row with those that show with it, so each is looked at where it shows first
		for (const bar of tree.bars) {
			if (bar.item.hidden || told.has(bar.id) || !['toolbar', 'quick', 'ribbon'].includes(bar.item.form)) continue;
			const situation = first(whereShown(index.space, bar.item));
			if (situation < 0) continue;
			const { toolbars } = layoutIn(settingOn(index, tree, situation, narrowest));
			for (const { bar: box, drawer } of toolbars) {
				const node = tree.byId.get(box.id as ItemId);
				if (!node || told.has(box.id)) continue;
				told.add(box.id);
				if (drawer.length === 0) continue;
				const names = drawer.map(({ label }) => label);
				report({
					severity: 'note',
					item: node.id,
					stratum: node.stratum.id,
					command: undefined,
					situation,
					sentence: `On ${narrowest.name}, ${listedBriefly(names, (name) => name)} of ${box.name} ${names.length === 1 ? 'goes' : 'go'} into its drawer.`,
					facts: names,
					fixes: []
				});
			}
		}
		for (const bar of tree.bars) {
			if (bar.item.form !== 'ribbon' || bar.item.hidden || bar.item.as === 'toolbars') continue;
			for (const tab of tabsOf(bar, index.catalogue)) {
				const { drawers, off } = tabLayout(tab.groups, width, givesWay);
				const folded = drawers.filter(({ group }) => group.kept !== 'folded').map(({ group }) => group.name);
				const lost = off.map((group) => group.name);
				if (folded.length + lost.length === 0) continue;
				const node = tree.byId.get(tab.id as ItemId)!;
				const happens = [
					...(folded.length > 0 ? [`${folded.join(', ')} ${folded.length === 1 ? 'becomes' : 'become'} one button`] : []),
					...(lost.length > 0 ? [`${lost.join(', ')} ${lost.length === 1 ? 'falls' : 'fall'} off`] : [])
				].join(', and ');
				report({
					severity: lost.length > 0 ? 'attention' : 'note',
					item: node.id,
					stratum: node.stratum.id,
					command: undefined,
					situation: 0,
					sentence: `On ${narrowest.name}, of the tab ${tab.name} ${happens}.`,
					facts: [...folded, ...lost],
					fixes: []
				});
			}
		}
	}
};
