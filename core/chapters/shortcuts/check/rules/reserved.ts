import { count } from '../../../../context/bits.ts';
import { labelOf, type CheckRule } from '../finding.ts';
import { listed } from '../../../../text/listed.ts';
import { goes, moves } from '../proposals.ts';

/** A platform in use, or the application itself, keeps the stroke. */
export const reserved: CheckRule = {
	id: 'reserved',
	title: 'Reserved by the system or the program',
	onContest({ input, contenders }, { office }, report) {
		const kept = input.isHeard ? office.kept(input.keys) : [];
		if (kept.length === 0) return;
		const severity = kept.some((k) => k.taken === 'always') ? 'error' : 'attention';
		report.each(severity, contenders);
	},
	tell({ bindings: [binding], witness: { keys } }, c) {
		const said = c.office
			.kept(keys!)
			.map(
				({ platform, does, taken }) =>
					`${platform ?? 'the application itself'} ${does}${taken === 'default' ? ' by default' : ''}`
			);
		return {
			sentence: `${keys} for ${labelOf(c, binding!)} may not work: ${listed(said)}.`,
			count() {
				return count(c.index.reach(binding!));
			},
			causes: []
		};
	},
	proposals: ({ bindings: [binding] }, c, _, pen) => [...moves(c, pen, binding!), goes(c, pen, binding!)]
};
