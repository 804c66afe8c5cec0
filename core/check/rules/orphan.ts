import { labelOf, type CheckRule } from '../finding.ts';
import { drops, goes } from '../proposals.ts';

/** The command does not exist in this version, or not in that scope; or a remove has nothing to remove. */
export const orphan: CheckRule = {
	id: 'orphan',
	title: 'Speaks of what is not there',
	onInput({ keys, lifeless, ineffective }, { index }, report) {
		if (lifeless.length > 0) report.each('attention', lifeless);
		for (const { reason, entry, stratum } of ineffective)
			if (reason === 'nothing-to-remove')
				report(
					'note',
					entry.command,
					Math.max(0, index.space.setOf(entry.scope).first),
					`remove\n${stratum}\n${keys}\n${index.space.scopeLabel(entry.scope)}`
				);
	},
	tell({ bindings: [binding], detail, command, witness: { keys } }, c) {
		if (!binding) {
			const stratum = detail!.split('\n')[1]!;
			return {
				sentence: `${c.index.effective.strata.find((s) => s.id === stratum)?.name ?? stratum} removes ${keys} from ${labelOf(c, { command })}, which no stratum below says.`,
				count() {
					return 0;
				},
				causes: []
			};
		}
		return {
			sentence: c.index.catalogue.has(binding.command)
				? `${keys} runs ${labelOf(c, binding)} in ${c.index.space.scopeLabel(binding.scope)}, where that command does not exist.`
				: `${keys} names ${binding.command}, which this version does not have.`,
			count() {
				return c.index.scopeSet(binding).size;
			},
			causes: []
		};
	},
	proposals({ bindings: [binding], command, witness: { keys } }, c, _, pen) {
		if (binding) return [goes(c, pen, binding)];
		return c.index
			.at(keys!)
			.ineffective.filter((i) => i.reason === 'nothing-to-remove' && i.entry.command === command)
			.flatMap((i) => drops(pen, i.stratum, i.entry, `Drop the remove of ${keys} for ${labelOf(c, { command })}`));
	}
};
