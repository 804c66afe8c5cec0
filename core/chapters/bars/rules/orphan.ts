import { allNodes } from '../tree.ts';
import { takeOut } from '../writing.ts';
import type { BarRule } from '../finding.ts';

/** A place runs a command that this version does not have. */
export const orphan: BarRule = {
	id: 'orphan',
	title: 'Runs what is not there',
	find({ tree, index }, report) {
		for (const { id, item, stratum } of allNodes(tree)) {
			if (item.kind !== 'place' || item.command === undefined || index.catalogue.has(item.command)) continue;
			report({
				severity: 'error',
				item: id,
				stratum: stratum.id,
				command: item.command,
				situation: 0,
				sentence: `A place in the bars runs ${item.command}, and there is no such command in this version.`,
				facts: [item.command],
				fixes: [
					{ kind: 'take-out', label: `Take ${item.command} out`, changes: (profile, target) => takeOut(profile, target, [id]) }
				]
			});
		}
	}
};
