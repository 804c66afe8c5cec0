import { allNodes } from '../tree.ts';
import { takeOut } from '../writing.ts';
import type { BarRule } from '../finding.ts';

/** A place runs a command that this version does not have. */
export const orphan: BarRule = {
	id: 'orphan',
	title: 'Runs a missing command',
	find({ tree, index }, report) {
		for (const { id, item, stratum } of allNodes(tree)) {
			if (item.kind !== 'place' || item.command === undefined || index.catalogue.has(item.command)) continue;
			report({
				severity: 'error',
				item: id,
				stratum: stratum.id,
				command: item.command,
				situation: 0,
				sentence: `A button runs ${item.command}, which does not exist in this version.`,
				facts: [item.command],
				fixes: [
					{ kind: 'take-out', label: `Remove ${item.command}`, changes: (profile, target) => takeOut(profile, target, [id]) }
				]
			});
		}
	}
};
