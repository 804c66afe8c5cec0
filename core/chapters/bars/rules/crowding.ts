import { tabLayout } from '../../../surface/ribbon.ts';
import { roomOn } from '../../../surface/window.ts';
import type { ItemId } from '../bar.ts';
import { givesWayIn, tabsOf } from '../boxes.ts';
import type { BarRule } from '../finding.ts';

/** On the narrowest screen that counts, a group of a ribbon folds to one button, or falls off. */
export const crowding: BarRule = {
	id: 'crowding',
	title: 'Falls off on a small screen',
	find({ tree, index, narrowest }, report) {
		const { width } = roomOn(narrowest);
		for (const bar of tree.bars) {
			if (bar.item.form !== 'ribbon' || bar.item.hidden || bar.item.as === 'toolbars') continue;
			for (const tab of tabsOf(bar, index.catalogue)) {
				const { drawers, off } = tabLayout(tab.groups, width, givesWayIn(index.rules));
				const folded = drawers.filter(({ group }) => group.kept !== 'folded').map(({ group }) => group.name);
				const lost = off.map((group) => group.name);
				if (folded.length + lost.length === 0) continue;
				const node = tree.byId.get(tab.id as ItemId)!;
				const told = [
					...(folded.length > 0 ? [`${folded.join(', ')} ${folded.length === 1 ? 'becomes' : 'become'} one button`] : []),
					...(lost.length > 0 ? [`${lost.join(', ')} ${lost.length === 1 ? 'falls' : 'fall'} off`] : [])
				].join(', and ');
				report({
					severity: lost.length > 0 ? 'attention' : 'note',
					item: node.id,
					stratum: node.stratum.id,
					command: undefined,
					situation: 0,
					sentence: `On ${narrowest.name}, of the tab ${tab.name} ${told}.`,
					facts: [...folded, ...lost],
					fixes: []
				});
			}
		}
	}
};
