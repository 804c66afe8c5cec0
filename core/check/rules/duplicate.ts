import { count } from '../../context/bits.ts';
import { entryKey } from '../../profile/entry.ts';
import { stratumById } from '../../profile/stratum.ts';
import { labelOf, listed, type CheckRule } from '../finding.ts';
import { drops } from '../proposals.ts';

/** The same thing said twice: a stratum repeats what one below it says already. */
export const duplicate: CheckRule = {
	id: 'duplicate',
	title: 'Said twice',
	onContest({ input }, _, report) {
		if (!input.mayRepeat) return;
		const repeated = input.living.filter(({ binding }) => binding.repeatedIn.length > 0);
		if (repeated.length > 0) report.each('note', repeated);
	},
	tell({ bindings: [binding], witness: { keys } }, c) {
		const name = (id: string) => c.index.effective.strata.find((s) => s.id === id)?.name ?? id;
		return {
			sentence: `${name(binding!.stratum)} puts ${keys} on ${labelOf(c, binding!)} already; ${listed(binding!.repeatedIn.map(name))} says it again.`,
			count() {
				return count(c.index.reach(binding!));
			},
			causes: []
		};
	},
	proposals({ bindings: [binding] }, c, _, pen) {
		return binding!.repeatedIn.flatMap((stratum) => {
			const { command, keys, scope } = binding!;
			const entry = stratumById(pen.profile, stratum).entries.get(entryKey({ op: 'set', command, keys, scope }));
			return entry ? drops(pen, stratum, entry, `Drop the repetition of ${keys} for ${labelOf(c, binding!)}`) : [];
		});
	}
};
