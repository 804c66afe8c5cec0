import { isEmpty } from '../../../context/bits.ts';
import { whereShown } from '../boxes.ts';
import { changeItem, takeOut } from '../writing.ts';
import type { BarRule } from '../finding.ts';

/** A bar is for a context that is not there, as after a mode has gone, and shows nowhere. */
export const nowhere: BarRule = {
	id: 'nowhere',
	title: 'Never shown',
	find({ tree, index: { space } }, report) {
		for (const { id, item, stratum } of tree.bars) {
			if (item.hidden || !isEmpty(whereShown(space, item))) continue;
			report({
				severity: 'attention',
				item: id,
				stratum: stratum.id,
				command: undefined,
				situation: 0,
				sentence: `The toolbar ${item.name} is for ${space.scopeLabel(item.scope)}, which never occurs, so it is never shown.`,
				facts: [space.scopeLabel(item.scope)],
				fixes: [
					{
						kind: 'everywhere',
						label: `Show ${item.name} everywhere`,
						changes: (profile, target) => changeItem(profile, target, id, { ...item, scope: {} })
					},
					{ kind: 'take-out', label: `Remove ${item.name}`, changes: (profile, target) => takeOut(profile, target, [id]) }
				]
			});
		}
	}
};
