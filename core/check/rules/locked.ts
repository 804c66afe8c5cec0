import { count } from '../../context/bits.ts';
import { labelOf, type CheckRule } from '../finding.ts';
import { drops } from '../proposals.ts';

/** An entry tries to change what a lower stratum has locked; it has no effect. */
export const locked: CheckRule = {
	id: 'locked',
	title: 'Stopped by a lock',
	onInput(input, { index }, report) {
		for (const { reason, entry, stratum } of input.ineffective)
			if (reason === 'locked') {
				const bindings = input.bindings.filter((b) => b.command === entry.command);
				report(
					'attention',
					bindings.length > 0 ? bindings : entry.command,
					Math.max(0, index.space.setOf(entry.scope).first),
					stratum
				);
			}
	},
	tell({ command, detail, bindings, witness: { keys } }, c) {
		const name = (id: string | undefined) => c.index.effective.strata.find((s) => s.id === id)?.name ?? id;
		return {
			sentence: `${name(detail)} takes ${keys} away from ${labelOf(c, { command })}, but ${name(bindings[0]?.lockedBy) ?? 'a stratum below'} has locked it, so it still runs.`,
			count() {
				return bindings[0] ? count(c.index.reach(bindings[0])) : 0;
			},
			causes: []
		};
	},
	proposals({ command, detail, witness: { keys } }, c, _, pen) {
		return c.index
			.at(keys!)
			.ineffective.filter((i) => i.reason === 'locked' && i.stratum === detail && i.entry.command === command)
			.flatMap((i) => drops(pen, i.stratum, i.entry, `Drop the remove of ${keys} for ${labelOf(c, { command })}`));
	}
};
