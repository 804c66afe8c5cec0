import { allNodes } from '../tree.ts';
import { changeItem } from '../writing.ts';
import type { BarRule } from '../finding.ts';

/** A place has a title of its own: then the command is known under two names. */
export const twoNames: BarRule = {
	id: 'two-names',
	title: 'Two names for one command',
	find({ tree, index }, report) {
		for (const { id, item, stratum } of allNodes(tree)) {
			if (item.kind !== 'place' || item.command === undefined || item.title === undefined) continue;
			const label = index.catalogue.get(item.command)?.label;
			if (label === undefined || label === item.title) continue;
			report({
				severity: 'note',
				item: id,
				stratum: stratum.id,
				command: item.command,
				situation: 0,
				sentence: `${label} has the label ${item.title} in the toolbars, which is hard to find under the other name.`,
				facts: [item.title],
				fixes: [
					{
						kind: 'rename',
						label: `Use the name ${label}`,
						changes: (profile, target) => {
							const { title: _, ...plain } = item;
							return changeItem(profile, target, id, plain);
						}
					}
				]
			});
		}
	}
};
